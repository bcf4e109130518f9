import { Box, Stack, Typography } from '@mui/material';
import { TriangleAlert } from 'lucide-react';
import type { Gate, Preview } from '../api/types';
import { word } from '../words/words';
import { GateLines } from './Against';

/** What stands in the way, and the cautions of this work; they stand beside the form as long as it is open. */
export function Mind({ gates, cautions }: { gates: Gate[]; cautions: Preview['cautions'] }) {
  return (
    <Stack spacing={1.5} sx={{ position: { lg: 'sticky' }, top: 12 }}>
      {gates.length > 0 && (
        <Box
          component="section"
          aria-label="In the way"
          role="status"
          sx={(t) => ({
            border: `3px solid ${t.vars.palette.error.main}`,
            borderRadius: 1,
            p: 2,
            bgcolor: 'background.paper',
          })}
        >
          <Typography variant="h2" sx={{ mb: 1 }}>
            In the way
          </Typography>
          <Stack spacing={1}>
            <GateLines gates={gates} />
          </Stack>
        </Box>
      )}
      <Box
        component="section"
        aria-label="Cautions"
        sx={{ bgcolor: 'background.paper', borderRadius: 1, p: 2 }}
      >
        <Typography variant="h2" sx={{ mb: 1 }}>
          Cautions
        </Typography>
        <Stack component="ul" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {cautions.map((caution) => (
            <Stack component="li" key={caution} direction="row" spacing={1.5}>
              <TriangleAlert aria-hidden style={{ flexShrink: 0 }} />
              <Typography>{word('caution', caution)}</Typography>
            </Stack>
          ))}
        </Stack>
        <Typography color="text.secondary" sx={{ mt: 1.5 }}>
          The safety data of the fluid and the printer, local codes and licensed practice come first.
        </Typography>
      </Box>
    </Stack>
  );
}
