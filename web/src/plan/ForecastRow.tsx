import { Box, Button, Collapse, Typography } from '@mui/material';
import { useState } from 'react';
import type { Forecast, Span } from '../api/types';
import { percent } from '../diagnosis/judgement';
import { useUnits } from '../flow/units';
import { word } from '../words/words';

/** What a visit is likely to take: hands, waits, fluid, cost and chance, each with how far it may be off. */
export function ForecastRow({ forecast }: { forecast: Forecast }) {
  const [isOpen, setOpen] = useState(false);
  const { say } = useUnits();
  const between = (span: Span) =>
    `${say(span.low, span.expected.unit)} to ${say(span.high, span.expected.unit)}`;
  const spans: { name: string; span: Span }[] = [
    { name: 'Hands', span: forecast.hands },
    { name: 'Waits', span: forecast.waits },
    { name: 'Fluid', span: forecast.fluid },
    { name: 'Cost', span: forecast.cost },
  ];
  return (
    <Box>
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 1.5, m: 0 }}
      >
        {spans.map(({ name, span }) => (
          <Number
            key={name}
            name={name}
            value={say(span.expected.value, span.expected.unit)}
            range={between(span)}
          />
        ))}
        <Number
          name="Chance"
          value={percent(forecast.chance.value)}
          range={`${percent(forecast.low)} to ${percent(forecast.high)}`}
        />
      </Box>
      <Button size="small" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {isOpen ? 'Hide' : 'How that is worked out'}
      </Button>
      <Collapse in={isOpen} unmountOnExit>
        <Typography>
          On average:{' '}
          {spans
            .map(({ name, span }) => `${name.toLowerCase()}: ${word('formulaHow', span.expected.formula)}`)
            .join('; ')}
          . Eight in ten visits lie between the two ends. Chance:{' '}
          {word('formulaHow', forecast.chance.formula)}.
        </Typography>
      </Collapse>
    </Box>
  );
}

function Number({ name, value, range }: { name: string; value: string; range: string }) {
  return (
    <Box>
      <Typography component="dt" color="text.secondary">
        {name}
      </Typography>
      <Typography component="dd" sx={{ m: 0, fontSize: '1.5rem', fontWeight: 700, lineHeight: 1.2 }}>
        {value}
      </Typography>
      <Typography component="dd" sx={{ m: 0 }} color="text.secondary">
        {range}
      </Typography>
    </Box>
  );
}
