import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { useMoney } from '../account/money';
import type { House } from '../api/types';
import { Entry, SelectEntry } from '../app/fields';
import { Block } from '../app/Page';
import { capital, terms, word } from '../words/words';
import { LIMIT_WORDS } from './changes';
import { limitsForm, type HouseForm } from './houseForm';

const GRID = {
  display: 'grid',
  gap: 2,
  gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fit, minmax(290px, 1fr))' },
};
const YES_NO = { true: 'allowed', false: 'not allowed' };
export const LIMIT_WAYS: {
  limit: 'submerge' | 'bath' | 'rinse' | 'steam' | 'removable' | 'household';
  choices: Record<string, string>;
}[] = [
  {
    limit: 'removable',
    choices: Object.fromEntries(terms('removable').map((t) => [t, word('removable', t)])),
  },
  { limit: 'submerge', choices: Object.fromEntries(terms('submerge').map((t) => [t, word('submerge', t)])) },
  {
    limit: 'bath',
    choices: { NO: 'not allowed', LEAD_ONLY: 'with a lead’s consent', HUNG: 'allowed, hung' },
  },
  { limit: 'rinse', choices: YES_NO },
  { limit: 'steam', choices: YES_NO },
  { limit: 'household', choices: YES_NO },
];
export const LIMIT_NUMBERS: { limit: 'pushKpa' | 'suctionKpa' | 'heatC'; unit: string }[] = [
  { limit: 'pushKpa', unit: 'kPa' },
  { limit: 'suctionKpa', unit: 'kPa' },
  { limit: 'heatC', unit: '°C' },
];

/** Rates, and for each family its limits and how often its heads come in with each cause. */
export function FamilyRules({ house, isLead }: { house: House; isLead: boolean }) {
  const { control, setValue } = useFormContext<HouseForm>();
  const { currency } = useMoney();
  const [code, setCode] = useState(house.families[0]?.code ?? '');
  const family = house.families.find((f) => f.code === code);
  const isOwn = useWatch({ control, name: `ownLimits.${code}` });
  if (!family) {
    return null;
  }
  return (
    <>
      <Block title="Rates">
        <Box sx={GRID}>
          <Entry control={control} name="ratePerHour" label="An hour of hands" unit={currency} isNumber />
          <Entry
            control={control}
            name="riskShare"
            label="Harm to board or printer, share of a new printer"
            unit="0 to 1"
            isNumber
          />
          <Entry control={control} name="marginShare" label="Margin on fluids and parts" unit="%" isNumber />
          <Entry control={control} name="taxShare" label="Tax on the whole bill" unit="%" isNumber />
        </Box>
      </Block>
      <Block title="Limits and priors of a family">
        <Stack spacing={2}>
          <TextField select label="Family" value={code} onChange={(event) => setCode(event.target.value)}>
            {house.families.map((f) => (
              <MenuItem key={f.code} value={f.code} sx={{ minHeight: 48 }}>
                {f.name}
              </MenuItem>
            ))}
          </TextField>
          <Typography color="text.secondary">
            Limits guard the head: a wider one can lift a plate or burst a bladder. Empty means not at all.
          </Typography>
          <Box sx={GRID} key={code}>
            {LIMIT_NUMBERS.map(({ limit, unit }) => (
              <Entry
                key={limit}
                control={control}
                name={`limits.${code}.${limit}`}
                label={capital(LIMIT_WORDS[limit])}
                unit={unit}
                isNumber
              />
            ))}
            {LIMIT_WAYS.map(({ limit, choices }) => (
              <SelectEntry
                key={limit}
                control={control}
                name={`limits.${code}.${limit}`}
                disabled={!isLead}
                label={capital(LIMIT_WORDS[limit])}
                options={Object.entries(choices).map(([value, label]) => ({ value, label }))}
              />
            ))}
          </Box>
          <Typography>How often heads of this family come in with each cause, per cent.</Typography>
          <Box sx={GRID} key={`${code}-priors`}>
            {terms('cause').map((cause) => (
              <Entry
                key={cause}
                control={control}
                name={`priors.${code}.${cause}`}
                label={capital(word('cause', cause))}
                unit="%"
                isNumber
              />
            ))}
          </Box>
          {isLead && isOwn && (
            <Button
              variant="outlined"
              sx={{ alignSelf: 'flex-start' }}
              onClick={() => {
                setValue(`limits.${code}`, limitsForm(family.usualLimits), { shouldValidate: true });
                setValue(`ownLimits.${code}`, false);
              }}
            >
              Back to the limits of its construction
            </Button>
          )}
        </Stack>
      </Block>
    </>
  );
}
