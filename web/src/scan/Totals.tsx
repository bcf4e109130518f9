import { Box, Typography } from '@mui/material';
import type { Scan, Visit } from '../api/types';
import { Block } from '../app/Page';
import { Comb, combWords } from '../nozzle/Comb';
import { count } from '../words/words';

/** What was read, channel by channel, with what makes a channel's reading weaker than it looks. */
export function Totals({
  visit,
  scan,
  reading,
}: {
  visit: Visit;
  scan: Scan;
  reading: Record<string, string>;
}) {
  return (
    <Block title="Totals">
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 1 }}>
        {visit.family.channels.map((channel) => {
          const result = scan.result.channels[channel.code];
          return (
            <Box component="li" key={channel.code}>
              <Comb channel={channel} reading={reading[channel.code] ?? ''} />
              <Typography>
                <b>{channel.colour}</b>: {combWords(reading[channel.code] ?? '')}
                {result?.printsAs !== undefined &&
                  result?.printsAs !== null &&
                  `; another colour printing here${result.printsAs ? ` (as ${result.printsAs})` : ''}: no dead channel`}
                {result?.foreign > 0 && `; another ink at ${count('NOZZLES', result.foreign)}`}
                {result?.usualFromOthers &&
                  '; hardly a dash of its own, so the other channels told how dark one should be'}
              </Typography>
            </Box>
          );
        })}
      </Box>
    </Block>
  );
}
