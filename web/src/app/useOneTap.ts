import { useEffect } from 'react';

const ANSWERS =
  'button, a, [role="button"], [role="option"], [role="menuitem"], [role="tab"], input, select, textarea';

/** What a tap here would do something to. */
function answerAt(event: Event): Element | null {
  const target = event.target;
  return target instanceof Element ? (target.closest('label') ?? target.closest(ANSWERS)) : null;
}

/**
 * The second tap of a double tap does nothing to what came under the finger after the first: nobody can have read it. So no
 * step is ticked and no question answered by a hand that taps twice. Twice on the same thing is as it always was.
 */
export function useOneTap(): void {
  useEffect(() => {
    let last: Element | null = null;
    const tap = (event: MouseEvent) => {
      const answer = answerAt(event);
      if (event.detail > 1 && answer && last && answer !== last) {
        event.preventDefault();
        event.stopPropagation();
        return;
      }
      last = answer;
    };
    window.addEventListener('click', tap, true);
    return () => window.removeEventListener('click', tap, true);
  }, []);
}
