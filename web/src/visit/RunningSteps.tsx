import { Button, Stack, Typography } from '@mui/material';
import { useRef } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Attempt, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { MONO } from '../app/theme';
import { countdown, hour } from '../bench/time';
import { capital, word, wordWith } from '../words/words';
import { channelsOf } from './outOf';

/** The soak or bath that goes on, with the one thing its clock can do now. */
export function useStepInHand(visit: Visit, now: number) {
  const burstId = useRef(newId());
  const attempt = visit.attempts.find((a) => !a.endedAt && !a.withdrawnReason);
  const clock = attempt && visit.clocks.find((c) => c.attemptId === attempt.id && !c.stoppedAt);
  const stop = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/clocks/{id}/stop', {
        params: { path: { visitId: visit.id, id: clock!.id } },
      }),
    ),
  );
  const burst = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/burst', {
          params: { path: { visitId: visit.id, id: burstId.current } },
          body: { attemptId: attempt!.id },
        }),
      ),
    () => {
      burstId.current = newId();
    },
  );
  if (!attempt) {
    return undefined;
  }
  const write = clock ? stop : burst;
  const isDue = clock !== undefined && Date.parse(clock.dueAt) <= now;
  return { attempt, clock, isDue, write, act: () => write.send(undefined) };
}

export type StepInHand = NonNullable<ReturnType<typeof useStepInHand>>;

/** The clock of the step in hand, kept by the server; Space or the pedal works it. */
export function RunningSteps({
  visit,
  step,
  now,
  mayWrite,
}: {
  visit: Visit;
  step: StepInHand;
  now: number;
  mayWrite: boolean;
}) {
  const end = useWrite((attempt: Attempt) =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}/end', {
        params: { path: { visitId: visit.id, id: attempt.id } },
      }),
    ),
  );
  const { attempt, clock, isDue } = step;
  const bath = attempt.treatment.bath;
  const what = `${capital(word('treatment', attempt.treatment.kind))}, ${channelsOf(attempt).join(', ')}`;
  return (
    <Stack
      spacing={1}
      sx={(t) => ({
        p: 1.5,
        borderRadius: 1,
        bgcolor: isDue ? t.vars.palette.due.main : 'background.default',
        color: isDue ? t.vars.palette.due.contrastText : 'text.primary',
      })}
    >
      <Typography sx={{ fontWeight: 700 }}>{what}</Typography>
      {attempt.lot && (
        <Typography>
          {attempt.volumeMl} mL of {attempt.lot.name}
        </Typography>
      )}
      {clock ? (
        <>
          <Typography
            role="timer"
            aria-label={isDue ? 'over since' : 'left'}
            sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '3rem', lineHeight: 1 }}
          >
            {countdown(Date.parse(clock.dueAt) - now)}
          </Typography>
          <Typography>
            {isDue ? 'over since' : 'until'} {hour(clock.dueAt)}
            {bath && `, burst ${attempt.burstsDone + 1} of ${bath.bursts}`}
          </Typography>
        </>
      ) : (
        bath && (
          <Typography>{`${wordWith('count', 'BURSTS_DONE', { N: attempt.burstsDone, ALL: bath.bursts })} done. Let it rest between bursts.`}</Typography>
        )
      )}
      {mayWrite && (
        <>
          <Button
            variant="contained"
            size="large"
            loading={step.write.isBusy}
            onClick={step.act}
            sx={{
              minHeight: 64,
              fontSize: '1.25rem',
              ...(isDue && { bgcolor: '#1d1300', color: '#ffffff', '&:hover': { bgcolor: '#000000' } }),
            }}
          >
            {clock
              ? clock.kind === 'SOAK'
                ? isDue
                  ? 'Lifted from the soak'
                  : 'End the soak now'
                : isDue
                  ? 'Burst ended'
                  : 'Stop the burst now'
              : `Start burst ${attempt.burstsDone + 1}`}
            <KeyHint>Space</KeyHint>
          </Button>
          {bath && (
            <Button color="inherit" loading={end.isBusy} onClick={() => end.send(attempt)}>
              End the bath here
            </Button>
          )}
          <WriteProblem problem={step.write.problem ?? end.problem} />
        </>
      )}
    </Stack>
  );
}
