import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import type { SignedIn } from '../api/types';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { AccountForm } from './AccountForm';

const said = (message: string) => z.string().refine((text) => text.trim() !== '', message);

const schema = z
  .object({
    code: said('Enter the code that the server printed.'),
    displayName: said('Enter your name as it stands on paper.'),
    name: said('Enter the name to sign in with.'),
    password: z.string().min(10, 'Take at least 10 signs. Three words do well.'),
    again: z.string(),
  })
  .refine((entry) => entry.password === entry.again, {
    path: ['again'],
    message: 'The two are not the same. Type it again.',
  });

/** An empty shop: whoever started the server has the code and becomes its first lead. */
export function FirstAccount({ done }: { done: (person: SignedIn) => void }) {
  const form = useForm({
    defaultValues: { code: '', displayName: '', name: '', password: '', again: '' },
    resolver: zodResolver(schema),
  });
  const write = useMutation<SignedIn, Problem, z.infer<typeof schema>>({
    mutationFn: ({ code, displayName, name, password }) =>
      answer(api.POST('/api/session/first', { body: { code, displayName, name, password } })),
    onSuccess: done,
  });
  useProblemAt(form, write.error);
  return (
    <AccountForm form={form} isPending={write.isPending} send={write.mutate}>
      <Typography>
        This shop is empty. The first account is a lead; it sets up the shop and adds the others.
      </Typography>
      <Entry control={form.control} name="code" label="Code from the console" autoComplete="off" />
      <Entry control={form.control} name="displayName" label="Your name on paper" autoComplete="name" />
      <Entry control={form.control} name="name" label="Name to sign in with" autoComplete="username" />
      <Entry
        control={form.control}
        name="password"
        label="Password"
        type="password"
        autoComplete="new-password"
      />
      <Entry
        control={form.control}
        name="again"
        label="Password again"
        type="password"
        autoComplete="new-password"
      />
      <WriteProblem problem={write.error} />
      <Button type="submit" variant="contained" size="large" loading={write.isPending}>
        Make the first account
      </Button>
    </AccountForm>
  );
}
