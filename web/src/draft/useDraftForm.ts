import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef } from 'react';
import { useForm, type DefaultValues, type FieldValues, type Resolver } from 'react-hook-form';
import type { z } from 'zod';
import { useDraft } from './useDraft';

/**
 * A form that is kept as it is typed, and the way to drop what was kept once it was logged.
 *
 * @param onArrival takes a draft that came after the form was shown, for what is edited outside the form
 */
export function useDraftForm<T extends FieldValues>(
  key: string,
  start: () => T,
  schema: z.ZodType,
  onArrival?: (draft: T) => void,
) {
  const { restored, isReady, keep, drop } = useDraft<T>(key);
  const form = useForm<T>({
    defaultValues: (restored ?? start()) as DefaultValues<T>,
    resolver: zodResolver(schema as never) as unknown as Resolver<T>,
  });
  const isTouched = useRef(restored !== undefined);

  // A draft from another screen arrives a moment later; it counts only while nothing was entered here.
  useEffect(() => {
    if (isReady && restored && !isTouched.current) {
      isTouched.current = true;
      form.reset(restored);
      onArrival?.(restored);
    }
  }, [isReady, restored, form, onArrival]);

  useEffect(() => {
    const subscription = form.watch((_, { name }) => {
      // A reset names no entry: what it brings is kept already.
      if (name !== undefined) {
        isTouched.current = true;
        keep(form.getValues());
      }
    });
    return () => subscription.unsubscribe();
  }, [form, keep]);

  return { form, drop };
}
