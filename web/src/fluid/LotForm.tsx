import { Button, Dialog, DialogActions, DialogContent, Stack, ToggleButton, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRef } from 'react';
import { Controller, useForm } from 'react-hook-form';
import * as z from 'zod';
import { useMoney } from '../account/money';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { FluidKind, Lot } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Entry, readNumber, SelectEntry } from '../app/fields';
import { differences, Reconcile } from '../app/Reconcile';
import { WriteProblem } from '../app/states';
import { typedNumber } from '../app/typed';
import { useProblemAt } from '../app/useProblemAt';
import { capital, terms, word } from '../words/words';

interface Form {
  name: string;
  kind: FluidKind;
  maker: string;
  lotCode: string;
  foodSafe: boolean;
  expiresOn: string;
  bottleMl: string;
  remainingMl: string;
  price: string;
  hazards: string;
  viscosityFactor: string;
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
  viscosityFactor: 'Times as thick as water',
};

const number = typedNumber('Enter a number, such as 500.');
const schema = z.looseObject({
  bottleMl: number,
  remainingMl: number,
  price: number,
  viscosityFactor: typedNumber('Enter a number, such as 1.5, or leave it empty.'),
});

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
    viscosityFactor: lot?.viscosityFactor ? String(lot.viscosityFactor) : '',
  };
}

/** A new bottle, or what is corrected on one that stands there. */
export function LotForm({ lot, close }: { lot: Lot | undefined; close: () => void }) {
  const queries = useQueryClient();
  const id = useRef(lot?.id ?? newId());
  const version = useRef(lot?.version);
  const { currency } = useMoney();
  const form = useForm<Form>({ defaultValues: formOf(lot), resolver: zodResolver(schema) as never });
  const write = useWrite(async (value: Form) => {
    await answer(
      api.PUT('/api/lots/{id}', {
        params: { path: { id: id.current } },
        body: {
          ...value,
          version: version.current,
          expiresOn: value.expiresOn || undefined,
          bottleMl: readNumber(value.bottleMl)!,
          remainingMl: readNumber(value.remainingMl)!,
          price: readNumber(value.price)!,
          viscosityFactor: readNumber(value.viscosityFactor),
        },
      }),
    );
    await queries.invalidateQueries({ queryKey: ['lots'] });
  }, close);
  useProblemAt(form, write.problem);
  const { control } = form;
  const current = write.problem?.isConflict ? (write.problem.extra.current as Lot) : undefined;
  return (
    <Dialog open onClose={close} fullWidth maxWidth="sm" aria-labelledby="lot-title">
      <DialogContent>
        <Stack spacing={2}>
          <Typography id="lot-title" variant="h2">
            {lot ? `Correct ${lot.lotCode}` : 'Put a bottle on the shelf'}
          </Typography>
          <Entry control={control} name="name" label={LABELS.name} />
          <SelectEntry
            control={control}
            name="kind"
            label={LABELS.kind}
            options={terms('fluidKind').map((value) => ({
              value,
              label: capital(word('fluidKind', value)),
            }))}
          />
          <Entry control={control} name="maker" label={LABELS.maker} />
          <Entry control={control} name="lotCode" label={LABELS.lotCode} />
          <Controller
            control={control}
            name="foodSafe"
            render={({ field }) => (
              <ToggleButton value="food" selected={field.value} onChange={() => field.onChange(!field.value)}>
                {field.value ? 'Food-safe, as marked by the maker' : 'Not marked food-safe'}
              </ToggleButton>
            )}
          />
          <Entry control={control} name="expiresOn" label={LABELS.expiresOn} type="date" />
          <Entry control={control} name="bottleMl" label={LABELS.bottleMl} unit="mL" isNumber />
          <Entry control={control} name="remainingMl" label={LABELS.remainingMl} unit="mL" isNumber />
          <Entry control={control} name="price" label={LABELS.price} unit={currency} isNumber />
          <Entry
            control={control}
            name="viscosityFactor"
            label={LABELS.viscosityFactor}
            hint="From the maker's sheet, for the sums of pressure; empty: not known"
            isNumber
          />
          <Entry control={control} name="hazards" label={LABELS.hazards} />
          <WriteProblem problem={write.problem} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Back</Button>
        <Button
          variant="contained"
          loading={write.isBusy}
          onClick={form.handleSubmit((value) => write.send(value))}
        >
          {lot ? 'Save the correction' : 'Put it there'}
        </Button>
      </DialogActions>
      {current && (
        <Reconcile
          problem={write.problem}
          found={differences(formOf(current), form.getValues(), LABELS)}
          cancel={write.forget}
          settle={(taken) => {
            version.current = current.version;
            taken.forEach((field) =>
              form.setValue(field as keyof Form, formOf(current)[field as keyof Form]),
            );
            write.forget();
          }}
        />
      )}
    </Dialog>
  );
}
