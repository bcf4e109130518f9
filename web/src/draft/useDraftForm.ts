import { useCallback, useEffect, useRef, useState } from 'react';
import { useDraft } from './useDraft';

/** A form that is kept as it is typed: its entries, the change of some of them, and dropping it once it was logged. */
export function useDraftForm<T extends object>(key: string, start: () => T) {
  const { restored, isReady, keep, drop } = useDraft<T>(key);
  const [form, setForm] = useState<T>(() => restored ?? start());
  const latest = useRef(form);
  const isTouched = useRef(restored !== undefined);

  // A draft from another screen arrives a moment later; it counts only while nothing was entered here.
  useEffect(() => {
    if (isReady && restored && !isTouched.current) {
      isTouched.current = true;
      latest.current = restored;
      setForm(restored);
    }
  }, [isReady, restored]);

  const change = useCallback(
    (part: Partial<T>) => {
      isTouched.current = true;
      latest.current = { ...latest.current, ...part };
      setForm(latest.current);
      keep(latest.current);
    },
    [keep],
  );

  return { form, change, drop };
}
