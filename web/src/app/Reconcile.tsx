import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  Stack,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import type { Problem } from '../api/http';

export interface Difference {
  field: string;
  label: string;
  theirs: string;
  mine: string;
}

/** The entries in which two versions differ. */
export function differences<T extends object>(
  theirs: T,
  mine: T,
  labels: Partial<Record<keyof T & string, string>>,
  say: (field: keyof T & string, value: unknown) => string = (_, value) => asText(value),
): Difference[] {
  return (Object.keys(labels) as (keyof T & string)[])
    .map((field) => ({
      field,
      label: labels[field] ?? field,
      theirs: say(field, theirs[field]),
      mine: say(field, mine[field]),
    }))
    .filter((difference) => difference.theirs !== difference.mine);
}

function asText(value: unknown): string {
  if (value === undefined || value === null || value === '') {
    return '';
  }
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

interface Props {
  problem: Problem | null;
  found: Difference[];
  /** Called with the fields in which the other version stands. */
  settle: (theirs: Set<string>) => void;
  cancel: () => void;
}

/** Two people changed the same thing: both versions side by side, and a choice for each entry. */
export function Reconcile({ problem, found, settle, cancel }: Props) {
  const [theirs, setTheirs] = useState<Set<string>>(new Set());
  if (!problem?.isConflict) {
    return null;
  }
  return (
    <Dialog open fullWidth maxWidth="md" aria-labelledby="reconcile">
      <DialogContent>
        <Typography id="reconcile" variant="h2" sx={{ mb: 1 }}>
          Somebody changed this while you were at it
        </Typography>
        <Typography sx={{ mb: 2 }}>
          Nothing was overwritten. Choose what stands; then look it over and save again.
        </Typography>
        <Stack spacing={2}>
          {found.length === 0 && <Typography>Both versions say the same. Save again.</Typography>}
          {found.map((difference) => (
            <Box key={difference.field} role="group" aria-label={difference.label}>
              <Typography sx={{ fontWeight: 700 }}>{difference.label}</Typography>
              <ToggleButtonGroup
                exclusive
                fullWidth
                value={theirs.has(difference.field) ? 'theirs' : 'mine'}
                onChange={(_, next) => {
                  const chosen = new Set(theirs);
                  if (next === 'theirs') {
                    chosen.add(difference.field);
                  } else {
                    chosen.delete(difference.field);
                  }
                  setTheirs(chosen);
                }}
              >
                <ToggleButton value="mine" sx={{ overflowWrap: 'anywhere' }}>
                  Mine: {difference.mine || 'empty'}
                </ToggleButton>
                <ToggleButton value="theirs" sx={{ overflowWrap: 'anywhere' }}>
                  Theirs: {difference.theirs || 'empty'}
                </ToggleButton>
              </ToggleButtonGroup>
            </Box>
          ))}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={cancel}>Go on writing</Button>
        <Button variant="contained" onClick={() => settle(theirs)}>
          Take this choice
        </Button>
      </DialogActions>
    </Dialog>
  );
}
