import { Box, Button, Stack, Typography } from '@mui/material';
import { useRef } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Attempt, Clock, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { MONO } from '../app/theme';
import { clockName, isSiphoning, SIPHONS } from '../bench/clockWords';
import { countdown, hour } from '../bench/time';
import { capital, wordWith } from '../words/words';

/** A clock that was stopped may go on for so long, as if it had never been. */
const RESUMABLE_MS = 10 * 60_000;

/** What runs or waits for hands on a visit, the first due first, and what can still be taken up again. */
export function useRunning(visit: Visit, now: number) {
  const running = visit.clocks
    .filter((clock) => !clock.stoppedAt)
    .sort((a, b) => Date.parse(a.dueAt) - Date.parse(b.dueAt));
  const resumable = visit.clocks.filter(
    (clock) =>
      clock.stoppedAt &&
      clock.kind !== 'BURST' &&
      // One that had run its time ended as it should.
      Date.parse(clock.stoppedAt) < Date.parse(clock.dueAt) &&
      now - Date.parse(clock.stoppedAt) < RESUMABLE_MS,
  );
  // Between two bursts no clock runs, and the bath goes on.
  const bath = visit.attempts.find(
    (attempt) =>
      attempt.treatment.bath &&
      !attempt.endedAt &&
      !attempt.withdrawnReason &&
      !running.some((clock) => clock.attemptId === attempt.id),
  );
  const stop = useWrite((clock: Clock) =>
    answer(
      api.PUT('/api/visits/{visitId}/clocks/{id}/stop', {
        params: { path: { visitId: visit.id, id: clock.id } },
      }),
    ),
  );
  const resume = useWrite((clock: Clock) =>
    answer(
      api.PUT('/api/visits/{visitId}/clocks/{id}/resume', {
        params: { path: { visitId: visit.id, id: clock.id } },
      }),
    ),
  );
  const burstId = useRef(newId());
  const burst = useWrite(
    (attempt: Attempt) =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/burst', {
          params: { path: { visitId: visit.id, id: burstId.current } },
          body: { attemptId: attempt.id },
        }),
      ),
    () => {
      burstId.current = newId();
    },
  );
  const first = running[0]?.id ?? (bath && `${bath.id} ${bath.burstsDone}`);
  const isEmpty = running.length === 0 && !bath && resumable.length === 0;
  return {
    running,
    resumable,
    bath,
    stop,
    resume,
    burst,
    isEmpty,
    /** What {@link act} does something to. */
    first,
    /** What Space or the pedal does: the clock that is due first, or the next burst. */
    act: () => {
      if (running.length > 0) {
        stop.send(running[0]);
      } else if (bath) {
        burst.send(bath);
      }
    },
  };
}

type Running = ReturnType<typeof useRunning>;

/** The clocks of a visit, each named by its thing and with a button of its own; Space or the pedal works the first. */
export function RunningSteps({
  visit,
  steps,
  now,
  mayWrite,
  rests,
}: {
  visit: Visit;
  steps: Running;
  now: number;
  mayWrite: boolean;
  /** The key does nothing yet. */
  rests?: boolean;
}) {
  const end = useWrite((attempt: Attempt) =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}/end', {
        params: { path: { visitId: visit.id, id: attempt.id } },
      }),
    ),
  );
  const problem = steps.stop.problem ?? steps.burst.problem ?? steps.resume.problem ?? end.problem;
  return (
    <Stack spacing={1} role="group" aria-label="Clocks">
      {steps.running.map((clock, i) => (
        <ClockCard
          key={clock.id}
          clock={clock}
          attempt={visit.attempts.find((a) => a.id === clock.attemptId)}
          now={now}
          isFirst={i === 0}
          stop={mayWrite ? () => steps.stop.send(clock) : undefined}
          isBusy={steps.stop.isBusy}
          rests={rests}
          end={mayWrite ? (attempt) => end.send(attempt) : undefined}
        />
      ))}
      {steps.bath && (
        <Stack spacing={1} sx={{ p: 1.5, borderRadius: 1, bgcolor: 'background.default' }}>
          <Typography>{`${wordWith('count', 'BURSTS_DONE', { N: steps.bath.burstsDone, ALL: steps.bath.treatment.bath?.bursts })} done. Let it rest between bursts.`}</Typography>
          {mayWrite && (
            <>
              <Button
                variant="contained"
                size="large"
                loading={steps.burst.isBusy}
                onClick={() => steps.burst.send(steps.bath!)}
                sx={{ minHeight: 64, fontSize: '1.25rem' }}
              >
                Start burst {steps.bath.burstsDone + 1}
                {steps.running.length === 0 && <KeyHint rests={rests}>Space</KeyHint>}
              </Button>
              <Button color="inherit" loading={end.isBusy} onClick={() => end.send(steps.bath!)}>
                End the bath here
              </Button>
            </>
          )}
        </Stack>
      )}
      {mayWrite &&
        steps.resumable.map((clock) => (
          <Stack key={clock.id} direction="row" sx={{ alignItems: 'center', gap: 1 }}>
            <Typography sx={{ flex: 1 }}>
              {capital(clockName(clock))} ended at {hour(clock.stoppedAt!)}.
            </Typography>
            <Button loading={steps.resume.isBusy} onClick={() => steps.resume.send(clock)}>
              Let it go on
            </Button>
          </Stack>
        ))}
      <WriteProblem problem={problem} />
    </Stack>
  );
}

const DONE: Partial<Record<Clock['kind'], string>> = { SOAK: 'Lifted from the soak', BURST: 'Burst ended' };

function ClockCard({
  clock,
  attempt,
  now,
  isFirst,
  stop,
  isBusy,
  rests,
  end,
}: {
  clock: Clock;
  attempt: Attempt | undefined;
  now: number;
  isFirst: boolean;
  stop?: () => void;
  isBusy: boolean;
  rests?: boolean;
  end?: (attempt: Attempt) => void;
}) {
  const isDue = Date.parse(clock.dueAt) <= now;
  const bath = attempt?.treatment.bath;
  return (
    <Stack
      spacing={1}
      role="group"
      aria-label={capital(clockName(clock))}
      sx={(t) => ({
        p: 1.5,
        borderRadius: 1,
        bgcolor: isDue ? t.vars.palette.due.main : 'background.default',
        color: isDue ? t.vars.palette.due.contrastText : 'text.primary',
      })}
    >
      <Typography sx={{ fontWeight: 700 }}>{capital(clockName(clock))}</Typography>
      {attempt?.lot && (
        <Typography>
          {attempt.volumeMl} mL of {attempt.lot.name}
        </Typography>
      )}
      <Typography
        role="timer"
        aria-label={isDue ? 'over since' : 'left'}
        sx={{ fontFamily: MONO, fontWeight: 600, fontSize: isFirst ? '3rem' : '1.75rem', lineHeight: 1 }}
      >
        {countdown(Date.parse(clock.dueAt) - now)}
      </Typography>
      <Typography>
        {isDue ? 'over since' : 'until'} {hour(clock.dueAt)}
        {bath && `, burst ${attempt.burstsDone + 1} of ${bath.bursts}`}
      </Typography>
      {isSiphoning(clock, now) && (
        <Typography role="status" sx={{ fontWeight: 700 }}>
          Nobody said that the cartridges are off: {SIPHONS}, or take it out.
        </Typography>
      )}
      {stop && (
        <Button
          variant={isDue ? 'contained' : 'outlined'}
          color={isDue ? 'primary' : 'inherit'}
          size={isDue ? 'large' : 'medium'}
          loading={isBusy}
          onClick={stop}
          sx={{
            ...(isDue && {
              minHeight: 64,
              fontSize: '1.25rem',
              bgcolor: '#1d1300',
              color: '#ffffff',
              '&:hover': { bgcolor: '#000000' },
            }),
          }}
        >
          {isDue ? (DONE[clock.kind] ?? 'Done') : clock.kind === 'BURST' ? 'Stop the burst now' : 'End now'}
          {isFirst && <KeyHint rests={rests}>Space</KeyHint>}
        </Button>
      )}
      {stop && bath && (
        <Box>
          <Button color="inherit" onClick={() => end?.(attempt)}>
            End the bath here
          </Button>
        </Box>
      )}
    </Stack>
  );
}
