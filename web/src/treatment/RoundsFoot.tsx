import { Button, Stack, Typography } from '@mui/material';
import { Link } from 'react-router';
import type { Attempt } from '../api/types';
import { KeyHint } from '../app/KeyHint';

interface Props {
  attempt: Attempt | undefined;
  isOver: boolean;
  isLate: boolean;
  hasStrokes: boolean;
  /** Whether the server has everything. */
  isKept: boolean;
  isBusy: boolean;
  end: () => void;
  leave: () => void;
  visitId: string;
}

/** How rounds are left: over by themselves, stopped, thrown away before the first stroke, or left open. */
export function RoundsFoot({
  attempt,
  isOver,
  isLate,
  hasStrokes,
  isKept,
  isBusy,
  end,
  leave,
  visitId,
}: Props) {
  return (
    <>
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        {isOver && attempt ? (
          <>
            <Typography role="status" sx={{ fontWeight: 700 }}>
              {attempt.rounds!.rows.every((row) => row.next === 'DONE')
                ? 'Every channel is at its end point.'
                : 'These rounds have ended.'}
            </Typography>
            <Button variant="contained" size="large" onClick={leave} sx={{ minHeight: 64 }}>
              Back to the visit
            </Button>
          </>
        ) : (
          <>
            {hasStrokes && (
              <Button
                variant={isLate ? 'contained' : 'outlined'}
                size="large"
                loading={isBusy}
                disabled={!isLate && !isKept}
                onClick={end}
                sx={{ minHeight: 64 }}
              >
                {isLate ? 'Log these rounds' : 'Stop here'}
              </Button>
            )}
            {!attempt && (
              <Button size="large" onClick={leave}>
                Throw it away
              </Button>
            )}
            {attempt && (
              <Button component={Link} to={`/visits/${visitId}`} size="large">
                Leave it open
              </Button>
            )}
          </>
        )}
      </Stack>
      <Typography color="text.secondary" sx={{ display: { xs: 'none', md: 'block' } }}>
        <KeyHint>Space</KeyHint> or pedal starts and stops, <KeyHint>G</KeyHint> given untimed,{' '}
        <KeyHint>1</KeyHint> to <KeyHint>6</KeyHint> what was seen, <KeyHint>0</KeyHint> not seen,{' '}
        <KeyHint>A</KeyHint> same as above, <KeyHint>P</KeyHint> fresh pad, <KeyHint>↑</KeyHint>{' '}
        <KeyHint>↓</KeyHint> channel
      </Typography>
    </>
  );
}
