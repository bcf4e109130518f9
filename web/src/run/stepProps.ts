import { answer, api } from '../api/http';
import type { LedStep, Lot, Run, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import type { Voice } from './useVoice';

export interface StepProps {
  visit: Visit;
  lots: Lot[];
  run: Run;
  step: LedStep;
  now: number;
  voice: Voice;
}

/** Says that a step is done. */
export function useTick({ visit, run, step }: Pick<StepProps, 'visit' | 'run' | 'step'>) {
  return useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/runs/{id}/steps/{step}', {
        params: { path: { visitId: visit.id, id: run.id, step: step.number } },
      }),
    ),
  );
}
