import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Button, Stack, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { AccountForm } from './AccountForm';

const schema = z.object({
  present: z.string().min(1, 'Enter the password you have now.'),
  pin: z.string().refine((pin) => pin === '' || /^\d{4}$/.test(pin), 'Take four digits.'),
});

const EMPTY = { present: '', pin: '' };

/** Four digits for changing over at a tablet that a lead has trusted. */
export function PinBlock() {
  const form = useForm({ defaultValues: EMPTY, resolver: zodResolver(schema) });
  const write = useMutation<unknown, Problem, z.infer<typeof schema>>({
    mutationFn: ({ present, pin }) =>
      answer(api.PUT('/api/session/pin', { body: { present, pin: pin === '' ? undefined : pin } })),
    onSuccess: () => form.reset(EMPTY),
  });
  useProblemAt(form, write.error);
  return (
    <Stack spacing={2}>
      <Typography>
        On a tablet that a lead has trusted (House rules, Accounts), a tap on your name and these digits are
        enough. A new password ends the PIN.
      </Typography>
      <AccountForm form={form} isPending={write.isPending} send={write.mutate}>
        <Entry
          control={form.control}
          name="present"
          label="Your password"
          type="password"
          autoComplete="current-password"
        />
        <Entry
          control={form.control}
          name="pin"
          label="PIN, four digits"
          type="password"
          hint="Left empty, you have none from now on."
          autoComplete="off"
          isNumber
        />
        <WriteProblem problem={write.error} />
        {write.isSuccess && (
          <Alert severity="success">
            {write.variables.pin === '' ? 'You have no PIN any more.' : 'The PIN stands from now on.'}
          </Alert>
        )}
        <Button type="submit" variant="contained" loading={write.isPending}>
          Keep the PIN
        </Button>
      </AccountForm>
    </Stack>
  );
}
