import { Button } from '@mui/material';
import { Link } from 'react-router';
import type { Problem } from '../api/http';
import { WriteProblem } from '../app/states';
import { GateLines, gatesOf, mayDepart } from '../treatment/Against';
import type { Stroke } from '../treatment/roundsForm';
import type { useRounds } from '../treatment/useRounds';
import { Big } from './Big';
import { PedalChoice } from './PedalChoice';
import type { Voice } from './useVoice';

/** Why a stroke went past a gate, as it happens at the bench. */
const WHY = ['It slipped: faster than meant', 'The port gave way at once'];

/** A stroke that a gate stopped: it is kept with a reason, or was none. */
export function RefusedStroke({
  rounds,
  stroke,
  problem,
  voice,
  page,
}: {
  rounds: ReturnType<typeof useRounds>;
  stroke: Stroke;
  problem: Problem;
  voice: Voice;
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
