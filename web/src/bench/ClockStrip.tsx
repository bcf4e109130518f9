import { Box, Button, IconButton, Stack, Typography } from '@mui/material';
import { Bell, BellOff } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import { useSession } from '../account/session';
import { useClocks } from '../api/queries';
import { MONO } from '../app/theme';
import { useAlarm } from './alarm';
import { clockName, isSiphoning, SIPHONS } from './clockWords';
import { countdown } from './time';
import { useNow } from './useNow';

const SHOWN = 4;

/**
 * Every clock that runs or waits for hands, in a slim strip on every page; what is due calls. The bench shows its
 * clocks itself, larger: there only the switch of the sound stands.
 */
export function ClockStrip() {
  const { person } = useSession();
  const clocks = useClocks();
  const isBench = useLocation().pathname === '/';
  const now = useNow(clocks.data?.serverTime);
  const running = clocks.data?.clocks ?? [];
  const due = running.filter((clock) => Date.parse(clock.dueAt) <= now);
  const siphons = running.filter((clock) => isSiphoning(clock, now));
  const alarm = useAlarm(
    person.name,
    clocks.data && [
      ...due.map((clock) => ({ id: clock.id, says: `${clock.tag}: ${clockName(clock)} is over` })),
      ...siphons.map((clock) => ({ id: `${clock.id} levels`, says: `${clock.tag}: ${SIPHONS}` })),
    ],
  );
  if (running.length === 0) {
    return null;
  }
  return (
    <Stack
      component="aside"
      aria-label="Running clocks"
      direction="row"
      sx={{
        px: { xs: 1.5, md: 3 },
        gap: 1,
        alignItems: 'center',
        overflowX: 'auto',
        ...(isBench && { position: 'absolute', right: 0, zIndex: 1 }),
      }}
    >
      <IconButton
        aria-label={alarm.isOn ? 'Turn the sound of clocks off' : 'Turn the sound of clocks on'}
        onClick={alarm.toggle}
      >
        {alarm.isOn ? <Bell /> : <BellOff />}
      </IconButton>
      {alarm.isOn && (
        <Button size="small" onClick={alarm.test} sx={{ flexShrink: 0 }}>
          Try it
        </Button>
      )}
      {running.slice(0, isBench ? 0 : SHOWN).map((clock) => {
        const isDue = Date.parse(clock.dueAt) <= now || isSiphoning(clock, now);
        return (
          <Box
            key={clock.id}
            component={Link}
            to={`/visits/${clock.visitId}`}
            sx={(t) => ({
              display: 'flex',
              gap: 1,
              alignItems: 'center',
              flexShrink: 0,
              minHeight: 48,
              px: 1.25,
              borderRadius: 1,
              textDecoration: 'none',
              color: isDue ? t.vars.palette.due.contrastText : 'text.primary',
              bgcolor: isDue ? t.vars.palette.due.main : 'background.paper',
            })}
          >
            <Typography component="span" noWrap sx={{ maxWidth: { xs: 120, sm: 230 } }}>
              <b>{clock.tag}</b> {isSiphoning(clock, now) ? SIPHONS : clockName(clock)}
            </Typography>
            <Typography component="span" sx={{ fontFamily: MONO, fontWeight: 600 }}>
              {countdown(Date.parse(clock.dueAt) - now)}
            </Typography>
          </Box>
        );
      })}
      {!isBench && running.length > SHOWN && (
        <Typography noWrap sx={{ flexShrink: 0 }}>
          and {running.length - SHOWN} more
        </Typography>
      )}
    </Stack>
  );
}
