import { Button, Stack, Switch, FormControlLabel, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { AlignScale } from '../api/types';
import { readNumber } from '../app/fields';
import { Block } from '../app/Page';

const NAMES = {
  positions: 'Positions',
  least: 'First step',
  most: 'Last step',
  centre: 'Centre',
} as const;

type Name = keyof typeof NAMES;

/** The scale as the printer prints it: what the family says, or what stands on the sheet. */
export function ScaleForm({
  scale,
  choose,
}: {
  scale: AlignScale | undefined;
  choose: (scale: AlignScale) => void;
}) {
  const [isOpen, setOpen] = useState(scale === undefined);
  const [typed, setTyped] = useState<Record<Name, string>>({
    positions: String(scale?.positions ?? ''),
    least: String(scale?.least ?? ''),
    most: String(scale?.most ?? ''),
    centre: String(scale?.centre ?? ''),
  });
  const [recentres, setRecentres] = useState(scale?.recentres ?? false);
  const values = Object.fromEntries(
    (Object.keys(NAMES) as Name[]).map((name) => [name, readNumber(typed[name])]),
  ) as Record<Name, number | undefined>;
  const problem = problemOf(values);
  if (!isOpen) {
    return (
      <Button onClick={() => setOpen(true)} sx={{ alignSelf: 'flex-start' }}>
        The sheet shows another scale
      </Button>
    );
  }
  return (
    <Block title="The scale on the sheet">
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        {(Object.keys(NAMES) as Name[]).map((name) => (
          <TextField
            key={name}
            label={NAMES[name]}
            value={typed[name]}
            onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            sx={{ width: 130 }}
          />
        ))}
        <FormControlLabel
          control={<Switch checked={recentres} onChange={(event) => setRecentres(event.target.checked)} />}
          label="The choice becomes the new centre"
        />
        <Button
          variant="outlined"
          disabled={problem !== undefined}
          onClick={() => {
            choose({ ...(values as Record<Name, number>), recentres });
            setOpen(false);
          }}
          sx={{ minHeight: 56 }}
        >
          Use this scale
        </Button>
      </Stack>
      {problem && <Typography role="status">{problem}</Typography>}
    </Block>
  );
}

function problemOf({ positions, least, most, centre }: Record<Name, number | undefined>): string | undefined {
  const all = [positions, least, most, centre];
  if (all.some((value) => value === undefined || !Number.isInteger(value))) {
    return 'Enter whole numbers as they stand on the sheet.';
  }
  if (positions! < 1 || positions! > 40) {
    return 'Enter 1 to 40 positions.';
  }
  return least! < most! && centre! >= least! && centre! <= most!
    ? undefined
    : 'The centre lies on the scale.';
}
