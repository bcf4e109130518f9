import { Alert, Box, Button, LinearProgress, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Problem } from '../api/http';

export function Loading({ what }: { what: string }) {
  return (
    <Box sx={{ p: 3 }} role="status">
      <Typography sx={{ mb: 1 }}>Fetching {what}</Typography>
      <LinearProgress aria-label={`Fetching ${what}`} />
    </Box>
  );
}

export function NotFound() {
  return (
    <Stack spacing={2} sx={{ p: 3, alignItems: 'flex-start' }}>
      <Typography variant="h1">There is nothing at this address</Typography>
      <Button component={Link} to="/" variant="contained">
        Back to the bench
      </Button>
    </Stack>
  );
}

/** What could not be read, with the way to try again. */
export function Failed({ error, again }: { error: Error; again: () => void }) {
  return (
    <Alert severity="error" sx={{ m: 2 }} action={<Button onClick={again}>Try again</Button>}>
      {error.message}
    </Alert>
  );
}

export function Empty({ children }: { children: ReactNode }) {
  return (
    <Typography color="text.secondary" sx={{ py: 2 }}>
      {children}
    </Typography>
  );
}

/** Why a write did not go through. What is wrong with single entries stands at them; here it only says so. */
export function WriteProblem({ problem }: { problem: Problem | null }) {
  if (!problem || problem.isConflict) {
    return null;
  }
  const severity = problem.isOffline || problem.isSignedOut ? 'warning' : 'error';
  return (
    <Alert severity={severity} role="alert">
      {problem.errors.length > 0 ? 'Some entries need another look: they are marked above.' : problem.message}
    </Alert>
  );
}
