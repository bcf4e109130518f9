import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Button } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { AccountForm } from './AccountForm';

const schema = z
  .object({
    present: z.string().min(1, 'Enter the password you have now.'),
    chosen: z.string().min(10, 'Take at least 10 signs. Three words do well.'),
    again: z.string(),
  })
  .refine((entry) => entry.chosen === entry.again, {
    path: ['again'],
    message: 'The two are not the same. Type it again.',
  });

const EMPTY = { present: '', chosen: '', again: '' };

/** Another password for the person at the screen. */
export function NewPassword() {
  const form = useForm({ defaultValues: EMPTY, resolver: zodResolver(schema) });
  const write = useMutation<unknown, Problem, z.infer<typeof schema>>({
    mutationFn: ({ present, chosen }) =>
      answer(api.PUT('/api/session/password', { body: { present, chosen } })),
    onSuccess: () => form.reset(EMPTY),
  });
  useProblemAt(form, write.error);
  return (
    <AccountForm form={form} isPending={write.isPending} send={write.mutate}>
      <Entry
        control={form.control}
        name="present"
        label="Password you have now"
        type="password"
        autoComplete="current-password"
      />
      <Entry
        control={form.control}
        name="chosen"
        label="New password"
        type="password"
        autoComplete="new-password"
      />
      <Entry
        control={form.control}
        name="again"
        label="New password again"
        type="password"
        autoComplete="new-password"
      />
      <WriteProblem problem={write.error} />
      {write.isSuccess && <Alert severity="success">The new password stands from now on.</Alert>}
      <Button type="submit" variant="contained" loading={write.isPending}>
        Change the password
      </Button>
    </AccountForm>
  );
}
