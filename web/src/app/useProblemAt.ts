import { useEffect } from 'react';
import type { FieldPath, FieldValues, UseFormReturn } from 'react-hook-form';
import type { Problem } from '../api/http';

/**
 * Puts what the server found wrong at the entries it is about.
 *
 * @param placeOf the entry of a field that the server names; by its own name when it is not given
 */
export function useProblemAt<T extends FieldValues>(
  form: UseFormReturn<T>,
  problem: Problem | null,
  placeOf: (field: string) => string = (field) => field,
): void {
  useEffect(() => {
    problem?.errors.forEach((error, i) => {
      const path = placeOf(error.field).replace(/\[(\d+)\]/g, '.$1');
      form.setError(path as FieldPath<T>, { message: error.message }, { shouldFocus: i === 0 });
    });
    if (problem && problem.errors.length > 0) {
      showFirstError();
    }
    // The place of a field follows from the entries as they were sent.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [problem, form]);
}

/** Brings what is wrong into sight: below a long form nobody sees what was refused above. */
export function showFirstError(): void {
  window.requestAnimationFrame(() =>
    document
      .querySelector<HTMLElement>('main .Mui-error, [role=dialog] .Mui-error')
      ?.scrollIntoView?.({ block: 'center' }),
  );
}
