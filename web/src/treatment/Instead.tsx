import { Button, Stack, TextField, Typography } from '@mui/material';
import type { Advice } from '../api/types';
import { adviceTitle } from '../diagnosis/judgement';

const USUAL_REASONS = [
  'The customer wants it',
  'What is advised is not at hand',
  'I have seen something that is not logged',
  'It worked on this head before',
];

/** Something else is done than what is advised: one tap says why, and it is kept. */
export function Instead({
  advice,
  value,
  onChange,
  error,
}: {
  advice: Advice;
  value: string;
  onChange: (reason: string) => void;
  error: string | undefined;
}) {
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
            onClick={() => onChange(value === reason ? '' : reason)}
          >
            {reason}
          </Button>
        ))}
      </Stack>
      <TextField
        label="Reason for something else"
        size="small"
        value={value}
        onChange={(event) => onChange(event.target.value)}
        error={error !== undefined}
        helperText={error}
      />
    </Stack>
  );
}
