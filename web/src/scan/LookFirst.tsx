import { Box, Checkbox, FormControlLabel, Stack, Typography } from '@mui/material';
import type { CheckLayout } from '../api/types';
import { SheetView, viewOf } from './SheetView';

const SHEET = 'SHEET';

/** What of a reading hangs on one look: its picture, and a tick that somebody looked. */
export function LookFirst({
  layout,
  sheet,
  reading,
  what,
  looked,
  change,
}: {
  layout: CheckLayout;
  sheet: string;
  reading: Record<string, string>;
  what: string[];
  looked: string[];
  change: (looked: string[]) => void;
}) {
  if (what.length === 0) {
    return null;
  }
  return (
    <Stack spacing={1.5} role="group" aria-label="Look at it first">
      {what.map((part) => (
        <Box key={part}>
          <Typography sx={{ fontWeight: 650 }}>
            {part === SHEET
              ? 'More than a third of the sheet is unread.'
              : `Channel ${part} reads wholly missing: no ink of its own where its dashes belong.`}
          </Typography>
          <Box sx={{ height: 150, bgcolor: '#d8d8d4', borderRadius: 0.5, overflow: 'hidden', my: 0.5 }}>
            <SheetView
              layout={layout}
              sheet={sheet}
              reading={reading}
              view={viewOf(layout, part === SHEET ? undefined : part)}
              overlay={0}
              label={part === SHEET ? 'The sheet as it was scanned' : `Block ${part} as it was scanned`}
            />
          </Box>
          <FormControlLabel
            control={
              <Checkbox
                checked={looked.includes(part)}
                onChange={(_, isTicked) =>
                  change(isTicked ? [...looked, part] : looked.filter((other) => other !== part))
                }
              />
            }
            label={part === SHEET ? 'I looked at the sheet' : `I looked: block ${part} is blank`}
          />
        </Box>
      ))}
    </Stack>
  );
}
