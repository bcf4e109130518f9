import { Button, Stack, Typography } from '@mui/material';

interface Props {
  ml: number;
  usual: number;
  yes: () => void;
  no: () => void;
}

/** A dose ten times the usual is asked about before it is kept: it is mistyped more often than meant. */
export function FarAbove({ ml, usual, yes, no }: Props) {
  return (
    <Stack direction="row" role="alert" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
      <Typography sx={{ fontWeight: 700 }}>
        {ml} mL is ten times the usual {usual} mL or more. Is that right?
      </Typography>
      <Button variant="outlined" onClick={yes}>
        Yes, {ml} mL
      </Button>
      <Button onClick={no}>No, I change it</Button>
    </Stack>
  );
}
