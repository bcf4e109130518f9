import { Button, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../api/http';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { FormDialog } from '../app/FormDialog';
import { capital, word } from '../words/words';

/** A head that was handed back: what goes home with it, and taking the return back. */
export function Returned({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const navigate = useNavigate();
  const [isReopening, setReopening] = useState(false);
  return (
    <Stack spacing={1.5} sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1 }}>
      <Typography variant="h2">{capital(word('outcome', visit.outcome ?? ''))}</Typography>
      {visit.finish.overruled.map((doubt) => (
        <Typography key={doubt}>{word('overruled', doubt)}.</Typography>
      ))}
      {visit.outcomeReason && <Typography>{visit.outcomeReason}</Typography>}
      {visit.finish.told && <Typography>{word('customerTold', visit.finish.told)}.</Typography>}
      <Button variant="contained" size="large" href={`/api/visits/${visit.id}/report.pdf`} target="_blank">
        Report as PDF
      </Button>
      <Button variant="outlined" href={`/api/visits/${visit.id}/report.html`} target="_blank">
        Report as a page to print
      </Button>
      <Button variant="outlined" href={`/api/visits/${visit.id}/aftercare.ics`}>
        Aftercare for the calendar
      </Button>
      {mayWrite && <Button onClick={() => void navigate('/take-in')}>Take a head in</Button>}
      {mayWrite && <Button onClick={() => setReopening(true)}>Take the return back</Button>}
      {isReopening && <Reopen visit={visit} close={() => setReopening(false)} />}
    </Stack>
  );
}

function Reopen({ visit, close }: { visit: Visit; close: () => void }) {
  const [why, setWhy] = useState('');
  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/return/reopening', {
          params: { path: { visitId: visit.id } },
          body: { version: visit.version, why },
        }),
      ),
    close,
  );
  const wrong = write.problem?.errors.find((e) => e.field === 'why')?.message;
  return (
    <FormDialog
      title="Take the return back"
      does="Take it back"
      leaves="Leave it"
      write={write}
      send={() => write.send(undefined)}
      close={close}
    >
      <Typography>
        The visit goes on where it was. Outcome and signature stay in its history; the report is signed anew.
      </Typography>
      <TextField
        label="Why"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        error={wrong !== undefined}
        helperText={wrong}
        autoFocus
      />
    </FormDialog>
  );
}
