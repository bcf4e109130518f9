import { Autocomplete, Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Controller, useFormContext, useWatch } from 'react-hook-form';
import { useMoney } from '../account/money';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Family } from '../api/types';
import { Block } from '../app/Page';
import { ChoiceEntry, Entry } from '../app/fields';
import { dateInDays } from '../bench/time';
import { capital, count, terms, word } from '../words/words';
import { INTAKE_LABELS as LABELS, type IntakeForm, usualPorts } from './intakeForm';
import { KnownSerial } from './KnownSerial';
import { Ports } from './Ports';
import { Symptoms } from './Symptoms';

const TOLD = terms('told').map((value) => ({ value, label: capital(word('told', value)) }));

/** What is asked of every head, whatever it came in for, in the order in which a technician asks. */
export function IntakeFields({ families, isNew }: { families: Family[]; isNew: boolean }) {
  const { control, getValues } = useFormContext<IntakeForm>();
  const { currency } = useMoney();
  const [scanned, setScanned] = useState('');
  const purpose = useWatch({ control, name: 'purpose' });
  const label = (name: keyof IntakeForm) => LABELS[name] ?? name;
  return (
    <Stack spacing={2}>
      <Block title="Which head">
        <Stack spacing={2}>
          <Grid>
            <Box
              onKeyDown={(event) => {
                // A scanner ends with Enter: that looks the head up and sends nothing.
                if (event.key === 'Enter') {
                  event.preventDefault();
                  setScanned(getValues('serial').trim());
                }
              }}
            >
              <Entry
                control={control}
                name="serial"
                label={label('serial')}
                hint={isNew ? 'Type or scan it; an old tag does as well.' : undefined}
                autoFocus={isNew}
                required
              />
            </Box>
            <FamilyEntry families={families} />
            <Entry control={control} name="printer" label={label('printer')} />
            <Entry
              control={control}
              name="printerPrice"
              label={label('printerPrice')}
              unit={currency}
              isNumber
            />
          </Grid>
          {isNew && <KnownSerial families={families} scanned={scanned} />}
          <Ports families={families} />
          <ChoiceEntry
            control={control}
            name="everNonFood"
            label={label('everNonFood')}
            options={TOLD}
            required
            hint="A head that ever carried non-food ink never becomes a food head."
          />
        </Stack>
      </Block>
      <Block title="Who">
        <Grid>
          <CustomerEntry />
          <Entry control={control} name="contact" label={label('contact')} required />
        </Grid>
      </Block>
      <Block title={purpose === 'REPAIR' ? 'What went wrong' : 'What for'}>
        <Stack spacing={2}>
          <ChoiceEntry
            control={control}
            name="purpose"
            label={label('purpose')}
            isFixed
            required
            options={terms('purpose').map((value) => ({ value, label: capital(word('purpose', value)) }))}
          />
          {purpose === 'REPAIR' && <Symptoms families={families} />}
          <Grid>
            <Entry control={control} name="idleDays" label={label('idleDays')} unit="days" isNumber />
            <Entry
              control={control}
              name="cyclesBefore"
              label={label('cyclesBefore')}
              hint="The machine's own unasked ones included."
              isNumber
            />
            <Entry control={control} name="printingWhenFailed" label={label('printingWhenFailed')} />
            <Entry control={control} name="pouredIn" label={label('pouredIn')} />
          </Grid>
        </Stack>
      </Block>
      <RarelyKnown />
      <Block title="What was agreed">
        <Stack spacing={2}>
          <ChoiceEntry
            control={control}
            name="jobClass"
            label={label('jobClass')}
            required
            options={terms('jobClass').map((value) => ({ value, label: capital(word('jobClass', value)) }))}
          />
          <Promised />
          <Grid>
            <Entry control={control} name="priceLimit" label={label('priceLimit')} unit={currency} isNumber />
            <Entry control={control} name="accessories" label={label('accessories')} />
            <Entry control={control} name="screwsAndClips" label={label('screwsAndClips')} isNumber />
          </Grid>
        </Stack>
      </Block>
    </Stack>
  );
}

const PROMISES = [
  { days: 1, label: 'Tomorrow' },
  { days: 3, label: 'In 3 days' },
  { days: 7, label: 'In a week' },
];

/** The day it is promised for: by the calendar, or by one tap; said back in words, so that day and month are not mixed up. */
function Promised() {
  const { control, setValue } = useFormContext<IntakeForm>();
  const promised = useWatch({ control, name: 'promisedOn' });
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      <Box sx={{ width: 240 }}>
        <Entry
          control={control}
          name="promisedOn"
          label={LABELS.promisedOn ?? ''}
          type="date"
          min={dateInDays(0)}
          hint={promised ? inWords(promised) : undefined}
          required
        />
      </Box>
      {PROMISES.map(({ days, label }) => (
        <Button
          key={days}
          variant="outlined"
          sx={{ minHeight: 56 }}
          onClick={() =>
            setValue('promisedOn', dateInDays(days), { shouldDirty: true, shouldValidate: true })
          }
        >
          {label}
        </Button>
      ))}
    </Stack>
  );
}

/** A day with its weekday, in the order of the person's own language. */
function inWords(date: string): string {
  const time = Date.parse(`${date}T12:00:00`);
  return Number.isNaN(time)
    ? ''
    : new Date(time).toLocaleDateString(undefined, {
        weekday: 'long',
        day: 'numeric',
        month: 'long',
        year: 'numeric',
      });
}

const RARE = [
  'errorShown',
  'inkAgeMonths',
  'lastShakenOn',
  'cartridges',
  'refills',
  'damperAgeMonths',
  'dampersCleaned',
  'climate',
  'mainsPower',
  'leftOut',
  'setupCartridges',
  'printedEmpty',
] as const;

/** What is rarely known; it opens where something was told or is wrong. */
function RarelyKnown() {
  const { control, formState } = useFormContext<IntakeForm>();
  const told = useWatch({ control, name: [...RARE] });
  const known = told.filter((value) => value !== null && value !== '').length;
  const isWrong = RARE.some((name) => formState.errors[name] !== undefined);
  const [isOpen, setOpen] = useState(known > 0);
  const shown = isOpen || isWrong;
  const label = (name: keyof IntakeForm) => LABELS[name] ?? name;
  return (
    <Block
      title="Rarely known"
      aside={
        <Button variant="outlined" aria-expanded={shown} onClick={() => setOpen(!shown)}>
          {shown ? 'Fold away' : 'Ink, cartridges, dampers, climate'}
        </Button>
      }
    >
      {!shown && (
        <Typography color="text.secondary">
          {known > 0 ? `${known} told` : 'Nothing told. What nobody knows stays empty.'}
        </Typography>
      )}
      {shown && (
        <Stack spacing={2}>
          <Grid>
            <Entry control={control} name="errorShown" label={label('errorShown')} />
            <Entry
              control={control}
              name="inkAgeMonths"
              label={label('inkAgeMonths')}
              unit="months"
              isNumber
            />
            <Entry control={control} name="lastShakenOn" label={label('lastShakenOn')} type="date" />
            <Entry control={control} name="cartridges" label={label('cartridges')} />
            <Entry
              control={control}
              name="refills"
              label={label('refills')}
              hint="Of the cartridge that had most."
              isNumber
            />
            <Entry
              control={control}
              name="damperAgeMonths"
              label={label('damperAgeMonths')}
              unit="months"
              isNumber
            />
            <Entry
              control={control}
              name="dampersCleaned"
              label={label('dampersCleaned')}
              unit="times"
              isNumber
            />
          </Grid>
          <Stack direction="row" sx={{ gap: 4, flexWrap: 'wrap' }}>
            <ChoiceEntry
              control={control}
              name="climate"
              label={label('climate')}
              options={terms('climate').map((value) => ({ value, label: capital(word('climate', value)) }))}
            />
            <ChoiceEntry control={control} name="mainsPower" label={label('mainsPower')} options={TOLD} />
            <ChoiceEntry control={control} name="leftOut" label={label('leftOut')} options={TOLD} />
            <ChoiceEntry
              control={control}
              name="setupCartridges"
              label={label('setupCartridges')}
              options={TOLD}
            />
            <ChoiceEntry control={control} name="printedEmpty" label={label('printedEmpty')} options={TOLD} />
          </Stack>
        </Stack>
      )}
    </Block>
  );
}

function Grid({ children }: { children: React.ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', lg: '1fr 1fr 1fr 1fr' },
        gap: 2,
      }}
    >
      {children}
    </Box>
  );
}

/** The customer's name; one who was here before is offered with the contact. */
function CustomerEntry() {
  const { control, setValue, getValues } = useFormContext<IntakeForm>();
  const name = useWatch({ control, name: 'customerName' });
  const [chosen, setChosen] = useState('');
  const known = useQuery({
    queryKey: ['customers', name],
    queryFn: () => answer(api.GET('/api/customers', { params: { query: { name } } })),
    enabled: name.trim().length >= 2,
    placeholderData: (previous) => previous,
  });
  return (
    <Controller
      control={control}
      name="customerName"
      render={({ field, fieldState }) => (
        <Autocomplete
          freeSolo
          options={known.data ?? []}
          filterOptions={(options) => options}
          getOptionLabel={(option) => (typeof option === 'string' ? option : option.name)}
          inputValue={field.value}
          onInputChange={(_, typed, reason) => {
            if (reason !== 'input') {
              return;
            }
            // Another name typed over a chosen customer is another customer.
            if (chosen === getValues('customerId')) {
              setValue('customerId', newId());
              setChosen('');
            }
            field.onChange(typed);
          }}
          onChange={(_, option) => {
            if (option && typeof option !== 'string') {
              field.onChange(option.name);
              setValue('customerId', option.id);
              setValue('contact', option.contact);
              setChosen(option.id);
            }
          }}
          renderOption={({ key, ...props }, option) => (
            <Box component="li" key={key} {...props}>
              {typeof option === 'string' ? option : `${option.name}, ${option.contact}`}
            </Box>
          )}
          renderInput={(parameters) => (
            <TextField
              {...parameters}
              label={LABELS.customerName}
              required
              inputRef={field.ref}
              onBlur={field.onBlur}
              error={fieldState.error !== undefined}
              helperText={fieldState.error?.message}
            />
          )}
        />
      )}
    />
  );
}

function FamilyEntry({ families }: { families: Family[] }) {
  const { control, setValue } = useFormContext<IntakeForm>();
  return (
    <Controller
      control={control}
      name="familyCode"
      render={({ field, fieldState }) => (
        <TextField
          select
          required
          label={LABELS.familyCode}
          value={field.value}
          inputRef={field.ref}
          onBlur={field.onBlur}
          onChange={(event) => {
            field.onChange(event);
            const family = families.find((f) => f.code === event.target.value);
            setValue('ports', family ? usualPorts(family) : [], { shouldDirty: true });
          }}
          error={fieldState.error !== undefined}
          helperText={fieldState.error?.message ?? about(families.find((f) => f.code === field.value))}
        >
          {families.map((family) => (
            <MenuItem key={family.code} value={family.code}>
              <Typography>
                {family.name}
                <Typography component="span" color="text.secondary">
                  {' '}
                  {word('construction', family.construction)}, {count('CHANNELS', family.channels.length)}
                </Typography>
              </Typography>
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

/** What a family is, in a line. */
function about(family: Family | undefined): string | undefined {
  return family
    ? `${capital(word('construction', family.construction))}; ${count('CHANNELS', family.channels.length)}, ${count(
        'NOZZLES',
        family.stairs * family.steps,
      )} each`
    : undefined;
}
