import { MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import { useWaste } from '../api/queries';

const KEY = 'undoknot-waste-goes-to';

/** The container that stands at this bench: chosen once, remembered by the screen. */
export function useWasteContainer() {
  const waste = useWaste();
  const [chosen, setChosen] = useState(() => localStorage.getItem(KEY) ?? '');
  const known = waste.data?.find((c) => c.id === chosen);
  return {
    containers: waste.data ?? [],
    id: known?.id,
    choose: (id: string) => {
      localStorage.setItem(KEY, id);
      setChosen(id);
    },
  };
}

/** Where what is spent goes; the container fills with it. */
export function WasteGoesTo({ waste }: { waste: ReturnType<typeof useWasteContainer> }) {
  if (waste.containers.length === 0) {
    return null;
  }
  return (
    <TextField
      select
      label="Waste goes to"
      value={waste.id ?? ''}
      onChange={(event) => waste.choose(event.target.value)}
      helperText="Remembered on this screen."
    >
      <MenuItem value="">not noted</MenuItem>
      {waste.containers.map((c) => (
        <MenuItem key={c.id} value={c.id} sx={{ minHeight: 48 }}>
          {c.name}: {c.levelMl} of {c.capacityMl} mL
        </MenuItem>
      ))}
    </TextField>
  );
}
