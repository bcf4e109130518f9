import { Box, Button, Stack, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Delete } from 'lucide-react';
import { useEffect, useState } from 'react';
import { answer, api, type Problem } from '../api/http';
import type { PinPerson, SignedIn } from '../api/types';
import { Empty, Failed, Loading } from '../app/states';

const DIGITS = 4;
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '', '0'];

/** At a trusted tablet: a tap on the own name, four digits, and the person at the screen is another one. */
export function ChangeOver({ done }: { done: (person: SignedIn) => void }) {
  const people = useQuery<PinPerson[], Problem>({
    queryKey: ['session', 'people'],
    queryFn: () => answer(api.GET('/api/session/people')),
    staleTime: 0,
  });
  const [who, setWho] = useState<PinPerson>();
  if (people.isError) {
    return <Failed error={people.error} again={() => void people.refetch()} />;
  }
  if (!people.data) {
    return <Loading what="who works here" />;
  }
  if (who) {
    return <Pad key={who.name} who={who} done={done} back={() => setWho(undefined)} />;
  }
  if (people.data.length === 0) {
    return <Empty>Nobody has a PIN yet. Sign in with the password, and choose one under your name.</Empty>;
  }
  return (
    <Stack spacing={1}>
      {people.data.map((person) => (
        <Button
          key={person.name}
          variant="outlined"
          size="large"
          onClick={() => setWho(person)}
          sx={{ minHeight: 64, fontSize: '1.125rem' }}
        >
          {person.displayName}
        </Button>
      ))}
    </Stack>
  );
}

function Pad({ who, done, back }: { who: PinPerson; done: (person: SignedIn) => void; back: () => void }) {
  const [pin, setPin] = useState('');
  const write = useMutation<SignedIn, Problem, string>({
    mutationFn: (typed) => answer(api.POST('/api/session/pin', { body: { name: who.name, pin: typed } })),
    onSuccess: done,
    onError: () => setPin(''),
  });
  const { isPending, mutate } = write;
  const press = (digit: string) => {
    if (isPending || pin.length >= DIGITS) {
      return;
    }
    const next = pin + digit;
    setPin(next);
    // The fourth digit sends it: one tap less.
    if (next.length === DIGITS) {
      mutate(next);
    }
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (/^\d$/.test(event.key)) {
        press(event.key);
      } else if (event.key === 'Backspace') {
        setPin((typed) => typed.slice(0, -1));
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const wrong = write.error && (write.error.errors[0]?.message ?? write.error.message);
  return (
    <Stack spacing={1.5}>
      <Typography sx={{ fontWeight: 650 }}>PIN of {who.displayName}</Typography>
      <Typography
        role="status"
        aria-label={`${pin.length} of ${DIGITS} digits`}
        sx={{ fontSize: '2rem', letterSpacing: '0.4em', minHeight: 48 }}
      >
        {'●'.repeat(pin.length)}
        {'○'.repeat(DIGITS - pin.length)}
      </Typography>
      {wrong && (
        <Typography role="alert" color="error">
          {wrong}
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(3, 1fr)' }}>
        {KEYS.map((digit, i) =>
          digit === '' ? (
            <Box key={i} />
          ) : (
            <Button
              key={i}
              variant="outlined"
              disabled={isPending}
              onClick={() => press(digit)}
              sx={{ minHeight: 64, fontSize: '1.5rem' }}
            >
              {digit}
            </Button>
          ),
        )}
        <Button aria-label="Take the last digit back" onClick={() => setPin(pin.slice(0, -1))}>
          <Delete aria-hidden />
        </Button>
      </Box>
      <Button onClick={back}>Somebody else</Button>
    </Stack>
  );
}
