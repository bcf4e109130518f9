import { describe, expect, it } from 'vitest';
import { away, countdown, daysLate, onRibbon } from './time';

const MINUTE = 60_000;

describe('time on the bench', () => {
  it.each([
    [0, '0:00'],
    [61_000, '1:01'],
    [3_600_000, '1:00:00'],
    [-90_000, '+1:30'],
    [86_399_000, '23:59:59'],
  ])('counts %i ms as %s', (ms, said) => {
    expect(countdown(ms)).toBe(said);
  });

  it.each([
    [45_000, '45 s'],
    [40 * MINUTE, '40 min'],
    [-125 * MINUTE, '2 h 05 min'],
    [72 * 60 * MINUTE, '3 days'],
  ])('says %i ms as %s', (ms, said) => {
    expect(away(ms)).toBe(said);
  });

  it('draws the near future wider than the far one and never leaves the ribbon', () => {
    const span = 100 * MINUTE;
    expect(onRibbon(0, span, 0.2)).toBeCloseTo(0.2);
    // a quarter of the time ahead takes half of the room
    expect(onRibbon(25 * MINUTE, span, 0.2)).toBeCloseTo(0.6);
    expect(onRibbon(500 * MINUTE, span, 0.2)).toBe(1);
    expect(onRibbon(-500 * MINUTE, span, 0.2)).toBe(0);
  });

  it.each([
    ['2026-03-03', -1],
    ['2026-03-02', 0],
    ['2026-02-27', 3],
  ])('counts a promise for %s as %i days late', (promised, days) => {
    expect(daysLate(promised, new Date(2026, 2, 2, 23, 30).getTime())).toBe(days);
  });
});
