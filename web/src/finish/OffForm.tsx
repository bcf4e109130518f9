import { Button, MenuItem, Stack, TextField } from '@mui/material';
import { useRef, useState } from 'react';
import { newId } from '../api/newId';
import type { OffPart, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';
import { capital, terms, word } from '../words/words';
import { kindName, takeOff } from './parts';

const FIELDS = ['name', 'count', 'channel', 'note'];

/** Anything else that comes off, is laid in, or is left over on the bench. */
export function OffForm({ visit }: { visit: Visit }) {
  const [kind, setKind] = useState<OffPart['kind']>('SCREW');
  const [name, setName] = useState('');
  const [count, setCount] = useState('1');
  const [channel, setChannel] = useState('');
  const [note, setNote] = useState('');
  const key = useRef(newId());
  const headKey = useRef(newId());
  const write = useWrite(
    () =>
      takeOff(visit, key.current, headKey.current, {
        kind,
        name: name || word('offPart', kind),
        count: readNumber(count) ?? 0,
        channel: channel || undefined,
        note,
      }),
    () => {
      key.current = newId();
      headKey.current = newId();
      setName('');
      setCount('1');
      setNote('');
    },
  );
  const wrong = (field: string) => write.problem?.errors.find((e) => e.field === field)?.message;
  const isNumber = Number.isInteger(readNumber(count));
  const asksPort = kind === 'CARTRIDGE' || kind === 'TUBE';
  return (
    <Block title="Something else">
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          select
          label="What it is"
          value={kind}
          onChange={(event) => setKind(event.target.value as OffPart['kind'])}
          sx={{ width: 180 }}
        >
          {terms('offPart').map((value) => (
            <MenuItem key={value} value={value} sx={{ minHeight: 48 }}>
              {kindName(value)}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Name"
          placeholder={capital(word('offPart', kind))}
          value={name}
          onChange={(event) => setName(event.target.value)}
          error={wrong('name') !== undefined}
          helperText={wrong('name')}
          sx={{ flex: '1 1 160px' }}
        />
        <TextField
          label="How many"
          value={count}
          onChange={(event) => setCount(event.target.value)}
          error={!isNumber || wrong('count') !== undefined}
          helperText={isNumber ? wrong('count') : 'Enter a whole number.'}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 110 }}
        />
        {asksPort && (
          <TextField
            select
            label="Port"
            value={channel}
            onChange={(event) => setChannel(event.target.value)}
            error={wrong('channel') !== undefined}
            helperText={wrong('channel')}
            sx={{ width: 110 }}
          >
            {visit.family.channels.map((c) => (
              <MenuItem key={c.code} value={c.code} sx={{ minHeight: 48 }}>
                {c.code}
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          label={word('offPartNote', kind)}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          error={wrong('note') !== undefined}
          helperText={wrong('note')}
          sx={{ flex: '2 1 220px' }}
        />
        <Button
          variant="outlined"
          loading={write.isBusy}
          disabled={!isNumber}
          onClick={() => write.send(undefined)}
          sx={{ minHeight: 56 }}
        >
          {kind === 'LAID_IN' ? 'It is laid in' : 'It is off'}
        </Button>
      </Stack>
      {!write.problem?.errors.some((e) => FIELDS.includes(e.field)) && (
        <WriteProblem problem={write.problem} />
      )}
    </Block>
  );
}
