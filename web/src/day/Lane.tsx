import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { hour } from '../bench/time';
import { hoursOf, placeOn, type Axis } from './dayTime';

/** Width of what names a lane, px. */
export const NAMED = 172;

/** The hours above the lanes, and a line down through them for each. */
export function Hours({ axis, now }: { axis: Axis; now: number }) {
  const hours = hoursOf(axis);
  return (
    <Box aria-hidden sx={{ position: 'absolute', inset: 0, left: NAMED, pointerEvents: 'none' }}>
      {hours.map((at, i) => (
        <Box
          key={at}
          sx={{
            position: 'absolute',
            top: 0,
            bottom: 0,
            left: `${placeOn(axis, at) * 100}%`,
            borderLeft: '1px dashed',
            borderColor: 'line',
          }}
        >
          {/* Where hours stand close, every other is named. */}
          {(hours.length <= 12 || i % 2 === 0) && (
            <Typography
              component="span"
              color="text.secondary"
              sx={{ position: 'absolute', left: 6, top: 0 }}
            >
              {hour(new Date(at).toISOString())}
            </Typography>
          )}
        </Box>
      ))}
      {now >= axis.from && now < axis.until && (
        <Box
          sx={{
            position: 'absolute',
            top: 24,
            bottom: 0,
            left: `${placeOn(axis, now) * 100}%`,
            borderLeft: '3px solid',
            borderColor: 'thread',
          }}
        />
      )}
    </Box>
  );
}

/** What names a lane stays in sight while the picture is moved along. */
export const STAYS = { position: 'sticky' as const, left: 0, zIndex: 4, bgcolor: 'background.paper' };

/** One line of the picture: what it is about, and what happens along it. */
export function Lane({ name, height, children }: { name: ReactNode; height: number; children: ReactNode }) {
  return (
    <Box role="listitem" sx={{ display: 'flex', minHeight: height, alignItems: 'center' }}>
      <Box
        sx={{
          ...STAYS,
          width: NAMED,
          height,
          flexShrink: 0,
          pl: 1.5,
          pr: 1,
          display: 'flex',
          alignItems: 'center',
        }}
      >
        {name}
      </Box>
      <Box sx={{ position: 'relative', flex: 1, height }}>{children}</Box>
    </Box>
  );
}

/** Where something stands along a lane. */
export function along(axis: Axis, from: number, until: number) {
  return {
    position: 'absolute' as const,
    left: `${placeOn(axis, from) * 100}%`,
    width: `${(placeOn(axis, until) - placeOn(axis, from)) * 100}%`,
  };
}
