import { Button, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import type { Check } from '../api/types';

const FILES = [
  { name: 'map.json', label: 'Nozzle map, JSON' },
  { name: 'map.csv', label: 'Nozzle map, CSV' },
  { name: 'comb.svg', label: 'Combs, SVG' },
  { name: 'comb.png', label: 'Combs, PNG' },
];

/** A check to take along in open formats. */
export function CheckFiles({ visitId, check }: { visitId: string; check: Check }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        aria-label={`Files of check ${check.number}`}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Files
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {FILES.map((file) => (
          <MenuItem
            key={file.name}
            component="a"
            href={`/api/visits/${visitId}/checks/${check.id}/${file.name}`}
            download
            onClick={() => setAnchor(null)}
            sx={{ minHeight: 48 }}
          >
            {file.label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
