import { useEffect, useRef } from 'react';

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

/** Single keys of a view, for hands that do not want to aim. They rest while somebody types. */
export function useKeys(keys: Keys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const action = latest.current[event.key.toLowerCase()];
      if (action && !isTaken(event)) {
        event.preventDefault();
        action();
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
