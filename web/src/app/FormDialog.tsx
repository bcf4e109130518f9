import { Button, Dialog, DialogActions, DialogContent, Stack, Typography } from '@mui/material';
import { useId, type ReactNode } from 'react';
import type { Problem } from '../api/http';
import { WriteProblem } from './states';

interface Props {
  title: string;
  /** What the large button does, and what the other one leaves as it is. */
  does: string;
  leaves?: string;
  write: { isBusy: boolean; problem: Problem | null };
  send: () => void;
  close: () => void;
  children: ReactNode;
}

/** A short form over the page: its entries, what was refused, and the two ways out. */
export function FormDialog({ title, does, leaves = 'Back', write, send, close, children }: Props) {
  const id = useId();
  return (
    <Dialog open onClose={close} fullWidth maxWidth="sm" aria-labelledby={id}>
      <DialogContent>
        <Stack spacing={2}>
          <Typography id={id} variant="h2">
            {title}
          </Typography>
          {children}
          <WriteProblem problem={write.problem} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>{leaves}</Button>
        <Button variant="contained" loading={write.isBusy} onClick={send}>
          {does}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
