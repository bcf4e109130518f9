import { MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import { answer, api, Problem } from '../api/http';
import type { Scan, Visit } from '../api/types';

/** Which page of a file is read. */
export function PageChoice({ visit, scan, done }: { visit: Visit; scan: Scan; done: (read: Scan) => void }) {
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();

  async function turn(page: number) {
    setBusy(true);
    setProblem(undefined);
    try {
      done(
        await answer(
          api.PUT('/api/visits/{visitId}/scans/{id}/page', {
            params: { path: { visitId: visit.id, id: scan.id } },
            body: { page },
          }),
        ),
      );
    } catch (error) {
      setProblem(error instanceof Problem ? error.message : 'The page could not be read. Try again.');
    } finally {
      setBusy(false);
    }
  }

  return (
    <TextField
      select
      label="Page"
      value={scan.page}
      disabled={isBusy}
      onChange={(event) => void turn(Number(event.target.value))}
      error={problem !== undefined}
      helperText={isBusy ? 'Reading it' : problem}
      sx={{ width: 150 }}
    >
      {Array.from({ length: scan.pages }, (_, i) => (
        <MenuItem key={i} value={i + 1}>
          {i + 1} of {scan.pages}
        </MenuItem>
      ))}
    </TextField>
  );
}
