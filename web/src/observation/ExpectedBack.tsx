import { Alert, Button, Stack, TextField, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Sign, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { dateInDays, day } from '../bench/time';

const OF_ERRORS: Sign[] = ['ERRORS_NONE', 'ERROR_STANDS', 'ERROR_EXPECTED_BACK'];

/** A fault that a restart cleared: when its day has come it is asked whether it is back, and since when. */
export function ExpectedBack({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const latest = visit.judgement.findings.find((f) => !f.withdrawn && OF_ERRORS.includes(f.sign));
  const [since, setSince] = useState(dateInDays(0));
  const key = useRef(newId());
  const write = useWrite(
    (sign: Sign) =>
      answer(
        api.PUT('/api/visits/{visitId}/findings/{id}', {
          params: { path: { visitId: visit.id, id: key.current } },
          body: { sign, note: sign === 'ERROR_STANDS' ? `Back since ${since}` : undefined },
        }),
      ),
    () => {
      key.current = newId();
    },
  );
  if (latest?.sign !== 'ERROR_EXPECTED_BACK' || !latest.expectedOn) {
    return null;
  }
  const isDue = latest.expectedOn <= dateInDays(0);
  return (
    <Alert severity={isDue ? 'warning' : 'info'} sx={{ mb: 2 }}>
      <Typography>
        A restart cleared the error; expected back on {day(latest.expectedOn)}.{isDue && ' Is it back?'}
      </Typography>
      {isDue && mayWrite && (
        <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', mt: 1, alignItems: 'center' }}>
          <TextField
            label="Back since"
            type="date"
            size="small"
            value={since}
            onChange={(event) => setSince(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
            sx={{ width: 180 }}
          />
          <Button variant="contained" loading={write.isBusy} onClick={() => write.send('ERROR_STANDS')}>
            It is back
          </Button>
          <Button variant="outlined" loading={write.isBusy} onClick={() => write.send('ERRORS_NONE')}>
            Still away
          </Button>
        </Stack>
      )}
      <WriteProblem problem={write.problem} />
    </Alert>
  );
}
