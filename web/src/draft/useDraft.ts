import { useCallback, useContext, useEffect, useRef, useState } from 'react';
import { SessionContext } from '../account/session';
import { answer, api } from '../api/http';

interface Kept<T> {
  value: T;
  editedAt: string;
}

const SEND_AFTER_MS = 500;

/** Where a screen notes when a draft was done with: what it had sent before, or late, is no draft any more. */
function donePlace(place: string) {
  return `${place}:done`;
}

function isDone(place: string, kept: { editedAt: string }) {
  try {
    const done = localStorage.getItem(donePlace(place));
    return done !== null && Date.parse(kept.editedAt) <= Date.parse(done);
  } catch {
    return false;
  }
}

function readLocal<T>(place: string): Kept<T> | undefined {
  try {
    const text = localStorage.getItem(place);
    return text ? (JSON.parse(text) as Kept<T>) : undefined;
  } catch {
    return undefined;
  }
}

/** Which of two kept drafts was edited last. */
export function newer<T>(a: Kept<T> | undefined, b: Kept<T> | undefined): Kept<T> | undefined {
  if (!a || !b) {
    return a ?? b;
  }
  return Date.parse(a.editedAt) >= Date.parse(b.editedAt) ? a : b;
}

/**
 * Keeps what is being typed: in this browser at once, on the server shortly after. So a reload, an ended session or a
 * lost connection loses nothing, and the draft can be taken up on another screen.
 */
export function useDraft<T>(key: string) {
  // Two people may use one tablet: each has drafts of their own.
  const place = `undoknot:${useContext(SessionContext)?.person.name ?? ''}:${key}`;
  const [local] = useState(() => readLocal<T>(place));
  const [restored, setRestored] = useState<T | undefined>(local?.value);
  const [isReady, setReady] = useState(false);
  const timer = useRef<number>(undefined);
  const unsent = useRef<Kept<T>>(undefined);
  const dropped = useRef(false);

  useEffect(() => {
    let current = true;
    answer(api.GET('/api/drafts/{key}', { params: { path: { key } } }))
      .then((found) => {
        const remote = found
          ? { value: JSON.parse(found.content) as T, editedAt: found.editedAt }
          : undefined;
        if (current) {
          setRestored(newer(local, remote && isDone(place, remote) ? undefined : remote)?.value);
        }
      })
      .catch(() => undefined)
      .finally(() => current && setReady(true));
    return () => {
      current = false;
    };
  }, [key, local, place]);

  const flush = useCallback(
    (leaving = false) => {
      window.clearTimeout(timer.current);
      const kept = unsent.current;
      if (kept && !dropped.current) {
        unsent.current = undefined;
        answer(
          api.PUT('/api/drafts/{key}', {
            params: { path: { key } },
            body: { content: JSON.stringify(kept.value), editedAt: kept.editedAt },
            keepalive: leaving,
          }),
        ).catch(() => {
          unsent.current ??= kept;
        });
      }
    },
    [key],
  );

  useEffect(() => {
    const leave = () => flush(true);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      flush();
    };
  }, [flush]);

  const keep = useCallback(
    (value: T) => {
      dropped.current = false;
      unsent.current = { value, editedAt: new Date().toISOString() };
      try {
        localStorage.setItem(place, JSON.stringify(unsent.current));
      } catch {
        // A full or forbidden store: the server still keeps it.
      }
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(flush, SEND_AFTER_MS);
    },
    [flush, place],
  );

  const drop = useCallback(() => {
    dropped.current = true;
    unsent.current = undefined;
    window.clearTimeout(timer.current);
    try {
      localStorage.removeItem(place);
      localStorage.setItem(donePlace(place), new Date().toISOString());
    } catch {
      // Without a store the server alone forgets it.
    }
    // Sent to its end even when the page is left at once.
    answer(api.DELETE('/api/drafts/{key}', { params: { path: { key } }, keepalive: true })).catch(
      () => undefined,
    );
  }, [key, place]);

  return { restored, isReady, keep, drop };
}
