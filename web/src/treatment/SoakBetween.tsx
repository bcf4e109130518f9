import { Button, Stack, Typography } from '@mui/material';
import { useRef } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Attempt, Clock, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { MONO } from '../app/theme';
import { countdown } from '../bench/time';
import { minutesWords } from '../flow/units';

/** The clock of fluid that stands between two strokes of these rounds: which ports it is for, its start and its end. */
export function useSoakBetween(visit: Visit, attempt: Attempt | undefined) {
  const id = useRef(newId());
  const minutes = visit.usual.soakBetweenMinutes;
  const start = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/wait', {
          params: { path: { visitId: visit.id, id: id.current } },
          body: { waiting: 'BETWEEN_STROKES', attemptId: attempt?.id, minutes },
        }),
      ),
    () => {
      id.current = newId();
    },
  );
  const stop = useWrite((clock: Clock) =>
    answer(
      api.PUT('/api/visits/{visitId}/clocks/{id}/stop', {
        params: { path: { visitId: visit.id, id: clock.id } },
      }),
    ),
  );
  const clock = attempt && visit.clocks.find((c) => c.attemptId === attempt.id && !c.stoppedAt);
  const rows = attempt?.rounds?.rows ?? [];
  return {
    minutes,
    start,
    stop,
    clock,
    soaks: rows.filter((row) => row.next === 'SOAK').map((row) => row.channel),
    // While other ports still wait for their first stroke, that comes first.
    isNext: rows.every((row) => row.next !== 'STROKE'),
  };
}

/** The soak between the first stroke and the small one after it: a clock of these rounds, and its end. */
export function SoakBetween({ visit, attempt, now }: { visit: Visit; attempt: Attempt; now: number }) {
  const { minutes, start, stop, clock, soaks, isNext } = useSoakBetween(visit, attempt);
  if (clock) {
    const isDue = Date.parse(clock.dueAt) <= now;
    return (
      <Stack
        direction="row"
        role="group"
        aria-label="Soak between strokes"
        sx={{ gap: 2, alignItems: 'center', bgcolor: 'background.paper', p: 1.5, borderRadius: 1 }}
      >
        <Typography sx={{ flex: 1 }}>Fluid stands in the channel. Then a small stroke.</Typography>
        <Typography role="timer" sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '1.75rem' }}>
          {countdown(Date.parse(clock.dueAt) - now)}
        </Typography>
        <Button
          variant={isDue ? 'contained' : 'outlined'}
          loading={stop.isBusy}
          onClick={() => stop.send(clock)}
          sx={{ minHeight: 64 }}
        >
          {isDue ? 'Soaked' : 'End now'}
        </Button>
        <WriteProblem problem={stop.problem} />
      </Stack>
    );
  }
  if (soaks.length === 0) {
    return null;
  }
  return (
    <Stack spacing={1}>
      <Button
        variant={isNext ? 'contained' : 'outlined'}
        size="large"
        loading={start.isBusy}
        onClick={() => start.send(undefined)}
        sx={{ minHeight: 64, alignSelf: 'flex-start' }}
      >
        Let {soaks.join(', ')} soak {minutesWords(minutes)}
      </Button>
      <WriteProblem problem={start.problem} />
    </Stack>
  );
}
