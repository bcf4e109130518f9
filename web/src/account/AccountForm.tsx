import { Stack } from '@mui/material';
import type { ReactNode } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

/** A form about an account; a second tap while the first is under way sends nothing. */
export function AccountForm<T extends FieldValues>({
  form,
  isPending,
  send,
  children,
}: {
  form: UseFormReturn<T>;
  isPending: boolean;
  send: (value: T) => void;
  children: ReactNode;
}) {
  return (
    <Stack
      component="form"
      spacing={2}
      noValidate
      sx={{ maxWidth: 440 }}
      onSubmit={form.handleSubmit((value) => {
        if (!isPending) {
          send(value);
        }
      })}
    >
      {children}
    </Stack>
  );
}
