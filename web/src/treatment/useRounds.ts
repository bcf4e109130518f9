import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import type { Advice, Attempt, Lot, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { useProblemAt } from '../app/useProblemAt';
import { dateInDays } from '../bench/time';
import { useNow } from '../bench/useNow';
import { advisedTerm } from '../diagnosis/judgement';
import { useDraftForm } from '../draft/useDraftForm';
import { mayDepart } from './Against';
import { formOf } from './attemptForm';
import { begunInstant } from './BegunAt';
import {
  flushOf,
  isFarAbove,
  isFlush,
  newStroke,
  padAfter,
  resumeRounds,
  roundsSchema,
  startRounds,
  strokesOf,
  usualDose,
  type RoundsForm,
  type Stroke,
} from './roundsForm';
import { usePreview } from './usePreview';
import { useRoundKeys } from './useRoundKeys';
import { useStrokeQueue } from './useStrokeQueue';
import { useStrokeWatch } from './useStrokeWatch';
import { useWasteContainer } from './WasteGoesTo';

export interface RoundsProps {
  visit: Visit;
  lots: Lot[];
  advice: Advice | undefined;
  /** Rounds that were begun, when they are taken up again. */
  goesOn: Attempt | undefined;
  /** What they open with, where no address says it. */
  asked?: URLSearchParams;
  /** Under which what is typed is kept; the visit's own without one. */
  draftKey?: string;
  /** Told when they are ended or left; without it the visit is shown. */
  left?: () => void;
}

/** Rounds of strokes as they happen: what is in hand, what was given, what was seen, and what the server has of it. */
export function useRounds({ visit, lots, advice, goesOn, asked: wanted, draftKey, left }: RoundsProps) {
  const navigate = useNavigate();
  const { isLead } = useSession();
  const now = useNow(visit.serverTime);
  const [inAddress] = useSearchParams();
  const query = wanted ?? inAddress;
  const today = dateInDays(0);
  const { form, drop } = useDraftForm<RoundsForm>(
    // An ink change goes port by port: each has rounds of its own.
    draftKey ??
      `rounds-${goesOn?.id ?? visit.id}${!goesOn && visit.procedure ? `-${query.get('channels') ?? ''}` : ''}`,
    () => (goesOn ? resumeRounds(visit, goesOn, wanted) : startRounds(visit, query, lots, today)),
    roundsSchema,
  );
  const value = form.watch();
  const { method, channels } = value;
  const [kept, setKept] = useState<Visit>();
  const attempt = newest(
    visit.attempts.find((a) => a.id === value.id),
    kept?.attempts.find((a) => a.id === value.id),
  );
  const asks = formOf(visit.usual, method);
  const isLate = value.begunAt !== '';
  const isBegun = attempt !== undefined;
  const lotId = asks.fluids.length > 0 ? value.lotId || undefined : undefined;
  const site = asks.bench ? undefined : value.site || undefined;
  const isAdvised = isBegun || !advice || isAdvisedHere(advice, value);

  const strokes = strokesOf(attempt, value.pending);
  const rowOf = (code: string) => attempt?.rounds?.rows.find((row) => row.channel === code);
  const last = (code: string) => strokes.filter((s) => s.channel === code).at(-1);
  const doseOf = (code: string) =>
    value.doses[code] ?? String(usualDose(visit, value, rowOf(code)?.next, last(code)));

  const waste = useWasteContainer();
  // Before the first stroke the doses as they are planned are asked; none of them is timed.
  const planned = channels.map((code) => ({
    ...newStroke(value, code, readNumber(doseOf(code)) || 0),
    // What is only asked has no key: the same question is asked once.
    id: undefined,
  }));
  const preview = usePreview(visit.id, 'FLUSH', lotId, flushOf(value, planned), channels.length > 0, {
    site,
    begunAt: begunInstant(value.begunAt),
    wasteId: lotId ? waste.id : undefined,
  });

  const begin = (stroke: Stroke[], open: boolean) =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}', {
        params: { path: { visitId: visit.id, id: value.id } },
        body: {
          treatment: flushOf(value, stroke),
          lotId,
          note: value.note,
          noted: value.manifold ? { parts: [{ part: 'MANIFOLD', act: 'CLEANED' }] } : undefined,
          departureReason: value.departureReason || undefined,
          doneAnyway: value.doneAnyway || undefined,
          site,
          open,
          wasteId: lotId ? waste.id : undefined,
          begunAt: begunInstant(value.begunAt),
          endedAt: isLate ? begunInstant(value.endedAt) : undefined,
          departure:
            advice && !isAdvised
              ? { rule: advice.rule, advised: advisedTerm(advice), reason: value.instead }
              : undefined,
        },
      }),
    );
  const [reasons, setReasons] = useState<Record<string, { reason: string; doneAnyway: boolean }>>({});
  const queue = useStrokeQueue({
    pending: isLate ? [] : value.pending,
    kept: setKept,
    setPending: (change) =>
      form.setValue('pending', change(form.getValues('pending')), { shouldDirty: true }),
    send: (stroke) =>
      isBegun
        ? answer(
            api.PUT('/api/visits/{visitId}/attempts/{attemptId}/strokes/{id}', {
              params: { path: { visitId: visit.id, attemptId: value.id, id: stroke.id } },
              body: {
                stroke,
                departureReason: reasons[stroke.id]?.reason || undefined,
                doneAnyway: reasons[stroke.id]?.doneAnyway || undefined,
              },
            }),
          )
        : begin([stroke], true),
  });
  const put = (stroke: Stroke) =>
    isLate
      ? form.setValue(
          'pending',
          [...value.pending.filter((s) => s.id !== stroke.id), stroke].sort(
            (a, b) => strokes.findIndex((s) => s.id === a.id) - strokes.findIndex((s) => s.id === b.id),
          ),
          { shouldDirty: true },
        )
      : queue.put(stroke);

  const [inHand, setInHand] = useState<string>();
  const [asked, setAsked] = useState<{ channel: string; ml: number; usual: number; act: () => void }>();
  const turn = channels.find((c) => c === inHand) ?? turnOf(channels, strokes, rowOf);

  // What is wrong with what holds for all rounds stands at its entry, as for any form.
  const refusal = Object.values(queue.refused)[0] ?? null;
  useProblemAt(form, refusal, (field) =>
    /volumeMl$/.test(field) ? `doses.${turn}` : field.split('.').at(-1)!,
  );
  const wrong = (refusal?.errors ?? []).map((error) => error.field.split('.').at(-1)!);

  const gates = preview?.gates ?? [];
  const isShort = preview?.shortByMl;
  const needsReason = !isBegun && gates.length > 0 && value.departureReason.trim() === '';
  const isShut =
    !isBegun &&
    (gates.some((g) => g.weight === 'REFUSED' && !(isLead && value.doneAnyway && !needsReason)) ||
      needsReason ||
      (gates.length > 0 && !mayDepart(gates, isLead)));
  const lacksBottle = isFlush(method) && !lotId;
  const lacksWhy = !isAdvised && value.instead.trim() === '';
  const isNoHeat = Number.isNaN(readNumber(value.temperatureC));
  const hindrance = lacksBottle
    ? 'Choose the bottle first.'
    : isNoHeat
      ? 'Enter the temperature as a number first.'
      : lacksWhy
        ? 'Say first why something else than advised.'
        : isShut
          ? 'Something stands in the way; see beside.'
          : undefined;

  const watch = useStrokeWatch((seconds) => turn && give(turn, seconds));

  function give(channel: string, seconds?: number) {
    const typed = form.getValues(`doses.${channel}`) ?? doseOf(channel);
    const ml = Number(String(typed).replace(',', '.'));
    if (!Number.isFinite(ml) || ml < 0 || (isFlush(method) && ml === 0)) {
      form.setError(`doses.${channel}`, {
        message: Number.isFinite(ml) ? 'Enter more than 0 mL.' : 'Enter a number, such as 3 or 2.5.',
      });
      return;
    }
    form.clearErrors(`doses.${channel}`);
    setInHand(channel);
    put(newStroke(form.getValues(), channel, ml, seconds));
    // What this one left on the pad is not known before somebody looks.
    form.setValue('freshPad', form.getValues('freshPad') === false ? false : null, { shouldDirty: true });
    // The next dose follows from what comes next, not from what was typed for this one.
    form.setValue('doses', { ...form.getValues('doses'), [channel]: undefined! });
  }

  /** A mistyped dose is asked about before it is pushed, whichever way it is begun. */
  function sure(channel: string, act: () => void) {
    if (hindrance) {
      return;
    }
    setInHand(channel);
    const ml = readNumber(doseOf(channel)) ?? 0;
    const usual = usualDose(visit, value, rowOf(channel)?.next, last(channel));
    if (isFarAbove(ml, usual)) {
      setAsked({ channel, ml, usual, act });
    } else {
      act();
    }
  }

  function pedal() {
    if (watch.running !== undefined) {
      watch.stop();
    } else if (turn) {
      sure(turn, watch.start);
    }
  }

  /** What was seen, and what it says of the pad. */
  function saw(stroke: Stroke) {
    put(stroke);
    form.setValue('freshPad', padAfter(form.getValues('freshPad'), stroke), { shouldDirty: true });
  }

  const keys = useRoundKeys({
    visit,
    form: value,
    channels,
    turn,
    setTurn: setInHand,
    last,
    saw,
    isRunning: watch.running !== undefined,
  });

  const end = useWrite(
    () =>
      isBegun
        ? answer(
            api.PUT('/api/visits/{visitId}/attempts/{id}/end', {
              params: { path: { visitId: visit.id, id: value.id } },
            }),
          )
        : begin(value.pending, false),
    () => {
      drop();
      if (left) {
        left();
      } else {
        void navigate(`/visits/${visit.id}`, { state: { logged: value.id } });
      }
    },
  );
  const isOver = isBegun && attempt.rounds?.open === false && queue.isEmpty;
  const takeBack = useWrite((stroke: Stroke) =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{attemptId}/strokes/{id}/withdrawal', {
        params: { path: { visitId: visit.id, attemptId: value.id, id: stroke.id } },
      }),
    ),
  );
  const leave = () => {
    drop();
    void navigate(`/visits/${visit.id}`, { state: isBegun ? { logged: value.id } : undefined });
  };
  return {
    form,
    value,
    attempt,
    isBegun,
    isLate,
    isOver,
    isAdvised,
    isShort,
    isLead,
    lotId,
    now,
    strokes,
    rowOf,
    last,
    doseOf,
    waste,
    preview,
    queue,
    reasons,
    setReasons,
    turn,
    setInHand,
    asked,
    setAsked,
    wrong,
    gates,
    hindrance,
    watch,
    give,
    sure,
    pedal,
    saw,
    keys,
    end,
    takeBack,
    leave,
  };
}

/** Of two answers about one sitting the later one. */
function newest(a: Attempt | undefined, b: Attempt | undefined): Attempt | undefined {
  return a && b ? (b.version > a.version ? b : a) : (a ?? b);
}

function isAdvisedHere(advice: Advice, form: RoundsForm): boolean {
  // The steps of an ink change or a flush lead to many kinds of work.
  if (advice.act === 'CHECK' || advice.act === 'STEP') {
    return true;
  }
  return advice.method === form.method || (isFlush(form.method) && isFlush(advice.method ?? 'PAD'));
}

/** The channel whose turn it is: of those not done the one with the fewest strokes, in their order. */
function turnOf(
  channels: string[],
  strokes: Stroke[],
  rowOf: (code: string) => { next: string } | undefined,
): string | undefined {
  const open = channels.filter((code) => rowOf(code)?.next !== 'DONE');
  const given = (code: string) => strokes.filter((s) => s.channel === code).length;
  return [...open].sort((a, b) => given(a) - given(b))[0];
}
