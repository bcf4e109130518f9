import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Problem } from '../api/http';
import type { Visit } from '../api/types';
import { without } from './attemptForm';
import type { Stroke } from './roundsForm';

const AGAIN_AFTER_MS = 3_000;

interface Queue {
  /** What is not kept yet, in order; it lies in the draft and outlives a reload. */
  pending: Stroke[];
  setPending: (change: (pending: Stroke[]) => Stroke[]) => void;
  /** Sends one stroke; the answer is the visit as it stands then. */
  send: (stroke: Stroke) => Promise<Visit>;
  /** Told the visit in the same moment in which a stroke leaves the queue, so that it is never out of sight. */
  kept: (visit: Visit) => void;
}

/**
 * Sends strokes one after another in the order in which they were given. A lost connection is tried again by itself; what
 * the server refuses waits for the person, and holds up nothing behind it.
 */
export function useStrokeQueue({ pending, setPending, send, kept }: Queue) {
  const queries = useQueryClient();
  const [refused, setRefused] = useState<Record<string, Problem>>({});
  const [isBehind, setBehind] = useState(false);
  const [round, setRound] = useState(0);
  const busy = useRef(false);
  const latest = useRef({ send, setPending, kept });
  useEffect(() => {
    latest.current = { send, setPending, kept };
  });
  const next = pending.find((stroke) => !refused[stroke.id]);
  // By its content: what was seen while it was under way makes it another one, which is sent after it.
  const content = next && JSON.stringify(next);

  useEffect(() => {
    if (busy.current || content === undefined) {
      return;
    }
    const sent = JSON.parse(content) as Stroke;
    busy.current = true;
    let timer: number | undefined;
    latest.current
      .send(sent)
      .then(
        (visit) => {
          queries.setQueryData(['visit', visit.id], visit);
          latest.current.kept(visit);
          for (const key of ['bench', 'lots', 'clocks']) {
            void queries.invalidateQueries({ queryKey: [key] });
          }
          setBehind(false);
          latest.current.setPending((all) => all.filter((stroke) => JSON.stringify(stroke) !== content));
        },
        (problem: unknown) => {
          const mayPass = problem instanceof Problem && (problem.isOffline || problem.status >= 500);
          if (problem instanceof Problem && !mayPass && !problem.isSignedOut) {
            setRefused((all) => ({ ...all, [sent.id]: problem }));
          } else {
            setBehind(true);
            timer = window.setTimeout(() => setRound((r) => r + 1), AGAIN_AFTER_MS);
          }
        },
      )
      .finally(() => {
        busy.current = false;
        setRound((r) => (timer === undefined ? r + 1 : r));
      });
  }, [content, round, queries]);

  /** Puts a stroke into the queue, or in the place of the one with its key. */
  const put = useCallback((stroke: Stroke) => {
    setRefused((all) => without(all, stroke.id));
    latest.current.setPending((all) =>
      all.some((s) => s.id === stroke.id)
        ? all.map((s) => (s.id === stroke.id ? stroke : s))
        : [...all, stroke],
    );
  }, []);

  /** Forgets a stroke that was never kept. */
  const forget = useCallback((id: string) => {
    setRefused((all) => without(all, id));
    latest.current.setPending((all) => all.filter((s) => s.id !== id));
  }, []);

  return { put, forget, refused, isBehind, isEmpty: pending.length === 0 };
}
