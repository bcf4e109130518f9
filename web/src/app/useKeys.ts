import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { SCAN_GAP_MS } from './scan';

type Keys = Record<string, () => void>;

/** What has stood on the screen for less, nobody has read: the second press of a pedal or key does not answer it, ms. */
export const READ_MS = 300;

/** When a key of a view was pressed last. What came on the screen long after it, it did not bring. */
let pressedAt = -Infinity;

/** Keys that say yes to what stands there. */
const CONFIRM = ['enter', ' '];

/** Whether what is asked has stood long enough to be read, if a key has just brought it. */
function useRead(asked: string | undefined): boolean {
  const isJustBrought = () => performance.now() - pressedAt < READ_MS;
  const [read, setRead] = useState<string | undefined>(() => (isJustBrought() ? undefined : asked));
  useEffect(() => {
    const timer = window.setTimeout(() => setRead(asked), isJustBrought() ? READ_MS : 0);
    return () => window.clearTimeout(timer);
  }, [asked]);
  return read === asked;
}

/** Whether a key pressed now belongs to what has the focus: typing, or the Space that presses a button. */
function isTaken(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  if (event.ctrlKey || event.metaKey || event.altKey || document.querySelector('[role="dialog"]')) {
    return true;
  }
  const isTyping = target.matches('input, textarea, select, [contenteditable="true"]');
  const isPressing =
    event.key === ' ' &&
    target.closest('button, a, [role="option"], [role="listbox"], [role="tab"]') !== null;
  return isTyping || isPressing;
}

/**
 * Single keys of a view, for hands that do not want to aim. They rest while somebody types. A key acts a moment later,
 * when no other has followed: a scanner that types a tag must not set off what its signs stand for.
 *
 * @param asked what Enter and Space answer, where one question follows another. They rest until a question that a key has
 * brought can be read: pressed twice, they do not answer the next one as well.
 * @returns whether Enter and Space answer, and do not rest
 */
export function useKeys(keys: Keys, asked?: string): boolean {
  const latest = useRef(keys);
  const isRead = useRead(asked);
  const now = useRef({ asked, isRead });
  // With the screen, not a moment after it: a key means what is shown when it is pressed, and the first is not lost.
  useLayoutEffect(() => {
    latest.current = keys;
    now.current = { asked, isRead };
  });
  useLayoutEffect(() => {
    let pending: number | undefined;
    let last = -Infinity;
    const press = (event: KeyboardEvent) => {
      if (event.repeat) {
        // A key that stays down answers once, and not what comes after it.
        return;
      }
      window.clearTimeout(pending);
      const isScanned = event.timeStamp - last < SCAN_GAP_MS;
      last = event.timeStamp;
      const key = event.key.toLowerCase();
      if (!isScanned && latest.current[key] && !isTaken(event)) {
        // Also while it rests: a button that has the focus is not pressed by it.
        event.preventDefault();
        const pressed = now.current;
        if (pressed.isRead || !CONFIRM.includes(key)) {
          pressedAt = performance.now();
          pending = window.setTimeout(() => {
            // Nor does it answer what has come in the moment between.
            if (now.current.asked === pressed.asked || !CONFIRM.includes(key)) {
              latest.current[key]?.();
            }
          }, SCAN_GAP_MS);
        }
      }
    };
    window.addEventListener('keydown', press, true);
    return () => {
      window.clearTimeout(pending);
      window.removeEventListener('keydown', press, true);
    };
  }, []);
  return isRead;
}
