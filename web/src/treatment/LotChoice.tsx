import { MenuItem, TextField } from '@mui/material';
import { Controller, useFormContext } from 'react-hook-form';
import type { FluidKind, Lot } from '../api/types';
import { dateInDays, day } from '../bench/time';
import type { AttemptForm } from './attemptForm';

/**
 * Which bottle: name, lot, what is left in it.
 *
 * @param fluids kinds that may be used in it; other bottles stand last and say so
 * @param mayBeNone whether it can be done without a bottle
 * @param short what is missing in the chosen one
 */
export function LotChoice({
  lots,
  fluids,
  short,
  mayBeNone,
}: {
  lots: Lot[];
  fluids: FluidKind[];
  short: string | undefined;
  mayBeNone: boolean;
}) {
  const { control } = useFormContext<AttemptForm>();
  const today = dateInDays(0);
  const fits = (lot: Lot) => fluids.includes(lot.kind);
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
          {mayBeNone && (
            <MenuItem value="" sx={{ minHeight: 48 }}>
              no bottle
            </MenuItem>
          )}
          {[...lots.filter(fits), ...lots.filter((lot) => !fits(lot))].map((lot) => (
            <MenuItem key={lot.id} value={lot.id} sx={{ minHeight: 48 }}>
              {!fits(lot) && 'Not for this: '}
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
