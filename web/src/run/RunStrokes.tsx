import { Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { FormProvider } from 'react-hook-form';
import type { Advice, LedStep, Mark } from '../api/types';
import { useJudgement } from '../api/queries';
import { Loading, WriteProblem } from '../app/states';
import { adviceWay } from '../diagnosis/judgement';
import { GateLines } from '../treatment/Against';
import { formOf } from '../treatment/attemptForm';
import { optionsOf, seenWords } from '../treatment/Marks';
import { isFlush, marksOf, resumeRounds, type Stroke } from '../treatment/roundsForm';
import { useSoakBetween } from '../treatment/SoakBetween';
import { useRounds } from '../treatment/useRounds';
import { capital, word } from '../words/words';
import { Big } from './Big';
import { BigButton } from './BigButton';
import { OneStroke } from './OneStroke';
import { PedalChoice } from './PedalChoice';
import { RefusedStroke } from './RefusedStroke';
import { RunClock } from './RunClock';
import { Elsewhere } from './Elsewhere';
import type { StepProps } from './stepProps';
import { WhyInstead } from './WhyInstead';

/** Strokes port by port: dose, start and stop, what was seen, and a soak between. */
export function RunStrokes(props: StepProps) {
  const judgement = useJudgement(props.visit.id);
  if (judgement.isLoading) {
    return <Loading what="what is advised" />;
  }
  return <Strokes {...props} advice={judgement.data?.advice.first} />;
}

function Strokes({ visit, lots, run, step, now, voice, advice }: StepProps & { advice: Advice | undefined }) {
  const way = adviceWay(
    { act: 'WORK', method: run.method, channels: run.channels, style: run.style } as Advice,
    visit,
  );
  // As it stood when this step was come to; what is given here is known to the form.
  const open = visit.attempts.find((a) => a.id === run.workId && a.rounds?.open);
  const [goesOn] = useState(open);
  const asked = useMemo(() => askedOf(way, run.method, step), [way, run.method, step]);
  const rounds = useRounds({
    visit,
    lots,
    advice,
    goesOn,
    asked,
    draftKey: `run-${run.id}`,
    left: () => undefined,
  });
  const { form, value, attempt, turn, rowOf, last, keys, watch, queue } = rounds;
  // Somebody else began these rounds meanwhile: they go on, and none is begun beside them.
  useEffect(() => {
    if (open && open.id !== form.getValues('id') && form.getValues('pending').length === 0) {
      form.reset(resumeRounds(visit, open, asked));
    }
  }, [open, form, visit, asked]);
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
  const [padSaidAt, setPadSaidAt] = useState(0);
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
      <RefusedStroke
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
  // Colour hides on an old pad: before each stroke on one that is not known to be fresh somebody says what lies there.
  const isPadAsked =
    watch.running === undefined &&
    rounds.strokes.length > 0 &&
    isFlush(value.method) &&
    !value.pulses &&
    value.freshPad !== true &&
    padSaidAt !== rounds.strokes.length;
  const layPad = (isFresh: boolean) => {
    form.setValue('freshPad', isFresh, { shouldDirty: true });
    setPadSaidAt(rounds.strokes.length);
  };
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
      ) : isPadAsked ? (
        <PedalChoice
          key={`pad ${given}`}
          label="The pad under this port"
          voice={voice}
          answers={[
            { label: 'Fresh one laid', take: () => layPad(true) },
            { label: 'Still the old one', take: () => layPad(false) },
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

/** What the rounds open with: the shop's way, and the doses as this plan has them. */
function askedOf(way: string, method: string, step: LedStep): URLSearchParams {
  const asked = new URLSearchParams(way.split('?')[1] ?? '');
  asked.set('method', method);
  const doses = step.step.numbers.filter((sum) => sum.formula === 'USUAL_DOSE' && sum.of);
  if (step.step.doing === 'STROKE' && doses.length > 0) {
    asked.set('doses', doses.map((sum) => `${sum.of}:${sum.value}`).join(','));
  }
  return asked;
}

function bottleOf(lots: StepProps['lots'], id: string): string | undefined {
  const lot = lots.find((one) => one.id === id);
  return lot && `${lot.name}, ${lot.lotCode}`;
}

/** The port that comes next: the one in hand while it is open, else the one with the fewest strokes. */
function nextPort(open: string[], turn: string | undefined, strokes: Stroke[]): string | undefined {
  const given = (code: string) => strokes.filter((s) => s.channel === code).length;
  const least = [...open].sort((a, b) => given(a) - given(b))[0];
  return turn && open.includes(turn) && given(turn) <= given(least) ? turn : least;
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
