import { MenuItem, TextField } from '@mui/material';
import { Controller, useFormContext } from 'react-hook-form';
import type { Lot } from '../api/types';
import { dateInDays, day } from '../bench/time';
import type { AttemptForm } from './attemptForm';

/**
 * Which bottle: name, lot, what is left in it.
 *
 * @param short what is missing in the chosen one
 */
export function LotChoice({ lots, short }: { lots: Lot[]; short: string | undefined }) {
  const { control } = useFormContext<AttemptForm>();
  const today = dateInDays(0);
  return (
    <Controller
      control={control}
      name="lotId"
      render={({ field, fieldState }) => (
        <TextField
          {...field}
          inputRef={field.ref}
          select
          label="Fluid and lot"
          value={lots.some((lot) => lot.id === field.value) ? field.value : ''}
          error={(fieldState.error ?? short) !== undefined}
          helperText={fieldState.error?.message ?? short}
        >
          {lots.map((lot) => (
            <MenuItem key={lot.id} value={lot.id} sx={{ minHeight: 48 }}>
              {lot.name}, {lot.lotCode}: {lot.remainingMl} mL left
              {lot.foodSafe && ', food-safe'}
              {lot.expiresOn && lot.expiresOn < today && `, expired ${day(lot.expiresOn)}`}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}
