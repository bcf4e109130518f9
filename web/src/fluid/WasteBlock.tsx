import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useWaste } from '../api/queries';
import type { Container } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { FormDialog } from '../app/FormDialog';
import { Block } from '../app/Page';
import { Empty, WriteProblem } from '../app/states';
import { moment } from '../bench/time';

/** Waste containers: how full they are, what went in last, and emptying them to collected waste. */
export function WasteBlock({ mayWrite }: { mayWrite: boolean }) {
  const waste = useWaste();
  const [isAdding, setAdding] = useState(false);
  return (
    <Box sx={{ mt: 2 }}>
      <Block
        title="Waste containers"
        aside={
          mayWrite && (
            <Button variant="outlined" onClick={() => setAdding(true)}>
              Add a container
            </Button>
          )
        }
      >
        {waste.data?.length === 0 && <Empty>No container is known yet.</Empty>}
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))' }}>
          {waste.data?.map((c) => (
            <OneContainer key={c.id} container={c} mayWrite={mayWrite} />
          ))}
        </Box>
        {isAdding && <AddContainer close={() => setAdding(false)} />}
      </Block>
    </Box>
  );
}

function OneContainer({ container, mayWrite }: { container: Container; mayWrite: boolean }) {
  const queries = useQueryClient();
  const key = useRef(newId());
  const empty = useWrite(
    async () => {
      await answer(
        api.PUT('/api/waste/{id}/emptyings/{key}', {
          params: { path: { id: container.id, key: key.current } },
        }),
      );
      await queries.invalidateQueries({ queryKey: ['waste'] });
    },
    () => {
      key.current = newId();
    },
  );
  const full = Math.min(1, container.levelMl / container.capacityMl);
  return (
    <Box role="group" aria-label={container.name}>
      <Typography variant="h3">{container.name}</Typography>
      <Typography>
        <b>{container.levelMl} mL</b> of {container.capacityMl} mL; room for {container.roomMl} mL
      </Typography>
      <Box sx={{ height: 14, bgcolor: 'line', borderRadius: 1, overflow: 'hidden', my: 0.5 }} aria-hidden>
        <Box
          sx={{
            height: '100%',
            width: `${100 * full}%`,
            bgcolor: full > 0.8 ? 'error.main' : 'primary.main',
          }}
        />
      </Box>
      {container.log.slice(0, 3).map((e) => (
        <Typography key={e.at} color="text.secondary">
          {moment(e.at)}, {e.by}: {e.emptied ? `emptied, ${e.volumeMl} mL` : `${e.volumeMl} mL in`}
        </Typography>
      ))}
      {mayWrite && (
        <Stack direction="row" sx={{ mt: 0.5 }}>
          <Button
            variant="outlined"
            disabled={container.levelMl === 0}
            loading={empty.isBusy}
            onClick={() => empty.send(undefined)}
            aria-label={`Empty ${container.name}`}
          >
            Emptied to collected waste
          </Button>
        </Stack>
      )}
      <WriteProblem problem={empty.problem} />
    </Box>
  );
}

function AddContainer({ close }: { close: () => void }) {
  const queries = useQueryClient();
  const id = useRef(newId());
  const [name, setName] = useState('');
  const [ml, setMl] = useState('');
  const write = useWrite(async () => {
    await answer(
      api.PUT('/api/waste/{id}', {
        params: { path: { id: id.current } },
        body: { name, capacityMl: readNumber(ml) as number },
      }),
    );
    await queries.invalidateQueries({ queryKey: ['waste'] });
  }, close);
  const wrong = (field: string) => write.problem?.errors.find((e) => e.field === field)?.message;
  return (
    <FormDialog
      title="Add a waste container"
      does="Add it"
      write={write}
      send={() => write.send(undefined)}
      close={close}
    >
      <TextField
        label="What is written on it"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={wrong('name') !== undefined}
        helperText={wrong('name')}
      />
      <TextField
        label="It holds"
        value={ml}
        onChange={(event) => setMl(event.target.value)}
        error={wrong('capacityMl') !== undefined}
        helperText={wrong('capacityMl') ?? 'mL'}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
    </FormDialog>
  );
}
