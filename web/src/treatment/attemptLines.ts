import type { Attempt, Mark } from '../api/types';
import { hour } from '../bench/time';
import { capital, terms, word, wordWith } from '../words/words';
import { seenWords } from './Marks';
import type { Stroke } from './roundsForm';

/** How long something that waits has really taken. */
function took(attempt: Attempt): string {
  return attempt.endedAt
    ? `took ${Math.round((Date.parse(attempt.endedAt) - Date.parse(attempt.startedAt)) / 60_000)} min`
    : `in since ${hour(attempt.startedAt)}`;
}

const ALL_MARKS = terms('mark') as Mark[];

/** What kind of work it was. */
export function attemptName({ treatment: { kind, flush, handwork } }: Attempt): string {
  const method = flush?.method ?? handwork?.method;
  return capital(method ? word('method', method) : word('treatment', kind));
}

/** Parts, answers and turns, a line each. */
export function notedLines({ noted }: Attempt): string[] {
  return [
    ...(noted?.parts ?? []).map(
      (p) => `${p.channel ? `${p.channel}: ` : ''}${word('part', p.part)} ${word('partAct', p.act)}`,
    ),
    ...Object.entries(noted?.answers ?? {}).map(([asked, value]) => {
      const unit = word('askedUnit', asked);
      return `${word('asked', asked)}: ${unit === asked ? (value ? 'yes' : 'no') : `${value} ${unit}`}`;
    }),
    ...(noted?.turns ?? []).map((turn, i) =>
      [
        `Turn ${i + 1}: water ${word('way', turn.way)}`,
        turn.waterC ? `${turn.waterC} °C` : '',
        turn.deionised ? 'deionised' : '',
        `colour seen: ${turn.seen.join(', ') || 'none'}`,
        `clear: ${turn.clear.join(', ') || 'none'}`,
        turn.lumps === undefined ? '' : turn.lumps ? 'lumps came out' : 'no lumps',
      ]
        .filter(Boolean)
        .join('; '),
    ),
  ];
}

/** What was done, to which channels, and with how much of what. */
export function loggedWords(attempt: Attempt): string {
  const { flush, soak, bath, cycle, handwork } = attempt.treatment;
  const channels = flush
    ? [...new Set(flush.strokes.map((s) => s.channel))]
    : ((soak ?? bath ?? cycle ?? handwork)?.channels ?? []);
  const what = attemptName(attempt);
  const fluid = attempt.lot ? `; ${attempt.volumeMl} mL of ${attempt.lot.name}` : '';
  return `${what} logged: ${channels.join(', ')}${fluid}.`;
}

/** What an attempt recorded, a line for each channel where doses differ. */
export function attemptLines(attempt: Attempt): string[] {
  return [...workLines(attempt), ...notedLines(attempt)];
}

function workLines(attempt: Attempt): string[] {
  const { flush, soak, bath, cycle, handwork } = attempt.treatment;
  if (flush) {
    const method = flush.method ?? 'FLUSH';
    return flush.strokes.map((s) => {
      const suction = s.suctionKpa ? `, ${s.suctionKpa} kPa` : '';
      const given = `${s.volumeMl > 0 ? `${s.volumeMl} mL ` : ''}${s.seconds ? `in ${s.seconds} s` : 'not timed'}`;
      return `${s.channel}: ${given} at ${flush.temperatureC} °C${suction}; ${seenWords(method, ALL_MARKS, s as Stroke)}`;
    });
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
