import { describe, expect, it } from 'vitest';
import type { Block, Scan } from '../api/types';
import { blockBySheet, frameOf, moved, startOf, toSend, withoutBlock } from './corners';
import { planeThrough } from './geometry';

const square = (side: number) => [
  { x: 0, y: 0 },
  { x: side, y: 0 },
  { x: side, y: side },
  { x: 0, y: side },
];

function scan(part: object): Scan {
  return { widthPx: 1000, heightPx: 500, result: {}, ...part } as unknown as Scan;
}

describe('corners by hand', () => {
  it('starts from what a person placed, else from what was found, else from the picture', () => {
    const found = scan({ result: { fit: { corners: square(400) } } });
    expect(startOf(found)).toEqual({ sheet: square(400), isSheetMoved: false, blocks: {} });
    const byHand = scan({ byHand: { sheet: square(300), blocks: { C: square(50) } } });
    expect(startOf(byHand)).toEqual({ sheet: square(300), isSheetMoved: true, blocks: { C: square(50) } });
    expect(startOf(scan({})).sheet[0]).toEqual({ x: 40, y: 20 });
    expect(startOf(scan({})).isSheetMoved).toBe(true);
  });

  it('puts a block where the sheet says', () => {
    const plane = planeThrough(200, 100, [
      { x: 0, y: 0 },
      { x: 400, y: 0 },
      { x: 400, y: 200 },
      { x: 0, y: 200 },
    ]);
    const block = { xMm: 10, yMm: 20, widthMm: 50, heightMm: 30 } as Block;
    const corners = blockBySheet(plane!, block);
    expect(corners[0].x).toBeCloseTo(20);
    expect(corners[0].y).toBeCloseTo(40);
    expect(corners[2].x).toBeCloseTo(120);
    expect(corners[2].y).toBeCloseTo(100);
    const { x, y, width, height } = frameOf(scan({}), 'C', corners);
    expect([x, y, width, height].map(Math.round)).toEqual([0, 20, 140, 100]);
    expect(frameOf(scan({}), undefined, corners)).toEqual({ x: 0, y: 0, width: 1000, height: 500 });
  });

  it('leaves the sheet to the reader when only a block was moved', () => {
    const start = startOf(scan({ result: { fit: { corners: square(400) } } }));
    const oneBlock = moved(start, 'C', square(60));
    expect(toSend(oneBlock)).toEqual({ sheet: [], blocks: { C: square(60) } });
    expect(toSend(moved(oneBlock, undefined, square(410)))).toEqual({
      sheet: square(410),
      blocks: { C: square(60) },
    });
    expect(toSend(withoutBlock(oneBlock, 'C'))).toEqual({ sheet: square(400), blocks: {} });
  });
});
