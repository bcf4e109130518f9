import { Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { Visit } from '../api/types';
import { loggedWords } from '../treatment/attemptLines';
import { TakeBack } from './AttemptsBlock';
import { editWay } from './ways';

const STAYS_MS = 10 * 60_000;

/** What the last save kept, for a while at the top of the visit, with the way back. */
export function JustLogged({ visit, now, mayWrite }: { visit: Visit; now: number; mayWrite: boolean }) {
  const state = useLocation().state as { logged?: string } | null;
  const [isSlip, setSlip] = useState(false);
  const attempt = visit.attempts.find((one) => one.id === state?.logged);
  const check = visit.checks.find((one) => one.id === state?.logged);
  const at = attempt ? (attempt.enteredAt ?? attempt.startedAt) : (check?.enteredAt ?? check?.takenAt);
  if (!at || attempt?.withdrawnReason || now - Date.parse(at) > STAYS_MS) {
    return null;
  }
  return (
    <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1, minHeight: 48 }}>
      <Typography role="status" sx={{ fontWeight: 650 }}>
        {attempt ? loggedWords(attempt) : 'Check logged.'}
      </Typography>
      {attempt && mayWrite && (
        <>
          <Button aria-label="Take back what was just logged" onClick={() => setSlip(true)}>
            Take back
          </Button>
          <Button component={Link} to={editWay(visit.id, attempt)} aria-label="Edit what was just logged">
            Edit
          </Button>
        </>
      )}
      {attempt && isSlip && <TakeBack visit={visit} attempt={attempt} close={() => setSlip(false)} />}
    </Stack>
  );
}
