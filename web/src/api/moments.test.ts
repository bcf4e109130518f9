import { describe, expect, it } from 'vitest';
import { untilNextMoment } from './moments';

describe('the next moment of an answer', () => {
  const answer = {
    serverTime: '2026-03-02T10:00:00Z',
    strips: [{ next: { action: 'WAIT_SOAK', at: '2026-03-02T10:40:00Z' }, promisedOn: '2026-03-02' }],
    clocks: [
      { startedAt: '2026-03-02T09:58:00Z', dueAt: '2026-03-02T10:02:30.500Z', warnAt: null },
      {
        startedAt: '2026-03-02T09:00:00Z',
        dueAt: '2026-03-02T09:30:00Z',
        note: 'until 2026-03-02T10:01:00Z',
      },
    ],
  };
  const cameAt = 1_000_000;

  it('is the earliest one to come, wherever it stands, by the time of the server', () => {
    // 2 min 30.5 s and a little after.
    expect(untilNextMoment(answer, cameAt, cameAt)).toBe(150_500 + 400);
    expect(untilNextMoment(answer, cameAt, cameAt + 100_000)).toBe(50_500 + 400);
  });

  it('is asked for a little later, and not passed over in between', () => {
    expect(untilNextMoment(answer, cameAt, cameAt + 150_600)).toBe(300);
    // Then the soak: 40 minutes less the 3 that have gone by.
    expect(untilNextMoment(answer, cameAt, cameAt + 180_000)).toBe(37 * 60_000 + 400);
  });

  it('is none when all that is named is past, and of no answer', () => {
    expect(untilNextMoment(answer, cameAt, cameAt + 3_600_000)).toBeUndefined();
    expect(untilNextMoment(undefined, 0, cameAt)).toBeUndefined();
  });
});
