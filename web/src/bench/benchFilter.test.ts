import { describe, expect, it } from 'vitest';
import type { Strip } from '../api/types';
import { filterOf, isShown } from './benchFilter';

const NOW = Date.parse('2026-03-04T12:00:00');

function strip(change: Record<string, unknown>): Strip {
  return {
    id: 'v',
    customer: 'Cuttle Bay',
    promisedOn: '2026-03-09',
    promise: 'HOLDS',
    next: { action: 'TREAT' },
    ...change,
  } as unknown as Strip;
}

const shown = (query: string, change: Record<string, unknown> = {}) =>
  isShown(strip(change), filterOf(new URLSearchParams(query)), 'Wenna Tarvick', NOW);

describe('what of the bench is shown', () => {
  it.each([
    ['', {}, true],
    ['mine=1', {}, false],
    ['mine=1', { inHand: 'Oswin Pell' }, false],
    ['mine=1', { inHand: 'Wenna Tarvick' }, true],
    ['waiting=1', {}, false],
    ['waiting=1', { next: { action: 'WAIT_SOAK' } }, true],
    ['late=1', {}, false],
    ['late=1', { promisedOn: '2026-03-04' }, false],
    ['late=1', { promisedOn: '2026-03-03' }, true],
    ['late=1', { promise: 'AT_RISK' }, true],
    ['late=1', { promise: 'MISSED' }, true],
    ['late=1', { promise: 'MISSED', closedAt: '2026-03-04T10:00:00Z' }, false],
    ['customer=Cuttle+Bay', {}, true],
    ['customer=Other', {}, false],
    ['mine=1&late=1', { inHand: 'Wenna Tarvick', promise: 'MISSED' }, true],
    ['mine=1&late=1', { inHand: 'Wenna Tarvick' }, false],
  ])('by %s', (query, change, is) => {
    expect(shown(query, change)).toBe(is);
  });
});
