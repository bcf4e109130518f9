import { Box } from '@mui/material';
import { Controller, useFormContext } from 'react-hook-form';
import type { Visit } from '../api/types';
import { Choice } from '../app/fields';
import type { AttemptForm } from './attemptForm';

/** The channels treated; those that are out are chosen from the start, what works is left alone. */
export function ChannelChoice({ visit }: { visit: Visit }) {
  const { control } = useFormContext<AttemptForm>();
  const inPortOrder = (codes: string[]) =>
    visit.family.channels.map((c) => c.code).filter((code) => codes.includes(code));
  return (
    <Controller
      control={control}
      name="channels"
      render={({ field, fieldState }) => (
        <Choice
          label="Channels"
          isMany
          value={field.value}
          onChange={(next) => field.onChange(inPortOrder(next as string[]))}
          error={fieldState.error?.message}
          options={visit.family.channels.map((channel) => ({
            value: channel.code,
            label: (
              <>
                <Box
                  component="span"
                  aria-hidden
                  sx={{ width: 12, height: 24, bgcolor: channel.ink, mr: 1, border: '1px solid #fff8' }}
                />
                {channel.colour}
              </>
            ),
          }))}
        />
      )}
    />
  );
}
