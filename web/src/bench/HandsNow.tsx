import { Box, Typography } from '@mui/material';
import { Hand, PlugZap } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Clock } from '../api/types';
import { MONO } from '../app/theme';
import { clockName } from './clockWords';
import { countdown } from './time';

/** What wants hands this minute, and what must not be powered. */
export function HandsNow({ clocks, now }: { clocks: Clock[]; now: number }) {
  const due = clocks.filter((clock) => clock.kind !== 'HOLD' && Date.parse(clock.dueAt) <= now);
  const held = clocks.filter((clock) => clock.kind === 'HOLD' && Date.parse(clock.dueAt) > now);
  const next = clocks.find((clock) => clock.kind !== 'HOLD' && Date.parse(clock.dueAt) > now);
  return (
    <Box
      component="section"
      aria-label="Hands and holds"
      sx={{
        display: 'grid',
        gap: 1.5,
        mb: 1.5,
        gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 220px), 1fr))',
      }}
    >
      {due.map((clock) => (
        <Notice
          key={clock.id}
          clock={clock}
          tone="due"
          icon={<Hand aria-hidden size={30} />}
          lead={`Hands: ${clockName(clock)} is over`}
          time={countdown(Date.parse(clock.dueAt) - now)}
        />
      ))}
      {due.length === 0 && (
        <Box sx={{ bgcolor: 'background.paper', borderRadius: 1, p: 1.5 }}>
          <Typography sx={{ fontWeight: 700 }}>Nothing waits for hands</Typography>
          <Typography>
            {next
              ? `Next: ${next.tag}, ${clockName(next)}, in ${countdown(Date.parse(next.dueAt) - now)}`
              : 'No soak or bath runs.'}
          </Typography>
        </Box>
      )}
      {held.map((clock) => (
        <Notice
          key={clock.id}
          clock={clock}
          tone="hold"
          icon={<PlugZap aria-hidden size={30} />}
          lead="No power: it dries"
          time={countdown(Date.parse(clock.dueAt) - now)}
        />
      ))}
    </Box>
  );
}

function Notice({
  clock,
  tone,
  icon,
  lead,
  time,
}: {
  clock: Clock;
  tone: 'due' | 'hold';
  icon: ReactNode;
  lead: string;
  time: string;
}) {
  return (
    <Box
      component={Link}
      to={`/visits/${clock.visitId}`}
      sx={(t) => ({
        minWidth: 0,
        display: 'flex',
        alignItems: 'center',
        gap: 1.5,
        p: 1.5,
        borderRadius: 1,
        textDecoration: 'none',
        color: t.vars.palette[tone].contrastText,
        background:
          tone === 'due'
            ? t.vars.palette.due.main
            : `repeating-linear-gradient(135deg, ${t.vars.palette.hold.main} 0 18px, ${t.vars.palette.hold.stripe} 18px 36px)`,
      })}
    >
      {icon}
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 750 }}>{lead}</Typography>
        <Typography noWrap>
          {clock.tag}, {clock.headName}
        </Typography>
        <Typography sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '1.5rem', lineHeight: 1.2 }}>
          {time}
        </Typography>
      </Box>
    </Box>
  );
}
