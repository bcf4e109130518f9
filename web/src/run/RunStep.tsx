import { Alert, Stack, Typography } from '@mui/material';
import { WriteProblem } from '../app/states';
import { adviceWay } from '../diagnosis/judgement';
import { SumLine } from '../flow/SumLine';
import { useUnits } from '../flow/units';
import { stillOff } from '../finish/parts';
import { keptFrom, powerWords } from '../visit/power';
import { useHeadEntry } from '../visit/useHeadEntry';
import { word } from '../words/words';
import { BigButton } from './BigButton';
import { Elsewhere } from './Elsewhere';
import { stepTitle } from './ledWords';
import { PedalChoice } from './PedalChoice';
import { RunStrokes } from './RunStrokes';
import { RunTime } from './RunTime';
import { RunWaits } from './RunWaits';
import { RunWork } from './RunWork';
import { useTick, type StepProps } from './stepProps';
import { useSaid } from './useVoice';

/** The step in hand: what to do, with what, what to mind, and the one button that says it is done. */
export function RunStep(props: StepProps) {
  const { visit, step } = props;
  const mind = word('doingMind', step.step.doing);
  const isStrokes = step.doneBy === 'STROKES';
  return (
    <Stack
      component="section"
      aria-label="Now"
      spacing={1.5}
      sx={{ bgcolor: 'background.paper', borderRadius: 1, p: { xs: 1.5, md: 2 } }}
    >
      {!isStrokes && (
        <>
          <Typography variant="h2" sx={{ fontSize: { xs: '1.75rem', md: '2.5rem' }, lineHeight: 1.2 }}>
            {stepTitle(visit, step)}
          </Typography>
          <Amount {...props} />
        </>
      )}
      {mind !== step.step.doing && (
        <Alert severity="warning" icon={false} role="note" sx={{ py: 0, fontSize: '1.125rem' }}>
          {mind}
        </Alert>
      )}
      <Do {...props} />
    </Stack>
  );
}

/** How much of what, and every other number of the step. */
function Amount({ step, run }: StepProps) {
  const { say } = useUnits();
  const { ml, fluid, numbers, doing } = step.step;
  if (doing === 'PREPARE') {
    // What the steps that follow will draw, so that it stands ready.
    const draws = run.steps.filter((later) => later.number > step.number && later.step.ml > 0);
    const kinds = [...new Set(draws.map((later) => later.step.fluid))];
    return kinds.map((kind) => (
      <Typography key={kind} sx={{ fontSize: '1.5rem' }}>
        {say(
          draws.filter((later) => later.step.fluid === kind).reduce((sum, later) => sum + later.step.ml, 0),
          'ML',
        )}{' '}
        {kind && word('fluidKind', kind)} in all
      </Typography>
    ));
  }
  return (
    <>
      {ml > 0 && (
        <Typography sx={{ fontSize: '1.5rem' }}>
          {say(ml, 'ML')}
          {fluid && ` ${word('fluidKind', fluid)}`}
        </Typography>
      )}
      {numbers.length > 0 && numbers.length < 6 && (
        <div>
          {numbers.map((sum, i) => (
            <SumLine key={i} sum={sum} />
          ))}
        </div>
      )}
    </>
  );
}

function Do(props: StepProps) {
  const { visit, step, run, now } = props;
  switch (step.doneBy) {
    case 'TAP':
    case 'POWER':
      return <Tap {...props} />;
    case 'TIME':
      return <RunTime {...props} />;
    case 'STROKES':
      return <RunStrokes {...props} />;
    case 'WORK':
    case 'WORK_OVER':
      return run.workId ? <RunWaits {...props} /> : <RunWork {...props} />;
    case 'HEAD_OUT':
      return <HeadTap {...props} entry="HEAD_OUT" label="The head is out" />;
    case 'HEAD_IN':
      return stillOff(visit).length > 0 ? (
        <Elsewhere to={`/visits/${visit.id}/parts`} label="Put back by the list" />
      ) : (
        <HeadTap {...props} entry="HEAD_IN" label="The head is back in" />
      );
    case 'PAD_OUT':
      return <HeadTap {...props} entry="PAD_OUT" label="Pad out" />;
    case 'LOOKED_DRY':
      return <LookDry {...props} />;
    case 'HOLD_OVER':
    case 'AIRED':
      return (
        <Typography role="status" sx={{ fontSize: '1.75rem', fontWeight: 700 }}>
          {powerWords(keptFrom(visit.head, now))}
        </Typography>
      );
    case 'LOOKED':
      return (
        <Elsewhere
          to={`/visits/${visit.id}/ruleouts?look=${step.step.look}${step.step.channels[0] ? `&channel=${step.step.channels[0]}` : ''}`}
          label="Log what is found"
        />
      );
    case 'CHECKED':
      return (
        <Elsewhere
          to={`/visits/${visit.id}/${adviceWay({ act: 'CHECK', channels: [] } as never, visit)}`}
          label="Read the check"
        />
      );
    default:
      return <Elsewhere to={`/visits/${visit.id}/return`} label="Sign off" />;
  }
}

function Tap(props: StepProps) {
  const { visit, step, now, voice } = props;
  const tick = useTick(props);
  useSaid(voice, stepTitle(visit, step));
  const kept = step.doneBy === 'POWER' ? keptFrom(visit.head, now) : [];
  return (
    <>
      {kept.length > 0 && (
        <Typography role="status" color="error" sx={{ fontSize: '1.5rem', fontWeight: 700 }}>
          {powerWords(kept)}
        </Typography>
      )}
      <BigButton does={() => tick.send(undefined)} loading={tick.isBusy} disabled={kept.length > 0}>
        Done
      </BigButton>
      <WriteProblem problem={tick.problem} />
    </>
  );
}

function HeadTap({
  visit,
  step,
  voice,
  entry,
  label,
}: StepProps & { entry: 'HEAD_OUT' | 'HEAD_IN' | 'PAD_OUT'; label: string }) {
  const write = useHeadEntry(visit);
  useSaid(voice, stepTitle(visit, step));
  return (
    <>
      <BigButton does={() => write.tap(entry)} loading={write.isBusy}>
        {label}
      </BigButton>
      <WriteProblem problem={write.problem} />
    </>
  );
}

/** Nobody's eyes are replaced here: until somebody has looked, the step stays. */
function LookDry({ visit, voice }: StepProps) {
  const write = useHeadEntry(visit);
  return (
    <>
      <PedalChoice
        label="Contacts and board"
        voice={voice}
        answers={[
          { label: 'Both dry', take: () => write.tap('SEEN_DRY') },
          { label: 'Contacts damp', take: () => write.tap('CONTACTS_DAMP') },
          { label: 'Board damp', take: () => write.tap('BOARD_DAMP') },
        ]}
      />
      <Typography>Not looked at yet: leave it as it is. Until somebody has, there is no power.</Typography>
      <WriteProblem problem={write.problem} />
    </>
  );
}
