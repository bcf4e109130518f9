import { newId } from '../api/newId';
import type { Advice, Lot, Method, TreatmentEntry, TreatmentKind, Visit } from '../api/types';
import { readNumber } from '../app/fields';
import { kindOf } from '../diagnosis/judgement';
import { channelsOut } from '../visit/outOf';

type Stroke = NonNullable<TreatmentEntry['flush']>['strokes'][number];

/** One stroke as it is typed. */
export interface StrokeForm {
  volumeMl: string;
  seconds: string;
  resistance: Stroke['resistance'] | null;
  effluent: Stroke['effluent'] | null;
  stream: Stroke['stream'] | null;
}

/** What the form of an attempt holds; each kind uses its own part. */
export interface AttemptForm {
  id: string;
  lotId: string;
  note: string;
  departureReason: string;
  channels: string[];
  strokes: Record<string, StrokeForm>;
  temperatureC: string;
  place: 'PORT' | 'TRAY';
  volumeMl: string;
  plannedMinutes: string;
  levelMm: string;
  bursts: string;
  burstSeconds: string;
  strength: 'LIGHT' | 'NORMAL' | 'STRONG';
  count: string;
  method: Method;
  /** Why something else is done than what was advised. */
  instead: string;
}

/** Usual doses and times (handbook 8) to start from. */
const USUAL = {
  strokeMl: '3',
  strokeSeconds: '12',
  roomC: '22',
  portSoakMl: '1.5',
  traySoakMl: '25',
  bathMl: '150',
  bathC: '35',
};

/** Soak ladder, minutes: each about four times the one before. */
export const SOAK_LADDER: Record<AttemptForm['place'], number[]> = {
  PORT: [10, 40, 180, 720],
  TRAY: [15, 40, 180, 720],
};

export function freshStroke(): StrokeForm {
  return {
    volumeMl: USUAL.strokeMl,
    seconds: USUAL.strokeSeconds,
    resistance: null,
    effluent: null,
    stream: null,
  };
}

/** The form as it opens: the channels that are out, the bottle used last, and the doses of last time. */
export function startAttempt(visit: Visit, kind: TreatmentKind, lots: Lot[], today: string): AttemptForm {
  const earlier = visit.attempts.filter((a) => !a.withdrawnReason);
  const lastOfKind = earlier.filter((a) => a.treatment.kind === kind).at(-1)?.treatment;
  const out = channelsOut(visit);
  const all = visit.family.channels.map((c) => c.code);
  const place = lastOfKind?.soak?.place ?? (visit.family.limits.submerge === 'NO' ? 'PORT' : 'TRAY');
  return {
    id: newId(),
    lotId: usualLot(visit, lots, today)?.id ?? '',
    note: '',
    departureReason: '',
    channels: kind === 'CYCLE' || out.length === 0 ? all : out,
    strokes: Object.fromEntries(
      (lastOfKind?.flush?.strokes ?? []).map((s) => [
        s.channel,
        {
          volumeMl: String(s.volumeMl),
          seconds: String(s.seconds),
          resistance: s.resistance,
          effluent: s.effluent,
          stream: s.stream,
        },
      ]),
    ),
    temperatureC:
      kind === 'BATH'
        ? String(lastOfKind?.bath?.temperatureC ?? USUAL.bathC)
        : String(lastOfKind?.flush?.temperatureC ?? USUAL.roomC),
    place,
    volumeMl: String(
      lastOfKind?.soak?.volumeMl ??
        lastOfKind?.bath?.volumeMl ??
        (kind === 'HANDWORK'
          ? ''
          : kind === 'BATH'
            ? USUAL.bathMl
            : place === 'PORT'
              ? USUAL.portSoakMl
              : USUAL.traySoakMl),
    ),
    plannedMinutes: String(nextRung(place, lastOfKind?.soak?.plannedMinutes)),
    levelMm: String(lastOfKind?.bath?.levelMm ?? 3),
    bursts: String(lastOfKind?.bath?.bursts ?? 2),
    burstSeconds: String(lastOfKind?.bath?.burstSeconds ?? 120),
    strength: 'LIGHT',
    count: '1',
    method: 'STATION',
    instead: '',
  };
}

function nextRung(place: AttemptForm['place'], last: number | undefined): number {
  const ladder = SOAK_LADDER[place];
  return last === undefined ? ladder[0] : (ladder.find((rung) => rung > last) ?? ladder[ladder.length - 1]);
}

function goodLots(lots: Lot[], today: string): Lot[] {
  return lots.filter((lot) => lot.remainingMl > 0 && (!lot.expiresOn || lot.expiresOn >= today));
}

function usualLot(visit: Visit, lots: Lot[], today: string): Lot | undefined {
  const used = visit.attempts.filter((a) => a.lot && !a.withdrawnReason).at(-1)?.lot?.id;
  const isFood = visit.food === 'FOOD' || visit.food === 'FOOD_UNPROVEN';
  const good = goodLots(lots, today);
  return (
    good.find((lot) => lot.id === used) ??
    good.find((lot) =>
      isFood ? lot.kind === 'FOOD_SAFE_CLEANER' && lot.foodSafe : lot.kind === 'AQUEOUS_CLEANER',
    )
  );
}

/**
 * The entry as the server takes it. What is not a number is left out, and the path of its entry is named in `unread`, so
 * that it can be said in its place.
 */
export function toEntry(kind: TreatmentKind, form: AttemptForm): { entry: TreatmentEntry; unread: string[] } {
  const unread: string[] = [];
  const number = (typed: string, path: string): number | undefined => {
    const value = readNumber(typed);
    if (value !== undefined && Number.isNaN(value)) {
      unread.push(path);
      return undefined;
    }
    return value;
  };
  const whole = (typed: string, path: string): number | undefined => {
    const value = number(typed, path);
    if (value !== undefined && !Number.isInteger(value)) {
      unread.push(path);
      return undefined;
    }
    return value;
  };
  let entry: unknown;
  switch (kind) {
    case 'FLUSH':
      entry = {
        kind,
        flush: {
          temperatureC: number(form.temperatureC, 'flush.temperatureC') ?? 0,
          strokes: form.channels.map((channel, i) => {
            const stroke = form.strokes[channel] ?? freshStroke();
            return {
              channel,
              volumeMl: number(stroke.volumeMl, `flush.strokes[${i}].volumeMl`),
              seconds: number(stroke.seconds, `flush.strokes[${i}].seconds`),
              resistance: stroke.resistance ?? undefined,
              effluent: stroke.effluent ?? undefined,
              stream: stroke.stream ?? undefined,
            };
          }),
        },
      };
      break;
    case 'SOAK':
      entry = {
        kind,
        soak: {
          place: form.place,
          channels: form.channels,
          volumeMl: number(form.volumeMl, 'soak.volumeMl'),
          plannedMinutes: whole(form.plannedMinutes, 'soak.plannedMinutes'),
        },
      };
      break;
    case 'BATH':
      entry = {
        kind,
        bath: {
          channels: form.channels,
          volumeMl: number(form.volumeMl, 'bath.volumeMl'),
          levelMm: number(form.levelMm, 'bath.levelMm'),
          temperatureC: number(form.temperatureC, 'bath.temperatureC'),
          bursts: whole(form.bursts, 'bath.bursts'),
          burstSeconds: whole(form.burstSeconds, 'bath.burstSeconds'),
        },
      };
      break;
    case 'HANDWORK':
      entry = {
        kind,
        handwork: {
          method: form.method,
          channels: form.channels,
          volumeMl: form.volumeMl === '' ? undefined : number(form.volumeMl, 'handwork.volumeMl'),
        },
      };
      break;
    case 'CYCLE':
      entry = {
        kind,
        cycle: { channels: form.channels, strength: form.strength, count: whole(form.count, 'cycle.count') },
      };
      break;
  }
  return { entry: entry as TreatmentEntry, unread };
}

/** The form with what the advice that led here asks for. */
export function preset(form: AttemptForm, query: URLSearchParams, lots: Lot[], today: string): AttemptForm {
  const place = query.get('place');
  const strokeMl = query.get('strokeMl');
  const channels = query.get('channels')?.split(',') ?? form.channels;
  const advised = query.get('fluid');
  const lot = goodLots(lots, today).find((l) => l.kind === advised);
  return {
    ...form,
    channels,
    lotId: lot?.id ?? form.lotId,
    strokes: strokeMl
      ? Object.fromEntries(channels.map((code) => [code, { ...freshStroke(), volumeMl: strokeMl }]))
      : form.strokes,
    strength: (query.get('strength') as AttemptForm['strength'] | null) ?? form.strength,
    temperatureC: query.get('temperatureC') ?? form.temperatureC,
    method: (query.get('method') as Method | null) ?? form.method,
    ...(place && place !== form.place
      ? {
          place: place as AttemptForm['place'],
          volumeMl: place === 'PORT' ? USUAL.portSoakMl : USUAL.traySoakMl,
          plannedMinutes: String(SOAK_LADDER[place as AttemptForm['place']][0]),
        }
      : {}),
  };
}

/** Whether the entry is what the advice says; true as well when nothing was advised that could be departed from. */
export function asAdvised(advice: Advice | undefined, kind: TreatmentKind, form: AttemptForm): boolean {
  if (!advice || advice.act === 'CHECK') {
    return true;
  }
  if (!advice.method || kindOf(advice.method) !== kind) {
    return false;
  }
  switch (advice.method) {
    case 'CYCLE':
      return form.strength !== 'STRONG';
    case 'CYCLE_STRONG':
      return form.strength === 'STRONG';
    case 'PORT_SOAK':
      return form.place === 'PORT';
    case 'TRAY_SOAK':
      return form.place === 'TRAY';
    default:
      return kind !== 'HANDWORK' || form.method === advice.method;
  }
}
