import * as z from 'zod';
import { newId } from '../api/newId';
import type {
  Attempt,
  FormView,
  Lot,
  Mark,
  Method,
  Site,
  StrokeEntry,
  TreatmentEntry,
  Visit,
} from '../api/types';
import { readNumber } from '../app/fields';
import { typedNumber } from '../app/typed';
import { channelsOut } from '../visit/outOf';
import { formOf, lotFor, siteOf } from './attemptForm';

/** A stroke under its key; what is absent was not timed, not seen, or not said. */
export type Stroke = StrokeEntry & { id: string };

/** What the page of rounds holds besides what the server has kept. */
export interface RoundsForm {
  /** Key of the sitting. */
  id: string;
  method: Method;
  lotId: string;
  temperatureC: string;
  site: Site | '';
  channels: string[];
  /** Whether fluid goes in pulses with pad prints between. */
  pulses: boolean;
  /** Doses that were typed; where none was, the house rule's stands. */
  doses: Record<string, string>;
  syringe: NonNullable<Stroke['syringe']> | '';
  force: NonNullable<Stroke['force']> | '';
  suctionKpa: string;
  /** Whether the pad under the head is new; null while nobody said. */
  freshPad: boolean | null;
  /** Whether manifold and gasket were cleaned apart before the draw. */
  manifold: boolean;
  note: string;
  departureReason: string;
  doneAnyway: boolean;
  instead: string;
  begunAt: string;
  endedAt: string;
  /** Strokes that the server has not kept yet, in order. */
  pending: Stroke[];
}

const FLUSHES: readonly Method[] = ['FLUSH', 'WARM'];

export function isFlush(method: Method): boolean {
  return FLUSHES.includes(method);
}

/** Channels that are out first; for a draw-back the worst first. */
function channelsFor(visit: Visit, method: Method, query: URLSearchParams): string[] {
  const asked = query.get('channels')?.split(',');
  const out = channelsOut(visit);
  const chosen = asked ?? (out.length > 0 ? out : []);
  const inOrder = visit.usual.lightFirst.filter((code) => chosen.includes(code));
  return method === 'DRAW_BACK' ? worstFirst(visit, inOrder) : inOrder;
}

function worstFirst(visit: Visit, channels: string[]): string[] {
  const reading = visit.checks.filter((c) => c.reading).at(-1)?.reading ?? {};
  const out = (code: string) => [...(reading[code] ?? '')].filter((state) => state === 'M').length;
  return [...channels].sort((a, b) => out(b) - out(a));
}

/** The page as it opens for new rounds. Doses follow the house rule; nothing that is seen is filled in. */
export function startRounds(visit: Visit, query: URLSearchParams, lots: Lot[], today: string): RoundsForm {
  const { usual } = visit;
  const again = visit.attempts.find((a) => a.id === query.get('again'))?.treatment.flush;
  const method = again?.method ?? (query.get('method') as Method | null) ?? 'FLUSH';
  const advised = query.get('fluid');
  const lot = lots.find(
    (l) => l.kind === advised && l.remainingMl > 0 && (!l.expiresOn || l.expiresOn >= today),
  );
  const strokeMl = Number(query.get('strokeMl') ?? 0);
  const channels = again?.planned ?? channelsFor(visit, method, query);
  const pulses = again?.pulses ?? (isFlush(method) && (usual.pulses || strokeMl === usual.pulseMl));
  // A plan that somebody changed says another dose than the house rule: for all ports, or port by port.
  const isChanged = isFlush(method) && !pulses && strokeMl > 0 && strokeMl !== usual.strokeMl;
  const planned =
    query.get('doses')?.split(',') ?? (isChanged ? channels.map((c) => `${c}:${strokeMl}`) : []);
  return {
    id: newId(),
    method,
    lotId: lot?.id ?? lotFor(visit, method, lots, today)?.id ?? '',
    temperatureC: query.get('temperatureC') ?? String(usual.roomC),
    site: formOf(usual, method).either
      ? ((query.get('site') as Site | null) ?? visit.head.site)
      : siteOf(visit, method),
    channels,
    pulses,
    // Doses of the last time, never what was seen then.
    doses: Object.fromEntries(
      again
        ? again.strokes.map((s) => [s.channel, String(s.volumeMl)])
        : planned.map((dose) => dose.split(':')),
    ),
    syringe: '',
    force: '',
    suctionKpa: '',
    freshPad: null,
    manifold: false,
    note: '',
    departureReason: '',
    doneAnyway: false,
    instead: '',
    begunAt: '',
    endedAt: '',
    pending: [],
  };
}

/**
 * The page for rounds that were begun, here or on another screen.
 *
 * @param planned the doses of a plan; they hold for the ports that had no stroke yet
 */
export function resumeRounds(visit: Visit, attempt: Attempt, planned = new URLSearchParams()): RoundsForm {
  const flush = attempt.treatment.flush!;
  const opened = startRounds(visit, planned, [], '');
  const had = new Set(flush.strokes.map((stroke) => stroke.channel));
  return {
    ...opened,
    doses: Object.fromEntries(Object.entries(opened.doses).filter(([channel]) => !had.has(channel))),
    id: attempt.id,
    method: flush.method ?? 'FLUSH',
    lotId: attempt.lot?.id ?? '',
    temperatureC: String(flush.temperatureC),
    site: attempt.site ?? '',
    channels: attempt.rounds!.rows.map((row) => row.channel),
    pulses: flush.pulses ?? false,
  };
}

/** All strokes in order: what the server has, with what is known here and not sent yet. */
export function strokesOf(attempt: Attempt | undefined, pending: Stroke[]): Stroke[] {
  const kept = (attempt?.treatment.flush?.strokes ?? []) as Stroke[];
  const newer = new Map(pending.map((s) => [s.id, s]));
  return [
    ...kept.map((s) => newer.get(s.id) ?? s),
    ...pending.filter((s) => !kept.some((k) => k.id === s.id)),
  ];
}

/** What a stroke in a channel usually is next, mL: the house rule's first, a pulse, or the small one after the soak. */
export function usualDose(
  visit: Visit,
  form: Pick<RoundsForm, 'method' | 'pulses'>,
  next: string | undefined,
  last: Stroke | undefined,
): number {
  const { usual } = visit;
  if (!isFlush(form.method)) {
    return last?.volumeMl ?? formOf(usual, form.method).strokeMl;
  }
  if (next === 'STROKE_AFTER_SOAK') {
    return usual.afterSoakMl;
  }
  return last?.volumeMl ?? (form.pulses ? usual.pulseMl : usual.strokeMl);
}

/** What is looked at in a row; the pad is changed for the whole head and has a button of its own. */
export function marksOf(form: FormView, pulses: boolean): Mark[] {
  return (pulses ? form.pulseMarks : form.marks).filter((mark) => mark !== 'FRESH_PAD');
}

const SEEN = {
  RESISTANCE: 'resistance',
  EFFLUENT: 'effluent',
  STREAM: 'stream',
  FRESH_PAD: 'freshPad',
  PAD_PRINT: 'padFifths',
  BUBBLES: 'bubbles',
  SEDIMENT: 'sediment',
  AIR: 'air',
} as const satisfies Record<Mark, keyof Stroke>;

export function seenField(mark: Mark) {
  return SEEN[mark];
}

/** The first thing that nobody has looked at yet; undefined when all was, or was skipped. */
export function nextMark(stroke: Stroke, marks: Mark[], skipped: readonly Mark[] = []): Mark | undefined {
  return marks.find((mark) => stroke[SEEN[mark]] === undefined && !skipped.includes(mark));
}

/** The same observations as another stroke; the dose and its time stay its own. */
export function sameAs(stroke: Stroke, above: Stroke, marks: Mark[]): Stroke {
  return { ...stroke, ...Object.fromEntries(marks.map((mark) => [SEEN[mark], above[SEEN[mark]]])) };
}

/** A stroke as it is given now. */
export function newStroke(form: RoundsForm, channel: string, volumeMl: number, seconds?: number): Stroke {
  const suction = readNumber(form.suctionKpa);
  return {
    id: newId(),
    channel,
    volumeMl,
    seconds,
    freshPad: isFlush(form.method) && !form.pulses ? (form.freshPad ?? undefined) : undefined,
    syringe: form.syringe || undefined,
    force: form.force || undefined,
    suctionKpa: form.method === 'DRAW_BACK' && Number.isFinite(suction) ? suction : undefined,
  };
}

/**
 * Whether the pad is fresh once this was seen of a stroke: a coloured drop makes it an old one, one like fresh fluid leaves a
 * fresh pad fresh, and where nobody looked nobody knows.
 */
export function padAfter(pad: boolean | null, stroke: Stroke): boolean | null {
  if (!stroke.effluent) {
    return pad;
  }
  return stroke.effluent === 'LIKE_FRESH' ? (stroke.freshPad ? true : pad) : false;
}

/** The treatment as the server takes it, with these strokes. */
export function flushOf(form: RoundsForm, strokes: StrokeEntry[]): TreatmentEntry {
  return {
    kind: 'FLUSH',
    flush: {
      method: form.method,
      planned: form.channels,
      pulses: form.pulses,
      temperatureC: readNumber(form.temperatureC) ?? 0,
      strokes,
    },
  };
}

/** Only whether numbers were typed; every limit is the server's. */
export const roundsSchema = z.looseObject({
  temperatureC: typedNumber(),
  suctionKpa: typedNumber(),
  doses: z.record(z.string(), typedNumber().optional()),
});

/** A dose ten times the usual is asked about before it counts. */
export function isFarAbove(ml: number, usualMl: number): boolean {
  return usualMl > 0 && ml >= 10 * usualMl;
}
