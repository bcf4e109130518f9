import { newId } from '../api/newId';
import * as z from 'zod';
import type {
  Advice,
  FormView,
  Lot,
  Method,
  PartEntry,
  Site,
  TreatmentEntry,
  TreatmentKind,
  Usual,
  Visit,
  Wet,
} from '../api/types';
import { readNumber } from '../app/fields';
import { typedNumber, typedWhole } from '../app/typed';
import { channelsOut } from '../visit/outOf';

/** Kinds of work that are entered whole; what goes by strokes is entered as it happens. */
export type WholeKind = Exclude<TreatmentKind, 'FLUSH'>;

type Act = PartEntry['act'];

/** What the form of an attempt holds; each kind uses its own part. */
export interface AttemptForm {
  id: string;
  lotId: string;
  note: string;
  departureReason: string;
  /** That what is never done was done all the same. */
  doneAnyway: boolean;
  /** Where it is done; empty for where the head is. */
  site: Site | '';
  /** How deep the head goes in; empty while nobody said. */
  wet: Wet | '';
  channels: string[];
  /** Answers to what the method is asked, as they are typed; 1 and 0 are yes and no. */
  answers: Record<string, string>;
  /** What was done to parts, by part and channel. */
  parts: Record<string, Act>;
  temperatureC: string;
  place: 'PORT' | 'TRAY';
  volumeMl: string;
  plannedMinutes: string;
  levelMm: string;
  bursts: string;
  burstSeconds: string;
  strength: 'LIGHT' | 'NORMAL' | 'STRONG';
  count: string;
  suctionKpa: string;
  /** When it was begun and over, when it is entered later; empty for now. */
  begunAt: string;
  endedAt: string;
  method: Method;
  /** Why something else is done than what was advised. */
  instead: string;
}

/** Soaks grow by rungs, minutes; the server knows them. */
export function soakLadder(usual: Usual, place: AttemptForm['place']): number[] {
  return soakOf(usual, place).ladderMinutes;
}

function soakOf(usual: Usual, place: AttemptForm['place']) {
  return usual.soaks.find((soak) => soak.place === place)!;
}

export function soakMl(usual: Usual, place: AttemptForm['place'], channels: string[]): string {
  const { ml, perChannel } = soakOf(usual, place);
  return String(perChannel ? ml * Math.max(1, channels.length) : ml);
}

/** The method that an entry comes to; what its form asks is the server's to say. */
export function methodOf(kind: WholeKind, form: Pick<AttemptForm, 'place' | 'strength' | 'method'>): Method {
  switch (kind) {
    case 'SOAK':
      return form.place === 'TRAY' ? 'TRAY_SOAK' : 'PORT_SOAK';
    case 'BATH':
      return 'BATH';
    case 'CYCLE':
      return form.strength === 'STRONG' ? 'CYCLE_STRONG' : 'CYCLE';
    default:
      return form.method;
  }
}

export function formOf(usual: Usual, method: Method): FormView {
  return usual.forms[method];
}

/** The time that work which waits is first given; empty for work that does not. */
export function waitOf(usual: Usual, method: Method): string {
  const [first] = formOf(usual, method).waits;
  return first === undefined ? '' : String(first);
}

/** Where work that may be done in either place opens: where the head is. */
export function siteOf(visit: Visit, method: Method): Site | '' {
  return formOf(visit.usual, method).either ? visit.head.site : '';
}

/** The bottle for a method: its own fluid where it has one, otherwise what was used last; a food head takes marked ones. */
export function lotFor(visit: Visit, method: Method, lots: Lot[], today: string): Lot | undefined {
  const { fluids, ownFluid } = formOf(visit.usual, method);
  const fit = goodLots(lots, today).filter(
    (lot) => fluids.includes(lot.kind) && (!visit.foodCare || lot.foodSafe),
  );
  const usual = usualLot(visit, fit, today);
  return ownFluid
    ? (fit.find((lot) => lot.kind === ownFluid) ?? (visit.foodCare ? usual : undefined))
    : usual;
}

/** The form as it opens: the channels that are out, the bottle used last, and the doses of last time. */
export function startAttempt(visit: Visit, kind: WholeKind, lots: Lot[], today: string): AttemptForm {
  const { usual } = visit;
  const earlier = visit.attempts.filter((a) => !a.withdrawnReason);
  const lastOfKind = earlier.filter((a) => a.treatment.kind === kind).at(-1)?.treatment;
  const out = channelsOut(visit);
  const all = visit.family.channels.map((c) => c.code);
  const place = lastOfKind?.soak?.place ?? (visit.family.limits.submerge === 'NO' ? 'PORT' : 'TRAY');
  const channels = kind === 'CYCLE' || out.length === 0 ? all : out;
  const usualMl =
    kind === 'HANDWORK' ? '' : kind === 'BATH' ? String(usual.bath.volumeMl) : soakMl(usual, place, channels);
  return {
    id: newId(),
    lotId:
      lotFor(visit, methodOf(kind, { place, strength: 'LIGHT', method: 'STATION' }), lots, today)?.id ?? '',
    note: '',
    departureReason: '',
    doneAnyway: false,
    site: siteOf(visit, methodOf(kind, { place, strength: 'LIGHT', method: 'STATION' })),
    wet: '',
    channels,
    answers: {},
    parts: {},
    temperatureC: kind === 'BATH' ? String(lastOfKind?.bath?.temperatureC ?? usual.bath.temperatureC) : '',
    place,
    volumeMl: String(lastOfKind?.soak?.volumeMl ?? lastOfKind?.bath?.volumeMl ?? usualMl),
    plannedMinutes:
      kind === 'HANDWORK'
        ? waitOf(usual, 'STATION')
        : String(nextRung(soakLadder(usual, place), lastOfKind?.soak?.plannedMinutes)),
    levelMm: String(lastOfKind?.bath?.levelMm ?? usual.bath.levelMm),
    bursts: String(lastOfKind?.bath?.bursts ?? usual.bath.bursts),
    burstSeconds: String(lastOfKind?.bath?.burstSeconds ?? usual.bath.burstSeconds),
    strength: 'LIGHT',
    count: '1',
    suctionKpa: '',
    begunAt: '',
    endedAt: '',
    method: 'STATION',
    instead: '',
  };
}

function nextRung(ladder: number[], last: number | undefined): number {
  return last === undefined ? ladder[0] : (ladder.find((rung) => rung > last) ?? ladder[ladder.length - 1]);
}

function goodLots(lots: Lot[], today: string): Lot[] {
  return lots.filter((lot) => lot.remainingMl > 0 && (!lot.expiresOn || lot.expiresOn >= today));
}

function usualLot(visit: Visit, lots: Lot[], today: string): Lot | undefined {
  const used = visit.attempts.filter((a) => a.lot && !a.withdrawnReason).at(-1)?.lot?.id;
  const good = goodLots(lots, today);
  return (
    good.find((lot) => lot.id === used) ??
    good.find((lot) =>
      visit.foodCare ? lot.kind === 'FOOD_SAFE_CLEANER' && lot.foodSafe : lot.kind === 'AQUEOUS_CLEANER',
    )
  );
}

/**
 * The entry as the server takes it. What is not a number is left out, and the path of its entry is named in `unread`, so
 * that it can be said in its place.
 */
export function toEntry(kind: WholeKind, form: AttemptForm): { entry: TreatmentEntry; unread: string[] } {
  const unread: string[] = [];
  const number = (typed: string | undefined, path: string): number | undefined => {
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
    case 'SOAK':
      entry = {
        kind,
        soak: {
          place: form.place,
          channels: form.channels,
          volumeMl: number(form.volumeMl, 'soak.volumeMl'),
          plannedMinutes: whole(form.plannedMinutes, 'soak.plannedMinutes'),
          temperatureC: number(form.temperatureC, 'soak.temperatureC'),
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
          temperatureC: number(form.temperatureC, 'handwork.temperatureC'),
          suctionKpa: number(form.suctionKpa, 'handwork.suctionKpa'),
          plannedMinutes:
            form.plannedMinutes === '' ? undefined : whole(form.plannedMinutes, 'handwork.plannedMinutes'),
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
export function preset(
  form: AttemptForm,
  query: URLSearchParams,
  lots: Lot[],
  today: string,
  visit: Visit,
  kind: WholeKind,
): AttemptForm {
  const { usual } = visit;
  const place = query.get('place');
  const channels = query.get('channels')?.split(',') ?? form.channels;
  const advised = query.get('fluid');
  const lot = goodLots(lots, today).find((l) => l.kind === advised);
  const method = methodOf(kind, {
    place: (place as AttemptForm['place'] | null) ?? form.place,
    strength: (query.get('strength') as AttemptForm['strength'] | null) ?? form.strength,
    method: (query.get('method') as Method | null) ?? form.method,
  });
  const minutes = kind === 'SOAK' || waitOf(usual, method) !== '' ? query.get('minutes') : null;
  return {
    ...form,
    channels,
    site: formOf(usual, method).either ? ((query.get('site') as Site | null) ?? visit.head.site) : '',
    // Without advice the form of a method opens on the bottle that goes with it.
    lotId: lot?.id ?? lotFor(visit, method, lots, today)?.id ?? '',
    strength: (query.get('strength') as AttemptForm['strength'] | null) ?? form.strength,
    temperatureC: query.get('temperatureC') ?? form.temperatureC,
    method: (query.get('method') as Method | null) ?? form.method,
    plannedMinutes: minutes ?? (kind === 'HANDWORK' ? waitOf(usual, method) : form.plannedMinutes),
    parts:
      query.get('act') === 'REPLACED'
        ? Object.fromEntries(
            formOf(usual, method)
              .parts.filter((part) => part.perChannel)
              .flatMap(({ part }) => channels.map((code) => [`${part} ${code}`, 'REPLACED' as const])),
          )
        : form.parts,
    ...(place && place !== form.place
      ? {
          place: place as AttemptForm['place'],
          volumeMl: soakMl(usual, place as AttemptForm['place'], channels),
          plannedMinutes: minutes ?? String(soakLadder(usual, place as AttemptForm['place'])[0]),
        }
      : {}),
  };
}

/** The same entries without one. */
export function without<T>(entries: Record<string, T>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(entries).filter(([name]) => name !== key));
}

/** Whether the entry is what the advice says; true as well when nothing was advised that could be departed from. */
export function asAdvised(
  advice: Advice | undefined,
  kind: WholeKind,
  form: AttemptForm,
  usual: Usual,
): boolean {
  if (!advice || advice.act === 'CHECK' || advice.act === 'STEP') {
    return true;
  }
  if (!advice.method || usual.kinds[advice.method] !== kind) {
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

const NUMBERS = {
  SOAK: ['volumeMl', 'temperatureC'],
  BATH: ['volumeMl', 'levelMm', 'temperatureC'],
  CYCLE: [],
  HANDWORK: ['volumeMl', 'temperatureC', 'suctionKpa'],
} as const;
const WHOLE = {
  SOAK: ['plannedMinutes'],
  BATH: ['bursts', 'burstSeconds'],
  CYCLE: ['count'],
  HANDWORK: ['plannedMinutes'],
} as const;

/** Only whether numbers were typed; every limit is the server's. */
export function attemptSchema(kind: WholeKind) {
  return z.looseObject({
    ...Object.fromEntries(NUMBERS[kind].map((name) => [name, typedNumber()])),
    ...Object.fromEntries(WHOLE[kind].map((name) => [name, typedWhole()])),
    answers: z.record(z.string(), typedNumber().optional()),
  });
}

/** The entry of a field that the server names, such as `treatment.soak.volumeMl`. */
export function entryOf(field: string): string {
  if (/^departure\b/.test(field)) {
    return 'instead';
  }
  if (field.startsWith('noted.answers.')) {
    return field.slice('noted.'.length);
  }
  return field.split('.').at(-1)!;
}
