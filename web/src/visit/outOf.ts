import type { Attempt, Check, Visit } from '../api/types';
import { tally } from '../nozzle/comb';

/** The last check with a nozzle map. */
export function lastMap(visit: Visit): Check | undefined {
  return visit.checks.filter((check) => check.reading).at(-1);
}

/** The best that bars, a stream or a pad print can show. */
const WHOLE = ['BAR_FULL', 'STREAM_WHOLE', 'PAD_WHOLE_ROW'];

/**
 * Channels that the last reading does not show whole, be it a map, bars, a stream or a pad print: the ones a treatment is
 * for. What works is left alone, and so is what nobody looked at.
 */
export function channelsOut(visit: Visit): string[] {
  const last = visit.checks.filter((check) => check.reading ?? check.coarse).at(-1);
  const told = (visit.intake.symptomAt ?? []).flatMap((at) => at.channels);
  const isOut = (code: string) => {
    const level = last?.coarse?.channels[code]?.level;
    const row = last?.reading?.[code];
    if (!last && visit.checks.some((check) => check.notTaken)) {
      // Nothing was read: what was told of, or else every channel.
      return told.length === 0 || told.includes(code);
    }
    return row ? tally(row).M > 0 : level !== undefined && !WHOLE.includes(level);
  };
  return visit.family.channels.map((c) => c.code).filter(isOut);
}

/** Channels an attempt treated. */
export function channelsOf(attempt: Attempt): string[] {
  const { flush, soak, bath, cycle, handwork } = attempt.treatment;
  return (
    flush?.strokes.map((stroke) => stroke.channel) ??
    soak?.channels ??
    bath?.channels ??
    cycle?.channels ??
    handwork?.channels ??
    []
  );
}
