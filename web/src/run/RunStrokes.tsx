import { Button, Stack, Typography } from '@mui/material';
import { useEffect, useState, type ReactNode } from 'react';
import { FormProvider } from 'react-hook-form';
import { Link } from 'react-router';
import type { Problem } from '../api/http';
import type { Advice, Channel, Mark, PushView } from '../api/types';
import { useJudgement } from '../api/queries';
import { readNumber } from '../app/fields';
import { Loading, WriteProblem } from '../app/states';
import { MONO } from '../app/theme';
import { adviceWay } from '../diagnosis/judgement';
import { useUnits } from '../flow/units';
import { GateLines, gatesOf, mayDepart } from '../treatment/Against';
import { formOf } from '../treatment/attemptForm';
import { optionsOf, seenWords } from '../treatment/Marks';
import { isFlush, marksOf, resumeRounds, type Stroke } from '../treatment/roundsForm';
import { useSoakBetween } from '../treatment/SoakBetween';
import { useRounds } from '../treatment/useRounds';
import { capital, word } from '../words/words';
import { BigButton } from './BigButton';
import { PedalChoice } from './PedalChoice';
import { RunClock } from './RunClock';
import { Elsewhere } from './Elsewhere';
import type { StepProps } from './stepProps';
import { countOf, useSaid } from './useVoice';
import { WhyInstead } from './WhyInstead';

/** Strokes port by port: dose, start and stop, what was seen, and a soak between. */
export function RunStrokes(props: StepProps) {
  const judgement = useJudgement(props.visit.id);
  if (judgement.isLoading) {
    return <Loading what="what is advised" />;
  }
  return <Strokes {...props} advice={judgement.data?.advice.first} />;
}

function Strokes({ visit, lots, run, now, voice, advice }: StepProps & { advice: Advice | undefined }) {
  const way = adviceWay(
    { act: 'WORK', method: run.method, channels: run.channels, style: run.style } as Advice,
    visit,
  );
  // As it stood when this step was come to; what is given here is known to the form.
  const open = visit.attempts.find((a) => a.id === run.workId && a.rounds?.open);
  const [goesOn] = useState(open);
  const rounds = useRounds({
    visit,
    lots,
    advice,
    goesOn,
    asked: new URLSearchParams(
      `${way.split('?')[1] ?? ''}${way.includes('method=') ? '' : `&method=${run.method}`}`,
    ),
    draftKey: `run-${run.id}`,
    left: () => undefined,
  });
  const { form, value, attempt, turn, rowOf, last, keys, watch, queue } = rounds;
  // Somebody else began these rounds meanwhile: they go on, and none is begun beside them.
  useEffect(() => {
    if (open && open.id !== form.getValues('id') && form.getValues('pending').length === 0) {
      form.reset(resumeRounds(visit, open));
    }
  }, [open, form, visit]);
  // Whoever said that a fresh pad was laid said so of the first stroke.
  const isPadLaid = run.steps.some((one) => one.step.doing === 'PROTECT' && one.state === 'DONE');
  useEffect(() => {
    if (isPadLaid && rounds.strokes.length === 0 && form.getValues('freshPad') === null) {
      form.setValue('freshPad', true);
    }
  }, [isPadLaid, rounds.strokes.length, form]);

  const soak = useSoakBetween(visit, attempt);
  const [goesOnAt, setGoesOnAt] = useState<Record<string, number>>({});
  const [left, setLeft] = useState<string[]>([]);
  const openPorts = value.channels.filter((code) => rowOf(code)?.next !== 'DONE' && !left.includes(code));
  const code = watch.running !== undefined || keys.mark ? turn : nextPort(openPorts, turn, rounds.strokes);
  const channel = visit.family.channels.find((c) => c.code === code);
  const row = code ? rowOf(code) : undefined;
  const stroke = code ? last(code) : undefined;

  if (advice && !rounds.isAdvised && value.instead.trim() === '') {
    return (
      <WhyInstead
        advice={advice}
        form={`/visits/${visit.id}/${way}`}
        voice={voice}
        keep={(reason) => form.setValue('instead', reason, { shouldDirty: true })}
      />
    );
  }
  if (rounds.hindrance && !attempt) {
    return (
      <>
        <GateLines gates={rounds.gates} />
        <Typography role="status" color="error" sx={{ fontSize: '1.25rem' }}>
          {rounds.hindrance}
        </Typography>
        <Elsewhere to={`/visits/${visit.id}/${way}`} label="Open the form" />
      </>
    );
  }
  const refused = Object.entries(queue.refused)[0];
  const held = refused && rounds.strokes.find((s) => s.id === refused[0]);
  if (held) {
    return (
      <Refused
        rounds={rounds}
        stroke={held}
        problem={refused[1]}
        voice={voice}
        page={attempt ? `/visits/${visit.id}/rounds/${attempt.id}` : `/visits/${visit.id}/${way}`}
      />
    );
  }
  if (soak.clock) {
    const clock = soak.clock;
    return (
      <>
        <Big>
          Fluid stands in {clock.channels.length > 0 ? clock.channels.join(', ') : 'the ports'}. Then a small
          stroke.
        </Big>
        <RunClock
          visit={visit}
          clock={clock}
          now={now}
          voice={voice}
          over="Soaked"
          end={() => soak.stop.send(clock)}
          isBusy={soak.stop.isBusy}
        />
        <WriteProblem problem={soak.stop.problem} />
      </>
    );
  }
  if (
    watch.running === undefined &&
    !keys.mark &&
    soak.soaks.length > 0 &&
    soak.isNext &&
    openPorts.some((p) => soak.soaks.includes(p))
  ) {
    return (
      <>
        <Big>Let {soak.soaks.join(', ')} soak.</Big>
        <BigButton
          does={() => soak.start.send(undefined)}
          loading={soak.start.isBusy}
          disabled={!queue.isEmpty}
        >
          Start {soak.minutes} min
        </BigButton>
        <WriteProblem problem={soak.start.problem} />
      </>
    );
  }
  if (!code || !channel) {
    return (
      <>
        <Big>
          {left.length > 0 ? `Left as it is: ${left.join(', ')}.` : 'Every port is at its end point.'}
        </Big>
        <BigButton
          does={() => rounds.end.send(undefined)}
          loading={rounds.end.isBusy}
          disabled={!queue.isEmpty}
        >
          Go on
        </BigButton>
        <WriteProblem problem={rounds.end.problem} />
      </>
    );
  }
  const given = rounds.strokes.filter((s) => s.channel === code).length;
  const isAsked = keys.mark !== undefined && stroke !== undefined && watch.running === undefined;
  const isStubborn =
    row?.next === 'STROKE' &&
    given >= (value.pulses || !isFlush(value.method) ? 1 : 2) &&
    goesOnAt[code] !== given;
  const mark = keys.mark;
  return (
    <FormProvider {...form}>
      <Big>
        {channel.colour}, port {value.channels.indexOf(code) + 1} of {value.channels.length}
      </Big>
      {isAsked && mark ? (
        <PedalChoice
          key={`${stroke.id} ${mark}`}
          label={capital(word('mark', mark))}
          voice={voice}
          answers={optionsOf(value.method, mark).map((option) => ({
            label: option.label,
            take: () => keys.see(option.value),
          }))}
          skip={keys.skip}
        />
      ) : watch.running === undefined && isStubborn ? (
        <PedalChoice
          key={`${code} ${given}`}
          label={`${channel.colour} is not at its end point${row.overUsual ? ', and the usual most is reached' : ''}`}
          voice={voice}
          answers={[
            { label: 'Another stroke', take: () => setGoesOnAt({ ...goesOnAt, [code]: given }) },
            { label: 'Leave it as it is', take: () => setLeft([...left, code]) },
          ]}
        />
      ) : watch.running === undefined &&
        rounds.strokes.length > 0 &&
        isFlush(value.method) &&
        !value.pulses &&
        value.freshPad === null ? (
        <PedalChoice
          key={`pad ${given}`}
          label="The pad under this port"
          voice={voice}
          answers={[
            { label: 'Fresh one laid', take: () => form.setValue('freshPad', true, { shouldDirty: true }) },
            {
              label: 'Still the old one',
              take: () => form.setValue('freshPad', false, { shouldDirty: true }),
            },
          ]}
        />
      ) : (
        <OneStroke
          key={`${code} ${given}`}
          rounds={rounds}
          code={code}
          channel={channel}
          push={rounds.preview?.pushes.find((p) => p.channel === code)}
          bottle={attempt?.lot ? `${attempt.lot.name}, ${attempt.lot.lotCode}` : bottleOf(lots, value.lotId)}
          voice={voice}
        />
      )}
      {queue.isBehind && (
        <Typography role="status" sx={{ fontWeight: 700 }}>
          Not kept by the server yet: {value.pending.length}. It is tried again by itself; nothing is lost.
        </Typography>
      )}
      <LastSeen
        rounds={rounds}
        stroke={stroke}
        pulses={marksOf(formOf(visit.usual, value.method), value.pulses)}
      />
    </FormProvider>
  );
}

function Big({ children }: { children: ReactNode }) {
  return (
    <Typography variant="h2" sx={{ fontSize: { xs: '1.5rem', md: '2rem' }, lineHeight: 1.2 }}>
      {children}
    </Typography>
  );
}

function bottleOf(lots: StepProps['lots'], id: string): string | undefined {
  const lot = lots.find((one) => one.id === id);
  return lot && `${lot.name}, ${lot.lotCode}`;
}

/** Why a stroke went past a gate, as it happens at the bench. */
const WHY = ['It slipped: faster than meant', 'The port gave way at once'];

/** A stroke that a gate stopped: it is kept with a reason, or was none. */
function Refused({
  rounds,
  stroke,
  problem,
  voice,
  page,
}: {
  rounds: ReturnType<typeof useRounds>;
  stroke: Stroke;
  problem: Problem;
  voice: StepProps['voice'];
  page: string;
}) {
  const gates = gatesOf(problem);
  const mayKeep = mayDepart(gates, rounds.isLead);
  const none = { label: 'Nothing was pushed', take: () => rounds.queue.forget(stroke.id) };
  return (
    <>
      <Big>
        {stroke.volumeMl} mL{stroke.seconds !== undefined && ` in ${stroke.seconds} s`} at {stroke.channel}
      </Big>
      {gates.length > 0 ? <GateLines gates={gates} /> : <WriteProblem problem={problem} />}
      <PedalChoice
        key={stroke.id}
        label={mayKeep ? 'How did that come?' : 'Only a lead keeps this as it is'}
        voice={voice}
        answers={[
          ...(mayKeep
            ? WHY.map((reason) => ({
                label: reason,
                take: () => {
                  rounds.setReasons({
                    ...rounds.reasons,
                    [stroke.id]: { reason, doneAnyway: rounds.isLead },
                  });
                  rounds.queue.put(stroke);
                },
              }))
            : []),
          ...(stroke.seconds === undefined
            ? []
            : [
                {
                  label: 'The watch was wrong: not timed',
                  take: () => rounds.queue.put({ ...stroke, seconds: undefined }),
                },
              ]),
          none,
        ]}
      />
      <Button component={Link} to={page}>
        Another reason, on the page of the rounds
      </Button>
    </>
  );
}

/** The port that comes next: the one in hand while it is open, else the one with the fewest strokes. */
function nextPort(open: string[], turn: string | undefined, strokes: Stroke[]): string | undefined {
  const given = (code: string) => strokes.filter((s) => s.channel === code).length;
  const least = [...open].sort((a, b) => given(a) - given(b))[0];
  return turn && open.includes(turn) && given(turn) <= given(least) ? turn : least;
}

interface OneProps {
  rounds: ReturnType<typeof useRounds>;
  code: string;
  channel: Channel;
  push: PushView | undefined;
  bottle: string | undefined;
  voice: StepProps['voice'];
}

/** One stroke: its dose, its fluid, how slow and how hard at most, and the watch. */
function OneStroke({ rounds, code, channel, push, bottle, voice }: OneProps) {
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
      {!isRunning && value.freshPad === false && !value.pulses && isFlush(value.method) && (
        <Button
          variant="outlined"
          size="large"
          onClick={() => rounds.form.setValue('freshPad', true, { shouldDirty: true })}
        >
          Fresh pad laid: on an old one colour hides
        </Button>
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

/** The stroke before at this port, so that eyes that come back know where they were. */
function LastSeen({
  rounds,
  stroke,
  pulses,
}: {
  rounds: ReturnType<typeof useRounds>;
  stroke: Stroke | undefined;
  pulses: Mark[];
}) {
  return (
    <>
      {stroke && (
        <Typography color="text.secondary">
          Last stroke here: {stroke.volumeMl} mL
          {stroke.seconds !== undefined && ` in ${stroke.seconds} s`},{' '}
          {seenWords(rounds.value.method, pulses, stroke)}.
        </Typography>
      )}
      <WriteProblem problem={rounds.takeBack.problem} />
    </>
  );
}
