import { Box, Button, Stack, Typography } from '@mui/material';
import { Link } from 'react-router';
import type { Procedure, Visit } from '../api/types';
import { Block } from '../app/Page';
import { word } from '../words/words';
import { flushWay } from './steps';

/** Every channel of an ink change with what went through it beside its need, light colours first. */
export function InkRows({
  visit,
  procedure,
  mayWrite,
}: {
  visit: Visit;
  procedure: Procedure;
  mayWrite: boolean;
}) {
  const { ink } = procedure;
  if (!ink) {
    return null;
  }
  return (
    <Block title="Channel by channel">
      <Stack spacing={1}>
        {procedure.rows.map((row) => {
          const channel = visit.family.channels.find((c) => c.code === row.channel);
          const to = flushWay(visit.id, row);
          return (
            <Stack
              key={row.channel}
              direction="row"
              role="group"
              aria-label={channel?.colour ?? row.channel}
              sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}
            >
              <Typography
                sx={{ width: 130, fontWeight: 700, borderLeft: `10px solid ${channel?.ink}`, pl: 1 }}
              >
                {channel?.colour}
              </Typography>
              <Box sx={{ flex: 1, minWidth: 180 }}>
                <Box sx={{ height: 14, bgcolor: 'line', borderRadius: 1, overflow: 'hidden' }} aria-hidden>
                  <Box
                    sx={{
                      height: '100%',
                      width: `${Math.min(100, (100 * row.ml) / ink.mostMl)}%`,
                      bgcolor: row.over ? 'error.main' : 'primary.main',
                    }}
                  />
                </Box>
                <Typography>
                  {row.ml} mL of {ink.needMl.toFixed(1)} mL, {ink.mostMl.toFixed(1)} mL at most;{' '}
                  {row.done
                    ? 'a fresh pad shows no colour'
                    : row.pad
                      ? `pad: ${word('stepFinding', row.pad)}`
                      : 'no fresh pad looked at yet'}
                  {row.over && '; over its need: a lead decides'}
                </Typography>
              </Box>
              {mayWrite && !row.done && (
                <Button variant="outlined" component={Link} to={to}>
                  {row.way === 'CYCLES' ? 'Cycle' : row.way === 'DRAW_BACK' ? 'Draw back' : 'Flush'}{' '}
                  {row.channel}
                </Button>
              )}
            </Stack>
          );
        })}
      </Stack>
    </Block>
  );
}
