import { Box, Stack, Typography } from '@mui/material';
import { FormProvider } from 'react-hook-form';
import { Page } from '../app/Page';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { capital, word } from '../words/words';
import { Against, gatesOf, mayDepart } from './Against';
import { FarAbove } from './FarAbove';
import { Mind } from './Mind';
import { RoundRow } from './RoundRow';
import { RoundsFoot } from './RoundsFoot';
import { RoundsSetup } from './RoundsSetup';
import { SoakBetween } from './SoakBetween';
import { useRounds, type RoundsProps } from './useRounds';
import { WasteGoesTo } from './WasteGoesTo';

export function Rounds(props: RoundsProps) {
  const { visit, lots, advice } = props;
  const rounds = useRounds(props);
  const { form, value, attempt, isBegun, isLate, isOver, isAdvised, isShort, isLead, lotId, now } = rounds;
  const { strokes, rowOf, last, doseOf, waste, preview, queue, reasons, setReasons, turn, setInHand } =
    rounds;
  const { asked, setAsked, wrong, gates, hindrance, watch, give, sure, saw, keys, end, takeBack, leave } =
    rounds;
  const { method, channels } = value;
  useKeys({
    ' ': rounds.pedal,
    pagedown: rounds.pedal,
    g: () => turn && watch.running === undefined && sure(turn, () => give(turn)),
    p: () => form.setValue('freshPad', true, { shouldDirty: true }),
    ...keys.keys,
  });
  return (
    <Page title={capital(word('method', method))} back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <FormProvider {...form}>
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 340px' },
            gap: 2,
            alignItems: 'start',
          }}
        >
          <Stack spacing={1.5} sx={{ minWidth: 0 }}>
            <RoundsSetup
              visit={visit}
              lots={lots}
              attempt={attempt}
              advice={isAdvised ? undefined : advice}
              short={isShort}
              isWrong={wrong.some((field) => field !== 'volumeMl')}
              now={now}
            />
            {!isBegun && lotId && <WasteGoesTo waste={waste} />}
            {queue.isBehind && (
              <Typography role="status" sx={{ fontWeight: 700 }}>
                Not kept by the server yet: {value.pending.length}. It is tried again by itself; nothing is
                lost.
              </Typography>
            )}
            {channels.map((code, i) => (
              <RoundRow
                key={code}
                visit={visit}
                form={value}
                channel={code}
                strokes={strokes.filter((s) => s.channel === code)}
                row={rowOf(code)}
                dose={doseOf(code)}
                isTurn={turn === code}
                running={turn === code ? watch.running : undefined}
                push={preview?.pushes.find((p) => p.channel === code)}
                hindrance={isOver ? undefined : hindrance}
                mark={turn === code ? keys.mark : undefined}
                select={() => setInHand(code)}
                start={() => sure(code, watch.start)}
                stop={watch.stop}
                cancel={watch.cancel}
                give={() => sure(code, () => give(code))}
                question={
                  asked?.channel === code && (
                    <FarAbove
                      ml={asked.ml}
                      usual={asked.usual}
                      yes={() => {
                        setAsked(undefined);
                        asked.act();
                      }}
                      no={() => setAsked(undefined)}
                    />
                  )
                }
                saw={saw}
                above={i > 0 ? last(channels[i - 1]) : undefined}
                refused={queue.refused}
                reasons={reasons}
                setReasons={setReasons}
                again={queue.put}
                takeBack={(stroke) =>
                  attempt?.treatment.flush?.strokes.some((s) => s.id === stroke.id)
                    ? takeBack.send(stroke)
                    : queue.forget(stroke.id)
                }
              />
            ))}
            {channels.length === 0 && <Typography>Choose the channels first.</Typography>}
            <WriteProblem problem={end.problem ?? takeBack.problem} />
            {attempt && !isOver && <SoakBetween visit={visit} attempt={attempt} now={now} />}
            <RoundsFoot
              attempt={attempt}
              isOver={isOver}
              isLate={isLate}
              hasStrokes={strokes.length > 0}
              isKept={queue.isEmpty}
              isBusy={end.isBusy}
              end={() => end.send(undefined)}
              leave={leave}
              visitId={visit.id}
            />
          </Stack>
          <Stack spacing={2}>
            {!isBegun && mayDepart(gates, isLead) && (
              <Against
                gates={gates}
                against={{
                  isLead,
                  value: { reason: value.departureReason, doneAnyway: value.doneAnyway },
                  setValue: ({ reason, doneAnyway }) => {
                    form.setValue('departureReason', reason, { shouldDirty: true });
                    form.setValue('doneAnyway', doneAnyway, { shouldDirty: true });
                  },
                }}
              />
            )}
            <Mind
              gates={isBegun || mayDepart(gates, isLead) ? [] : [...gates, ...gatesOf(end.problem)]}
              cautions={preview?.cautions ?? []}
            />
          </Stack>
        </Box>
      </FormProvider>
    </Page>
  );
}
