import type { Attempt, FormView, NotedEntry, PartEntry, Visit } from '../api/types';
import { readNumber } from '../app/fields';
import { formOf, soakMl, type AttemptForm, type WholeKind } from './attemptForm';

/** What was noted besides, as the server takes it; undefined for nothing. */
export function notedOf(form: AttemptForm, asks: FormView): NotedEntry | undefined {
  const answers = Object.fromEntries(
    asks.asks
      .map(({ asked }) => [asked, readNumber(form.answers[asked])] as const)
      .filter((said): said is readonly [(typeof said)[0], number] => Number.isFinite(said[1])),
  );
  const parts = Object.entries(form.parts).map(([key, act]) => {
    const [part, channel] = key.split(' ');
    return { part, channel, act } as PartEntry;
  });
  return Object.keys(answers).length > 0 || parts.length > 0 ? { answers, parts } : undefined;
}

/** Ink that these cycles usually burn in this family, mL; undefined where the shop has not said. */
export function inkOf(visit: Visit, kind: WholeKind, form: AttemptForm): number | undefined {
  const one = kind === 'CYCLE' ? visit.usual.cycleInkMl[form.strength] : undefined;
  return one === undefined ? undefined : one * (readNumber(form.count) || 1);
}

/** The usual amount of fluid of this work, mL; 0 where nothing says so. */
export function usualMl(visit: Visit, kind: WholeKind, form: AttemptForm): number {
  switch (kind) {
    case 'SOAK':
      return Number(soakMl(visit.usual, form.place, form.channels));
    case 'BATH':
      return visit.usual.bath.volumeMl;
    case 'HANDWORK':
      return formOf(visit.usual, form.method).strokeMl * Math.max(1, form.channels.length);
    default:
      return 0;
  }
}

/** The form with what an earlier entry says: all of it to put it right, or its channels and doses to do it again. */
export function fromEarlier(form: AttemptForm, earlier: Attempt, isEdit: boolean): AttemptForm {
  const { soak, bath, cycle, handwork } = earlier.treatment;
  const text = (value: number | null | undefined) => (value == null ? '' : String(value));
  const whole = soak ?? bath ?? handwork;
  return {
    ...form,
    lotId: earlier.lot?.id ?? '',
    site: earlier.site ?? '',
    wet: earlier.wet ?? '',
    channels: (whole ?? cycle)?.channels ?? form.channels,
    place: soak?.place ?? form.place,
    volumeMl: text(whole?.volumeMl),
    temperatureC: text(whole?.temperatureC),
    plannedMinutes: text(soak?.plannedMinutes ?? handwork?.plannedMinutes),
    levelMm: text(bath?.levelMm) || form.levelMm,
    bursts: text(bath?.bursts) || form.bursts,
    burstSeconds: text(bath?.burstSeconds) || form.burstSeconds,
    strength: cycle?.strength ?? form.strength,
    count: text(cycle?.count) || form.count,
    method: handwork?.method ?? form.method,
    ...(isEdit && {
      note: earlier.note,
      answers: Object.fromEntries(
        Object.entries(earlier.noted?.answers ?? {}).map(([asked, value]) => [asked, String(value)]),
      ),
      parts: Object.fromEntries(
        (earlier.noted?.parts ?? []).map((p) => [p.channel ? `${p.part} ${p.channel}` : p.part, p.act]),
      ),
      suctionKpa: text(handwork?.suctionKpa),
      departureReason: earlier.departureReason ?? '',
    }),
  };
}
