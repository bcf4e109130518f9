import { Alert, Box, Button, Collapse, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlannedAttempt } from '../api/types';
import { percent } from '../diagnosis/judgement';
import { SumLine } from '../flow/SumLine';
import { minutesWords, useUnits } from '../flow/units';
import { gateWords } from '../treatment/Against';
import { capital, count, word } from '../words/words';
import { PlanSteps } from './PlanSteps';

interface Props {
  attempt: PlannedAttempt;
  /** Where it is done; absent while it is not its turn. */
  to?: string;
  isOpenAtFirst?: boolean;
}

function title(attempt: PlannedAttempt): string {
  const method =
    attempt.style?.act === 'REPLACED'
      ? `new ${word('method', attempt.method)}`
      : word('method', attempt.method);
  return `${attempt.number}. ${capital(method)}: ${attempt.channels.join(', ')}`;
}

function why(attempt: PlannedAttempt): string {
  if (attempt.added) {
    return 'Put in by hand.';
  }
  if (attempt.lastResort) {
    return 'Last resort, when nothing else is left.';
  }
  if (!attempt.cause) {
    return 'What is next on this visit.';
  }
  const alike =
    attempt.alike.length > 0
      ? ` About as likely as ${attempt.alike.map((cause) => word('cause', cause)).join(', ')}: the likeliest save per minute of hands goes first.`
      : '';
  return `For ${word('cause', attempt.cause)}, ${attempt.percent} %.${alike}`;
}

/** One attempt of a plan: what it takes, its steps with every number, and what follows it. */
export function AttemptCard({ attempt, to, isOpenAtFirst = false }: Props) {
  const [isOpen, setOpen] = useState(isOpenAtFirst);
  const { say } = useUnits();
  const { bottle } = attempt;
  return (
    <Box
      component="section"
      aria-label={title(attempt)}
      sx={{
        bgcolor: 'background.paper',
        borderRadius: 1,
        p: { xs: 1.5, md: 2 },
        borderLeft: '6px solid',
        borderColor: attempt.refused ? 'error.main' : 'thread',
      }}
    >
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1, minWidth: 220 }}>
          {title(attempt)}
        </Typography>
        {to && (
          <>
            <Button component={Link} to={to} variant="contained">
              Do this
            </Button>
            <Button component={Link} to="../run" relative="path" variant="outlined">
              Step by step
            </Button>
          </>
        )}
        <Button variant="outlined" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? 'Hide its steps' : 'Its steps'}
        </Button>
      </Stack>
      <Typography>{why(attempt)}</Typography>
      <Typography>
        Hands <b>{minutesWords(attempt.hands.value)}</b>, waits <b>{minutesWords(attempt.waits.value)}</b>,
        fluid <b>{say(attempt.fluid.value, 'ML')}</b>, cost <b>{say(attempt.cost.value, 'MONEY')}</b>.
        Suffices <b>{percent(attempt.chance.value)}</b> ({percent(attempt.low)} to {percent(attempt.high)},{' '}
        {count('CASES', attempt.cases)}); it comes to it {percent(attempt.reached)}.
      </Typography>
      {attempt.fluid.value > 0 && (
        <Typography color={bottle ? 'text.secondary' : 'error'}>
          {bottle
            ? `From ${bottle.name}, ${say(bottle.leftMl, 'ML')} left.${bottle.viscosityFactor ? '' : ' How thick it is against water is not known: reckoned as water.'}`
            : 'No bottle on the shelf holds enough of this.'}
        </Typography>
      )}
      {attempt.gates.length > 0 && (
        <Alert severity={attempt.refused ? 'error' : 'warning'} sx={{ mt: 1 }}>
          {attempt.gates.map((gate) => (
            <Typography key={`${gate.code} ${gate.channel ?? ''}`}>{gateWords(gate)}</Typography>
          ))}
        </Alert>
      )}
      <Collapse in={isOpen} unmountOnExit>
        <Box sx={{ mt: 1 }}>
          <PlanSteps steps={attempt.steps} label={`Steps of ${title(attempt)}`} />
          <Stack direction="row" sx={{ flexWrap: 'wrap', columnGap: 2, mt: 1 }}>
            {[attempt.hands, attempt.waits, attempt.fluid, attempt.waste, attempt.cost, attempt.chance].map(
              (sum) => (
                <SumLine key={sum.formula} sum={sum} />
              ),
            )}
          </Stack>
        </Box>
      </Collapse>
      <Branches attempt={attempt} />
    </Box>
  );
}

/** What follows, by what the check says. */
function Branches({ attempt }: { attempt: PlannedAttempt }) {
  return (
    <Box
      component="ul"
      aria-label={`What follows attempt ${attempt.number}`}
      sx={{ m: 0, mt: 1, pl: 0, listStyle: 'none', display: 'flex', flexWrap: 'wrap', columnGap: 3 }}
    >
      {attempt.branches.map((branch) => (
        <Typography component="li" key={branch.after}>
          {capital(word('after', branch.after))}:{' '}
          <b>
            {word('then', branch.then)}
            {branch.then === 'NEXT' || branch.then === 'LONGER'
              ? `, ${branch.attempt}. ${word('method', branch.method ?? '')}`
              : ''}
          </b>
        </Typography>
      ))}
    </Box>
  );
}
