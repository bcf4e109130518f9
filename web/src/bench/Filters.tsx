import { Button, MenuItem, Stack, TextField } from '@mui/material';
import { useSearchParams } from 'react-router';
import type { Strip } from '../api/types';
import { filterOf, isLate, isWaiting } from './benchFilter';

const ALL = '(all)';

/** Which heads are shown: each with how many it would be. */
export function Filters({ strips, person, now }: { strips: Strip[]; person: string; now: number }) {
  const [query, setQuery] = useSearchParams();
  const filter = filterOf(query);
  const set = (name: string, value: string | undefined) =>
    setQuery(
      (before) => {
        const next = new URLSearchParams(before);
        if (value === undefined) {
          next.delete(name);
        } else {
          next.set(name, value);
        }
        return next;
      },
      { replace: true },
    );
  const toggles = [
    { name: 'mine' as const, label: 'In my hands', n: strips.filter((s) => s.inHand === person).length },
    { name: 'waiting' as const, label: 'Waiting', n: strips.filter(isWaiting).length },
    { name: 'late' as const, label: 'Late or will be', n: strips.filter((s) => isLate(s, now)).length },
  ];
  const customers = [...new Set(strips.map((strip) => strip.customer))].sort();
  return (
    <Stack
      direction="row"
      role="group"
      aria-label="Show"
      sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}
    >
      {toggles.map(({ name, label, n }) => (
        <Button
          key={name}
          variant={filter[name] ? 'contained' : 'outlined'}
          aria-pressed={filter[name]}
          onClick={() => set(name, filter[name] ? undefined : '1')}
        >
          {label} ({n})
        </Button>
      ))}
      <TextField
        select
        fullWidth={false}
        size="small"
        label="Of one customer"
        value={customers.includes(filter.customer) ? filter.customer : ALL}
        onChange={(event) => set('customer', event.target.value === ALL ? undefined : event.target.value)}
        sx={{ width: 220 }}
      >
        <MenuItem value={ALL}>All customers</MenuItem>
        {customers.map((customer) => (
          <MenuItem key={customer} value={customer} sx={{ minHeight: 48 }}>
            {customer}
          </MenuItem>
        ))}
      </TextField>
    </Stack>
  );
}
