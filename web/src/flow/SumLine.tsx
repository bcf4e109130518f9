import { Button, Collapse, Stack, Typography } from '@mui/material';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import type { BenchNumber } from '../api/types';
import { capital, word } from '../words/words';
import { useUnits } from './units';

const OF: Record<string, string> = {
  PAUSE: 'pause',
  FACE: 'over the face',
  LEAST: 'at the least level',
  GREATEST: 'at the greatest level',
};

/** What a number is told of, in words: a size of syringe, a share, a channel. */
export function ofWords(sum: BenchNumber): string {
  if (!sum.of) {
    return '';
  }
  const syringe = word('syringe', sum.of);
  return syringe !== sum.of ? `${syringe} syringe` : (OF[sum.of] ?? sum.of);
}

/** A number, and on a tap the formula that it comes from with all that went in. */
export function SumLine({ sum, label }: { sum: BenchNumber; label?: string }) {
  const [isOpen, setOpen] = useState(false);
  const { say } = useUnits();
  const name = label ?? [ofWords(sum), word('formula', sum.formula)].filter(Boolean).join(': ');
  return (
    <Stack>
      <Button
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
        sx={{
          justifyContent: 'start',
          textAlign: 'left',
          px: 0.5,
          color: 'text.primary',
          fontWeight: 400,
          gap: 0.5,
        }}
      >
        <span>
          {capital(name)} <b>{say(sum.value, sum.unit)}</b>
        </span>
        {isOpen ? <ChevronUp size={18} aria-hidden /> : <ChevronDown size={18} aria-hidden />}
      </Button>
      <Collapse in={isOpen} unmountOnExit>
        <Typography
          sx={{ pl: 1.5, borderLeft: '4px solid', borderColor: 'thread', overflowWrap: 'anywhere' }}
        >
          {word('formulaHow', sum.formula)}
          {sum.given.length > 0 && ': '}
          {sum.given.map(({ term, value, unit }) => `${word('term', term)} ${say(value, unit)}`).join(', ')}
        </Typography>
      </Collapse>
    </Stack>
  );
}
