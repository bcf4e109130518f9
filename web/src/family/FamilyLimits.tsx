import { Box, Stack, ToggleButton, Typography } from '@mui/material';
import { useFormContext } from 'react-hook-form';
import { Entry, SelectEntry } from '../app/fields';
import { Block } from '../app/Page';
import { LIMIT_WORDS } from '../practice/changes';
import { LIMIT_NUMBERS, LIMIT_WAYS } from '../practice/FamilyRules';
import { capital } from '../words/words';
import type { FamilyForm } from './familyForm';

/** Limits that differ from those of its construction. */
export function FamilyLimits() {
  const { control, watch, setValue } = useFormContext<FamilyForm>();
  const has = watch('hasLimits');
  return (
    <Block title="Limits">
      <Stack spacing={2}>
        <ToggleButton
          value="limits"
          selected={has}
          onChange={() => setValue('hasLimits', !has, { shouldDirty: true })}
          sx={{ alignSelf: 'flex-start' }}
        >
          {has ? 'Limits of its own' : 'The limits of its construction'}
        </ToggleButton>
        {has && (
          <>
            <Typography color="text.secondary">
              Limits guard the head: a wider one can lift a plate or burst a bladder. Empty means not at all.
              Limits in the house rules go before these.
            </Typography>
            <Box
              sx={{
                display: 'grid',
                gap: 2,
                gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fit, minmax(240px, 1fr))' },
              }}
            >
              {LIMIT_NUMBERS.map(({ limit, unit }) => (
                <Entry
                  key={limit}
                  control={control}
                  name={`limits.${limit}`}
                  label={capital(LIMIT_WORDS[limit])}
                  unit={unit}
                  isNumber
                />
              ))}
              {LIMIT_WAYS.map(({ limit, choices }) => (
                <SelectEntry
                  key={limit}
                  control={control}
                  name={`limits.${limit}`}
                  label={capital(LIMIT_WORDS[limit])}
                  options={Object.entries(choices).map(([value, label]) => ({ value, label }))}
                />
              ))}
            </Box>
          </>
        )}
      </Stack>
    </Block>
  );
}
