import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import type { Visit } from '../api/types';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { hour } from '../bench/time';
import { WriteProblem } from '../app/states';
import { word } from '../words/words';
import { HoldDialog } from './HoldDialog';
import { useHeadEntry } from './useHeadEntry';

/** Where the head is, and one tap for what happens to it besides the work. */
export function HeadPlace({ visit, now }: { visit: Visit; now: number }) {
  const { site, uncappedSince, driesAt } = visit.head;
  const [isHolding, setHolding] = useState(false);
  const against = useAgainst();
  const write = useHeadEntry(visit, against.forget);
  const isOut = site === 'ON_BENCH';
  const isDrying = driesAt && Date.parse(driesAt) <= now;
  const gates = gatesOf(write.problem);
  const takeOut = () => write.send({ entry: 'HEAD_OUT', ...against.body() });
  return (
    <Stack spacing={1} component="section" aria-label="The head">
      <Typography>
        The head is <b>{word('site', site)}</b>
        {uncappedSince && `, uncapped since ${hour(uncappedSince)}`}.
      </Typography>
      {isDrying && (
        <Typography
          role="status"
          sx={(t) => ({
            fontWeight: 700,
            bgcolor: t.vars.palette.due.main,
            color: t.vars.palette.due.contrastText,
            p: 1,
            borderRadius: 1,
          })}
        >
          It dries. Cap it, or lay a moist pad under it.
        </Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        {visit.next.action !== 'REFIT' && (
          <Button
            variant="outlined"
            loading={write.isBusy}
            onClick={() => (isOut ? write.tap('HEAD_IN') : takeOut())}
          >
            {isOut ? 'Head is back in' : 'Head is out'}
          </Button>
        )}
        <Button
          variant="outlined"
          loading={write.isBusy}
          onClick={() => write.tap(uncappedSince ? 'CAPPED' : 'UNCAPPED')}
        >
          {uncappedSince ? 'Capped' : 'Left uncapped'}
        </Button>
        <Button variant="outlined" loading={write.isBusy} onClick={() => write.tap('SPILL')}>
          Spilled
        </Button>
        <Button variant="outlined" onClick={() => setHolding(true)}>
          Dry hold
        </Button>
      </Box>
      {gates.length > 0 ? (
        <Stack spacing={1}>
          <Against gates={gates} against={against} />
          {against.isEnough(gates) && (
            <Button variant="contained" loading={write.isBusy} onClick={takeOut}>
              Take it out
            </Button>
          )}
        </Stack>
      ) : (
        <WriteProblem problem={write.problem} />
      )}
      {isHolding && <HoldDialog visit={visit} close={() => setHolding(false)} />}
    </Stack>
  );
}
