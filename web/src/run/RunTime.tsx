import { Typography } from '@mui/material';
import { useRef } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Clock } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { minutesWords } from '../flow/units';
import { BigButton } from './BigButton';
import { RunClock } from './RunClock';
import { useTick, type StepProps } from './stepProps';
import { stepTitle } from './ledWords';
import { useSaid } from './useVoice';

/** A wait that is no work of its own: fluid that warms has a clock; a tank that degasses is looked at. */
export function RunTime(props: StepProps) {
  const { visit, step, now, voice } = props;
  const minutes = step.step.waiting.value;
  const id = useRef(newId());
  const tick = useTick(props);
  const start = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/clocks/{id}/wait', {
        params: { path: { visitId: visit.id, id: id.current } },
        body: { waiting: 'WARMING', minutes: Math.max(1, Math.round(minutes)) },
      }),
    ),
  );
  const stop = useWrite(
    (clock: Clock) =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/stop', {
          params: { path: { visitId: visit.id, id: clock.id } },
        }),
      ),
    () => tick.send(undefined),
  );
  const isWarming = step.step.doing === 'WARM_FLUID';
  const clock = isWarming ? visit.clocks.find((c) => c.waiting === 'WARMING' && !c.stoppedAt) : undefined;
  useSaid(voice, clock ? '' : stepTitle(visit, step));
  const problem = start.problem ?? stop.problem ?? tick.problem;
  return (
    <>
      {clock ? (
        <RunClock
          visit={visit}
          clock={clock}
          now={now}
          voice={voice}
          over="It is warm"
          end={() => stop.send(clock)}
          isBusy={stop.isBusy || tick.isBusy}
        />
      ) : (
        <>
          <Typography sx={{ fontSize: '1.5rem' }}>{minutesWords(minutes)}</Typography>
          <BigButton
            does={() => (isWarming ? start : tick).send(undefined)}
            loading={start.isBusy || tick.isBusy}
          >
            {isWarming ? 'Start the clock' : 'Done'}
          </BigButton>
        </>
      )}
      <WriteProblem problem={problem} />
    </>
  );
}
