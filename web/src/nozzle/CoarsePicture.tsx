import { Box, Stack } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { Channel, Coarse } from '../api/types';
import { lineWords } from './coarse';

const WIDTH = 400;

/** How much of a bar stands for a level: whole, pale, streaked, gone; a stream or a pad print by the same picture. */
const FILL: Record<string, { share: number; opacity: number; dash?: string }> = {
  BAR_FULL: { share: 1, opacity: 1 },
  BAR_STREAKED: { share: 1, opacity: 1, dash: '14 6' },
  BAR_PALE: { share: 1, opacity: 0.35 },
  BAR_ABSENT: { share: 0, opacity: 1 },
  STREAM_WHOLE: { share: 1, opacity: 1 },
  STREAM_BROKEN: { share: 1, opacity: 1, dash: '14 6' },
  STREAM_DRIPS: { share: 1, opacity: 1, dash: '3 17' },
  STREAM_NONE: { share: 0, opacity: 1 },
  PAD_WHOLE_ROW: { share: 1, opacity: 1 },
  PAD_PART: { share: 0.5, opacity: 1 },
  PAD_DRY: { share: 0, opacity: 1 },
};

/** A reading of one word a channel as bars: what was seen, and an open frame where nothing was. */
export function CoarsePicture({
  coarse,
  channels,
  height,
}: {
  coarse: Coarse;
  channels: Channel[];
  height: number;
}) {
  const { vars } = useTheme();
  return (
    <Stack sx={{ gap: '3px' }}>
      {channels.map((channel) => {
        const line = coarse.channels[channel.code];
        const fill = line?.level ? FILL[line.level] : undefined;
        return (
          <Box
            key={channel.code}
            component="svg"
            role="img"
            aria-label={`${channel.colour}: ${lineWords(line)}`}
            viewBox={`0 0 ${WIDTH} ${height}`}
            preserveAspectRatio="none"
            sx={{ width: '100%', height, display: 'block' }}
          >
            <rect
              x="0.5"
              y="0.5"
              width={WIDTH - 1}
              height={height - 1}
              fill="none"
              stroke={vars.palette.comb}
              strokeWidth="0.5"
              strokeDasharray={line?.level ? undefined : '3 3'}
            />
            {fill && fill.share > 0 && (
              <path
                d={`M0 ${height / 2}H${WIDTH * fill.share}`}
                stroke={channel.ink}
                strokeWidth={height - 2}
                strokeDasharray={fill.dash}
                opacity={fill.opacity}
              />
            )}
          </Box>
        );
      })}
    </Stack>
  );
}
