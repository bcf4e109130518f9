import { Box, Button, Stack, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { newId } from '../api/newId';
import type { UsualPart, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { partName, takeOff, usualLeft } from './parts';

/** What usually comes off this family, in order: the next one large, one tap or Enter. */
export function OffCard({ visit }: { visit: Visit }) {
  const [skipped, setSkipped] = useState<UsualPart[]>([]);
  const left = usualLeft(visit).filter(
    (u) => !skipped.some((s) => s.name === u.name && s.channel === u.channel && s.kind === u.kind),
  );
  // Sent again after a lost connection, an entry is the same one.
  const keys = useRef(new Map<string, string>());
  const keyOf = (of: string) => {
    const known = keys.current.get(of) ?? newId();
    keys.current.set(of, known);
    return known;
  };
  const write = useWrite(
    async (parts: UsualPart[]) => {
      let last: Visit | undefined;
      for (const part of parts) {
        last = await takeOff(last ?? visit, keyOf(partName(part)), keyOf('head'), part);
      }
      return last;
    },
    () => keys.current.clear(),
  );
  const next = left[0];
  const isRead = useKeys(next ? { enter: () => write.send([next]) } : {}, next && partName(next));
  if (!next) {
    return (
      <Typography>
        {visit.finish.usualParts.length === 0
          ? 'This family has no usual list yet. A lead writes it under House rules, Families.'
          : 'Everything of the usual list is noted.'}
      </Typography>
    );
  }
  return (
    // A part has buttons of its own: the second tap of a double tap is not for the next one.
    <Stack
      key={partName(next)}
      component="section"
      aria-label="Comes off next"
      spacing={1.5}
      sx={{
        bgcolor: 'background.paper',
        borderRadius: 1,
        p: 2,
        borderLeft: '8px solid',
        borderColor: 'thread',
      }}
    >
      <Typography color="text.secondary">Usually next</Typography>
      <Typography variant="h2" sx={{ fontSize: '1.5rem' }}>
        {partName(next)}
      </Typography>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          loading={write.isBusy}
          onClick={() => write.send([next])}
          sx={{ minHeight: 64, minWidth: 160, fontSize: '1.25rem' }}
        >
          It is off
          <KeyHint rests={!isRead}>Enter</KeyHint>
        </Button>
        <Button variant="outlined" onClick={() => setSkipped([...skipped, next])}>
          Not on this one
        </Button>
        {left.length > 1 && (
          <Button variant="outlined" loading={write.isBusy} onClick={() => write.send(left)}>
            All {left.length}, in this order
          </Button>
        )}
      </Stack>
      <Box>
        <Typography color="text.secondary" sx={{ mb: 0.5 }}>
          After it
        </Typography>
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
          {left.slice(1).map((part) => (
            <Button
              key={partName(part)}
              variant="outlined"
              loading={write.isBusy}
              onClick={() => write.send([part])}
            >
              {partName(part)}
            </Button>
          ))}
        </Stack>
      </Box>
      <WriteProblem problem={write.problem} />
    </Stack>
  );
}
