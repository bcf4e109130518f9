import { Box, Button, IconButton, Stack, Typography } from '@mui/material';
import { Volume2, VolumeOff } from 'lucide-react';
import { useNavigate } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import type { LedStep, Lot, Run, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { word } from '../words/words';
import { backOf, litPorts, stepTitle } from './ledWords';
import { NextHead } from './NextHead';
import { PortDrawing } from './PortDrawing';
import { RunStep } from './RunStep';
import { useAwake } from './useAwake';
import { useVoice } from './useVoice';

interface Props {
  visit: Visit;
  lots: Lot[];
  run: Run;
  now: number;
}

/** The step in hand, large; its port on the drawing; and how far the others are. */
export function Led({ visit, lots, run, now }: Props) {
  const { person } = useSession();
  const navigate = useNavigate();
  const voice = useVoice(person.name);
  const isAwake = useAwake(true);
  const step = run.steps.find((one) => one.state === 'NOW')!;
  const work = visit.attempts.find((a) => a.id === run.workId);
  const back = backOf(visit, run, step);
  const takeBack = useWrite(() =>
    back?.entry
      ? answer(
          api.PUT('/api/visits/{visitId}/head-entries/{id}/withdrawal', {
            params: { path: { visitId: visit.id, id: back.entry } },
          }),
        )
      : answer(
          api.PUT('/api/visits/{visitId}/runs/{id}/steps/{step}/withdrawal', {
            params: { path: { visitId: visit.id, id: run.id, step: back!.step } },
          }),
        ),
  );
  const leave = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/runs/{id}/end', {
          params: { path: { visitId: visit.id, id: run.id } },
        }),
      ),
    () => void navigate(`/visits/${visit.id}`),
  );
  const goBack = () => {
    if (back?.to) {
      void navigate(back.to);
    } else if (back) {
      takeBack.send(undefined);
    }
  };
  useKeys({ backspace: goBack });
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 300px' },
        gap: 2,
        alignItems: 'start',
      }}
    >
      <Stack spacing={1.5} sx={{ minWidth: 0 }}>
        <Box sx={{ bgcolor: 'background.paper', borderRadius: 1, p: { xs: 0.5, md: 1 } }}>
          <PortDrawing visit={visit} lit={litPorts(visit, run, step, work)} />
        </Box>
        <RunStep
          key={`${step.number}-${run.id}`}
          visit={visit}
          lots={lots}
          run={run}
          step={step}
          now={now}
          voice={voice}
        />
        {/* Whatever the hands are at, a head whose time is over calls. */}
        <NextHead visit={visit} now={now} isFree={false} />
        <WriteProblem problem={takeBack.problem ?? leave.problem} />
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
          <Button
            variant="outlined"
            disabled={!back}
            loading={takeBack.isBusy}
            onClick={goBack}
            sx={{ minHeight: 56 }}
          >
            Back: put the last one right
            <KeyHint>⌫</KeyHint>
          </Button>
          {voice.isThere && (
            <IconButton
              onClick={voice.toggle}
              aria-label={voice.isOn ? 'Turn the voice off' : 'Turn the voice on'}
              sx={{ width: 56, height: 56 }}
            >
              {voice.isOn ? <Volume2 /> : <VolumeOff />}
            </IconButton>
          )}
          <Button loading={leave.isBusy} onClick={() => leave.send(undefined)} sx={{ minHeight: 56 }}>
            Leave these steps
          </Button>
          {!isAwake && (
            <Typography role="status">
              This screen may go dark: the browser cannot keep it awake here.
            </Typography>
          )}
        </Stack>
      </Stack>
      <Steps visit={visit} run={run} />
    </Box>
  );
}

const SIGN: Record<LedStep['state'], string> = { DONE: '✓', PASSED: '–', NOW: '▸', LATER: '' };

/** All steps in a line each, so that nobody wonders what comes. */
function Steps({ visit, run }: { visit: Visit; run: Run }) {
  return (
    <Box
      component="ol"
      aria-label="All steps"
      sx={{ m: 0, p: 1.5, listStyle: 'none', bgcolor: 'background.paper', borderRadius: 1 }}
    >
      {run.steps.map((step) => (
        <Typography
          component="li"
          key={step.number}
          aria-current={step.state === 'NOW' ? 'step' : undefined}
          sx={{
            display: 'grid',
            gridTemplateColumns: '1.5rem 1fr',
            py: 0.25,
            fontWeight: step.state === 'NOW' ? 750 : 400,
          }}
        >
          {SIGN[step.state] === '' ? (
            <span />
          ) : (
            <span role="img" aria-label={word('ledState', step.state)}>
              {SIGN[step.state]}
            </span>
          )}
          <span>{stepTitle(visit, step)}</span>
        </Typography>
      ))}
    </Box>
  );
}
