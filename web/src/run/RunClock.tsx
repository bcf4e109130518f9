import { Typography } from '@mui/material';
import { useNavigate } from 'react-router';
import type { Clock, Visit } from '../api/types';
import { MONO } from '../app/theme';
import { countdown, hour } from '../bench/time';
import { BigButton } from './BigButton';
import { NextHead, useNextHead } from './NextHead';
import { usePedal } from './usePedal';
import { useSaid, type Voice } from './useVoice';

interface Props {
  visit: Visit;
  clock: Pick<Clock, 'dueAt'>;
  now: number;
  voice: Voice;
  /** What is done when it is over, in words. */
  over: string;
  end: () => void;
  isBusy: boolean;
}

/** A wait: how long still, who else wants hands, and its end. Before its time a press goes to the other head, a long one ends it. */
export function RunClock({ visit, clock, now, voice, over, end, isBusy }: Props) {
  const navigate = useNavigate();
  const left = Date.parse(clock.dueAt) - now;
  const isDue = left <= 0;
  const next = useNextHead(visit, now, true);
  // When it is over the button has the pedal.
  usePedal(isDue ? undefined : { press: () => void (next && navigate(`/visits/${next.id}/run`)), hold: end });
  useSaid(voice, isDue ? over : '');
  return (
    <>
      <Typography
        role="timer"
        aria-label={isDue ? 'over since' : 'left'}
        sx={{ fontFamily: MONO, fontWeight: 600, fontSize: { xs: '3.5rem', md: '4.5rem' }, lineHeight: 1 }}
      >
        {countdown(left)}
      </Typography>
      <Typography sx={{ fontSize: '1.25rem' }}>
        {isDue ? 'Over since' : 'Until'} {hour(clock.dueAt)}.
        {!isDue && `${next ? ` Pedal: go to ${next.tag}.` : ''} Long press: end it now.`}
      </Typography>
      {!isDue && next && !next.isDue && <NextHead visit={visit} now={now} isFree />}
      <BigButton does={end} loading={isBusy} isPedal={isDue} variant={isDue ? 'contained' : 'outlined'}>
        {isDue ? over : 'End it now'}
      </BigButton>
    </>
  );
}
