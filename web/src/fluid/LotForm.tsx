import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  MenuItem,
  Stack,
  TextField,
  ToggleButton,
  Typography,
} from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { http } from '../api/http';
import { newId } from '../api/newId';
import type { Lot } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { differences, Reconcile } from '../app/Reconcile';
import { WriteProblem } from '../app/states';
import { NumberField } from '../treatment/NumberField';
import { capital, terms, word } from '../words/words';

interface Form {
  name: string;
  kind: string;
  maker: string;
  lotCode: string;
  foodSafe: boolean;
  expiresOn: string;
  bottleMl: string;
  remainingMl: string;
  price: string;
  hazards: string;
}

const LABELS: Record<keyof Form, string> = {
  name: 'Name on the bottle',
  kind: 'Kind of fluid',
  maker: 'Maker',
  lotCode: 'Lot',
  foodSafe: 'Food-safe',
  expiresOn: 'Good until',
  bottleMl: 'Held when new',
  remainingMl: 'In it now',
  price: 'Price of the bottle',
  hazards: 'Hazards',
};

const NUMBERS = ['bottleMl', 'remainingMl', 'price'] as const;

function formOf(lot: Lot | undefined): Form {
  return {
    name: lot?.name ?? '',
    kind: lot?.kind ?? 'AQUEOUS_CLEANER',
    maker: lot?.maker ?? '',
    lotCode: lot?.lotCode ?? '',
    foodSafe: lot?.foodSafe ?? false,
    expiresOn: lot?.expiresOn ?? '',
    bottleMl: lot ? String(lot.bottleMl) : '',
    remainingMl: lot ? String(lot.remainingMl) : '',
    price: lot ? String(lot.price) : '',
    hazards: lot?.hazards ?? '',
  };
}

/** A new bottle, or what is corrected on one that stands there. */
export function LotForm({ lot, close }: { lot: Lot | undefined; close: () => void }) {
  const queries = useQueryClient();
  const id = useRef(lot?.id ?? newId());
  const version = useRef(lot?.version);
  const [form, setForm] = useState(() => formOf(lot));
  const set = (part: Partial<Form>) => setForm({ ...form, ...part });
  const unread = NUMBERS.filter((name) => Number.isNaN(readNumber(form[name])));
  const write = useWrite(async () => {
    await http.put(`/api/lots/${id.current}`, {
      ...form,
      version: version.current,
      expiresOn: form.expiresOn || undefined,
      ...Object.fromEntries(NUMBERS.map((name) => [name, readNumber(form[name])])),
    });
    await queries.invalidateQueries({ queryKey: ['lots'] });
  }, close);
  const wrong = (field: keyof Form) =>
    (NUMBERS as readonly string[]).includes(field) && unread.includes(field as (typeof NUMBERS)[number])
      ? 'Enter a number, such as 500.'
      : write.problem?.errors.find((error) => error.field === field)?.message;
  const text = (name: 'name' | 'maker' | 'lotCode' | 'hazards') => (
    <TextField
      label={LABELS[name]}
      value={form[name]}
      onChange={(event) => set({ [name]: event.target.value })}
      error={wrong(name) !== undefined}
      helperText={wrong(name)}
    />
  );
  const current = write.problem?.isConflict ? (write.problem.extra.current as Lot) : undefined;
  return (
    <Dialog open onClose={close} fullWidth maxWidth="sm" aria-labelledby="lot-title">
      <DialogContent>
        <Stack spacing={2}>
          <Typography id="lot-title" variant="h2">
            {lot ? `Correct ${lot.lotCode}` : 'Put a bottle on the shelf'}
          </Typography>
          {text('name')}
          <TextField
            select
            label={LABELS.kind}
            value={form.kind}
            onChange={(event) => set({ kind: event.target.value })}
          >
            {terms('fluidKind').map((value) => (
              <MenuItem key={value} value={value}>
                {capital(word('fluidKind', value))}
              </MenuItem>
            ))}
          </TextField>
          {text('maker')}
          {text('lotCode')}
          <ToggleButton
            value="food"
            selected={form.foodSafe}
            onChange={() => set({ foodSafe: !form.foodSafe })}
          >
            {form.foodSafe ? 'Food-safe, as marked by the maker' : 'Not marked food-safe'}
          </ToggleButton>
          <TextField
            label={LABELS.expiresOn}
            type="date"
            value={form.expiresOn}
            onChange={(event) => set({ expiresOn: event.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
            error={wrong('expiresOn') !== undefined}
            helperText={wrong('expiresOn')}
          />
          <NumberField
            label={LABELS.bottleMl}
            unit="mL"
            value={form.bottleMl}
            onChange={(bottleMl) => set({ bottleMl })}
            error={wrong('bottleMl')}
          />
          <NumberField
            label={LABELS.remainingMl}
            unit="mL"
            value={form.remainingMl}
            onChange={(remainingMl) => set({ remainingMl })}
            error={wrong('remainingMl')}
          />
          <NumberField
            label={LABELS.price}
            unit="EUR"
            value={form.price}
            onChange={(price) => set({ price })}
            error={wrong('price')}
          />
          {text('hazards')}
          <WriteProblem problem={write.problem} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Back</Button>
        <Button
          variant="contained"
          loading={write.isBusy}
          onClick={() => unread.length === 0 && write.send(undefined)}
        >
          {lot ? 'Save the correction' : 'Put it there'}
        </Button>
      </DialogActions>
      {current && (
        <Reconcile
          problem={write.problem}
          found={differences(formOf(current), form, LABELS)}
          cancel={write.forget}
          settle={(taken) => {
            version.current = current.version;
            set(Object.fromEntries([...taken].map((field) => [field, formOf(current)[field as keyof Form]])));
            write.forget();
          }}
        />
      )}
    </Dialog>
  );
}
