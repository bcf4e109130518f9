import { MenuItem, TextField } from '@mui/material';
import type { Lot } from '../api/types';
import { dateInDays, day } from '../bench/time';

/** Which bottle: name, lot, what is left in it. */
export function LotChoice({
  lots,
  value,
  onChange,
  error,
}: {
  lots: Lot[];
  value: string;
  onChange: (id: string) => void;
  error?: string;
}) {
  const today = dateInDays(0);
  return (
    <TextField
      select
      label="Fluid and lot"
      value={lots.some((lot) => lot.id === value) ? value : ''}
      onChange={(event) => onChange(event.target.value)}
      error={error !== undefined}
      helperText={error}
    >
      {lots.map((lot) => (
        <MenuItem key={lot.id} value={lot.id} sx={{ minHeight: 48 }}>
          {lot.name}, {lot.lotCode}: {lot.remainingMl} mL left
          {lot.foodSafe && ', food-safe'}
          {lot.expiresOn && lot.expiresOn < today && `, expired ${day(lot.expiresOn)}`}
        </MenuItem>
      ))}
    </TextField>
  );
}
