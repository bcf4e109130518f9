import { Box, Button, IconButton, Stack, Typography } from '@mui/material';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { Scan } from '../api/types';
import { KeyHint } from '../app/KeyHint';
import { Block } from '../app/Page';
import { LETTERS, STATE_OF, type Letter } from '../nozzle/comb';
import { capital, word } from '../words/words';
import type { Nozzle } from './corrections';
import { dashOf } from './geometry';
import { SheetView } from './SheetView';

interface Props {
  scan: Scan;
  sheet: string;
  reading: Record<string, string>;
  at?: Nozzle;
  /** Place in the queue, −1 for a nozzle that is not in it. */
  place: number;
  total: number;
  open: number;
  step: (by: 1 | -1) => void;
  set?: (letter: Letter) => void;
}

const AROUND_MM = 2.6;

/** One nozzle enlarged, why the reader was not sure, and one key for each state. */
export function UnsureQueue({ scan, sheet, reading, at, place, total, open, step, set }: Props) {
  return (
    <Block
      title={total === 0 ? 'No unsure nozzle' : `Unsure nozzles: ${open} of ${total} open`}
      aside={
        total > 1 && (
          <>
            <IconButton aria-label="Previous unsure nozzle" onClick={() => step(-1)}>
              <ChevronLeft />
            </IconButton>
            <IconButton aria-label="Next unsure nozzle" onClick={() => step(1)}>
              <ChevronRight />
            </IconButton>
          </>
        )
      }
    >
      {at ? (
        <One scan={scan} sheet={sheet} reading={reading} at={at} place={place} total={total} set={set} />
      ) : (
        <Typography color="text.secondary">Tap a dash on the sheet to look at it closely.</Typography>
      )}
    </Block>
  );
}

function One({
  scan,
  sheet,
  reading,
  at,
  place,
  total,
  set,
}: Pick<Props, 'scan' | 'sheet' | 'reading' | 'place' | 'total' | 'set'> & { at: Nozzle }) {
  const block = scan.layout.blocks.find((b) => b.channel === at.code);
  const channel = scan.result.channels[at.code];
  if (!block || !channel) {
    return null;
  }
  const dash = dashOf(block, at.nozzle);
  const i = at.nozzle - 1;
  const doubt = channel.doubts[at.nozzle];
  const now = reading[at.code][i] as Letter;
  const leaning = channel.leaning[i] as Letter;
  return (
    <Stack spacing={1.5} aria-live="polite">
      <Typography sx={{ fontWeight: 650 }}>
        {at.code} nozzle {at.nozzle}
        {place >= 0 && total > 0 && ` (${place + 1} of ${total})`}: {word('state', STATE_OF[now])}
      </Typography>
      <Box sx={{ height: 160, bgcolor: '#d8d8d4', borderRadius: 0.5, overflow: 'hidden' }}>
        <SheetView
          layout={scan.layout}
          sheet={sheet}
          reading={{}}
          overlay={0}
          at={at}
          view={{
            x: dash.x - AROUND_MM,
            y: dash.y - AROUND_MM,
            width: dash.width + 2 * AROUND_MM,
            height: dash.height + 2 * AROUND_MM,
          }}
          label={`Enlarged: ${at.code} nozzle ${at.nozzle}`}
        />
      </Box>
      <Typography>
        {doubt ? `${capital(word('doubt', doubt))}; ` : 'Read for sure; '}
        {leaning === 'U'
          ? 'this sheet does not tell.'
          : `most likely ${word('state', STATE_OF[leaning])}, ${channel.confidence[i]} %.`}
        {channel.densities[i] > 0 && ` Ink ${channel.densities[i]} % of a usual dash`}
        {channel.densities[i] > 0 && `, ${Math.abs(channel.offsets[i]).toFixed(2)} steps off its place.`}
      </Typography>
      {set && (
        <Box
          role="group"
          aria-label="What it is"
          sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}
        >
          {LETTERS.map((letter) => (
            <Button
              key={letter}
              variant={now === letter ? 'contained' : 'outlined'}
              aria-pressed={now === letter}
              onClick={() => set(letter)}
              sx={{ justifyContent: 'space-between' }}
            >
              {capital(word('state', STATE_OF[letter]))}
              <KeyHint>{letter}</KeyHint>
            </Button>
          ))}
        </Box>
      )}
    </Stack>
  );
}
