import type { Block, Point } from '../api/types';

/** A dash on the sheet, millimetres. */
export interface Dash {
  x: number;
  y: number;
  width: number;
  height: number;
}

const LINE_MM = 0.5;

/** Where a nozzle's dash lies (the same sums as the core's check layout). */
export function dashOf(block: Block, nozzle: number): Dash {
  const across = block.direction === 'ACROSS';
  const along = across ? block.widthMm : block.heightMm;
  const stairMm = (along - block.dashMm) / (block.stairs - 1 / block.steps);
  const stair = Math.floor((nozzle - 1) / block.steps);
  const step = (nozzle - 1) % block.steps;
  const placeOfStair = block.stairsReversed ? block.stairs - 1 - stair : stair;
  const placeOfStep = block.stepsReversed ? block.steps - 1 - step : step;
  const start = placeOfStair * stairMm + (placeOfStep * stairMm) / block.steps;
  const line = (placeOfStep + 0.5) * block.pitchMm - LINE_MM / 2;
  return across
    ? { x: block.xMm + start, y: block.yMm + line, width: block.dashMm, height: LINE_MM }
    : { x: block.xMm + line, y: block.yMm + start, width: LINE_MM, height: block.dashMm };
}

/** The nozzle whose dash lies nearest to a place on the sheet, if the place is in the block. */
export function nozzleAt(block: Block, x: number, y: number): number | undefined {
  if (x < block.xMm || y < block.yMm || x > block.xMm + block.widthMm || y > block.yMm + block.heightMm) {
    return undefined;
  }
  let best = 1;
  let nearest = Infinity;
  for (let nozzle = 1; nozzle <= block.stairs * block.steps; nozzle++) {
    const dash = dashOf(block, nozzle);
    const dx = Math.max(dash.x - x, 0, x - dash.x - dash.width);
    const dy = Math.max(dash.y - y, 0, y - dash.y - dash.height);
    const distance = dx * dx + dy * dy;
    if (distance < nearest) {
      nearest = distance;
      best = nozzle;
    }
  }
  return best;
}

/**
 * The homography that takes the corners of a sheet to four places in a picture, both clockwise from the top left.
 * Undefined when the places lie on a line.
 */
export function planeThrough(width: number, height: number, corners: Point[]) {
  const [a, b, c, d] = corners;
  const dx1 = b.x - c.x;
  const dx2 = d.x - c.x;
  const dx3 = a.x - b.x + c.x - d.x;
  const dy1 = b.y - c.y;
  const dy2 = d.y - c.y;
  const dy3 = a.y - b.y + c.y - d.y;
  const det = dx1 * dy2 - dx2 * dy1;
  if (Math.abs(det) < 1e-6) {
    return undefined;
  }
  const g = (dx3 * dy2 - dx2 * dy3) / det;
  const h = (dx1 * dy3 - dx3 * dy1) / det;
  return (x: number, y: number): Point => {
    const u = x / width;
    const v = y / height;
    const w = g * u + h * v + 1;
    return {
      x: ((b.x - a.x + g * b.x) * u + (d.x - a.x + h * d.x) * v + a.x) / w,
      y: ((b.y - a.y + g * b.y) * u + (d.y - a.y + h * d.y) * v + a.y) / w,
    };
  };
}
