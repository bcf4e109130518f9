import { zodResolver } from '@hookform/resolvers/zod';
import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { Controller, useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import { newId } from '../api/newId';
import type { House, ShopView } from '../api/types';
import { Choice, Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { capital, terms, word } from '../words/words';
import { percentOf, shareOf } from './houseForm';

type Day = NonNullable<ShopView['hours']>['days'][number];

const DAYS = terms('weekday').map((value) => ({ value: value as Day, label: word('weekday', value) }));
const ZONES = Intl.supportedValuesOf('timeZone');

const money = z.string().regex(/^\d{1,4}([.,]\d{1,2})?$/, 'Enter a number, such as 36.');

const schema = z
  .object({
    name: z.string().refine((text) => text.trim() !== '', 'Enter the name of the shop.'),
    address: z.string(),
    currency: z.string(),
    zone: z.string().refine((zone) => ZONES.includes(zone) || zone === 'UTC' || zone.includes('/'), {
      message: 'Choose a time zone, such as Europe/Lisbon.',
    }),
    opens: z.string(),
    closes: z.string(),
    days: z.array(z.string()),
    temperature: z.string(),
    volume: z.string(),
    pressure: z.string(),
    rate: money,
    tax: z.string().regex(/^\d{1,3}([.,]\d{1,2})?$/, 'Enter a share in %, such as 21.'),
  })
  .refine((v) => (v.opens === '') === (v.closes === ''), {
    path: ['closes'],
    message: 'Enter both times, or neither.',
  })
  .refine((v) => v.opens === '' || v.opens < v.closes, {
    path: ['closes'],
    message: 'The shop closes after it opens. Enter a later time.',
  })
  .refine((v) => v.opens === '' || v.days.length > 0, {
    path: ['days'],
    message: 'Choose at least one day.',
  });

type Values = z.infer<typeof schema>;

function valuesOf(shop: ShopView, house: House, asksMoney: boolean): Values {
  return {
    name: shop.name,
    address: shop.address,
    currency: shop.currency,
    zone: shop.zone,
    opens: shop.hours?.opens ?? '',
    closes: shop.hours?.closes ?? '',
    days: shop.hours?.days ?? ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY'],
    ...shop.units,
    rate: asksMoney ? String(house.book.ratePerHour) : '0',
    tax: asksMoney ? percentOf(house.book.taxShare ?? 0) : '0',
  };
}

interface Props {
  shop: ShopView;
  house: House;
  /** At the set-up the money is asked as well; later it stands among the house rules. */
  asksMoney?: boolean;
  does: string;
  done?: () => void;
}

/** What a shop says of itself: name and address on paper, currency, time zone, hours, units. */
export function ShopForm({ shop, house, asksMoney = false, does, done }: Props) {
  const queries = useQueryClient();
  const key = useRef(newId());
  const form = useForm<Values>({
    defaultValues: valuesOf(shop, house, asksMoney),
    resolver: zodResolver(schema),
  });
  const { control } = form;
  const write = useMutation<ShopView, Problem, Values>({
    mutationFn: async (v) => {
      const book = {
        ...house.book,
        ratePerHour: Number(v.rate.replace(',', '.')),
        taxShare: shareOf(v.tax, house.book.taxShare ?? 0),
      };
      const isOther =
        book.ratePerHour !== house.book.ratePerHour || book.taxShare !== (house.book.taxShare ?? 0);
      if (asksMoney && isOther) {
        const now = await answer(
          api.PUT('/api/house-rules/{id}', {
            params: { path: { id: key.current } },
            body: { number: house.number, book, why: 'set-up of the shop' },
          }),
        );
        queries.setQueryData(['house'], now);
      }
      return answer(
        api.PUT('/api/shop', {
          body: {
            version: shop.version ?? undefined,
            name: v.name,
            address: v.address,
            currency: v.currency,
            zone: v.zone,
            hours: v.opens === '' ? undefined : { opens: v.opens, closes: v.closes, days: v.days as Day[] },
            units: {
              temperature: v.temperature as ShopView['units']['temperature'],
              volume: v.volume as ShopView['units']['volume'],
              pressure: v.pressure as ShopView['units']['pressure'],
            },
          },
        }),
      );
    },
    onSuccess: async (now) => {
      queries.setQueryData(['shop'], now);
      await queries.invalidateQueries({ queryKey: ['session'] });
      done?.();
    },
  });
  useProblemAt(form, write.error, (field) => field.replace(/^(hours|units|book)\./, ''));
  return (
    <Stack
      component="form"
      spacing={2}
      noValidate
      onSubmit={form.handleSubmit((value) => {
        if (!write.isPending) {
          write.mutate(value);
        }
      })}
    >
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 2fr' } }}>
        <Entry control={control} name="name" label="Name on paper" autoComplete="organization" />
        <Entry control={control} name="address" label="Address on paper" autoComplete="street-address" />
      </Box>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: 'repeat(4, 1fr)' } }}>
        <Entry
          control={control}
          name="currency"
          label="Currency"
          hint="Three letters, such as EUR"
          autoComplete="off"
        />
        {asksMoney && <Entry control={control} name="rate" label="An hour of hands" isNumber />}
        {asksMoney && <Entry control={control} name="tax" label="Tax on a bill" unit="%" isNumber />}
        <Controller
          control={control}
          name="zone"
          render={({ field, fieldState }) => (
            <TextField
              {...field}
              inputRef={field.ref}
              label="Time zone of what stands on paper"
              error={fieldState.error !== undefined}
              helperText={fieldState.error?.message ?? 'Begin with the continent, such as Europe/Lisbon'}
              slotProps={{ htmlInput: { list: 'zones' } }}
            />
          )}
        />
      </Box>
      <datalist id="zones">
        {ZONES.map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
      <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <Box sx={{ width: 150 }}>
          <Time control={control} name="opens" label="Opens" />
        </Box>
        <Box sx={{ width: 240 }}>
          <Time control={control} name="closes" label="Closes" />
        </Box>
        <Controller
          control={control}
          name="days"
          render={({ field, fieldState }) => (
            <Choice
              label="Days"
              isMany
              options={DAYS}
              value={field.value as Day[]}
              onChange={(days) => field.onChange(days ?? [])}
              error={fieldState.error?.message}
            />
          )}
        />
      </Stack>
      <Typography color="text.secondary">
        Hours stand on the report, below the address. Units are those of people who have chosen none.
      </Typography>
      <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap' }}>
        {(['temperature', 'volume', 'pressure'] as const).map((what) => (
          <Controller
            key={what}
            control={control}
            name={what}
            render={({ field }) => (
              <Choice
                label={`${capital(what)} in`}
                isFixed
                options={terms(`${what}Unit`).map((value) => ({ value, label: word(`${what}Unit`, value) }))}
                value={field.value}
                onChange={field.onChange}
              />
            )}
          />
        ))}
      </Stack>
      {write.error?.isConflict && (
        <Typography role="alert" color="error">
          Somebody changed this meanwhile. Load the page again, and enter what is still wanted.
        </Typography>
      )}
      <WriteProblem problem={write.error} />
      <Button
        type="submit"
        variant={asksMoney ? 'contained' : 'outlined'}
        size={asksMoney ? 'large' : 'medium'}
        loading={write.isPending}
        sx={{ alignSelf: 'flex-start' }}
      >
        {does}
      </Button>
    </Stack>
  );
}

function Time(props: Parameters<typeof Entry<Values>>[0]) {
  return <Entry {...props} type="time" />;
}
