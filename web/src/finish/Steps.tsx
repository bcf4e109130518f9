import { Box, Button, FormHelperText, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { AlignScale } from '../api/types';
import { readNumber } from '../app/fields';

/** More steps than these are typed instead of tapped. */
const MOST_BUTTONS = 15;

interface Props {
  position: number;
  scale: AlignScale;
  step: number | undefined;
  isNext: boolean;
  choose: (step: number) => void;
  problem?: string;
}

/** The steps of one position, the centre marked; one tap says which looks best. */
export function Steps({ position, scale, step, isNext, choose, problem }: Props) {
  const size = scale.most - scale.least + 1;
  const label = `Position ${position + 1}`;
  return (
    <Stack
      direction="row"
      role="group"
      aria-label={label}
      sx={{ gap: 0.5, flexWrap: 'wrap', alignItems: 'center' }}
    >
      <Typography
        sx={{
          width: { xs: '100%', sm: 110 },
          fontWeight: isNext ? 700 : 400,
          borderLeft: '4px solid',
          pl: 1,
        }}
        style={{ borderColor: isNext ? 'currentColor' : 'transparent' }}
      >
        {label}
      </Typography>
      {size > MOST_BUTTONS ? (
        <Typed scale={scale} step={step} label={label} choose={choose} />
      ) : (
        Array.from({ length: size }, (_, i) => scale.least + i).map((value) => (
          <Box key={value} sx={{ textAlign: 'center' }}>
            <Button
              variant={value === step ? 'contained' : 'outlined'}
              aria-pressed={value === step}
              onClick={() => choose(value)}
              sx={{
                minWidth: 48,
                minHeight: 48,
                px: 0,
                fontSize: '1.125rem',
                borderBottomWidth: value === scale.centre ? 4 : undefined,
              }}
            >
              {value}
            </Button>
          </Box>
        ))
      )}
      {problem && <FormHelperText error>{problem}</FormHelperText>}
    </Stack>
  );
}

function Typed({
  scale,
  step,
  label,
  choose,
}: {
  scale: AlignScale;
  step: number | undefined;
  label: string;
  choose: (step: number) => void;
}) {
  const [text, setText] = useState(step === undefined ? '' : String(step));
  const value = readNumber(text);
  const isWrong =
    value !== undefined && (!Number.isInteger(value) || value < scale.least || value > scale.most);
  return (
    <TextField
      value={text}
      onChange={(event) => {
        setText(event.target.value);
        const typed = readNumber(event.target.value);
        if (typed !== undefined && Number.isInteger(typed) && typed >= scale.least && typed <= scale.most) {
          choose(typed);
        }
      }}
      error={isWrong}
      helperText={isWrong ? `Enter ${scale.least} to ${scale.most}.` : undefined}
      slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${label}, step` } }}
      sx={{ width: 140 }}
    />
  );
}
