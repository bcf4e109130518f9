import { Button, Typography } from '@mui/material';
import { answer, api } from '../api/http';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { useRunning } from '../visit/RunningSteps';
import { word, wordWith } from '../words/words';
import { BigButton } from './BigButton';
import { Elsewhere } from './Elsewhere';
import type { StepProps } from './stepProps';
import { RunClock } from './RunClock';

const OVER: Record<string, string> = { SOAK: 'Lift it out', BURST: 'End the burst' };

/** Work that is begun and goes on: its clock, the next burst, or its own page. */
export function RunWaits({ visit, run, step, now, voice }: StepProps) {
  const running = useRunning(visit, now);
  const work = visit.attempts.find((a) => a.id === run.workId)!;
  const end = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}/end', {
        params: { path: { visitId: visit.id, id: work.id } },
      }),
    ),
  );
  if (work.treatment.handwork?.method === 'RINSE') {
    return <Elsewhere to={`/visits/${visit.id}/rinse/${work.id}`} label="Turn by turn" />;
  }
  const clock = running.running.find((c) => c.attemptId === work.id);
  if (clock) {
    return (
      <>
        {work.treatment.bath && (
          <Typography sx={{ fontSize: '1.25rem' }}>
            Burst {work.burstsDone + 1} of {work.treatment.bath.bursts}.
          </Typography>
        )}
        <RunClock
          visit={visit}
          clock={clock}
          now={now}
          voice={voice}
          over={OVER[clock.kind] ?? 'It is over'}
          end={() => running.stop.send(clock)}
          isBusy={running.stop.isBusy}
        />
        <WriteProblem problem={running.stop.problem} />
      </>
    );
  }
  if (running.bath) {
    return (
      <>
        <Typography sx={{ fontSize: '1.25rem' }}>
          {wordWith('count', 'BURSTS_DONE', { N: work.burstsDone, ALL: work.treatment.bath?.bursts })} done.
          Let it rest between bursts.
        </Typography>
        <BigButton does={() => running.burst.send(work)} loading={running.burst.isBusy}>
          Start burst {work.burstsDone + 1}
        </BigButton>
        <Button onClick={() => end.send(undefined)} loading={end.isBusy}>
          End the bath here
        </Button>
        <WriteProblem problem={running.burst.problem ?? end.problem} />
      </>
    );
  }
  return (
    <Elsewhere to={`/visits/${visit.id}`} label={`See ${word('doing', step.step.doing).toLowerCase()}`} />
  );
}
