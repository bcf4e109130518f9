import { Button, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { zodResolver } from '@hookform/resolvers/zod';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import type { SignedIn } from '../api/types';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { AccountForm } from './AccountForm';

interface Props {
  name?: string;
  password?: string;
  done: (person: SignedIn) => void;
}

const schema = z.object({
  name: z.string().refine((name) => name.trim() !== '', 'Enter your name.'),
  password: z.string().min(1, 'Enter your password.'),
  chosen: z.string(),
});

export default function SignInForm({ name = '', password = '', done }: Props) {
  const form = useForm({ defaultValues: { name, password, chosen: '' }, resolver: zodResolver(schema) });
  const signIn = useMutation<SignedIn, Problem, z.infer<typeof schema>>({
    mutationFn: ({ chosen, ...who }) =>
      answer(api.POST('/api/session', { body: { ...who, chosen: chosen || undefined } })),
    onSuccess: done,
  });
  useProblemAt(form, signIn.error);
  const asksToChoose = signIn.error?.type === 'urn:undoknot:problem:choose-password';
  const [hasCode, setHasCode] = useState(false);
  if (asksToChoose && !hasCode) {
    setHasCode(true);
  }
  return (
    <AccountForm form={form} isPending={signIn.isPending} send={signIn.mutate}>
      <Entry control={form.control} name="name" label="Name" autoComplete="username" />
      <Entry
        control={form.control}
        name="password"
        label="Password"
        type="password"
        autoComplete="current-password"
      />
      {hasCode && (
        <>
          <Typography role="status">
            The code is right. Choose a password of your own; the code ends with it.
          </Typography>
          <Entry
            control={form.control}
            name="chosen"
            label="New password"
            type="password"
            autoComplete="new-password"
            hint="At least 10 signs. Three words do well."
            autoFocus
          />
        </>
      )}
      <WriteProblem problem={asksToChoose ? null : signIn.error} />
      <Button type="submit" variant="contained" size="large" loading={signIn.isPending}>
        Sign in
      </Button>
    </AccountForm>
  );
}
