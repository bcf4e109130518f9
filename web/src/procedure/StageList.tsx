import { Box, Button, Stack, Typography } from '@mui/material';
import { Check, Circle, CircleDot } from 'lucide-react';
import { useState } from 'react';
import type { Container, Lot, Procedure, Stage, Visit } from '../api/types';
import { Block } from '../app/Page';
import { word } from '../words/words';
import { StepCard } from './StepCard';
import { entryWords } from './steps';

interface Props {
  visit: Visit;
  procedure: Procedure;
  lots: Lot[];
  waste: Container[];
  mayWrite: boolean;
}

/** Entries that come between the steps, as often as they are needed. */
const BESIDES: Record<string, Stage['act'][]> = {
  SYSTEM_FLUSH: ['INK_SAVED', 'TOPPED_UP', 'WASTE_EMPTIED', 'INK_BACK'],
  INK_CHANGE: ['PAD_SEEN'],
};

/** The steps in order: what is done, what is next, what comes later. */
export function StageList({ visit, procedure, lots, waste, mayWrite }: Props) {
  const [other, setOther] = useState<Stage['act']>();
  const act = other ?? procedure.next ?? undefined;
  const stage = procedure.stages.find((s) => s.act === act);
  const besides = BESIDES[procedure.purpose].filter((entry) => entry !== act);
  return (
    <>
      {mayWrite && act && (
        <StepCard
          key={`${act}-${stage?.done ?? 0}`}
          visit={visit}
          procedure={procedure}
          act={act}
          left={stage?.left ?? []}
          lots={lots}
          waste={waste}
          logged={() => setOther(undefined)}
        />
      )}
      {mayWrite && (besides.length > 0 || other) && (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
          <Typography color="text.secondary">Enter besides</Typography>
          {besides.map((entry) => (
            <Button key={entry} variant="outlined" onClick={() => setOther(entry)}>
              {entryWords(entry)}
            </Button>
          ))}
          {other && <Button onClick={() => setOther(undefined)}>Back to the next step</Button>}
        </Stack>
      )}
      <Block title="Steps">
        <Stack component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {procedure.stages.map((s) => (
            <Line key={s.act} stage={s} isNext={s.act === procedure.next} />
          ))}
        </Stack>
      </Block>
    </>
  );
}

function Line({ stage, isNext }: { stage: Stage; isNext: boolean }) {
  const isDone = stage.done >= stage.of;
  return (
    <Stack
      component="li"
      direction="row"
      aria-current={isNext ? 'step' : undefined}
      sx={{ gap: 1.5, alignItems: 'center', py: 0.5, fontWeight: isNext ? 700 : 400 }}
    >
      <Box
        component="span"
        sx={{ display: 'flex', color: isDone || isNext ? 'primary.main' : 'text.secondary' }}
      >
        {isDone ? (
          <Check aria-label="done" />
        ) : isNext ? (
          <CircleDot aria-label="next" />
        ) : (
          <Circle aria-hidden />
        )}
      </Box>
      <Typography sx={{ fontWeight: 'inherit' }} color={isDone || isNext ? undefined : 'text.secondary'}>
        {word('step', stage.act)}
        {stage.of > 1 && `, ${stage.done} of ${stage.of}`}
        {stage.left.length > 0 && stage.done > 0 && `; left: ${stage.left.join(', ')}`}
      </Typography>
    </Stack>
  );
}
