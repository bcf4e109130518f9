import { Button, Stack, Typography } from '@mui/material';
import { Link } from 'react-router';
import { answer, api } from '../api/http';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { word } from '../words/words';

type Open = NonNullable<Visit['next']['goOn']>;

/** Where rounds that were begun go on. */
export function goOnWay({ attemptId, method }: Open): string {
  return `${method === 'RINSE' ? 'rinse' : 'rounds'}/${attemptId}`;
}

/** Rounds that were begun: what belongs next, the way back to them, and their end. */
export function GoOn({
  visit,
  goOn,
  to,
  mayWrite,
  rests,
}: {
  visit: Visit;
  goOn: Open;
  to: string;
  mayWrite: boolean;
  rests?: boolean;
}) {
  const end = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}/end', {
        params: { path: { visitId: visit.id, id: goOn.attemptId } },
      }),
    ),
  );
  const ml = goOn.next === 'STROKE_AFTER_SOAK' ? `: ${visit.usual.afterSoakMl} mL` : '';
  return (
    <Stack spacing={1.5}>
      <Typography>
        Not at the end point yet: {goOn.channels.join(', ')}.
        {goOn.channel && ` ${goOn.channel}, ${word('roundNext', goOn.next)}${ml}.`}
      </Typography>
      {mayWrite && (
        <>
          <Button
            variant="contained"
            size="large"
            component={Link}
            to={to}
            sx={{ minHeight: 64, fontSize: '1.25rem' }}
          >
            Go on
            <KeyHint rests={rests}>Enter</KeyHint>
          </Button>
          <Button color="inherit" loading={end.isBusy} onClick={() => end.send(undefined)}>
            Stop here
          </Button>
          <WriteProblem problem={end.problem} />
        </>
      )}
    </Stack>
  );
}
