import { describe, expect, it } from 'vitest';
import type { ScanResult } from '../api/types';
import { corrected, countCorrected, isSettled, say, unsureOf } from './corrections';

const result: ScanResult = {
  channels: {
    K: {
      states: 'FFUMF',
      leaning: 'FFWMF',
      confidence: [99, 99, 60, 99, 99],
      offsets: [0, 0, 0, 0, 0],
      densities: [100, 100, 60, 0, 100],
      doubts: { 3: 'HARDLY_PALE' },
      usualFromOthers: false,
      foreign: 0,
    },
  },
};

describe('corrections by hand', () => {
  it('begin with the nozzles the reader was not sure of', () => {
    expect(unsureOf(result)).toEqual([{ code: 'K', nozzle: 3 }]);
    expect(corrected(result, {})).toEqual({ K: 'FFUMF' });
  });

  it('lie over what was read and are counted', () => {
    const once = say(result, {}, { code: 'K', nozzle: 3 }, 'W');
    const twice = say(result, once, { code: 'K', nozzle: 1 }, 'M');
    expect(corrected(result, twice)).toEqual({ K: 'MFWMF' });
    expect(countCorrected(result, twice)).toBe(2);
    expect(result.channels.K.states).toBe('FFUMF');
  });

  it('are taken back by saying what was read', () => {
    const wrong = say(result, {}, { code: 'K', nozzle: 1 }, 'M');
    expect(say(result, wrong, { code: 'K', nozzle: 1 }, 'F')).toEqual({ K: {} });
  });

  it('settle an unsure nozzle even as unread, since somebody looked', () => {
    const looked = say(result, {}, { code: 'K', nozzle: 3 }, 'U');
    expect(isSettled(looked, { code: 'K', nozzle: 3 })).toBe(true);
    expect(countCorrected(result, looked)).toBe(0);
  });
});
