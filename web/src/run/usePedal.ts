import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { READ_MS } from '../app/useKeys';

/** A pedal that is held for so long says the other thing. */
const HELD_MS = 700;

export interface Pedal {
  /** What a press does. */
  press: () => void;
  /** What a long press does; without it a press acts the moment it goes down. */
  hold?: () => void;
}

const KEYS = [' ', 'PageDown'];

/** Whether what has this has stood on the screen long enough to be read. */
export function useRead(): boolean {
  const [isRead, setIsRead] = useState(false);
  useEffect(() => {
    const timer = window.setTimeout(() => setIsRead(true), READ_MS);
    return () => window.clearTimeout(timer);
  }, []);
  return isRead;
}

/** Whether somebody types, or a dialog asks. */
function isTaken(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  return (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    document.querySelector('[role="dialog"]') !== null ||
    target.matches('input, textarea, select, [contenteditable="true"]')
  );
}

/**
 * One pedal, or the space bar, for everything that is confirmed. Where two things can be meant, a short press does the one and a
 * long press the other; where there is one, it is done as the pedal goes down, so that a stroke is timed to the moment. Tells
 * whether the pedal confirms already: what has only just come does not hear it.
 */
export function usePedal(pedal: Pedal | undefined): boolean {
  const latest = useRef(pedal);
  const isRead = useRead();
  const hears = useRef(false);
  useLayoutEffect(() => {
    latest.current = pedal;
    hears.current = isRead;
  });
  // With the screen: the first press is not lost.
  useLayoutEffect(() => {
    let timer: number | undefined;
    let isWaiting = false;
    const down = (event: KeyboardEvent) => {
      if (!KEYS.includes(event.key) || isTaken(event)) {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      if (event.repeat || isWaiting || !latest.current) {
        return;
      }
      if (!latest.current.hold) {
        if (hears.current) {
          latest.current.press();
        }
        return;
      }
      isWaiting = true;
      timer = window.setTimeout(() => {
        isWaiting = false;
        latest.current?.hold?.();
      }, HELD_MS);
    };
    const up = (event: KeyboardEvent) => {
      if (!KEYS.includes(event.key)) {
        return;
      }
      if (!isTaken(event)) {
        // A button that has the focus is not pressed a second time by it.
        event.preventDefault();
      }
      if (isWaiting) {
        window.clearTimeout(timer);
        isWaiting = false;
        latest.current?.press();
      }
    };
    window.addEventListener('keydown', down, true);
    window.addEventListener('keyup', up, true);
    return () => {
      window.clearTimeout(timer);
      window.removeEventListener('keydown', down, true);
      window.removeEventListener('keyup', up, true);
    };
  }, []);
  return isRead;
}
