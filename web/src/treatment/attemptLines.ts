import type { Attempt } from '../api/types';
import { hour } from '../bench/time';
import { capital, word, wordWith } from '../words/words';

/** How long something that waits has really taken. */
function took(attempt: Attempt): string {
  return attempt.endedAt
    ? `took ${Math.round((Date.parse(attempt.endedAt) - Date.parse(attempt.startedAt)) / 60_000)} min`
    : `in since ${hour(attempt.startedAt)}`;
}

/** What was done, to which channels, and with how much of what. */
export function loggedWords(attempt: Attempt): string {
  const { kind, flush, soak, bath, cycle, handwork } = attempt.treatment;
  const channels = flush
    ? [...new Set(flush.strokes.map((s) => s.channel))]
    : ((soak ?? bath ?? cycle ?? handwork)?.channels ?? []);
  const what = capital(handwork ? word('method', handwork.method) : word('treatment', kind));
  const fluid = attempt.lot ? `; ${attempt.volumeMl} mL of ${attempt.lot.name}` : '';
  return `${what} logged: ${channels.join(', ')}${fluid}.`;
}

/** What an attempt recorded, a line for each channel where doses differ. */
export function attemptLines(attempt: Attempt): string[] {
  const { flush, soak, bath, cycle, handwork } = attempt.treatment;
  if (flush) {
    return flush.strokes.map(
      (s) =>
        `${s.channel}: ${s.volumeMl} mL in ${s.seconds} s at ${flush.temperatureC} °C; ${word('resistance', s.resistance)}; ${word('effluent', s.effluent)}, ${word('stream', s.stream)}`,
    );
  }
  if (soak) {
    return [
      `${soak.channels.join(', ')}: ${word('place', soak.place)}, planned ${soak.plannedMinutes} min, ${took(attempt)}`,
    ];
  }
  if (bath) {
    return [
      `${bath.channels.join(', ')}: ${wordWith('count', 'BURSTS_DONE', { N: attempt.burstsDone, ALL: bath.bursts })} of ${bath.burstSeconds} s, ${bath.levelMm} mm over the face, ${bath.temperatureC} °C`,
    ];
  }
  if (handwork) {
    const waited = handwork.plannedMinutes
      ? `, planned ${handwork.plannedMinutes} min, ${took(attempt)}`
      : '';
    return [`${handwork.channels.join(', ')}: ${word('method', handwork.method)}${waited}`];
  }
  return cycle ? [`${cycle.channels.join(', ')}: ${cycle.count} × ${word('strength', cycle.strength)}`] : [];
}
