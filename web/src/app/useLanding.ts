import { useEffect, useRef } from 'react';

/**
 * Where the focus lands when a view opens: at its heading, so that the next Tab is in the work and not in the head of the
 * page, and single keys act at once. An entry that asks for the focus itself keeps it.
 */
export function useLanding<T extends HTMLElement = HTMLHeadingElement>() {
  const heading = useRef<T>(null);
  useEffect(() => {
    const held = document.activeElement;
    if (!held?.closest('main') || held.matches('a, button')) {
      heading.current?.focus({ preventScroll: true });
    }
  }, []);
  return { ref: heading, tabIndex: -1, sx: { outline: 'none' } };
}
