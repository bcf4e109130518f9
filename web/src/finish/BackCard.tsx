import { Alert, Button, Stack, TextField, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { newId } from '../api/newId';
import type { OffPart, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { count as countWords, wordWith } from '../words/words';
import { called, partName, putBack, stillOff, type Back } from './parts';

const LARGE = { minHeight: 64, minWidth: 160, fontSize: '1.25rem' };

/** The list backwards: what came off last goes back first, one tap or Enter each. */
export function BackCard({ visit }: { visit: Visit }) {
  const left = stillOff(visit);
  const next = left[0];
  const headKey = useRef(newId());
  const write = useWrite(
    ({ part, back }: { part: OffPart; back: Back }) => putBack(visit, part, headKey.current, back),
    () => {
      headKey.current = newId();
    },
  );
  const all = (part: OffPart) =>
    write.send({
      part,
      back:
        part.kind === 'CARTRIDGE' ? { count: part.count, light: true, menu: true } : { count: part.count },
    });
  // What light and menu show is for the eyes to say: Enter ticks everything but a cartridge.
  const isRead = useKeys(next && next.kind !== 'CARTRIDGE' ? { enter: () => all(next) } : {}, next?.id);
  if (!next) {
    return (
      <Alert
        severity="success"
        icon={false}
        action={
          <Button component={Link} to={`/visits/${visit.id}`}>
            What now
          </Button>
        }
      >
        Everything is back.
      </Alert>
    );
  }
  return (
    <Stack spacing={2}>
      <Stack
        key={next.id}
        component="section"
        aria-label="Goes back next"
        spacing={1.5}
        sx={{
          bgcolor: 'background.paper',
          borderRadius: 1,
          p: 2,
          borderLeft: '8px solid',
          borderColor: 'thread',
        }}
      >
        <Typography color="text.secondary">{countWords('PARTS_OFF', left.length)}</Typography>
        <Typography variant="h2" sx={{ fontSize: '1.5rem' }}>
          {partName(next)}
        </Typography>
        {next.note && <Typography sx={{ fontSize: '1.125rem' }}>{next.note}</Typography>}
        {next.hasPhoto && (
          <img
            src={`/api/visits/${visit.id}/parts/${next.id}/photo`}
            alt={`${partName(next)} before it came off`}
            style={{ maxWidth: 'min(100%, 420px)', maxHeight: 280, objectFit: 'contain', alignSelf: 'start' }}
          />
        )}
        {next.kind === 'RIBBON' && (
          <Typography>Straight, and the right way round. Look at every other cable as well.</Typography>
        )}
        {next.kind === 'CARTRIDGE' ? (
          <Cartridge part={next} isBusy={write.isBusy} send={(back) => write.send({ part: next, back })} />
        ) : (
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" loading={write.isBusy} onClick={() => all(next)} sx={LARGE}>
              {next.kind === 'LAID_IN' ? 'Out again' : next.count > 1 ? `All ${next.count} back` : 'Back'}
              <KeyHint rests={!isRead}>Enter</KeyHint>
            </Button>
            {next.count > 1 &&
              Array.from({ length: next.count - 1 }, (_, i) => i + 1).map((n) => (
                <Button
                  key={n}
                  variant="outlined"
                  loading={write.isBusy}
                  onClick={() => write.send({ part: next, back: { count: n } })}
                >
                  Only {n}
                </Button>
              ))}
          </Stack>
        )}
        {next.kind !== 'CARTRIDGE' && (next.backCount ?? 0) > 0 && (
          <Typography role="status" sx={{ fontWeight: 650 }}>
            {next.backCount} of {next.count} back. The rest is still to be found.
          </Typography>
        )}
        <Stays part={next} isBusy={write.isBusy} send={(back) => write.send({ part: next, back })} />
        <WriteProblem problem={write.problem} />
      </Stack>
      {left.length > 1 && <Typography>Then: {left.slice(1).map(called).join(', ')}.</Typography>}
    </Stack>
  );
}

/** A cartridge is in when the machine's light and its menu both show it. */
function Cartridge({ part, isBusy, send }: { part: OffPart; isBusy: boolean; send: (back: Back) => void }) {
  const say = (light: boolean, menu: boolean) => send({ count: 1, light, menu });
  return (
    <Stack spacing={1}>
      <Typography>Clip off, seat it, tape off. Then power on: what do light and menu show?</Typography>
      {part.inDispute && (
        <Alert severity="warning" icon={false} role="status">
          {part.light ? 'The light shows it, the menu does not.' : 'The menu shows it, the light does not.'}{' '}
          Take it out and seat it again.
        </Alert>
      )}
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button variant="contained" loading={isBusy} onClick={() => say(true, true)} sx={LARGE}>
          Both show it
        </Button>
        <Button variant="outlined" loading={isBusy} onClick={() => say(true, false)}>
          Only the light
        </Button>
        <Button variant="outlined" loading={isBusy} onClick={() => say(false, true)}>
          Only the menu
        </Button>
        <Button variant="outlined" loading={isBusy} onClick={() => say(false, false)}>
          Neither
        </Button>
      </Stack>
    </Stack>
  );
}

/** What does not go back says why, and what took its place. */
function Stays({ part, isBusy, send }: { part: OffPart; isBusy: boolean; send: (back: Back) => void }) {
  const [isOpen, setOpen] = useState(false);
  const [note, setNote] = useState('');
  if (!isOpen) {
    return (
      <Button onClick={() => setOpen(true)} sx={{ alignSelf: 'flex-start' }}>
        It does not go back
      </Button>
    );
  }
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      <TextField
        label="Why, and what takes its place"
        value={note}
        onChange={(event) => setNote(event.target.value)}
        sx={{ flex: '1 1 260px' }}
      />
      <Button
        variant="outlined"
        loading={isBusy}
        onClick={() => send({ count: part.backCount ?? 0, stays: true, note })}
        sx={{ minHeight: 56 }}
      >
        {wordWith('count', 'STAYS_OFF', { N: part.count })}
      </Button>
    </Stack>
  );
}
