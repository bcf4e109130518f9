import { describe, expect, it } from 'vitest';
import type { Lot, Visit } from '../api/types';
import { head, usual } from '../test/fixtures';
import { freshStroke, startAttempt, toEntry, type AttemptForm } from './attemptForm';

const TODAY = '2026-03-02';

function visit(part: Partial<Visit> = {}): Visit {
  const channel = (code: string) => ({ code, colour: code, ink: '#000000', port: 'post', nozzles: 4 });
  return {
    family: { channels: [channel('K'), channel('C'), channel('M')], limits: { pushKpa: 60, submerge: 'NO' } },
    checks: [{ reading: { K: 'FFFF', C: 'FMFF', M: 'UFFF' } }],
    attempts: [],
    foodCare: false,
    head: head(),
    usual,
    ...part,
  } as unknown as Visit;
}

const lot = (part: Partial<Lot>): Lot =>
  ({ id: 'a', kind: 'AQUEOUS_CLEANER', remainingMl: 50, foodSafe: false, ...part }) as Lot;

describe('an attempt as it opens', () => {
  it('chooses the channels that are out, and all for a printer cycle', () => {
    expect(startAttempt(visit(), 'FLUSH', [], TODAY).channels).toEqual(['C']);
    expect(startAttempt(visit(), 'CYCLE', [], TODAY).channels).toEqual(['K', 'C', 'M']);
  });

  it('takes a bottle that is good and not empty, food-safe for a food head', () => {
    const lots = [
      lot({ id: 'old', expiresOn: '2026-03-01' }),
      lot({ id: 'empty', remainingMl: 0 }),
      lot({ id: 'good', expiresOn: TODAY }),
      lot({ id: 'food', kind: 'FOOD_SAFE_CLEANER', foodSafe: true }),
    ];
    expect(startAttempt(visit(), 'FLUSH', lots, TODAY).lotId).toBe('good');
    expect(startAttempt(visit({ foodCare: true }), 'FLUSH', lots, TODAY).lotId).toBe('food');
  });

  it('goes one rung up the ladder after a soak', () => {
    const soaked = visit({
      attempts: [
        {
          treatment: {
            kind: 'SOAK',
            soak: { place: 'PORT', channels: ['C'], volumeMl: 2, plannedMinutes: 10 },
          },
        },
      ] as unknown as Visit['attempts'],
    });
    expect(startAttempt(visit(), 'SOAK', [], TODAY).plannedMinutes).toBe('10');
    expect(startAttempt(soaked, 'SOAK', [], TODAY).plannedMinutes).toBe('40');
  });
});

describe('an attempt as it is sent', () => {
  const form = (part: Partial<AttemptForm>): AttemptForm => ({
    ...startAttempt(visit(), 'FLUSH', [], TODAY),
    ...part,
  });

  it('reads numbers with a comma and leaves the unsaid out', () => {
    const { entry, unread } = toEntry(
      'FLUSH',
      form({ strokes: { C: { ...freshStroke(usual, 'C'), volumeMl: '2,5' } } }),
    );
    expect(unread).toEqual([]);
    expect(entry.flush?.strokes).toEqual([
      {
        channel: 'C',
        volumeMl: 2.5,
        seconds: 12,
        resistance: undefined,
        effluent: undefined,
        stream: undefined,
      },
    ]);
  });

  it('names what is no number, and what is no whole number', () => {
    expect(
      toEntry('FLUSH', form({ strokes: { C: { ...freshStroke(usual, 'C'), volumeMl: 'some' } } })).unread,
    ).toEqual(['flush.strokes[0].volumeMl']);
    expect(toEntry('BATH', form({ bursts: '1.5' })).unread).toEqual(['bath.bursts']);
  });

  it('keeps a negative dose for the server to refuse', () => {
    const { entry, unread } = toEntry('SOAK', form({ volumeMl: '-3' }));
    expect(unread).toEqual([]);
    expect(entry.soak?.volumeMl).toBe(-3);
  });
});

describe('a flush that opens again', () => {
  const again = (seconds: number, seen: number) =>
    startAttempt(
      visit({
        usual: { ...usual, strokeSeconds: { K: 12, C: seen, M: 12 } },
        attempts: [
          {
            treatment: {
              kind: 'FLUSH',
              flush: {
                temperatureC: 22,
                strokes: [
                  {
                    channel: 'C',
                    volumeMl: 3,
                    seconds,
                    resistance: 'STIFF',
                    effluent: 'TINTED',
                    stream: 'DRIPS',
                    force: 'FIRM',
                  },
                ],
              },
            },
          },
        ] as unknown as Visit['attempts'],
      }),
      'FLUSH',
      [],
      TODAY,
    ).strokes.C;

  it('takes the dose of last time, and nothing that was seen then', () => {
    expect(again(20, 12)).toMatchObject({ volumeMl: '3', seconds: '20' });
    expect(again(20, 12)).toMatchObject({ resistance: null, effluent: null, stream: null, force: '' });
  });

  it('plans no stroke faster than the pressure lets it be now', () => {
    expect(again(8, 24).seconds).toBe('24');
  });
});
