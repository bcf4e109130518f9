import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Problem } from '../api/http';
import { lookAgainMs } from '../api/changes';
import type { DayView } from '../api/types';

const KEY = ['day'];

export function useDay() {
  return useQuery<DayView, Problem>({
    queryKey: KEY,
    queryFn: () => answer(api.GET('/api/day')),
    refetchInterval: lookAgainMs,
  });
}

/** Where a step is wanted. */
export interface Pin {
  visitId: string;
  step: string;
  personId: string;
  at: string;
}

/** What changes the day; each answer is the day as it stands then. */
export function useDayWrites() {
  const queries = useQueryClient();
  const onSuccess = async (day: DayView) => {
    await queries.cancelQueries({ queryKey: KEY });
    queries.setQueryData(KEY, day);
  };
  const propose = useMutation<DayView, Problem, boolean>({
    mutationFn: (anew) => answer(api.POST('/api/day', { body: { anew } })),
    onSuccess,
  });
  const pin = useMutation<DayView, Problem, Pin>({
    mutationFn: ({ visitId, step, personId, at }) =>
      answer(
        api.PUT('/api/day/pins/{visitId}/{step}', {
          params: { path: { visitId, step } },
          body: { personId, at },
        }),
      ),
    onSuccess,
  });
  const unpin = useMutation<DayView, Problem, Pick<Pin, 'visitId' | 'step'>>({
    mutationFn: (path) => answer(api.DELETE('/api/day/pins/{visitId}/{step}', { params: { path } })),
    onSuccess,
  });
  return { propose, pin, unpin };
}
