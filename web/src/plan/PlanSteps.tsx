import { Box, Typography } from '@mui/material';
import type { PlanStep } from '../api/types';
import { MONO } from '../app/theme';
import { SumLine } from '../flow/SumLine';
import { minutesWords, useUnits } from '../flow/units';
import { word } from '../words/words';

/** Steps in their order: what hands do, where, with what and how much, and how long it takes. */
export function PlanSteps({ steps, label }: { steps: PlanStep[]; label: string }) {
  const { say } = useUnits();
  return (
    <Box component="ol" aria-label={label} sx={{ m: 0, pl: 0, listStyle: 'none' }}>
      {steps.map((step, n) => (
        <Box
          component="li"
          key={n}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '2rem 1fr', sm: '2rem 1fr 12rem' },
            columnGap: 1,
            py: 0.5,
            borderTop: n === 0 ? 0 : '1px solid',
            borderColor: 'line',
          }}
        >
          <Typography color="text.secondary" sx={{ fontFamily: MONO }}>
            {n + 1}
          </Typography>
          <Box>
            <Typography>
              <b>
                {step.look ? `Check this: ${word('look', step.look)}` : word('doing', step.doing)}
                {step.channels.length > 0 && `: ${step.channels.join(', ')}`}
              </b>
              {step.ml > 0 &&
                `, ${say(step.ml, 'ML')}${step.fluid ? ` ${word('fluidKind', step.fluid)}` : ''}`}
            </Typography>
            {step.numbers.map((sum, i) => (
              <SumLine key={i} sum={sum} />
            ))}
          </Box>
          <Typography
            color="text.secondary"
            sx={{ gridColumn: { xs: '2', sm: 'auto' }, textAlign: { sm: 'right' } }}
          >
            {step.hands.value > 0 && `hands ${minutesWords(step.hands.value)}`}
            {step.hands.value > 0 && step.waiting.value > 0 && ', '}
            {step.waiting.value > 0 && `wait ${minutesWords(step.waiting.value)}`}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
