import { Box, IconButton, Stack, Typography } from '@mui/material';
import { CircleQuestionMark } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { capital, terms, word } from '../words/words';
import type { Attempt } from '../api/types';
import { Knot } from './Knot';

/** The thread with what its knots tell, one tap away; its other shapes are said in words. */
export function ThreadLegend({ children }: { children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1 }}>
        {children}
        <IconButton
          aria-label="What the thread tells"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
          sx={{ flexShrink: 0 }}
        >
          <CircleQuestionMark />
        </IconButton>
      </Stack>
      {isOpen && (
        <Box sx={{ bgcolor: 'background.paper', borderRadius: 1, p: 1.5, mb: 1 }}>
          <Typography>
            The visit from take-in to return. Three teeth are a check; a box crossed out is a time without
            power; every knot is work on the head, and tells how it went:
          </Typography>
          <Stack component="ul" direction="row" sx={{ flexWrap: 'wrap', columnGap: 3, p: 0, m: 0 }}>
            {terms('knot').map((knot) => (
              <Stack
                component="li"
                key={knot}
                direction="row"
                sx={{ alignItems: 'center', gap: 1, listStyle: 'none' }}
              >
                <Box aria-hidden sx={{ lineHeight: 0 }}>
                  <Knot knot={knot as NonNullable<Attempt['knot']>} />
                </Box>
                <Typography>{capital(word('knot', knot))}</Typography>
              </Stack>
            ))}
          </Stack>
        </Box>
      )}
    </>
  );
}
