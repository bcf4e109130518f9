import { Alert, Box, Button, Collapse, Stack, Typography } from '@mui/material';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import type { Advice, Judgement, Visit } from '../api/types';
import { adviceReason, adviceTitle } from '../diagnosis/judgement';
import { tally } from '../nozzle/comb';
import { capital, word } from '../words/words';
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
  const answer = judgement.advice;
  const danger = advice.method
    ? word('methodWatch', advice.method)
    : advice.look
      ? word('lookHow', advice.look)
      : word('actWatch', advice.act);
  const look = advice.look && judgement.looks.find((l) => l.look === advice.look);
  return (
    <>
      <Standing visit={visit} />
      <Typography>{adviceReason(advice)}</Typography>
      {advice.findings.length > 0 && (
        <Typography>Found: {advice.findings.map((sign) => word('sign', sign)).join(', ')}.</Typography>
      )}
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
      {answer.bars.length > 0 && (
        <Typography sx={{ fontWeight: 650 }}>
          Not safe now, by what was found: {answer.bars.map((bar) => word('bar', bar)).join(', ')}.
        </Typography>
      )}
      {advice.house && (
        <Typography color="text.secondary">
          House rule, {word('houseQuestion', advice.house)}: {houseAnswer(judgement, advice.house)}.
        </Typography>
      )}
      {answer.others.length > 0 && (
        <Box>
          <Button
            onClick={() => setOpen(!isOpen)}
            aria-expanded={isOpen}
            endIcon={isOpen ? <ChevronUp /> : <ChevronDown />}
            sx={{ px: 0.5 }}
          >
            {answer.others.length} {answer.others.length === 1 ? 'other rule fits' : 'other rules fit'}
          </Button>
          <Collapse in={isOpen} unmountOnExit>
            <Stack spacing={1}>
              {answer.others.map((other) => (
                <Typography key={other.rule}>
                  <b>{adviceTitle(other)}.</b> {adviceReason(other)}
                </Typography>
              ))}
            </Stack>
          </Collapse>
        </Box>
      )}
    </>
  );
}

function houseAnswer(judgement: Judgement, question: keyof Judgement['houseAnswers']): string {
  return word('houseSchool', `${question}.${judgement.houseAnswers[question]}`);
}

/** Where the head stands, in counts. */
function Standing({ visit }: { visit: Visit }) {
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
