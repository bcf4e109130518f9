import type { Block, Point, Scan } from '../api/types';
import { planeThrough } from './geometry';

/** Corners as a person placed them: of the sheet, and of single blocks that lie otherwise than the sheet says. */
export interface Placed {
  sheet: Point[];
  /** Whether the sheet's corners were moved; those that were found are left to the reader. */
  isSheetMoved: boolean;
  blocks: Record<string, Point[]>;
}

/** What is being placed: a channel's block, or the sheet. */
export type Target = string | undefined;

export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

export function startOf(scan: Scan): Placed {
  const byHand = scan.byHand?.sheet?.length === 4 ? scan.byHand.sheet : undefined;
  const found = byHand ?? scan.result.fit?.corners;
  const [w, h] = [scan.widthPx, scan.heightPx];
  const inset = 0.04;
  return {
    sheet:
      found?.length === 4
        ? found
        : [
            { x: w * inset, y: h * inset },
            { x: w * (1 - inset), y: h * inset },
            { x: w * (1 - inset), y: h * (1 - inset) },
            { x: w * inset, y: h * (1 - inset) },
          ],
    isSheetMoved: byHand !== undefined || found === undefined,
    blocks: scan.byHand?.blocks ?? {},
  };
}

/** Where the sheet's corners put a block. */
export function blockBySheet(
  plane: NonNullable<ReturnType<typeof planeThrough>>,
  { xMm, yMm, widthMm, heightMm }: Block,
): Point[] {
  return [
    plane(xMm, yMm),
    plane(xMm + widthMm, yMm),
    plane(xMm + widthMm, yMm + heightMm),
    plane(xMm, yMm + heightMm),
  ];
}

/** The part of the picture to be shown while corners are placed, pixels. */
export function frameOf(scan: Scan, target: Target, corners: Point[]): Frame {
  if (target === undefined) {
    return { x: 0, y: 0, width: scan.widthPx, height: scan.heightPx };
  }
  const xs = corners.map((p) => p.x);
  const ys = corners.map((p) => p.y);
  const around = 0.2 * Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  return {
    x: Math.min(...xs) - around,
    y: Math.min(...ys) - around,
    width: Math.max(...xs) - Math.min(...xs) + 2 * around,
    height: Math.max(...ys) - Math.min(...ys) + 2 * around,
  };
}

export function moved(placed: Placed, target: Target, corners: Point[]): Placed {
  return target === undefined
    ? { ...placed, sheet: corners, isSheetMoved: true }
    : { ...placed, blocks: { ...placed.blocks, [target]: corners } };
}

/** The block goes by the sheet's corners again. */
export function withoutBlock(placed: Placed, target: string): Placed {
  return {
    ...placed,
    blocks: Object.fromEntries(Object.entries(placed.blocks).filter(([code]) => code !== target)),
  };
}

export function toSend({ sheet, isSheetMoved, blocks }: Placed) {
  return { sheet: isSheetMoved || Object.keys(blocks).length === 0 ? sheet : [], blocks };
}
