import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useLayoutEffect, useRef } from 'react';
import { Problem } from './http';
import type { Visit } from './types';

/**
 * A write that is sent once at a time: a second tap while the first is under way does nothing. The answer of a write on
 * a visit is the visit with its judgement, so the screen is current at once.
 */
export function useWrite<A>(
  write: (argument: A) => Promise<Visit | void>,
  done?: (visit: Visit | void) => void,
) {
  const queries = useQueryClient();
  const busy = useRef(false);
  const latest = useRef(write);
  // With the screen: the mutation itself hears of a new entry only a moment after it is shown, and a tap in between
  // would send what stood there before.
  useLayoutEffect(() => {
    latest.current = write;
  });
  const mutation = useMutation<Visit | void, Problem, A>({
    mutationFn: (argument) => latest.current(argument),
    onSuccess: async (visit) => {
      if (visit) {
        // What was asked before the write and is answered after it would put the old visit back.
        await queries.cancelQueries({ queryKey: ['visit', visit.id] });
        queries.setQueryData(['visit', visit.id], visit);
      }
      void queries.invalidateQueries({ queryKey: ['bench'] });
      void queries.invalidateQueries({ queryKey: ['lots'] });
      void queries.invalidateQueries({ queryKey: ['clocks'] });
      void queries.invalidateQueries({ queryKey: ['waste'] });
      done?.(visit);
    },
    onSettled: () => {
      busy.current = false;
    },
  });
  return {
    send: (argument: A) => {
      if (!busy.current) {
        busy.current = true;
        mutation.mutate(argument);
      }
    },
    problem: mutation.error,
    isBusy: mutation.isPending,
    forget: mutation.reset,
  };
}
