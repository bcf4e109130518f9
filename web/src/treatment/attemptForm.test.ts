import { describe, expect, it } from 'vitest';
import type { Lot, Visit } from '../api/types';
import { head, usual } from '../test/fixtures';
import { channelsOut } from '../visit/outOf';
import { startAttempt, toEntry, type AttemptForm } from './attemptForm';
import { notedOf, usualMl } from './attemptMore';

const TODAY = '2026-03-02';

function visit(part: Partial<Visit> = {}): Visit {
  const channel = (code: string) => ({ code, colour: code, ink: '#000000', port: 'post', nozzles: 4 });
  return {
    family: { channels: [channel('K'), channel('C'), channel('M')], limits: { pushKpa: 60, submerge: 'NO' } },
    checks: [{ reading: { K: 'FFFF', C: 'FMFF', M: 'UFFF' } }],
    attempts: [],
    intake: { symptomAt: [] },
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
    expect(startAttempt(visit(), 'SOAK', [], TODAY).channels).toEqual(['C']);
    expect(startAttempt(visit(), 'CYCLE', [], TODAY).channels).toEqual(['K', 'C', 'M']);
  });

  it('goes by bars and streams as well as by a map, and leaves alone what nobody looked at', () => {
    const bars = { kind: 'BARS', channels: { K: { level: 'BAR_PALE' }, C: { level: 'BAR_FULL' }, M: {} } };
    const stream = {
      kind: 'STREAM',
      channels: { K: { level: 'STREAM_WHOLE' }, M: { level: 'STREAM_DRIPS' } },
    };
    const read = (coarse: object) =>
      channelsOut(visit({ checks: [{ coarse }] } as unknown as Partial<Visit>));
    expect(read(bars)).toEqual(['K']);
    expect(read(stream)).toEqual(['M']);
  });

  it('takes what was told of, or every channel, where nothing could be read', () => {
    const unread = (symptomAt: object[]) =>
      channelsOut(
        visit({
          checks: [{ notTaken: 'HEAD_CAME_ALONE' }],
          intake: { symptomAt },
        } as unknown as Partial<Visit>),
      );
    expect(unread([])).toEqual(['K', 'C', 'M']);
    expect(unread([{ symptom: 'GAPS_ONE_COLOUR', channels: ['M'] }])).toEqual(['M']);
  });

  it('takes a bottle that is good and not empty, food-safe for a food head', () => {
    const lots = [
      lot({ id: 'old', expiresOn: '2026-03-01' }),
      lot({ id: 'empty', remainingMl: 0 }),
      lot({ id: 'good', expiresOn: TODAY }),
      lot({ id: 'food', kind: 'FOOD_SAFE_CLEANER', foodSafe: true }),
    ];
    expect(startAttempt(visit(), 'SOAK', lots, TODAY).lotId).toBe('good');
    expect(startAttempt(visit({ foodCare: true }), 'SOAK', lots, TODAY).lotId).toBe('food');
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
    ...startAttempt(visit(), 'SOAK', [], TODAY),
    ...part,
  });

  it('reads numbers with a comma and leaves the unsaid out', () => {
    const { entry, unread } = toEntry('SOAK', form({ place: 'PORT', volumeMl: '2,5', temperatureC: '' }));
    expect(unread).toEqual([]);
    expect(entry.soak).toMatchObject({ channels: ['C'], volumeMl: 2.5, temperatureC: undefined });
  });

  it('names what is no number, and what is no whole number', () => {
    expect(toEntry('SOAK', form({ volumeMl: 'some' })).unread).toEqual(['soak.volumeMl']);
    expect(toEntry('BATH', form({ bursts: '1.5' })).unread).toEqual(['bath.bursts']);
  });

  it('keeps a negative dose for the server to refuse', () => {
    const { entry, unread } = toEntry('SOAK', form({ volumeMl: '-3' }));
    expect(unread).toEqual([]);
    expect(entry.soak?.volumeMl).toBe(-3);
  });

  it('says what was answered and what was done to parts, and nothing that was not', () => {
    const asks = {
      ...usual.forms.STATION,
      asks: [{ asked: 'DRY_PASS' as const, most: 1, yesNo: true }],
    };
    expect(notedOf(form({}), asks)).toBeUndefined();
    expect(
      notedOf(
        form({ answers: { DRY_PASS: '0' }, parts: { WIPER: 'CLEANED', 'DAMPER C': 'REPLACED' } }),
        asks,
      ),
    ).toEqual({
      answers: { DRY_PASS: 0 },
      parts: [
        { part: 'WIPER', channel: undefined, act: 'CLEANED' },
        { part: 'DAMPER', channel: 'C', act: 'REPLACED' },
      ],
    });
  });

  it('knows what a soak usually takes, by its channels', () => {
    expect(usualMl(visit(), 'SOAK', form({ place: 'PORT', channels: ['K', 'C'] }))).toBe(3);
    expect(usualMl(visit(), 'SOAK', form({ place: 'TRAY', channels: ['K', 'C'] }))).toBe(25);
    expect(usualMl(visit(), 'BATH', form({}))).toBe(150);
  });
});
