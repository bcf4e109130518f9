import { Button, Stack, TextField } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { http, type Problem } from '../api/http';
import type { SignedIn } from '../api/types';
import { WriteProblem } from '../app/states';

interface Props {
  name?: string;
  password?: string;
  done: (person: SignedIn) => void;
}

export function SignInForm({ name: givenName = '', password: givenPassword = '', done }: Props) {
  const [name, setName] = useState(givenName);
  const [password, setPassword] = useState(givenPassword);
  const signIn = useMutation<SignedIn, Problem>({
    mutationFn: () => http.post<SignedIn>('/api/session', { name, password }),
    onSuccess: done,
  });
  const wrong = (field: string) => signIn.error?.errors.find((error) => error.field === field)?.message;
  return (
    <Stack
      component="form"
      spacing={2}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (!signIn.isPending) {
          signIn.mutate();
        }
      }}
    >
      <TextField
        label="Name"
        value={name}
        autoComplete="username"
        onChange={(event) => setName(event.target.value)}
        error={wrong('name') !== undefined}
        helperText={wrong('name')}
      />
      <TextField
        label="Password"
        type="password"
        value={password}
        autoComplete="current-password"
        onChange={(event) => setPassword(event.target.value)}
        error={wrong('password') !== undefined}
        helperText={wrong('password')}
      />
      <WriteProblem problem={signIn.error} />
      <Button type="submit" variant="contained" size="large" loading={signIn.isPending}>
        Sign in
      </Button>
    </Stack>
  );
}
