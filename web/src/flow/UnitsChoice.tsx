import { Stack } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../api/http';
import type { Problem } from '../api/http';
import type { SignedIn } from '../api/types';
import { Choice } from '../app/fields';
import { WriteProblem } from '../app/states';
import { terms, word } from '../words/words';
import { useUnits, type Units } from './units';

/** The units that this person sees on every screen; what is kept stays in °C, mL and kPa. */
export function UnitsChoice() {
  const queries = useQueryClient();
  const { units } = useUnits();
  const keep = useMutation<unknown, Problem, Units>({
    mutationFn: (body) => answer(api.PUT('/api/session/units', { body })),
    // Two taps in a row arrive in their order.
    scope: { id: 'units' },
  });
  const change = (part: Partial<Units>) => {
    // Seen at once, so that the next tap starts from it.
    const next = { ...units, ...part };
    queries.setQueryData<SignedIn>(['session'], (session) => session && { ...session, units: next });
    keep.mutate(next);
  };
  return (
    <Stack spacing={1}>
      <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap' }}>
        <Choice
          label="Temperature in"
          isFixed
          options={terms('temperatureUnit').map((value) => ({
            value,
            label: word('temperatureUnit', value),
          }))}
          value={units.temperature}
          onChange={(value) => change({ temperature: value as Units['temperature'] })}
        />
        <Choice
          label="Volume in"
          isFixed
          options={terms('volumeUnit').map((value) => ({ value, label: word('volumeUnit', value) }))}
          value={units.volume}
          onChange={(value) => change({ volume: value as Units['volume'] })}
        />
        <Choice
          label="Pressure in"
          isFixed
          options={terms('pressureUnit').map((value) => ({ value, label: word('pressureUnit', value) }))}
          value={units.pressure}
          onChange={(value) => change({ pressure: value as Units['pressure'] })}
        />
      </Stack>
      <WriteProblem problem={keep.error} />
    </Stack>
  );
}
