import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Visit } from '../api/types';
import { KeyHint } from '../app/KeyHint';
import { useKeys } from '../app/useKeys';
import { tally } from '../nozzle/comb';
import { capital, word } from '../words/words';
import { channelsOut, lastMap } from './outOf';
import { HoldButton } from './HoldButton';
import { RunningSteps, useStepInHand } from './RunningSteps';

const WAYS = [
  { key: 'f', to: 'attempt/flush', label: 'Flush' },
  { key: 's', to: 'attempt/soak', label: 'Soak' },
  { key: 'b', to: 'attempt/bath', label: 'Bath' },
  { key: 'c', to: 'attempt/cycle', label: 'Printer cycle' },
  { key: 'p', to: 'read', label: 'Read a scan' },
  { key: 'k', to: 'check', label: 'Check by hand' },
  { key: 'd', to: 'diagnosis', label: 'Diagnosis' },
  { key: 'r', to: 'return', label: 'Return' },
];

interface Props {
  visit: Visit;
  now: number;
  mayWrite: boolean;
}

/** The next action, its reason in counts, its danger, and one large button that does it. */
export function WhatNow({ visit, now, mayWrite }: Props) {
  const navigate = useNavigate();
  const step = useStepInHand(visit, now);
  const { action } = visit.next;
  const way = wayOf(visit);
  const go = (to: string) => void navigate(`/visits/${visit.id}/${to}`);

  const keys: Record<string, () => void> = {};
  if (mayWrite) {
    WAYS.forEach(({ key, to }) => (keys[key] = () => go(to)));
    keys[' '] = () => step?.act();
    keys.enter = () => (way ? go(way) : step?.act());
  }
  useKeys(keys);

  return (
    <Stack
      component="section"
      aria-label="What now"
      spacing={1.5}
      sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1 }}
    >
      <Typography color="text.secondary">What now</Typography>
      <Typography variant="h2" sx={{ fontSize: '1.5rem' }}>
        {word('action', action)}
      </Typography>
      <Reason visit={visit} />
      {step && <RunningSteps visit={visit} step={step} now={now} mayWrite={mayWrite} />}
      {mayWrite && way && (
        <Button
          variant="contained"
          size="large"
          component={Link}
          to={`/visits/${visit.id}/${way}`}
          sx={{ minHeight: 64, fontSize: '1.25rem' }}
        >
          {word('action', action)}
          <KeyHint>Enter</KeyHint>
        </Button>
      )}
      {mayWrite && (
        <Box
          component="nav"
          aria-label="All steps"
          sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}
        >
          {WAYS.map(({ key, to, label }) => (
            <Button
              key={key}
              variant="outlined"
              component={Link}
              to={`/visits/${visit.id}/${to}`}
              sx={{ justifyContent: 'space-between' }}
            >
              {label}
              <KeyHint>{key.toUpperCase()}</KeyHint>
            </Button>
          ))}
          <HoldButton visit={visit} />
        </Box>
      )}
    </Stack>
  );
}

/** Where the next action is done; undefined when it only has to be waited for. */
function wayOf(visit: Visit): string | undefined {
  switch (visit.next.action) {
    case 'FIRST_CHECK':
    case 'CHECK_AGAIN':
      return 'check';
    case 'DIAGNOSE':
      return 'diagnosis';
    case 'TREAT':
      return visit.family.limits.pushKpa ? 'attempt/flush' : 'attempt/soak';
    case 'RETURN':
      return 'return';
    default:
      return undefined;
  }
}

/** Why this is next, in counts; and what must be minded with it. */
function Reason({ visit }: { visit: Visit }) {
  const last = lastMap(visit);
  const out = channelsOut(visit);
  const parts: ReactNode[] = [];
  if (last?.reading && out.length > 0) {
    const reading = last.reading;
    parts.push(
      `Check ${last.number}: ${out.map((code) => `${tally(reading[code]).M} out in ${code}`).join(', ')}.`,
    );
  } else if (last?.reading) {
    parts.push(`Check ${last.number}: none out.`);
  }
  if (last?.acceptance) {
    parts.push(
      `${capital(word('verdict', last.acceptance.verdict))} for ${word('jobClass', last.acceptance.jobClass)}.`,
    );
  }
  if (visit.next.action === 'CHECK_AGAIN') {
    const since = visit.attempts.filter(
      (a) =>
        !a.withdrawnReason && (!visit.checks.at(-1) || a.startedAt > (visit.checks.at(-1)?.takenAt ?? '')),
    );
    parts.push(`${since.length} ${since.length === 1 ? 'attempt' : 'attempts'} since the last check.`);
  }
  if (visit.next.action === 'FIRST_CHECK') {
    parts.push('Read it before anything is changed, and keep it.');
  }
  if (visit.next.action === 'DIAGNOSE') {
    parts.push('No cause is suspected yet. Look upstream before the head is blamed.');
  }
  return (
    <>
      {parts.map((part, i) => (
        <Typography key={i}>{part}</Typography>
      ))}
      {visit.next.action === 'TREAT' && !visit.family.limits.pushKpa && (
        <Alert severity="warning">{word('gate', 'NO_PUSH')}</Alert>
      )}
      {visit.next.action === 'CHECK_AGAIN' && (
        <Typography color="text.secondary">
          Same paper, after the same rest. A lone stripe may be a bubble.
        </Typography>
      )}
    </>
  );
}
