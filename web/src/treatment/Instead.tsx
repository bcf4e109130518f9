import { Button, Stack, Typography } from '@mui/material';
import { useFormContext, useWatch } from 'react-hook-form';
import type { Advice } from '../api/types';
import { Entry } from '../app/fields';
import { adviceTitle } from '../diagnosis/judgement';
import type { AttemptForm } from './attemptForm';

export const USUAL_REASONS = [
  'My judgement: gentler',
  'My judgement: stronger',
  'The customer asked',
  'What is advised is not at hand',
  'I have seen something that is not logged',
  'It worked on this head before',
];

/** Something else is done than what is advised: one tap says why, and it is kept. */
export function Instead({ advice }: { advice: Advice }) {
  const { control, setValue } = useFormContext<AttemptForm>();
  const value = useWatch({ control, name: 'instead' });
  return (
    <Stack
      component="section"
      aria-label="Something else than advised"
      spacing={1}
      sx={{ borderLeft: '6px solid', borderColor: 'thread', pl: 1.5 }}
    >
      <Typography>
        Advised is: <b>{adviceTitle(advice)}</b>. Why something else?
      </Typography>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {USUAL_REASONS.map((reason) => (
          <Button
            key={reason}
            variant={value === reason ? 'contained' : 'outlined'}
            aria-pressed={value === reason}
            onClick={() =>
              setValue('instead', value === reason ? '' : reason, { shouldDirty: true, shouldValidate: true })
            }
          >
            {reason}
          </Button>
        ))}
      </Stack>
      <Entry control={control} name="instead" label="Reason for something else" />
    </Stack>
  );
}
