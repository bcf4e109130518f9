import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, type ReactNode } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { answer, api, type Problem } from '../api/http';
import type { Estimate, Intake } from '../api/types';
import { Block } from '../app/Page';
import { day as dayWords, weekdayAndHour } from '../bench/time';
import { dateOf } from '../day/dayTime';
import { readNumber } from '../app/fields';
import { percent } from '../diagnosis/judgement';
import { useUnits } from '../flow/units';
import { toIntake, type IntakeForm } from '../visit/intakeForm';
import { count, word } from '../words/words';
import { ForecastRow } from './ForecastRow';

/** Room for what comes, px: the button below must not move away under a finger when the answer is there. */
const ROOM = { xs: 740, sm: 480, md: 325 };

/** What the visit is likely to cost and take, from what was told so far, before anything is agreed. */
export function TakeInEstimate() {
  const { control } = useFormContext<IntakeForm>();
  const form = useWatch({ control }) as IntakeForm;
  const told = useDeferredValue(form);
  const { say } = useUnits();
  const intake = toIntake(told);
  // What is no number yet is left out; the form says so by itself.
  const body = JSON.parse(
    JSON.stringify({ ...intake, ports: intake.ports.filter((port) => port.chemistry) }),
  ) as Intake;
  const mayAsk = Boolean(intake.familyCode) && (intake.symptoms ?? []).length > 0;
  const estimate = useQuery({
    queryKey: ['estimate', JSON.stringify(body)],
    queryFn: () => answer(api.POST('/api/take-in/estimate', { body })),
    enabled: mayAsk,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const limit = readNumber(form.priceLimit);
  if (!mayAsk) {
    return (
      <Block title="Likely to take">
        <Typography color="text.secondary">
          Choose a family and a symptom: then hands, waits, fluid, cost and chance stand here before anything
          is agreed.
        </Typography>
      </Block>
    );
  }
  if (!estimate.data) {
    return (
      <Likely>
        <Typography color="text.secondary">
          {(estimate.error as Problem | null)?.message ?? 'Working it out…'}
        </Typography>
      </Likely>
    );
  }
  const { forecast, causes, channels, record, ready } = estimate.data;
  const isOver = limit !== undefined && forecast.cost.expected.value > limit;
  return (
    <Likely>
      <ForecastRow forecast={forecast} />
      {ready && <ReadyLine ready={ready} />}
      <Typography color="text.secondary">
        Reckoned with {causes.map((c) => `${word('cause', c.cause)} ${c.percent} %`).join(', ')} in{' '}
        {count('CHANNELS', channels)}, before any check. The first check makes it surer.
      </Typography>
      <Typography color="text.secondary">
        {record.heads === 0
          ? 'No head of this family went back yet: starting beliefs speak for it.'
          : `Of the last ${count('HEADS', record.heads)} of this family ${record.recovered} went back recovered (${percent(record.recovered / record.heads)}); half were back within ${count('DAYS', record.days ?? 0)}, nine in ten within ${count('DAYS', record.lateDays ?? 0)}.`}
      </Typography>
      {isOver && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          On average this costs {say(forecast.cost.expected.value, 'MONEY')}, more than the price limit. Agree
          it with the customer first.
        </Alert>
      )}
    </Likely>
  );
}

function Likely({ children }: { children: ReactNode }) {
  return (
    <Block title="Likely to take">
      <Box sx={{ minHeight: ROOM }}>{children}</Box>
    </Block>
  );
}

/** By when it is ready, said as it can be kept; one tap promises that day. */
function ReadyLine({ ready }: { ready: NonNullable<Estimate['ready']> }) {
  const { control, setValue } = useFormContext<IntakeForm>();
  const promised = useWatch({ control, name: 'promisedOn' });
  const day = dateOf(Date.parse(ready.by));
  return (
    <Stack direction="row" sx={{ alignItems: 'center', gap: 1.5, flexWrap: 'wrap', my: 1 }}>
      <Typography sx={{ fontWeight: 650 }}>
        Ready by {weekdayAndHour(ready.by)}, nine times in ten; one time in two by{' '}
        {weekdayAndHour(ready.half)}.
      </Typography>
      {promised !== day && (
        <Button
          variant="outlined"
          onClick={() => setValue('promisedOn', day, { shouldDirty: true, shouldValidate: true })}
        >
          Promise {dayWords(day)}
        </Button>
      )}
      <Typography color="text.secondary" sx={{ flexBasis: '100%' }}>
        From its likely plans and the hands that are free besides the other heads on the bench
        {ready.byRecord
          ? `, set against what the last ${count('HEADS', ready.cases)} really took here.`
          : `. It is the plan alone: ${ready.cases} of the 20 heads that are needed have gone back since such dates are said.`}
      </Typography>
    </Stack>
  );
}
