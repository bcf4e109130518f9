import { InputAdornment, TextField } from '@mui/material';

interface Props {
  label: string;
  unit: string;
  value: string;
  onChange: (typed: string) => void;
  error?: string;
}

/** A number with its unit, typed with a point or a comma. */
export function NumberField({ label, unit, value, onChange, error }: Props) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      error={error !== undefined}
      helperText={error}
      autoComplete="off"
      slotProps={{
        htmlInput: { inputMode: 'decimal' },
        input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
      }}
    />
  );
}
