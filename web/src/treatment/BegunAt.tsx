import { Button, TextField } from '@mui/material';

/** A local date and time as an input of that type wants it. */
function local(instant: number): string {
  const date = new Date(instant);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}T${two(date.getHours())}:${two(date.getMinutes())}`;
}

/** As the server takes it; undefined while it was not entered. */
export function begunInstant(typed: string): string | undefined {
  return typed === '' || Number.isNaN(Date.parse(typed)) ? undefined : new Date(typed).toISOString();
}

/** For what is entered later: when it was begun. Clocks and holds count from it, and it stands marked. */
export function BegunAt({
  value,
  onChange,
  error,
  now,
}: {
  value: string;
  onChange: (typed: string) => void;
  error?: string;
  now: number;
}) {
  if (value === '') {
    return (
      <Button sx={{ alignSelf: 'flex-start' }} onClick={() => onChange(local(now))}>
        It was done earlier
      </Button>
    );
  }
  return (
    <TextField
      label="Begun at"
      type="datetime-local"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      error={error !== undefined}
      helperText={error ?? 'Clocks and holds count from it; it is marked as entered later.'}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}
