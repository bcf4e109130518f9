import { Alert, Box, Button, Collapse, Stack, Typography } from '@mui/material';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useMoney } from '../account/money';
import type { Advice, Judgement, Visit } from '../api/types';
import { adviceReason, adviceTitle } from '../diagnosis/judgement';
import { minutesWords } from '../flow/units';
import { tally } from '../nozzle/comb';
import { capital, count, word } from '../words/words';
import { channelsOut, lastMap } from './outOf';

/** Why this is advised: counts, danger, the rule and the house rule, and what else would fit. */
export function AdviceReasons({
  visit,
  advice,
  judgement,
  doIt,
}: {
  visit: Visit;
  advice: Advice;
  judgement: Judgement;
  /** The large button; it stands before what can be read at leisure, so that it is on the screen at once. */
  doIt: ReactNode;
}) {
  const [isOpen, setOpen] = useState(false);
  const money = useMoney();
  const answer = judgement.advice;
  const danger = advice.method
    ? word('methodWatch', advice.method)
    : advice.look
      ? word('lookHow', advice.look)
      : word('actWatch', advice.act);
  const look = advice.look && judgement.looks.find((l) => l.look === advice.look);
  return (
    <>
      <ReadingNow visit={visit} />
      <Typography>{adviceReason(advice, money)}</Typography>
      {advice.findings.length > 0 && (
        <Typography>{capital(advice.findings.map((sign) => word('sign', sign)).join(', '))}.</Typography>
      )}
      {advice.tried.length > 0 && <Tried tried={advice.tried} />}
      {advice.style && <Style style={advice.style} />}
      {look && look.separates && look.from && (
        <Typography>
          It separates {word('cause', look.separates)} from {word('cause', look.from)}
          {advice.channels[0] && ` in ${advice.channels[0]}`}, for {look.minutes} min of hands.
        </Typography>
      )}
      <Alert severity="warning" icon={false} role="note">
        {danger}
      </Alert>
      {doIt}
      {advice.act === 'WORK' && (
        <Button component={Link} to={`/visits/${visit.id}/plan`} sx={{ alignSelf: 'flex-start' }}>
          Plan with every number
        </Button>
      )}
      {answer.bars.length > 0 && (
        <Typography sx={{ fontWeight: 650 }}>
          Not safe now, by what was found: {answer.bars.map((bar) => word('bar', bar)).join(', ')}.
        </Typography>
      )}
      {advice.house.length > 0 && <HouseWay advice={advice} judgement={judgement} />}
      {answer.others.length > 0 && (
        <Box>
          <Unfold
            isOpen={isOpen}
            onToggle={() => setOpen(!isOpen)}
            label={count('OTHER_RULES', answer.others.length)}
          >
            {answer.others.map((other) => (
              <Typography key={`${other.rule} ${other.method ?? other.look} ${other.channels.join()}`}>
                <b>{adviceTitle(other)}.</b> {adviceReason(other, money)}
              </Typography>
            ))}
          </Unfold>
        </Box>
      )}
    </>
  );
}

/** What was tried for which cause, when a head is given up: the honest account. */
function Tried({ tried }: { tried: Advice['tried'] }) {
  return (
    <Box component="ul" aria-label="What was tried" sx={{ m: 0, pl: 3 }}>
      {tried.map(({ channel, cause, percent, methods }) => (
        <Typography key={`${channel} ${cause}`} component="li">
          {channel}, {word('cause', cause)} ({percent} %):{' '}
          {methods.length > 0 ? methods.map((method) => word('method', method)).join(', ') : 'nothing'}
        </Typography>
      ))}
    </Box>
  );
}

/** How the work is done here: place, fluid, dose. */
function Style({ style }: { style: NonNullable<Advice['style']> }) {
  const parts = [
    style.site && word('site', style.site),
    style.fluid &&
      `with ${word('fluidKind', style.fluid)}${style.temperatureC ? ` of ${style.temperatureC} °C` : ''}`,
    style.strokeMl &&
      (style.pulsesAtMostMl
        ? `in pulses of ${style.strokeMl} mL with pad prints between, ${style.pulsesAtMostMl} mL at most`
        : `${style.strokeMl} mL, a soak of ${minutesWords(style.plannedMinutes ?? 0)}, then ${style.afterSoakMl} mL`),
    !style.strokeMl && style.plannedMinutes && `for ${minutesWords(style.plannedMinutes)}`,
    style.leadDecides && 'only a lead may do it, with a reason',
  ].filter(Boolean);
  return parts.length > 0 ? <Typography>{capital(parts.join(', '))}.</Typography> : null;
}

/** The house rules that the advice follows: the first in sight, the others unfolded. */
function HouseWay({ advice, judgement }: { advice: Advice; judgement: Judgement }) {
  const [isOpen, setOpen] = useState(false);
  const lines = advice.house.map(
    (question) =>
      `${word('houseQuestion', question).replace(/\?$/, '')}: ${word('houseSchool', `${question}.${judgement.houseAnswers[question]}`)}`,
  );
  return (
    <Box>
      <Typography color="text.secondary">House rule, {lines[0]}.</Typography>
      {lines.length > 1 && (
        <Unfold
          isOpen={isOpen}
          onToggle={() => setOpen(!isOpen)}
          label={count('MORE_HOUSE_RULES', lines.length - 1)}
        >
          {lines.slice(1).map((line) => (
            <Typography key={line} color="text.secondary">
              {capital(line)}.
            </Typography>
          ))}
        </Unfold>
      )}
    </Box>
  );
}

function Unfold({
  isOpen,
  onToggle,
  label,
  children,
}: {
  isOpen: boolean;
  onToggle: () => void;
  label: string;
  children: ReactNode;
}) {
  return (
    <>
      <Button
        onClick={onToggle}
        aria-expanded={isOpen}
        endIcon={isOpen ? <ChevronUp /> : <ChevronDown />}
        sx={{ px: 0.5 }}
      >
        {label}
      </Button>
      <Collapse in={isOpen} unmountOnExit>
        <Stack spacing={1}>{children}</Stack>
      </Collapse>
    </>
  );
}

/** Where the head stands, in counts. */
function ReadingNow({ visit }: { visit: Visit }) {
  const last = lastMap(visit);
  const out = channelsOut(visit);
  const parts: string[] = [];
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
  return (
    <>
      {parts.map((part) => (
        <Typography key={part}>{part}</Typography>
      ))}
    </>
  );
}
