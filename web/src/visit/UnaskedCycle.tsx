import { Button, Stack, Typography } from '@mui/material';
import { useRef } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';

/** At a power-on a machine may run a cycle by itself: asked where power is next, and logged by one tap with what it counts for. */
export function UnaskedCycle({ visit }: { visit: Visit }) {
  const id = useRef(newId());
  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/attempts/{id}', {
          params: { path: { visitId: visit.id, id: id.current } },
          body: {
            treatment: {
              kind: 'CYCLE',
              cycle: {
                channels: visit.family.channels.map((c) => c.code),
                strength: 'NORMAL',
                count: 1,
              },
            },
            noted: { answers: { UNASKED: 1 } },
          },
        }),
      ),
    () => {
      id.current = newId();
    },
  );
  return (
    <Stack spacing={1}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ flex: 1, minWidth: 180 }}>
          At power-on, did the machine run a cycle by itself?
        </Typography>
        <Button variant="outlined" loading={write.isBusy} onClick={() => write.send(undefined)}>
          It ran one
        </Button>
      </Stack>
      <WriteProblem problem={write.problem} />
    </Stack>
  );
}
