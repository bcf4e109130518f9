import { Box, Button, Stack, Typography, useMediaQuery } from '@mui/material';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Visit } from '../api/types';
import { KeyHint } from '../app/KeyHint';
import { useKeys } from '../app/useKeys';
import { adviceTitle, adviceWay } from '../diagnosis/judgement';
import { moment } from '../bench/time';
import { called, stillOff } from '../finish/parts';
import { count, word } from '../words/words';
import { AdviceReasons } from './AdviceReasons';
import { GoOn, goOnWay } from './GoOn';
import { HeadPlace } from './HeadPlace';
import { HeadStep, useHeadStep } from './HeadStep';
import { keptFrom } from './power';
import { RunningSteps, useRunning } from './RunningSteps';
import { UnaskedCycle } from './UnaskedCycle';
import { WaitDialog } from './WaitDialog';
import { againWay } from './ways';

const WAYS: {
  key: string;
  to: string;
  label: string;
  needsPower?: boolean;
  /** Of an ink change or a whole-system flush alone. */
  ofProcedure?: boolean;
  /** Of a head that what is wrong leads. */
  ofRepair?: boolean;
}[] = [
  { key: 'f', to: 'attempt/flush', label: 'Flush' },
  { key: 's', to: 'attempt/soak', label: 'Soak' },
  { key: 'b', to: 'attempt/bath', label: 'Bath' },
  { key: 'c', to: 'attempt/cycle', label: 'Printer cycle', needsPower: true },
  { key: 'x', to: 'attempt/handwork', label: 'Other work' },
  { key: 'o', to: 'ruleouts', label: 'Rule-outs' },
  { key: 'p', to: 'read', label: 'Read a scan', needsPower: true },
  { key: 'h', to: 'check', label: 'By hand' },
  { key: 'w', to: 'causes', label: 'What is wrong' },
  { key: 'i', to: 'steps', label: 'Steps', ofProcedure: true },
  { key: 'l', to: 'plan', label: 'Plan', ofRepair: true },
  { key: 'm', to: 'worth', label: 'Worth it?' },
  { key: 'd', to: 'diagnosis', label: 'Diagnosis' },
  { key: 't', to: 'parts', label: 'Off and back' },
  { key: 'g', to: 'align', label: 'Align', needsPower: true },
  { key: 'r', to: 'return', label: 'Return' },
];

interface Props {
  visit: Visit;
  now: number;
  mayWrite: boolean;
}

/** The next action, its reason in counts, its danger, the house rule behind it, and one large button that does it. */
export function WhatNow({ visit, now, mayWrite }: Props) {
  const navigate = useNavigate();
  const steps = useRunning(visit, now);
  const [isWaiting, setWaiting] = useState(false);
  // A soak or a burst in hand comes before any advice; the server says which.
  const advice = visit.next.advised ? visit.judgement.advice.first : undefined;
  const isRefit = visit.next.action === 'REFIT';
  const off = stillOff(visit);
  // By the reversed list where there is one; else the head alone is put back, one tap.
  const byList = isRefit && off.length > 0;
  const way = byList ? 'parts' : advice && !isRefit ? adviceWay(advice, visit) : undefined;
  const goOn = visit.next.goOn ? `/visits/${visit.id}/${goOnWay(visit.next.goOn)}` : undefined;
  const go = (to: string) => void navigate(`/visits/${visit.id}/${to}`);

  // What needs the mains is not offered to a head that may not have it, nor to one that is out.
  const noPower = keptFrom(visit.head, now).length > 0 || visit.head.site === 'ON_BENCH';
  const isLed = Boolean(visit.procedure);
  const ways = WAYS.filter(
    (other) => !(noPower && other.needsPower) && !(isLed ? other.ofRepair : other.ofProcedure),
  );
  // A printer cycle once more only where it may have power.
  const again = visit.attempts.filter((a) => !a.withdrawnReason && !(noPower && a.treatment.cycle)).at(-1);
  const wantsPower = advice?.act === 'CHECK' || (advice?.method && visit.usual.forms[advice.method].power);
  const headStep = useHeadStep(visit, mayWrite && !byList);
  // On a phone the large button stands on the first screen, and what can be read at leisure below it.
  const isSmall = useMediaQuery('(max-width: 599px)');

  const isStepping = visit.run?.steps.some((step) => step.state === 'NOW') ?? false;
  const isStepwise = isStepping || (advice?.act === 'WORK' && !isRefit);
  const keys: Record<string, () => void> = {};
  if (mayWrite) {
    ways.forEach(({ key, to }) => (keys[key] = () => go(to)));
    keys.n = () => isStepwise && go('run');
    keys[' '] = () => steps.act();
    keys.a = () => again && go(againWay(again));
    // A choice is for the eyes to make: Enter makes none.
    keys.enter = () => {
      if (headStep) {
        if (headStep.taps.length === 1) {
          headStep.tapFirst();
        }
      } else if (goOn) {
        void navigate(goOn);
      } else if (way) {
        go(way);
      } else {
        steps.act();
      }
    };
  }

  const stepwise = mayWrite && isStepwise && (
    <Button
      variant="outlined"
      component={Link}
      to={`/visits/${visit.id}/run`}
      sx={{ minHeight: 56, fontSize: '1.125rem' }}
    >
      {isStepping ? 'Go on step by step' : 'Step by step, by pedal'}
      <KeyHint>N</KeyHint>
    </Button>
  );
  const waits = visit.next.action === 'WAIT_HOLD' && !advice;
  const title = byList
    ? `Put back: ${called(off[0])}`
    : isRefit
      ? 'Refit the head first'
      : advice
        ? adviceTitle(advice)
        : visit.next.goOn
          ? `Go on: ${word('method', visit.next.goOn.method)}, ${visit.next.goOn.channels.join(', ')}`
          : visit.next.action === 'WAIT_HOLD' && visit.next.at
            ? `No power until ${moment(visit.next.at)}`
            : word('action', visit.next.action);
  // By the first clock as well: the second press of the pedal stops no other.
  const isRead = useKeys(keys, [title, steps.first, way ?? goOn].join());
  const doIt = mayWrite && way && (
    <Button
      variant="contained"
      size="large"
      component={Link}
      to={`/visits/${visit.id}/${way}`}
      sx={{ minHeight: 64, fontSize: '1.25rem' }}
    >
      {title}
      <KeyHint rests={!isRead}>Enter</KeyHint>
    </Button>
  );
  return (
    <Stack
      component="section"
      aria-label="What now"
      spacing={1.5}
      sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1 }}
    >
      <Typography color="text.secondary">What now</Typography>
      <Typography variant="h2" sx={{ fontSize: '1.5rem' }}>
        {title}
      </Typography>
      {isSmall && doIt}
      {visit.next.goOn && goOn && (
        <GoOn visit={visit} goOn={visit.next.goOn} to={goOn} mayWrite={mayWrite} rests={!isRead} />
      )}
      {headStep && <HeadStep step={headStep} buttonsFirst={isSmall} rests={!isRead} />}
      {visit.procedure?.next && advice?.act === 'STEP' && (
        <Typography sx={{ fontWeight: 650 }}>Next: {word('step', visit.procedure.next)}</Typography>
      )}
      {waits && <Typography>What needs no power can be done meanwhile.</Typography>}
      {byList && (
        <Typography>
          {count('PARTS_OFF', off.length)}. By the reversed list: ribbon straight and the right way round,
          seals the right way up.
        </Typography>
      )}
      {byList && !isSmall && doIt}
      {isRefit && advice && <Typography>Then: {adviceTitle(advice)}.</Typography>}
      {advice && !isRefit && (
        <AdviceReasons
          visit={visit}
          advice={advice}
          judgement={visit.judgement}
          doIt={isSmall ? null : doIt}
        />
      )}
      {stepwise}
      {mayWrite && !noPower && wantsPower && <UnaskedCycle visit={visit} />}
      {!steps.isEmpty && (
        <RunningSteps visit={visit} steps={steps} now={now} mayWrite={mayWrite} rests={!isRead} />
      )}
      {mayWrite && (
        <>
          <Typography color="text.secondary">Do something else</Typography>
          <Box
            component="nav"
            aria-label="All steps"
            sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}
          >
            {ways.map(({ key, to, label }) => (
              <Button
                key={key}
                variant="outlined"
                component={Link}
                to={`/visits/${visit.id}/${to}`}
                sx={{ justifyContent: 'space-between', px: 1.5 }}
              >
                {label}
                <KeyHint>{key.toUpperCase()}</KeyHint>
              </Button>
            ))}
            {again && (
              <Button
                variant="outlined"
                component={Link}
                to={`/visits/${visit.id}/${againWay(again)}`}
                sx={{ justifyContent: 'space-between', px: 1.5 }}
              >
                Same again
                <KeyHint>A</KeyHint>
              </Button>
            )}
            <Button
              variant="outlined"
              onClick={() => setWaiting(true)}
              sx={{ justifyContent: 'start', px: 1.5 }}
            >
              Clock
            </Button>
          </Box>
          {isWaiting && <WaitDialog visit={visit} close={() => setWaiting(false)} />}
          <HeadPlace visit={visit} now={now} />
        </>
      )}
    </Stack>
  );
}
