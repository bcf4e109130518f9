import type { ScanResult } from '../api/types';
import type { Letter } from '../nozzle/comb';

/** What a person said of single nozzles, kept apart from what was read. */
export type Corrections = Record<string, Record<number, Letter>>;

export interface Nozzle {
  code: string;
  nozzle: number;
}

/** Nozzles that the reader left to a person, in the order of the layout. */
export function unsureOf(result: ScanResult): Nozzle[] {
  return Object.entries(result.channels).flatMap(([code, channel]) =>
    Object.keys(channel.doubts).map((nozzle) => ({ code, nozzle: Number(nozzle) })),
  );
}

/** The reading with the corrections laid over it. */
export function corrected(result: ScanResult, corrections: Corrections): Record<string, string> {
  return Object.fromEntries(
    Object.entries(result.channels).map(([code, channel]) => {
      const letters = channel.states.split('');
      for (const [nozzle, letter] of Object.entries(corrections[code] ?? {})) {
        letters[Number(nozzle) - 1] = letter;
      }
      return [code, letters.join('')];
    }),
  );
}

/** One nozzle more said; saying what was read anyway takes the correction back, unless the reader was unsure. */
export function say(
  result: ScanResult,
  corrections: Corrections,
  { code, nozzle }: Nozzle,
  letter: Letter,
): Corrections {
  const channel = { ...corrections[code] };
  const wasSure = result.channels[code].doubts[nozzle] === undefined;
  if (wasSure && result.channels[code].states[nozzle - 1] === letter) {
    delete channel[nozzle];
  } else {
    channel[nozzle] = letter;
  }
  return { ...corrections, [code]: channel };
}

export function isSettled(corrections: Corrections, { code, nozzle }: Nozzle): boolean {
  return corrections[code]?.[nozzle] !== undefined;
}

/** Nozzles whose state differs from the one that was read. */
export function countCorrected(result: ScanResult, corrections: Corrections): number {
  return Object.entries(corrections).reduce(
    (sum, [code, channel]) =>
      sum +
      Object.entries(channel).filter(
        ([nozzle, letter]) => result.channels[code]?.states[Number(nozzle) - 1] !== letter,
      ).length,
    0,
  );
}
