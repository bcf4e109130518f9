import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, upload } from '../api/http';
import type { OffPart, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { FormDialog } from '../app/FormDialog';
import { Block } from '../app/Page';
import { Empty } from '../app/states';
import { moment } from '../bench/time';
import { PhotoAndBack } from '../observation/PhotoAndBack';
import { capital, word } from '../words/words';
import { partName, partState } from './parts';

/** Everything that came off, in the order in which it did, and how it stands with it. */
export function PartList({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  return (
    <Block title="The list">
      {visit.finish.parts.length === 0 && (
        <Empty>Nothing is noted yet. What comes off is noted as it does, so that it all goes back.</Empty>
      )}
      <Stack component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {visit.finish.parts.map((part) => (
          <Row key={part.id} visit={visit} part={part} mayWrite={mayWrite} />
        ))}
      </Stack>
    </Block>
  );
}

function Row({ visit, part, mayWrite }: { visit: Visit; part: OffPart; mayWrite: boolean }) {
  const queries = useQueryClient();
  const [isEditing, setEditing] = useState(false);
  const path = { visitId: visit.id, id: part.id };
  const back = useWrite(() =>
    answer(api.PUT('/api/visits/{visitId}/parts/{id}/withdrawal', { params: { path } })),
  );
  const again = useWrite(() =>
    answer(api.PUT('/api/visits/{visitId}/parts/{id}/back', { params: { path }, body: { count: 0 } })),
  );
  const sendPhoto = async (file: File) => {
    await upload('/api/visits/{visitId}/parts/{id}/photo', { path }, file);
    await queries.invalidateQueries({ queryKey: ['visit', visit.id] });
  };
  const name = partName(part);
  return (
    <Stack
      component="li"
      direction="row"
      sx={{
        gap: 1,
        flexWrap: 'wrap',
        alignItems: 'center',
        borderTop: '1px solid',
        borderColor: 'line',
        py: 0.5,
      }}
    >
      <Typography sx={{ flex: 1, minWidth: 220, textDecoration: part.withdrawn ? 'line-through' : 'none' }}>
        <b>{name}</b>
        {part.note && `, ${part.note}`}:{' '}
        <Box component="span" sx={{ fontWeight: part.open ? 700 : 400 }}>
          {partState(part)}
        </Box>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {' '}
          {part.offBy}, {moment(part.offAt)}
          {part.backAt && `; ${part.backBy}, ${moment(part.backAt)}`}
        </Box>
      </Typography>
      {mayWrite && !part.withdrawn && (
        <Button onClick={() => setEditing(true)} aria-label={`Note and count of ${name}`}>
          Note
        </Button>
      )}
      {mayWrite && !part.withdrawn && !part.open && (
        <Button
          onClick={() => again.send(undefined)}
          loading={again.isBusy}
          aria-label={`${name} is off after all`}
        >
          Off after all
        </Button>
      )}
      <PhotoAndBack
        name={name}
        photo={part.hasPhoto ? `/api/visits/${visit.id}/parts/${part.id}/photo` : undefined}
        mayChange={mayWrite && !part.withdrawn}
        sendPhoto={sendPhoto}
        back={back}
      />
      {isEditing && <Edit visit={visit} part={part} close={() => setEditing(false)} />}
    </Stack>
  );
}

/** How many there are, and what must be known to put them back. */
function Edit({ visit, part, close }: { visit: Visit; part: OffPart; close: () => void }) {
  const [name, setName] = useState(part.name);
  const [count, setCount] = useState(String(part.count));
  const [note, setNote] = useState(part.note);
  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/parts/{id}', {
          params: { path: { visitId: visit.id, id: part.id } },
          body: {
            kind: part.kind,
            name,
            channel: part.channel ?? undefined,
            count: readNumber(count) || 0,
            note,
          },
        }),
      ),
    close,
  );
  const wrong = (field: string) => write.problem?.errors.find((e) => e.field === field)?.message;
  return (
    <FormDialog
      title={`${capital(word('offPart', part.kind))}: note and count`}
      does="Keep it"
      write={write}
      send={() => write.send(undefined)}
      close={close}
    >
      <TextField
        label="Name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={wrong('name') !== undefined}
        helperText={wrong('name')}
      />
      <TextField
        label="How many"
        value={count}
        onChange={(event) => setCount(event.target.value)}
        error={wrong('count') !== undefined}
        helperText={wrong('count')}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <TextField
        label={word('offPartNote', part.kind)}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        error={wrong('note') !== undefined}
        helperText={wrong('note')}
      />
    </FormDialog>
  );
}
