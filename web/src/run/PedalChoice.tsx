import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { KeyHint } from '../app/KeyHint';
import { useKeys } from '../app/useKeys';
import { usePedal, useRead } from './usePedal';
import { useSaid, type Voice } from './useVoice';

export interface Answer {
  label: string;
  take: () => void;
}

interface Props {
  label: string;
  answers: Answer[];
  /** Nobody looked; absent where that is no answer. */
  skip?: () => void;
  voice: Voice;
}

/**
 * A question with a tap for each answer. By pedal alone: a short press goes from answer to answer, a long one takes it. None is
 * marked beforehand.
 */
export function PedalChoice({ label, answers, skip, voice }: Props) {
  const [at, setAt] = useState(-1);
  const all = skip ? [...answers, { label: 'Not seen', take: skip }] : answers;
  usePedal({
    press: () => setAt((at + 1) % all.length),
    hold: () => all[at]?.take(),
  });
  const isRead = useRead();
  useKeys(
    isRead
      ? {
          ...Object.fromEntries(answers.map((answer, i) => [String(i + 1), answer.take])),
          ...(skip && { '0': skip }),
        }
      : {},
  );
  useSaid(voice, at < 0 ? label : all[at].label);
  return (
    <Box role="group" aria-label={label}>
      <Typography sx={{ fontSize: { xs: '1.5rem', md: '2rem' }, fontWeight: 700, mb: 1 }}>{label}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 1.5 }}>
        {all.map((answer, i) => (
          <Button
            key={answer.label}
            variant={at === i ? 'contained' : 'outlined'}
            onClick={(event) => {
              event.currentTarget.blur();
              answer.take();
            }}
            sx={{ minHeight: 76, fontSize: '1.375rem' }}
          >
            {answer.label}
            <KeyHint rests={!isRead}>{i === answers.length ? '0' : String(i + 1)}</KeyHint>
          </Button>
        ))}
      </Box>
      <Typography color="text.secondary" sx={{ mt: 1 }} role="status">
        {at < 0
          ? 'By pedal: a short press goes to an answer, a long one takes it.'
          : `Long press: ${all[at].label}.`}
      </Typography>
    </Box>
  );
}
