import { Button, Stack } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { zodResolver } from '@hookform/resolvers/zod';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import type { SignedIn } from '../api/types';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';

interface Props {
  name?: string;
  password?: string;
  done: (person: SignedIn) => void;
}

const schema = z.object({
  name: z.string().refine((name) => name.trim() !== '', 'Enter your name.'),
  password: z.string().min(1, 'Enter your password.'),
});

export default function SignInForm({ name = '', password = '', done }: Props) {
  const form = useForm({ defaultValues: { name, password }, resolver: zodResolver(schema) });
  const signIn = useMutation<SignedIn, Problem, z.infer<typeof schema>>({
    mutationFn: (body) => answer(api.POST('/api/session', { body })),
    onSuccess: done,
  });
  useProblemAt(form, signIn.error);
  return (
    <Stack
      component="form"
      spacing={2}
      noValidate
      onSubmit={form.handleSubmit((value) => {
        if (!signIn.isPending) {
          signIn.mutate(value);
        }
      })}
    >
      <Entry control={form.control} name="name" label="Name" autoComplete="username" />
      <Entry
        control={form.control}
        name="password"
        label="Password"
        type="password"
        autoComplete="current-password"
      />
      <WriteProblem problem={signIn.error} />
      <Button type="submit" variant="contained" size="large" loading={signIn.isPending}>
        Sign in
      </Button>
    </Stack>
  );
}
