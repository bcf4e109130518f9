import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { Clock } from '../api/types';
import { clockName } from './clockWords';
import { away, hour, onRibbon } from './time';

const MINUTE = 60_000;
const NOW_AT = 0.16;
const LANE = 30;
const MARKS = [10, 60, 180, 360, 720, 1440, 2880];

/** Soaks, baths and holds on one ribbon of time. The near future has more room than the far one. */
export function Ribbon({ clocks, now }: { clocks: Clock[]; now: number }) {
  const { vars } = useTheme();
  const furthest = Math.max(...clocks.map((clock) => Math.abs(Date.parse(clock.dueAt) - now)), 60 * MINUTE);
  const span = (MARKS.find((mark) => mark * MINUTE >= furthest) ?? 2880) * MINUTE;
  const place = (instant: string) => `${onRibbon(Date.parse(instant) - now, span, NOW_AT) * 100}%`;
  return (
    <Box
      component="section"
      aria-label="Time ribbon"
      sx={{
        position: 'relative',
        bgcolor: 'background.paper',
        borderRadius: 1,
        mb: 2,
        pt: 3.5,
        pb: 1,
        overflow: 'hidden',
      }}
    >
      {MARKS.filter((mark) => mark * MINUTE <= span).map((mark) => (
        <Box
          key={mark}
          sx={{
            position: 'absolute',
            top: 4,
            bottom: 0,
            left: `${onRibbon(mark * MINUTE, span, NOW_AT) * 100}%`,
            borderLeft: '1px dashed',
            borderColor: 'line',
            transform: 'translateX(-1px)',
          }}
        >
          <Typography
            component="span"
            color="text.secondary"
            sx={{
              position: 'absolute',
              right: 6,
              top: 0,
              whiteSpace: 'nowrap',
              display: { xs: mark < 60 ? 'none' : 'inline', md: 'inline' },
            }}
          >
            {mark < 60 ? `${mark} min` : `${mark / 60} h`}
          </Typography>
        </Box>
      ))}
      <Box
        sx={{
          position: 'absolute',
          top: 0,
          bottom: 0,
          left: `${NOW_AT * 100}%`,
          borderLeft: '3px solid',
          borderColor: 'thread',
        }}
      >
        <Typography component="span" sx={{ position: 'absolute', right: 8, top: 3, fontWeight: 700 }}>
          now
        </Typography>
      </Box>
      {clocks.map((clock) => {
        const isDue = Date.parse(clock.dueAt) <= now;
        const isHold = clock.kind === 'HOLD';
        const words = `${clock.tag}: ${clockName(clock)}, ${isDue ? `over since ${away(Date.parse(clock.dueAt) - now)}` : `until ${hour(clock.dueAt)}`}`;
        return (
          <Box key={clock.id} sx={{ position: 'relative', height: LANE }} title={words}>
            <Box
              sx={{
                position: 'absolute',
                top: 4,
                height: LANE - 8,
                left: place(clock.startedAt),
                right: `calc(100% - ${place(isDue ? new Date(now).toISOString() : clock.dueAt)})`,
                minWidth: 6,
                borderRadius: 0.5,
                background: isHold
                  ? `repeating-linear-gradient(135deg, ${vars.palette.hold.main} 0 10px, ${vars.palette.hold.stripe} 10px 20px)`
                  : isDue
                    ? vars.palette.due.main
                    : vars.palette.primary.main,
              }}
            />
            <Typography
              component="span"
              noWrap
              sx={{
                position: 'absolute',
                top: 3,
                left: `calc(${place(isDue ? new Date(now).toISOString() : clock.dueAt)} + 3px)`,
                ...(onRibbon(Date.parse(clock.dueAt) - now, span, NOW_AT) > 0.5 && {
                  left: 'auto',
                  right: `calc(100% - ${place(clock.dueAt)} + 3px)`,
                  // A bar this long holds its words, except on a phone.
                  px: 1,
                  color: { xs: 'text.primary', md: isHold ? 'hold.contrastText' : 'primary.contrastText' },
                  bgcolor: { xs: 'background.paper', md: 'transparent' },
                }),
              }}
            >
              {words}
            </Typography>
          </Box>
        );
      })}
    </Box>
  );
}
