import { describe, expect, it } from 'vitest';
import type { Block } from '../api/types';
import { dashOf, nozzleAt, planeThrough } from './geometry';
import { viewOf } from './SheetView';

/** Three stairs of four steps, 34 mm long with dashes of 4 mm: stairs start 30 / (3 − 1/4) ≈ 10.909 mm apart. */
const block: Block = {
  channel: 'K',
  stairs: 3,
  steps: 4,
  direction: 'ACROSS',
  stairsReversed: false,
  stepsReversed: false,
  dashMm: 4,
  pitchMm: 1,
  xMm: 20,
  yMm: 30,
  widthMm: 34,
  heightMm: 4,
  ink: '#111111',
  paper: 'WHITE',
};

describe('dashes', () => {
  it('lie where the core puts them', () => {
    expect(dashOf(block, 1)).toEqual({ x: 20, y: 30.25, width: 4, height: 0.5 });
    expect(dashOf(block, 5).x).toBeCloseTo(30.909, 3);
    expect(dashOf(block, 12).x + 4).toBeCloseTo(54, 9);
    expect(dashOf(block, 4).y).toBeCloseTo(33.25, 9);
  });

  it('run down when the layout says so, and from the far side when it is reversed', () => {
    const down = { ...block, direction: 'DOWN', widthMm: 4, heightMm: 34 } as Block;
    expect(dashOf(down, 1)).toEqual({ x: 20.25, y: 30, width: 0.5, height: 4 });
    expect(dashOf({ ...block, stairsReversed: true }, 9).x).toBe(20);
    expect(dashOf({ ...block, stepsReversed: true }, 1).y).toBeCloseTo(33.25, 9);
  });

  it('are found by a tap near them', () => {
    for (const nozzle of [1, 4, 7, 12]) {
      const dash = dashOf(block, nozzle);
      expect(nozzleAt(block, dash.x + 2, dash.y + 0.3)).toBe(nozzle);
    }
    expect(nozzleAt(block, 10, 10)).toBeUndefined();
  });
});

describe('the plane through four corners', () => {
  it('takes the corners to the corners and keeps the diagonals straight', () => {
    const plane = planeThrough(100, 50, [
      { x: 100, y: 0 },
      { x: 300, y: 0 },
      { x: 400, y: 300 },
      { x: 0, y: 300 },
    ])!;
    expect(plane(0, 0)).toEqual({ x: 100, y: 0 });
    expect(plane(100, 50).x).toBeCloseTo(400, 6);
    // The diagonals of the picture's quadrilateral cross at a third of its height.
    expect(plane(50, 25).x).toBeCloseTo(200, 6);
    expect(plane(50, 25).y).toBeCloseTo(100, 6);
  });

  it('does not exist for corners on a line', () => {
    const line = [0, 1, 2, 3].map((i) => ({ x: i, y: i }));
    expect(planeThrough(10, 10, line)).toBeUndefined();
  });
});

describe('what is shown of a sheet', () => {
  const layout = {
    name: 'two blocks',
    family: 'T',
    widthMm: 210,
    heightMm: 297,
    blocks: [block, { ...block, channel: 'C', yMm: 60 }],
  };

  it('is one block, or all of them, with three millimetres around', () => {
    expect(viewOf(layout, 'C')).toEqual({ x: 17, y: 57, width: 40, height: 10 });
    expect(viewOf(layout, undefined)).toEqual({ x: 17, y: 27, width: 40, height: 40 });
  });
});
