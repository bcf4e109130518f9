import { Button, Stack, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { KeyHint } from '../app/KeyHint';
import { MONO } from '../app/theme';
import { useKeys } from '../app/useKeys';
import type { AttemptForm } from './attemptForm';

const CONTACT_S = 3;
const PAUSE_S = 10;

/** Counts contacts of steam as they happen: three seconds on the face, ten seconds off, by one key or tap each. */
export function SteamContacts() {
  const { getValues, setValue } = useFormContext<AttemptForm>();
  const [startedAt, setStartedAt] = useState<number>();
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (startedAt === undefined) {
      return;
    }
    const timer = window.setInterval(() => setNow(performance.now()), 100);
    return () => window.clearInterval(timer);
  }, [startedAt]);
  const seconds = startedAt === undefined ? undefined : Math.max(0, now - startedAt) / 1000;
  const isOn = seconds !== undefined && seconds < CONTACT_S;
  const rests = seconds !== undefined && !isOn && seconds < CONTACT_S + PAUSE_S;

  function contact() {
    if (isOn || rests) {
      return;
    }
    setNow(performance.now());
    setStartedAt(performance.now());
    setValue('answers.CONTACTS', String(Number(getValues('answers.CONTACTS') || 0) + 1), {
      shouldDirty: true,
    });
  }

  useKeys({ ' ': contact, pagedown: contact });
  return (
    <Stack direction="row" sx={{ gap: 2, alignItems: 'center' }}>
      <Button
        variant="contained"
        size="large"
        disabled={isOn || rests}
        onClick={(event) => {
          event.currentTarget.blur();
          contact();
        }}
        sx={{ minHeight: 64 }}
      >
        Contact<KeyHint>Space</KeyHint>
      </Button>
      <Typography role="status" sx={{ fontFamily: MONO, fontSize: '1.5rem' }}>
        {isOn
          ? `on the face ${(CONTACT_S - seconds).toFixed(0)} s`
          : rests
            ? `off for ${(CONTACT_S + PAUSE_S - seconds).toFixed(0)} s`
            : ''}
      </Typography>
    </Stack>
  );
}
