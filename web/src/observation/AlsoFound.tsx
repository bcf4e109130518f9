import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api, upload } from '../api/http';
import { newId } from '../api/newId';
import type { AlsoFoundView, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Block } from '../app/Page';
import { Empty, WriteProblem } from '../app/states';
import { moment } from '../bench/time';
import { capital, terms, word } from '../words/words';
import { PhotoAndBack } from './PhotoAndBack';

/** What was found besides and is none of this job: a place, a note, a photo; it stands in the report. */
export function AlsoFound({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const queries = useQueryClient();
  const found = useQuery({
    queryKey: ['also-found', visit.id],
    queryFn: () =>
      answer(api.GET('/api/visits/{visitId}/also-found', { params: { path: { visitId: visit.id } } })),
  });
  const [what, setWhat] = useState<AlsoFoundView['what']>('MOTOR');
  const [place, setPlace] = useState('');
  const [note, setNote] = useState('');
  const key = useRef(newId());
  const again = () => queries.invalidateQueries({ queryKey: ['also-found', visit.id] });
  const write = useWrite(
    async () => {
      await answer(
        api.PUT('/api/visits/{visitId}/also-found/{id}', {
          params: { path: { visitId: visit.id, id: key.current } },
          body: { what, place, note: note || undefined },
        }),
      );
      await again();
    },
    () => {
      key.current = newId();
      setPlace('');
      setNote('');
    },
  );
  const wrong = write.problem?.errors.find((e) => e.field === 'place')?.message;
  return (
    <Block title="Also found">
      <Typography sx={{ mb: 1 }}>
        What is none of this job. It stands in the report and decides nothing.
      </Typography>
      {found.data?.length === 0 && <Empty>Nothing besides was found.</Empty>}
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {found.data?.map((row) => (
          <Row key={row.id} visit={visit} row={row} mayWrite={mayWrite} again={again} />
        ))}
      </Stack>
      {mayWrite && (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mt: 1.5, alignItems: 'flex-start' }}>
          <TextField
            select
            label="What it is about"
            value={what}
            onChange={(event) => setWhat(event.target.value as AlsoFoundView['what'])}
            sx={{ width: 200 }}
          >
            {terms('alsoFound').map((value) => (
              <MenuItem key={value} value={value}>
                {capital(word('alsoFound', value))}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Where it is"
            value={place}
            onChange={(event) => setPlace(event.target.value)}
            error={wrong !== undefined}
            helperText={wrong}
            sx={{ flex: '1 1 180px' }}
          />
          <TextField
            label="What was seen"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            sx={{ flex: '2 1 220px' }}
          />
          <Button
            variant="outlined"
            loading={write.isBusy}
            onClick={() => write.send(undefined)}
            sx={{ minHeight: 56 }}
          >
            Enter it
          </Button>
        </Stack>
      )}
      {!wrong && <WriteProblem problem={write.problem} />}
    </Block>
  );
}

function Row({
  visit,
  row,
  mayWrite,
  again,
}: {
  visit: Visit;
  row: AlsoFoundView;
  mayWrite: boolean;
  again: () => Promise<void>;
}) {
  const name = `${word('alsoFound', row.what)}, ${row.place}`;
  const path = { visitId: visit.id, id: row.id };
  const back = useWrite(async () => {
    await answer(api.PUT('/api/visits/{visitId}/also-found/{id}/withdrawal', { params: { path } }));
    await again();
  });
  const sendPhoto = async (file: File) => {
    await upload('/api/visits/{visitId}/also-found/{id}/photo', { path }, file);
    await again();
  };
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
      <Typography sx={{ flex: 1, minWidth: 200, textDecoration: row.withdrawn ? 'line-through' : 'none' }}>
        <b>{capital(name)}</b>
        {row.note && `; ${row.note}`}
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {' '}
          {row.foundBy}, {moment(row.foundAt)}
          {row.withdrawn && '; taken back'}
        </Box>
      </Typography>
      <PhotoAndBack
        name={name}
        photo={row.hasPhoto ? `/api/visits/${visit.id}/also-found/${row.id}/photo` : undefined}
        mayChange={mayWrite && !row.withdrawn}
        sendPhoto={sendPhoto}
        back={back}
      />
    </Stack>
  );
}
