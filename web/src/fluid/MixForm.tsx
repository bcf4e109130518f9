import { Alert, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useMoney } from '../account/money';
import { answer, api, Problem } from '../api/http';
import { newId } from '../api/newId';
import type { FluidKind, Lot } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { FormDialog } from '../app/FormDialog';
import { dateInDays } from '../bench/time';
import { capital, word } from '../words/words';

interface Part {
  lotId: string;
  parts: string;
}

/** What is usually mixed: cleaner and deionised water, one to one. */
function usual(lots: Lot[]): Part[] {
  const today = dateInDays(0);
  const of = (kind: FluidKind) =>
    lots.find((lot) => lot.kind === kind && lot.remainingMl > 0 && !(lot.expiresOn && lot.expiresOn < today))
      ?.id ?? '';
  return [
    { lotId: of('AQUEOUS_CLEANER'), parts: '1' },
    { lotId: of('DEIONISED_WATER'), parts: '1' },
  ];
}

/** Mixes from bottles of the shelf: draws them all and makes a new one with its price and its day. */
export function MixForm({ lots, close }: { lots: Lot[]; close: () => void }) {
  const queries = useQueryClient();
  const { amount } = useMoney();
  const id = useRef(newId());
  const [parts, setParts] = useState(() => usual(lots));
  const [ml, setMl] = useState('100');
  const [kind, setKind] = useState<FluidKind>();
  const [name, setName] = useState('Capping fluid');
  const [lotCode, setLotCode] = useState(`CF-${dateInDays(0)}`);
  const [expiresOn, setExpiresOn] = useState(dateInDays(30));
  const mixture = {
    parts: parts.map((p) => ({ lotId: p.lotId, parts: readNumber(p.parts) ?? NaN })),
    volumeMl: readNumber(ml),
    kind,
  };
  const isTyped = mixture.parts.every((p) => p.lotId && p.parts > 0) && !Number.isNaN(mixture.volumeMl ?? 0);
  const sum = useQuery({
    queryKey: ['mixture', JSON.stringify(mixture)],
    queryFn: () => answer(api.POST('/api/mixtures/sum', { body: mixture })),
    enabled: isTyped,
    retry: false,
    placeholderData: (previous) => previous,
  });
  const write = useWrite(async () => {
    await answer(
      api.PUT('/api/mixtures/{id}', {
        params: { path: { id: id.current } },
        body: { mixture, name, lotCode, expiresOn },
      }),
    );
    await queries.invalidateQueries({ queryKey: ['lots'] });
  }, close);
  const wrong = (field: string) => write.problem?.errors.find((e) => e.field === field)?.message;
  const set = (i: number, change: Partial<Part>) =>
    setParts(parts.map((part, at) => (at === i ? { ...part, ...change } : part)));
  const chosen = kind && sum.data?.kinds.includes(kind) ? kind : sum.data?.kinds[0];
  return (
    <FormDialog
      title="Mix"
      does="Mix it and put it on the shelf"
      write={write}
      send={() => write.send(undefined)}
      close={close}
    >
      {parts.map((part, i) => (
        <Stack key={i} direction="row" spacing={1} role="group" aria-label={`Part ${i + 1}`}>
          <TextField
            select
            label={`Bottle ${i + 1}`}
            value={lots.some((l) => l.id === part.lotId) ? part.lotId : ''}
            onChange={(event) => set(i, { lotId: event.target.value })}
            sx={{ flex: 1 }}
          >
            {lots
              .filter((lot) => lot.kind !== 'INK')
              .map((lot) => (
                <MenuItem key={lot.id} value={lot.id} sx={{ minHeight: 48 }}>
                  {lot.name}, {lot.lotCode}: {lot.remainingMl} mL left
                </MenuItem>
              ))}
          </TextField>
          <TextField
            label="Parts"
            value={part.parts}
            onChange={(event) => set(i, { parts: event.target.value })}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            sx={{ width: 90 }}
          />
        </Stack>
      ))}
      <Button
        variant="outlined"
        sx={{ alignSelf: 'flex-start' }}
        disabled={parts.length >= 6}
        onClick={() => setParts([...parts, { lotId: '', parts: '1' }])}
      >
        One more bottle
      </Button>
      <TextField
        label="How much to make"
        value={ml}
        onChange={(event) => setMl(event.target.value)}
        error={wrong('mixture.volumeMl') !== undefined}
        helperText={wrong('mixture.volumeMl') ?? 'mL'}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
      {sum.error instanceof Problem && (
        <Alert severity="error" role="alert">
          {sum.error.errors[0]?.message ?? sum.error.message}
        </Alert>
      )}
      {sum.data && !sum.error && (
        <Alert severity={(mixture.volumeMl ?? 0) > sum.data.mostMl ? 'warning' : 'info'} role="status">
          <Typography>
            From what is left <b>{sum.data.mostMl} mL</b> can be made.
          </Typography>
          {sum.data.draws.map((d) => (
            <Typography key={d.lotId}>
              {d.volumeMl} mL of {d.name}, {d.lotCode}
            </Typography>
          ))}
          {sum.data.price !== undefined && sum.data.price !== null && (
            <Typography>
              Costs {amount(sum.data.price)}; {sum.data.foodSafe ? 'food-safe' : 'not for food heads'}.
            </Typography>
          )}
        </Alert>
      )}
      {sum.data && sum.data.kinds.length > 1 && (
        <TextField
          select
          label="It is then"
          value={chosen ?? ''}
          onChange={(event) => setKind(event.target.value as FluidKind)}
        >
          {sum.data.kinds.map((k) => (
            <MenuItem key={k} value={k}>
              {capital(word('fluidKind', k))}
            </MenuItem>
          ))}
        </TextField>
      )}
      <TextField
        label="Name for its label"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={wrong('name') !== undefined}
        helperText={wrong('name')}
      />
      <TextField
        label="Lot for its label"
        value={lotCode}
        onChange={(event) => setLotCode(event.target.value)}
        error={wrong('lotCode') !== undefined}
        helperText={wrong('lotCode')}
      />
      <TextField
        label="Good until"
        type="date"
        value={expiresOn}
        onChange={(event) => setExpiresOn(event.target.value)}
        error={wrong('expiresOn') !== undefined}
        helperText={wrong('expiresOn')}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </FormDialog>
  );
}
