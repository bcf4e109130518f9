import { Box, Button, Stack, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { Redo2, Undo2 } from 'lucide-react';
import { useRef, useState, type Dispatch } from 'react';
import { answer, api, type Problem } from '../api/http';
import type { Channel, Family } from '../api/types';
import { capital, word } from '../words/words';
import { Comb, combWords } from './Comb';
import { LETTERS, STATE_OF, tally, type Letter } from './comb';
import { isTakenOver, type Edit, type Editing } from './editing';
import { Teeth } from './Teeth';
import { ToothSign } from './ToothSign';

interface Props {
  family: Family;
  state: Editing;
  dispatch: Dispatch<Edit>;
  /** The reading before this one, to start from; absent at the first check. */
  last?: Record<string, string>;
}

/** Reads a check by hand: all channels as combs at the side, the one in hand large, a tooth for each nozzle. */
export function CombEditor({ family, state, dispatch, last }: Props) {
  const [code, setCode] = useState(family.channels[0].code);
  const [brush, setBrush] = useState<Letter>('M');
  const channel = family.channels.find((c) => c.code === code) as Channel;
  const reading = state.reading[code];
  const area = useRef<HTMLDivElement>(null);

  function move(by: number) {
    const at = family.channels.findIndex((c) => c.code === code);
    setCode(family.channels[(at + by + family.channels.length) % family.channels.length].code);
  }

  return (
    <Box
      ref={area}
      onKeyDown={(event) => {
        const key = event.key.toLowerCase();
        if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
          event.preventDefault();
          dispatch({ kind: key === 'y' || event.shiftKey ? 'redo' : 'undo' });
        } else if (event.key === 'PageDown' || event.key === 'PageUp') {
          event.preventDefault();
          move(event.key === 'PageDown' ? 1 : -1);
        }
      }}
    >
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mb: 1.5 }}>
        <Button variant="outlined" onClick={() => dispatch({ kind: 'restFires' })}>
          {isTouched(state.reading) ? 'All the rest fires' : 'All channels fire'}
        </Button>
        {last && (
          <Button variant="outlined" onClick={() => dispatch({ kind: 'startFrom', reading: last })}>
            Start from the last check
          </Button>
        )}
        <Button
          variant="outlined"
          startIcon={<Undo2 />}
          disabled={state.undo.length === 0}
          onClick={() => dispatch({ kind: 'undo' })}
        >
          Undo
        </Button>
        <Button
          variant="outlined"
          startIcon={<Redo2 />}
          disabled={state.redo.length === 0}
          onClick={() => dispatch({ kind: 'redo' })}
        >
          Redo
        </Button>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '250px 1fr' }, gap: 2 }}>
        <Stack role="tablist" aria-label="Channels" aria-orientation="vertical" sx={{ gap: 0.5 }}>
          {family.channels.map((c) => (
            <Box
              key={c.code}
              component="button"
              type="button"
              role="tab"
              aria-selected={c.code === code}
              onClick={() => setCode(c.code)}
              sx={(t) => ({
                textAlign: 'left',
                font: 'inherit',
                color: 'text.primary',
                bgcolor: c.code === code ? 'background.paper' : 'transparent',
                border: '2px solid',
                borderColor: c.code === code ? t.vars.palette.primary.main : 'transparent',
                borderRadius: 1,
                p: 1,
                minHeight: 48,
                cursor: 'pointer',
              })}
            >
              <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 1 }}>
                <Typography component="span" sx={{ fontWeight: 700 }}>
                  {c.colour}
                </Typography>
                <Typography component="span">{shortCounts(state.reading[c.code])}</Typography>
              </Stack>
              <Comb channel={c} reading={state.reading[c.code]} height={14} />
            </Box>
          ))}
        </Stack>
        <Box sx={{ bgcolor: 'background.paper', borderRadius: 1, p: { xs: 1, md: 1.5 }, minWidth: 0 }}>
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
            <ToggleButtonGroup
              exclusive
              value={brush}
              aria-label="State to set"
              onChange={(_, next: Letter | null) => next && setBrush(next)}
              sx={{ flexWrap: 'wrap' }}
            >
              {LETTERS.map((letter) => (
                <ToggleButton key={letter} value={letter} sx={{ gap: 1, px: 1.5 }}>
                  <ToothSign letter={letter} />
                  {word('state', STATE_OF[letter])}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <Button
              variant="outlined"
              onClick={() => dispatch({ kind: 'fill', channels: [code], letter: brush })}
            >
              Whole {channel.colour.toLowerCase()} {word('state', STATE_OF[brush])}
            </Button>
          </Stack>
          <Spoken
            key={code}
            channel={channel}
            brush={brush}
            replaces={isTakenOver(state.reading, code)}
            onSaid={(nozzles) => dispatch({ kind: 'said', channel: code, nozzles, letter: brush })}
          />
          <Typography aria-live="polite" sx={{ my: 1, fontWeight: 600 }}>
            {channel.colour}: {combWords(reading)}
          </Typography>
          <Teeth
            key={`teeth-${code}`}
            channel={channel}
            steps={family.steps}
            reading={reading}
            brush={brush}
            onPaint={(nozzles, letter, isDrag) =>
              dispatch({ kind: 'paint', channel: code, nozzles, letter, isDrag })
            }
            onDragEnd={() => dispatch({ kind: 'dragEnd' })}
          />
        </Box>
      </Box>
    </Box>
  );
}

function isTouched(reading: Record<string, string>): boolean {
  return Object.values(reading).some((text) => /[^U]/.test(text));
}

function shortCounts(reading: string): string {
  const counts = tally(reading);
  if (counts.U === reading.length) {
    return 'unread';
  }
  return counts.M > 0 ? `${counts.M} out` : counts.U > 0 ? `${counts.U} unread` : 'fires';
}

const FAULTS: Record<string, (part: string, last: number) => string> = {
  NOT_A_NUMBER: (part) => `“${part}” is no nozzle. Type numbers and ranges, such as 12-18, 40, 77-.`,
  OUTSIDE_CHANNEL: (part, last) => `“${part}” lies outside: this channel has nozzles 1 to ${last}.`,
  BACKWARDS: (part) => `“${part}” runs backwards. Put the smaller number first.`,
};

/** What is out, typed the way people say it. The server reads it, so that there is one rule for it. */
function Spoken({
  channel,
  brush,
  replaces,
  onSaid,
}: {
  channel: Channel;
  brush: Letter;
  /** Whether the channel still stands as the last check had it. */
  replaces: boolean;
  onSaid: (nozzles: number[]) => void;
}) {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const busy = useRef(false);
  const state = word('state', STATE_OF[brush]);

  async function read() {
    if (busy.current || text.trim() === '') {
      return;
    }
    busy.current = true;
    try {
      const understood = await answer(
        api.POST('/api/nozzles/spoken', { body: { text, size: channel.nozzles } }),
      );
      if (understood.problems.length > 0) {
        setTrouble(understood.problems.map((p) => FAULTS[p.fault](p.part, p.lastNozzle)).join(' '));
      } else {
        setTrouble(undefined);
        onSaid(understood.nozzles);
        setText('');
      }
    } catch (problem) {
      setTrouble((problem as Problem).message);
    } finally {
      busy.current = false;
    }
  }

  return (
    <Stack
      component="form"
      direction="row"
      sx={{ gap: 1, alignItems: 'flex-start' }}
      onSubmit={(event) => {
        event.preventDefault();
        void read();
      }}
    >
      <TextField
        size="small"
        label={`${capital(state)} in ${channel.colour.toLowerCase()}`}
        placeholder="12-18, 40, 77-"
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={trouble !== undefined}
        helperText={
          trouble ??
          (replaces
            ? 'It replaces what was taken over from the last check in this channel.'
            : 'Nozzles still unread become firing; those firing stay.')
        }
        autoComplete="off"
      />
      <Button type="submit" variant="contained">
        Set
      </Button>
    </Stack>
  );
}
