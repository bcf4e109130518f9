import { Box, Button, Stack, Typography } from '@mui/material';
import { Timer } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import type { Channel, PushView, Visit } from '../api/types';
import { ChoiceEntry, Entry, SelectEntry } from '../app/fields';
import { KeyHint } from '../app/KeyHint';
import { useKeys } from '../app/useKeys';
import { capital, terms, word } from '../words/words';
import { formOf, type AttemptForm } from './attemptForm';
import { ChannelChoice } from './ChannelChoice';
import { PlaceFields } from './PlaceFields';
import { PushSum } from './PushSum';

const TYPED = { shouldDirty: true, shouldValidate: true };

/** A flush: for each channel the dose, the time of the stroke, how it went in and what came out. */
export function FlushFields({ visit, pushes }: { visit: Visit; pushes?: PushView[] }) {
  const { control, setValue, getValues } = useFormContext<AttemptForm>();
  const channels = useWatch({ control, name: 'channels' });
  const [inHand, setInHand] = useState(channels[0]);
  const watch = useStrokeWatch((seconds) => setValue(`strokes.${inHand}.seconds`, seconds, TYPED));
  const active = channels.includes(inHand) ? inHand : channels[0];

  function toggleWatch(code: string) {
    setInHand(code);
    watch.toggle();
  }

  useKeys({ ' ': () => active && toggleWatch(active) });

  return (
    <>
      <Entry control={control} name="temperatureC" label="Temperature of the fluid" unit="°C" isNumber />
      <PlaceFields visit={visit} form={formOf(visit.usual, 'FLUSH')} />
      <ChannelChoice visit={visit} />
      {channels.map((code, i) => (
        <StrokeFields
          key={code}
          channel={visit.family.channels.find((c) => c.code === code) as Channel}
          push={pushes?.find((p) => p.channel === code)}
          running={active === code ? watch.running : undefined}
          toggleWatch={() => toggleWatch(code)}
          hasPedal={active === code}
          copyToAll={
            i === 0 && channels.length > 1
              ? () => {
                  const stroke = getValues(`strokes.${code}`);
                  channels.forEach((other) => setValue(`strokes.${other}`, { ...stroke }, TYPED));
                }
              : undefined
          }
        />
      ))}
    </>
  );
}

interface StrokeProps {
  channel: Channel;
  /** What a push may be at this port; undefined until the server has said. */
  push?: PushView;
  /** Seconds that the watch runs for this channel, when it does. */
  running?: number;
  toggleWatch: () => void;
  hasPedal: boolean;
  copyToAll?: () => void;
}

const SEEN = [
  { name: 'resistance', label: 'How it went in' },
  { name: 'effluent', label: 'What came out, beside a drop of the fresh fluid' },
  { name: 'stream', label: 'How it left the face' },
] as const;

function StrokeFields({ channel, push, running, toggleWatch, hasPedal, copyToAll }: StrokeProps) {
  const { control } = useFormContext<AttemptForm>();
  const stroke = `strokes.${channel.code}` as const;
  const typed = useWatch({ control, name: stroke });
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
        <Entry control={control} name={`${stroke}.volumeMl`} label="Dose" unit="mL" isNumber />
        <Entry control={control} name={`${stroke}.seconds`} label="Stroke" unit="s" isNumber />
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
      {push && typed && <PushSum push={push} stroke={typed} />}
      <Stack direction="row" sx={{ columnGap: 4, rowGap: 1.5, flexWrap: 'wrap' }}>
        <SelectEntry
          control={control}
          name={`${stroke}.syringe`}
          label="Syringe"
          options={[
            { value: '', label: 'not said' },
            ...terms('syringe').map((value) => ({ value: value as string, label: word('syringe', value) })),
          ]}
        />
        <ChoiceEntry
          control={control}
          name={`${stroke}.force`}
          label="Force of the thumb, if wanted"
          options={terms('thumb').map((value) => ({
            value: value as string,
            label: capital(word('thumb', value)),
          }))}
        />
        {SEEN.map(({ name, label }) => (
          <ChoiceEntry
            key={name}
            control={control}
            name={`${stroke}.${name}`}
            label={label}
            options={terms(name).map((value) => ({
              value: value as string,
              label: capital(word(name, value)),
            }))}
          />
        ))}
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
