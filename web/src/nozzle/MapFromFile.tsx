import { Alert, Button, Stack } from '@mui/material';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { answer, api, Problem } from '../api/http';
import type { Reading } from './editing';

/** A nozzle map from a CSV or JSON file, into the editor; a bad file changes nothing and says where it is bad. */
export function MapFromFile({ visitId, take }: { visitId: string; take: (reading: Reading) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<string[]>([]);

  async function read(file: File | undefined) {
    if (!file) {
      return;
    }
    setProblems([]);
    try {
      const { reading } = await answer(
        api.POST('/api/visits/{visitId}/maps/read', {
          params: { path: { visitId } },
          body: {
            text: await file.text(),
          },
        }),
      );
      take(reading);
    } catch (error) {
      setProblems(
        error instanceof Problem
          ? error.errors.length > 0
            ? error.errors.map((e) => e.message)
            : [error.message]
          : ['The file could not be read.'],
      );
    }
  }

  return (
    <Stack spacing={1} sx={{ alignItems: 'flex-start' }}>
      <Button variant="outlined" startIcon={<FileUp />} onClick={() => input.current?.click()}>
        Take a map from a file
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.json,text/csv,application/json"
        aria-label="Nozzle map file"
        onChange={(event) => {
          void read(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {problems.length > 0 && (
        <Alert severity="error" role="alert">
          Nothing was taken from the file.
          <ul style={{ margin: 0, paddingLeft: 18 }}>
            {problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </Alert>
      )}
    </Stack>
  );
}
