import { useState } from 'react';
import type { Mark, Visit } from '../api/types';
import { formOf } from './attemptForm';
import { optionsOf } from './Marks';
import { marksOf, nextMark, sameAs, seenField, type RoundsForm, type Stroke } from './roundsForm';

interface Props {
  visit: Visit;
  form: RoundsForm;
  channels: string[];
  turn: string | undefined;
  setTurn: (channel: string | undefined) => void;
  last: (channel: string) => Stroke | undefined;
  saw: (stroke: Stroke) => void;
  isRunning: boolean;
}

/** Keys of the rounds: a digit says what was seen of the thing that is asked now, 0 that nobody looked. */
export function useRoundKeys({ visit, form, channels, turn, setTurn, last, saw, isRunning }: Props) {
  const [skipped, setSkipped] = useState<Record<string, Mark[]>>({});
  const marks = marksOf(formOf(visit.usual, form.method), form.pulses);
  const stroke = turn ? last(turn) : undefined;
  const mark = stroke && !isRunning ? nextMark(stroke, marks, skipped[stroke.id]) : undefined;

  /** With everything looked at, or skipped, the hand goes on to the next channel. */
  function after(seen: Stroke, nowSkipped: Mark[]) {
    if (!nextMark(seen, marks, nowSkipped)) {
      setTurn(undefined);
    }
  }

  const keys: Record<string, () => void> = {
    arrowdown: () => step(1),
    arrowup: () => step(-1),
    a: () => {
      const above = turn ? last(channels[channels.indexOf(turn) - 1]) : undefined;
      if (stroke && above && !isRunning) {
        saw(sameAs(stroke, above, marks));
        setTurn(undefined);
      }
    },
    '0': skip,
  };
  if (stroke && mark) {
    optionsOf(form.method, mark).forEach((option, i) => {
      keys[String(i + 1)] = () => see(option.value);
    });
  }

  /** Nobody looked at what is asked now. */
  function skip() {
    if (stroke && mark) {
      const now = [...(skipped[stroke.id] ?? []), mark];
      setSkipped({ ...skipped, [stroke.id]: now });
      after(stroke, now);
    }
  }

  /** This was seen of what is asked now. */
  function see(value: string | number | boolean) {
    if (stroke && mark) {
      const seen = { ...stroke, [seenField(mark)]: value };
      saw(seen);
      after(seen, skipped[stroke.id] ?? []);
    }
  }

  function step(by: number) {
    const at = turn ? channels.indexOf(turn) : -1;
    const next = channels[Math.min(channels.length - 1, Math.max(0, at + by))];
    setTurn(next);
  }

  return { keys, mark, see, skip };
}
