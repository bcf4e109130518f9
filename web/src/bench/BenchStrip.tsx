import { Box, Stack, Typography } from '@mui/material';
import { Hand } from 'lucide-react';
import { memo } from 'react';
import { Link } from 'react-router';
import type { Strip } from '../api/types';
import { MONO } from '../app/theme';
import { adviceTitle } from '../diagnosis/judgement';
import { Comb, combWords } from '../nozzle/Comb';
import { entryWords } from '../procedure/steps';
import { CoarsePicture } from '../nozzle/CoarsePicture';
import { Thread } from '../thread/Thread';
import { keptFrom, powerWords } from '../visit/power';
import { capital, count, word } from '../words/words';
import { away, countdown, dateInDays, day, daysLate } from './time';

const URGENT = ['LIFT_FROM_SOAK', 'END_BURST', 'TAKE_PAD_OUT'];

interface Props {
  strip: Strip;
  now: number;
  numberKey?: number;
}

/** One head on the bench: tag, owner, channels as combs, thread, what is next and when it was promised. */
export function BenchStrip({ strip, now, numberKey }: Props) {
  const kept = strip.closedAt ? [] : keptFrom(strip.head, now);
  const isHeld = kept.length > 0;
  const isDrying = !strip.closedAt && strip.head.driesAt && Date.parse(strip.head.driesAt) <= now;
  const isUrgent = URGENT.includes(strip.next.action);
  const advised =
    strip.next.action.startsWith('WAIT') || strip.next.action === 'REFIT' ? undefined : strip.next.advised;
  const next = advised ? adviceTitle(advised) : word('action', strip.next.action);
  const at = strip.next.at ? Date.parse(strip.next.at) : undefined;
  return (
    <Box
      component={Link}
      to={`/visits/${strip.id}`}
      aria-label={`${strip.tag}, ${strip.customer}, ${strip.family}: ${next}`}
      sx={(t) => ({
        display: 'grid',
        gridTemplateColumns: { xs: '1fr auto', md: '230px minmax(160px, 0.9fr) minmax(200px, 1.2fr) 215px' },
        columnGap: 2,
        rowGap: 0.5,
        alignItems: 'center',
        py: 0.75,
        px: 1.5,
        bgcolor: 'background.paper',
        borderRadius: 1,
        color: 'text.primary',
        textDecoration: 'none',
        borderLeft: `8px solid ${isUrgent ? t.vars.palette.due.main : isHeld ? t.vars.palette.hold.main : t.vars.palette.line}`,
        '&:hover': { outline: `2px solid ${t.vars.palette.primary.main}` },
      })}
    >
      <Box sx={{ minWidth: 0 }}>
        <Stack direction="row" sx={{ alignItems: 'baseline', gap: 1 }}>
          <Typography
            component="span"
            sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '1.375rem', letterSpacing: '0.04em' }}
          >
            {strip.tag}
          </Typography>
          <Typography component="span" noWrap color="text.secondary">
            {strip.family}
          </Typography>
          {numberKey && (
            <Box
              component="kbd"
              aria-hidden
              sx={{ color: 'text.secondary', fontFamily: 'inherit', display: { xs: 'none', md: 'inline' } }}
            >
              {numberKey}
            </Box>
          )}
        </Stack>
        <Typography noWrap>{strip.customer}</Typography>
        {strip.inHand && !strip.closedAt && (
          <Typography noWrap sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
            <Hand size={16} aria-hidden /> {strip.inHand} has it
          </Typography>
        )}
        {strip.purpose !== 'REPAIR' && (
          <Typography noWrap sx={{ fontWeight: 700 }}>
            {capital(word('purpose', strip.purpose))}
          </Typography>
        )}
        {strip.food !== 'NOT_FOOD' && (
          <Typography sx={{ fontWeight: 700 }}>{capital(word('food', strip.food))}</Typography>
        )}
      </Box>
      <Box sx={{ gridRow: { xs: 2, md: 'auto' }, gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        <Combs strip={strip} />
      </Box>
      <Box sx={{ minWidth: 0, gridRow: { xs: 3, md: 'auto' }, gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        <Thread beads={strip.thread} isClosed={strip.closedAt !== undefined} />
        <Typography color="text.secondary" noWrap>
          {lastWords(strip, now)}
        </Typography>
      </Box>
      <Box sx={{ textAlign: { xs: 'right', md: 'left' } }}>
        <Typography sx={{ fontWeight: 700 }}>
          {strip.outcome ? capital(word('outcome', strip.outcome)) : next}
          {at !== undefined && (
            <Box component="span" sx={{ fontFamily: MONO, whiteSpace: 'nowrap' }}>
              {' '}
              {countdown(at - now)}
            </Box>
          )}
        </Typography>
        {isHeld && <Typography sx={{ fontWeight: 700 }}>{powerWords(kept)}</Typography>}
        {isDrying && <Typography sx={{ fontWeight: 700 }}>Uncapped: it dries.</Typography>}
        {strip.errorBack && !strip.closedAt && (
          <Typography sx={{ fontWeight: strip.errorBack <= dateInDays(0) ? 700 : 400 }}>
            error expected back {day(strip.errorBack)}
          </Typography>
        )}
        <Promise strip={strip} now={now} />
      </Box>
    </Box>
  );
}

/** What was done last, so that a strip tells where it stands also where its middle is empty. */
function lastWords({ last, closedAt }: Strip, now: number): string {
  if (!last) {
    return 'Nothing was done yet.';
  }
  const what = last.method ? word('method', last.method) : last.step ? entryWords(last.step) : 'check';
  return closedAt ? `Last: ${what}.` : `Last: ${what}, ${away(Date.parse(last.at) - now)} ago.`;
}

/** What is due today says so, and what is late how late. */
function Promise({ strip, now }: { strip: Strip; now: number }) {
  if (strip.closedAt) {
    return <Typography color="text.secondary">returned {day(strip.closedAt)}</Typography>;
  }
  const late = daysLate(strip.promisedOn, now);
  if (late < 0) {
    return (
      <Typography color="text.secondary">
        promised {day(strip.promisedOn)}
        {strip.promise !== 'HOLDS' && (
          <>
            , <b>{word('promise', strip.promise)}</b>
          </>
        )}
      </Typography>
    );
  }
  return (
    <Typography sx={{ fontWeight: 700 }} color={late > 0 ? 'error' : undefined}>
      {late > 0
        ? `late by ${count('DAYS', late)}`
        : strip.promise === 'HOLDS'
          ? 'due today'
          : `due today, ${word('promise', strip.promise)}`}
    </Typography>
  );
}

const Combs = memo(function Combs({ strip }: { strip: Strip }) {
  if (strip.coarse) {
    return <CoarsePicture coarse={strip.coarse} channels={strip.channels} height={10} />;
  }
  if (!strip.reading) {
    return <Typography color="text.secondary">no nozzle map yet</Typography>;
  }
  const reading = strip.reading;
  const height = strip.channels.length > 6 ? 9 : 12;
  return (
    <Stack
      sx={{ gap: '3px' }}
      title={strip.channels
        .map((channel) => `${channel.colour}: ${combWords(reading[channel.code])}`)
        .join('\n')}
    >
      {strip.channels.map((channel) => (
        <Comb key={channel.code} channel={channel} reading={reading[channel.code]} height={height} />
      ))}
    </Stack>
  );
});
