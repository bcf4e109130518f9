import { Button, Stack, Typography } from '@mui/material';
import type { Channel, PushView } from '../api/types';
import { readNumber } from '../app/fields';
import { MONO } from '../app/theme';
import { useUnits } from '../flow/units';
import type { useRounds } from '../treatment/useRounds';
import { word } from '../words/words';
import { BigButton } from './BigButton';
import { countOf, useSaid, type Voice } from './useVoice';

interface OneProps {
  rounds: ReturnType<typeof useRounds>;
  code: string;
  channel: Channel;
  push: PushView | undefined;
  bottle: string | undefined;
  voice: Voice;
}

/** One stroke: its dose, its fluid, how slow and how hard at most, and the watch. */
export function OneStroke({ rounds, code, channel, push, bottle, voice }: OneProps) {
  const { say } = useUnits();
  const { watch, value } = rounds;
  const ml = readNumber(rounds.doseOf(code)) ?? 0;
  const seconds = push ? Math.ceil(ml * push.secondsPerMl) : undefined;
  const biggest = push?.greatestForces.at(-1);
  const isRunning = watch.running !== undefined;
  const warm = Number(value.temperatureC) > 25 ? `, at ${say(Number(value.temperatureC), 'C')}` : '';
  useSaid(
    voice,
    isRunning
      ? seconds
        ? countOf(watch.running!, seconds)
        : ''
      : `${channel.colour}, ${ml} millilitres${seconds ? `, ${seconds} seconds or slower` : ''}`,
  );
  const does = () => (isRunning ? watch.stop() : rounds.sure(code, watch.start));
  return (
    <>
      <Stack direction="row" sx={{ columnGap: 3, flexWrap: 'wrap', alignItems: 'baseline' }}>
        <Typography sx={{ fontSize: { xs: '2rem', md: '3rem' }, fontWeight: 750 }}>
          {say(ml, 'ML')}
        </Typography>
        {seconds !== undefined && (
          <Typography sx={{ fontSize: { xs: '1.5rem', md: '2rem' } }}>in {seconds} s or slower</Typography>
        )}
        {isRunning && (
          <Typography
            role="timer"
            aria-label="Seconds of this stroke"
            sx={{
              fontFamily: MONO,
              fontWeight: 600,
              fontSize: { xs: '3rem', md: '4rem' },
              lineHeight: 1,
              ml: 'auto',
            }}
          >
            {watch.running!.toFixed(1)}
          </Typography>
        )}
      </Stack>
      <Typography sx={{ fontSize: '1.25rem' }}>
        {bottle}
        {warm}
        {biggest && push && (
          <>
            . {word('syringe', biggest.syringe)} syringe: at most <b>{Number(biggest.newton.toFixed(1))} N</b>{' '}
            for {say(push.limitKpa, 'KPA')}
            {biggest.newton < 10 && ', no thumb is safe: raise a reservoir'}
          </>
        )}
        .
      </Typography>
      {rounds.asked?.channel === code && (
        <Typography role="alert">
          {rounds.asked.ml} mL is far above the usual {rounds.asked.usual} mL.{' '}
          <Button onClick={() => rounds.asked?.act()}>It is meant so</Button>
        </Typography>
      )}
      <BigButton does={does} disabled={rounds.hindrance !== undefined}>
        {isRunning ? 'Stop' : 'Start'}
      </BigButton>
      {isRunning && (
        <Button onClick={watch.cancel} size="large">
          No stroke
        </Button>
      )}
      {rounds.hindrance && (
        <Typography role="status" color="error">
          {rounds.hindrance}
        </Typography>
      )}
    </>
  );
}
