import { Box, Button, Stack, Typography } from '@mui/material';
import { Timer } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Channel } from '../api/types';
import { Choice } from '../app/fields';
import { KeyHint } from '../app/KeyHint';
import { useKeys } from '../app/useKeys';
import { capital, terms, word } from '../words/words';
import { freshStroke, type StrokeForm } from './attemptForm';
import type { FieldsProps } from './AttemptPage';
import { ChannelChoice } from './ChannelChoice';
import { NumberField } from './NumberField';

/** A flush: for each channel the dose, the time of the stroke, how it went in and what came out. */
export function FlushFields({ visit, form, change, wrong }: FieldsProps) {
  const [inHand, setInHand] = useState(form.channels[0]);
  const watch = useStrokeWatch((seconds) => setStroke(inHand, { seconds }));
  const active = form.channels.includes(inHand) ? inHand : form.channels[0];

  function setStroke(code: string, part: Partial<StrokeForm>) {
    change({ strokes: { ...form.strokes, [code]: { ...(form.strokes[code] ?? freshStroke()), ...part } } });
  }

  function toggleWatch(code: string) {
    setInHand(code);
    watch.toggle();
  }

  useKeys({ ' ': () => active && toggleWatch(active) });

  return (
    <>
      <NumberField
        label="Temperature of the fluid"
        unit="°C"
        value={form.temperatureC}
        onChange={(temperatureC) => change({ temperatureC })}
        error={wrong('flush.temperatureC')}
      />
      <ChannelChoice
        visit={visit}
        value={form.channels}
        onChange={(channels) => change({ channels })}
        error={wrong('flush.strokes')}
      />
      {form.channels.map((code, i) => (
        <StrokeFields
          key={code}
          channel={visit.family.channels.find((c) => c.code === code) as Channel}
          stroke={form.strokes[code] ?? freshStroke()}
          change={(part) => setStroke(code, part)}
          wrong={(name) => wrong(`flush.strokes[${i}].${name}`)}
          running={active === code ? watch.running : undefined}
          toggleWatch={() => toggleWatch(code)}
          hasPedal={active === code}
          copyToAll={
            i === 0 && form.channels.length > 1
              ? () =>
                  change({
                    strokes: Object.fromEntries(
                      form.channels.map((c) => [c, form.strokes[code] ?? freshStroke()]),
                    ),
                  })
              : undefined
          }
        />
      ))}
    </>
  );
}

interface StrokeProps {
  channel: Channel;
  stroke: StrokeForm;
  change: (part: Partial<StrokeForm>) => void;
  wrong: (name: string) => string | undefined;
  /** Seconds that the watch runs for this channel, when it does. */
  running?: number;
  toggleWatch: () => void;
  hasPedal: boolean;
  copyToAll?: () => void;
}

function StrokeFields({
  channel,
  stroke,
  change,
  wrong,
  running,
  toggleWatch,
  hasPedal,
  copyToAll,
}: StrokeProps) {
  return (
    <Box
      role="group"
      aria-label={channel.colour}
      sx={{ borderLeft: `8px solid ${channel.ink}`, pl: 2, py: 0.5 }}
    >
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h3" sx={{ flex: 1 }}>
          {channel.colour}
        </Typography>
        {copyToAll && <Button onClick={copyToAll}>Copy to all chosen</Button>}
      </Stack>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr 1fr', sm: '1fr 1fr auto' },
          gap: 1.5,
          mb: 1.5,
          alignItems: 'start',
        }}
      >
        <NumberField
          label="Dose"
          unit="mL"
          value={stroke.volumeMl}
          onChange={(volumeMl) => change({ volumeMl })}
          error={wrong('volumeMl')}
        />
        <NumberField
          label="Stroke"
          unit="s"
          value={stroke.seconds}
          onChange={(seconds) => change({ seconds })}
          error={wrong('seconds')}
        />
        <Button
          variant="outlined"
          startIcon={<Timer />}
          onClick={toggleWatch}
          sx={{ minHeight: 56, minWidth: 170, gridColumn: { xs: '1 / -1', sm: 'auto' } }}
        >
          {running === undefined ? 'Time the stroke' : `Stop at ${running.toFixed(1)} s`}
          {hasPedal && <KeyHint>Space</KeyHint>}
        </Button>
      </Box>
      <Stack direction="row" sx={{ columnGap: 4, rowGap: 1.5, flexWrap: 'wrap' }}>
        <Choice
          label="How it went in"
          value={stroke.resistance}
          onChange={(resistance) => change({ resistance: resistance as StrokeForm['resistance'] })}
          options={terms('resistance').map((value) => ({ value, label: capital(word('resistance', value)) }))}
          error={wrong('resistance')}
        />
        <Choice
          label="What came out, beside a drop of the fresh fluid"
          value={stroke.effluent}
          onChange={(effluent) => change({ effluent: effluent as StrokeForm['effluent'] })}
          options={terms('effluent').map((value) => ({ value, label: capital(word('effluent', value)) }))}
          error={wrong('effluent')}
        />
        <Choice
          label="How it left the face"
          value={stroke.stream}
          onChange={(stream) => change({ stream: stream as StrokeForm['stream'] })}
          options={terms('stream').map((value) => ({ value, label: capital(word('stream', value)) }))}
          error={wrong('stream')}
        />
      </Stack>
    </Box>
  );
}

/** A stopwatch for the stroke in hand; it writes the seconds when it stops. */
function useStrokeWatch(stopped: (seconds: string) => void) {
  const [startedAt, setStartedAt] = useState<number>();
  const [now, setNow] = useState(0);
  const done = useRef(stopped);
  useEffect(() => {
    done.current = stopped;
  });
  useEffect(() => {
    if (startedAt === undefined) {
      return;
    }
    const timer = window.setInterval(() => setNow(performance.now()), 100);
    return () => window.clearInterval(timer);
  }, [startedAt]);
  return {
    running: startedAt === undefined ? undefined : Math.max(0, now - startedAt) / 1000,
    toggle: () => {
      if (startedAt === undefined) {
        setNow(performance.now());
        setStartedAt(performance.now());
      } else {
        done.current(((performance.now() - startedAt) / 1000).toFixed(1));
        setStartedAt(undefined);
      }
    },
  };
}
