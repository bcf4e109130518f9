import type { Attempt, Check, Visit } from '../api/types';
import { tally } from '../nozzle/comb';

/** The last check with a nozzle map. */
export function lastMap(visit: Visit): Check | undefined {
  return visit.checks.filter((check) => check.reading).at(-1);
}

/** Channels with nozzles out on the last map: the ones a treatment is for. What works is left alone. */
export function channelsOut(visit: Visit): string[] {
  const reading = lastMap(visit)?.reading ?? {};
  return visit.family.channels
    .map((c) => c.code)
    .filter((code) => reading[code] && tally(reading[code]).M > 0);
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
