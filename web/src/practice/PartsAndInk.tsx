import { Box, Typography } from '@mui/material';
import { useFormContext } from 'react-hook-form';
import { useMoney } from '../account/money';
import type { House } from '../api/types';
import { Entry } from '../app/fields';
import { Block } from '../app/Page';
import { capital, terms, word } from '../words/words';
import type { HouseForm } from './houseForm';

const GRID = {
  display: 'grid',
  gap: 2,
  gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))',
  mb: 2,
};

/** What new parts cost, and what a printer cycle burns: both go into the sums of a visit where the shop has said. */
export function PartsAndInk({ house, isLead }: { house: House; isLead: boolean }) {
  const { control } = useFormContext<HouseForm>();
  const { currency } = useMoney();
  return (
    <Block title="New parts and ink">
      <Typography sx={{ mb: 1.5 }}>Price of a new part; empty where it is not known.</Typography>
      <Box sx={GRID}>
        {terms('part').map((part) => (
          <Entry
            key={part}
            control={control}
            name={`partPrices.${part}`}
            label={capital(word('part', part))}
            unit={currency}
            isNumber
            disabled={!isLead}
          />
        ))}
      </Box>
      <Typography sx={{ mb: 1.5 }}>Ink that one printer cycle burns, all channels together.</Typography>
      {house.families.map(({ code, name }) => (
        <Box key={code} role="group" aria-label={`Ink of a cycle, ${name}`}>
          <Typography sx={{ fontWeight: 600, mb: 1 }}>{name}</Typography>
          <Box sx={GRID}>
            {terms('strength').map((strength) => (
              <Entry
                key={strength}
                control={control}
                name={`cycleInkMl.${code}.${strength}`}
                label={`${capital(word('strength', strength))} cycle`}
                unit="mL"
                isNumber
                disabled={!isLead}
              />
            ))}
          </Box>
        </Box>
      ))}
    </Block>
  );
}
