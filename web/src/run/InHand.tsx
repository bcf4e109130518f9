import { Button, Stack, Typography } from '@mui/material';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { hour } from '../bench/time';

/** Who has the head in hand; taking it over is one tap, and whoever had it stays on record. */
export function InHand({ visit }: { visit: Visit }) {
  const { person, mayWrite } = useSession();
  const { inHand } = visit;
  const path = { visitId: visit.id };
  const take = useWrite(() => answer(api.PUT('/api/visits/{visitId}/hand', { params: { path } })));
  const putDown = useWrite(() => answer(api.DELETE('/api/visits/{visitId}/hand', { params: { path } })));
  const isMine = inHand?.person === person.displayName;
  if (visit.closedAt) {
    return null;
  }
  return (
    <Stack
      direction="row"
      role="group"
      aria-label="In hand"
      sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}
    >
      {inHand && (
        <Typography sx={{ fontWeight: isMine ? 400 : 700 }}>
          {isMine ? 'You have' : `${inHand.person} has`} it in hand since {hour(inHand.since)}
          {inHand.takenFrom && `, taken over from ${inHand.takenFrom}`}.
        </Typography>
      )}
      {mayWrite && (
        <Button
          variant="outlined"
          loading={take.isBusy || putDown.isBusy}
          onClick={() => (isMine ? putDown : take).send(undefined)}
        >
          {isMine ? 'Put it down' : inHand ? 'Take it over' : 'Take it in hand'}
        </Button>
      )}
      <WriteProblem problem={take.problem ?? putDown.problem} />
    </Stack>
  );
}
