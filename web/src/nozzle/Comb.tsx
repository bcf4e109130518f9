import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import type { Channel } from '../api/types';
import { combPaths, tally } from './comb';

interface Props {
  channel: Channel;
  reading: string;
  width?: number | string;
  height?: number;
}

const VIEW = 600;

/** A channel as a comb: whole teeth fire, half ones are weak, leaning ones deflected, absent ones missing, dotted ones unread. */
export const Comb = memo(function Comb({ channel, reading, width = '100%', height = 22 }: Props) {
  const { vars } = useTheme();
  const paths = combPaths(reading, VIEW, 4, height - 5, 1);
  return (
    <svg
      role="img"
      aria-label={`${channel.colour}: ${combWords(reading)}`}
      width={width}
      height={height}
      viewBox={`0 0 ${VIEW} ${height}`}
      preserveAspectRatio="none"
      style={{ display: 'block' }}
    >
      <rect width={VIEW} height={4} fill={channel.ink} />
      <path d={paths.whole} stroke={vars.palette.comb} strokeWidth={paths.stroke} fill="none" />
      <path
        d={paths.dotted}
        stroke={vars.palette.comb}
        strokeWidth={paths.stroke}
        strokeDasharray="1.5 3"
        fill="none"
      />
    </svg>
  );
});

/** Counts of a reading in words, only what is not firing. */
export function combWords(reading: string): string {
  const counts = tally(reading);
  const parts = [
    counts.M > 0 ? `${counts.M} out` : '',
    counts.W > 0 ? `${counts.W} weak` : '',
    counts.D > 0 ? `${counts.D} deflected` : '',
    counts.U > 0 ? `${counts.U} unread` : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : `all ${reading.length} firing`;
}
