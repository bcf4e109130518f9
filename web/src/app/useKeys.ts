import { useLayoutEffect, useRef } from 'react';
import { SCAN_GAP_MS } from './scan';

type Keys = Record<string, () => void>;

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
 */
export function useKeys(keys: Keys): void {
  const latest = useRef(keys);
  // With the screen, not a moment after it: a key means what is shown when it is pressed, and the first is not lost.
  useLayoutEffect(() => {
    latest.current = keys;
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
        event.preventDefault();
        pending = window.setTimeout(() => latest.current[key]?.(), SCAN_GAP_MS);
      }
    };
    window.addEventListener('keydown', press, true);
    return () => {
      window.clearTimeout(pending);
      window.removeEventListener('keydown', press, true);
    };
  }, []);
}
