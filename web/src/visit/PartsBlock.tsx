import { Box, Typography } from '@mui/material';
import type { Visit } from '../api/types';
import { Block } from '../app/Page';
import { capital, word, wordWith } from '../words/words';

/** Parts that were worked on, on all visits of this head: each counted for itself. */
export function PartsBlock({ visit }: { visit: Visit }) {
  if (visit.parts.length === 0) {
    return null;
  }
  const times = (n: number) => wordWith('count', 'TIMES', { N: n });
  return (
    <Block title="Parts">
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {visit.parts.map((part) => (
          <Typography component="li" key={`${part.part} ${part.channel ?? ''}`}>
            <b>
              {capital(word('part', part.part))}
              {part.channel && ` ${part.channel}`}
            </b>
            {part.cleaned > 0 && `; cleaned or refilled ${times(part.cleaned)}`}
            {part.replaced > 0 && `; replaced ${times(part.replaced)}`}
            {part.toReplace && '; as often as it may be: replace it'}
          </Typography>
        ))}
      </Box>
    </Block>
  );
}
