import { Box, FormHelperText, MenuItem, Stack, TextField, ToggleButton, Typography } from '@mui/material';
import { Controller, useFormContext, useWatch } from 'react-hook-form';
import type { Family } from '../api/types';
import { Entry } from '../app/fields';
import { capital, terms, word } from '../words/words';
import type { IntakeForm } from './intakeForm';

/** What each port carries, in port order as seen from the front. Label and ink need not agree: both are kept. */
export function Ports({ families }: { families: Family[] }) {
  const { control, setValue, formState } = useFormContext<IntakeForm>();
  const code = useWatch({ control, name: 'familyCode' });
  const ports = useWatch({ control, name: 'ports' });
  const family = families.find((f) => f.code === code);
  const error = formState.errors.ports?.message ?? formState.errors.ports?.root?.message;
  if (!family || ports.length === 0) {
    return error ? <FormHelperText error>{error}</FormHelperText> : null;
  }
  return (
    <Box role="group" aria-label="Ports from the front">
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <Typography sx={{ fontWeight: 600 }}>Ports from the front: {family.channels[0].port}</Typography>
        <TextField
          select
          size="small"
          label="All ports carry"
          value=""
          onChange={(event) =>
            ports.forEach((_, i) =>
              setValue(`ports.${i}.chemistry`, event.target.value as (typeof ports)[number]['chemistry'], {
                shouldDirty: true,
              }),
            )
          }
          sx={{ width: 260 }}
        >
          {terms('chemistry').map((value) => (
            <MenuItem key={value} value={value}>
              {capital(word('chemistry', value))}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 1 }}>
        {ports.map((port, i) => {
          const channel = family.channels.find((c) => c.code === port.channel);
          return (
            <Stack
              key={port.channel}
              direction="row"
              role="group"
              aria-label={`Port ${channel?.colour ?? port.channel}`}
              sx={{ gap: 1, alignItems: 'flex-start' }}
            >
              <Box
                sx={{
                  width: 10,
                  alignSelf: 'stretch',
                  minHeight: 48,
                  bgcolor: channel?.ink,
                  borderRadius: 0.5,
                }}
                aria-hidden
              />
              <Entry
                control={control}
                name={`ports.${i}.inkInLine`}
                label={`${channel?.colour ?? port.channel}: ink in line`}
              />
              <Controller
                control={control}
                name={`ports.${i}.chemistry`}
                render={({ field, fieldState }) => (
                  <TextField
                    select
                    label="Kind"
                    {...field}
                    inputRef={field.ref}
                    error={fieldState.error !== undefined}
                    helperText={fieldState.error?.message}
                  >
                    {terms('chemistry').map((value) => (
                      <MenuItem key={value} value={value}>
                        {capital(word('chemistry', value))}
                      </MenuItem>
                    ))}
                  </TextField>
                )}
              />
              <Controller
                control={control}
                name={`ports.${i}.makersOwn`}
                render={({ field }) => (
                  <ToggleButton
                    value="own"
                    selected={field.value}
                    onChange={() => field.onChange(!field.value)}
                    sx={{ minWidth: 136, height: 58, whiteSpace: 'nowrap', px: 1 }}
                  >
                    {field.value ? "Maker's own" : 'Third-party'}
                  </ToggleButton>
                )}
              />
            </Stack>
          );
        })}
      </Box>
      {error && <FormHelperText error>{error}</FormHelperText>}
    </Box>
  );
}
