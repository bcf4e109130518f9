import { Box, Typography } from '@mui/material';
import { ChevronRight } from 'lucide-react';
import type { Channel, Check, Movement } from '../api/types';
import { moment } from '../bench/time';
import { word } from '../words/words';
import { Comb } from './Comb';

interface Props {
  channel: Channel;
  checks: Check[];
  movements: Movement[];
}

/** All maps of a visit for one channel, one below the other, each with how the gaps moved to it. */
export function ChannelHistory({ channel, checks, movements }: Props) {
  return (
    <Box component="details" sx={{ mt: 1, '&[open] .fold': { transform: 'rotate(90deg)' } }}>
      <Box
        component="summary"
        sx={{ cursor: 'pointer', minHeight: 48, display: 'flex', alignItems: 'center', gap: 1 }}
      >
        <ChevronRight aria-hidden className="fold" />
        All {checks.length} checks of {channel.colour}
      </Box>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.75 }}>
        {checks.map((check) => {
          const moved = movements.find((m) => m.now === check.id)?.channels[channel.code];
          return (
            <Box
              component="li"
              key={check.id}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', md: '1fr 330px' },
                gap: 1,
                alignItems: 'center',
              }}
            >
              <Comb channel={channel} reading={check.reading?.[channel.code] ?? ''} height={18} />
              <Typography>
                Check {check.number}, {moment(check.takenAt)}: {check.channels?.[channel.code].out ?? 0} out
                {moved && moved.movement !== 'NOTHING_OUT' && `; ${word('movement', moved.movement)}`}
              </Typography>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
