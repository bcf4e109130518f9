import { Button, Stack, TextField } from '@mui/material';

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

interface Props {
  begunAt: string;
  /** When it was over; left out where nothing lasts. */
  endedAt?: string;
  set: (name: 'begunAt' | 'endedAt', typed: string) => void;
  errors: Partial<Record<'begunAt' | 'endedAt', { message?: string }>>;
  now: number;
}

/** For what is entered later: when it was begun and over. Clocks and holds count from it, and it stands marked. */
export function BegunAt({ begunAt, endedAt, set, errors, now }: Props) {
  if (begunAt === '') {
    return (
      <Button sx={{ alignSelf: 'flex-start' }} onClick={() => set('begunAt', local(now))}>
        It was done earlier
      </Button>
    );
  }
  return (
    <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
      <TextField
        label="Begun at"
        type="datetime-local"
        value={begunAt}
        onChange={(event) => set('begunAt', event.target.value)}
        error={errors.begunAt !== undefined}
        helperText={
          errors.begunAt?.message ?? 'Clocks and holds count from it; it is marked as entered later.'
        }
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {endedAt !== undefined && (
        <TextField
          label="Over at"
          type="datetime-local"
          value={endedAt}
          onChange={(event) => set('endedAt', event.target.value)}
          error={errors.endedAt !== undefined}
          helperText={errors.endedAt?.message ?? 'Empty when it still runs, or took no time.'}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      )}
    </Stack>
  );
}
