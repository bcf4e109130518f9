import { Autocomplete, Box, MenuItem, Stack, TextField, Typography } from '@mui/material';
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
import { capital, terms, word } from '../words/words';
import { INTAKE_LABELS as LABELS, type IntakeForm, usualPorts } from './intakeForm';
import { KnownSerial } from './KnownSerial';
import { Ports } from './Ports';

const TOLD = terms('told').map((value) => ({ value, label: capital(word('told', value)) }));

/** Everything asked at take-in, in the order in which a technician asks. */
export function IntakeFields({ families, isNew }: { families: Family[]; isNew: boolean }) {
  const { control } = useFormContext<IntakeForm>();
  const { currency } = useMoney();
  const label = (name: keyof IntakeForm) => LABELS[name] ?? name;
  return (
    <Stack spacing={2}>
      <Block title="Who">
        <Grid>
          <CustomerEntry />
          <Entry control={control} name="contact" label={label('contact')} required />
        </Grid>
      </Block>
      <Block title="Which head">
        <Stack spacing={2}>
          <Grid>
            <Entry control={control} name="serial" label={label('serial')} required />
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
          {isNew && <KnownSerial families={families} />}
          <Ports families={families} />
          <ChoiceEntry
            control={control}
            name="everNonFood"
            label={label('everNonFood')}
            options={TOLD}
            hint="A head that ever carried non-food ink never becomes a food head."
          />
        </Stack>
      </Block>
      <Block title="What went wrong">
        <Stack spacing={2}>
          <ChoiceEntry
            control={control}
            name="symptoms"
            label={label('symptoms')}
            isMany
            options={terms('symptom').map((value) => ({ value, label: capital(word('symptom', value)) }))}
          />
          <Grid>
            <Entry control={control} name="printingWhenFailed" label={label('printingWhenFailed')} />
            <Entry control={control} name="errorShown" label={label('errorShown')} />
            <Entry control={control} name="idleDays" label={label('idleDays')} unit="days" isNumber />
            <Entry
              control={control}
              name="inkAgeMonths"
              label={label('inkAgeMonths')}
              unit="months"
              isNumber
            />
            <Entry control={control} name="lastShaken" label={label('lastShaken')} />
          </Grid>
          <Stack direction="row" sx={{ gap: 4, flexWrap: 'wrap' }}>
            <ChoiceEntry
              control={control}
              name="climate"
              label={label('climate')}
              options={terms('climate').map((value) => ({ value, label: capital(word('climate', value)) }))}
            />
            <ChoiceEntry control={control} name="mainsPower" label={label('mainsPower')} options={TOLD} />
          </Stack>
        </Stack>
      </Block>
      <Block title="What was tried and what is in it">
        <Stack spacing={2}>
          <Grid>
            <Entry
              control={control}
              name="cyclesBefore"
              label={label('cyclesBefore')}
              hint="The machine's own unasked ones included."
              isNumber
            />
            <Entry control={control} name="pouredIn" label={label('pouredIn')} />
            <Entry control={control} name="cartridges" label={label('cartridges')} />
            <Entry control={control} name="refills" label={label('refills')} isNumber />
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
      </Block>
      <Block title="What was agreed">
        <Stack spacing={2}>
          <ChoiceEntry
            control={control}
            name="jobClass"
            label={label('jobClass')}
            options={terms('jobClass').map((value) => ({ value, label: capital(word('jobClass', value)) }))}
          />
          <Grid>
            <Entry
              control={control}
              name="promisedOn"
              label={label('promisedOn')}
              type="date"
              min={dateInDays(0)}
              required
            />
            <Entry control={control} name="priceLimit" label={label('priceLimit')} unit={currency} isNumber />
            <Entry control={control} name="accessories" label={label('accessories')} />
            <Entry control={control} name="screwsAndClips" label={label('screwsAndClips')} isNumber />
          </Grid>
        </Stack>
      </Block>
    </Stack>
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
          helperText={fieldState.error?.message}
        >
          {families.map((family) => (
            <MenuItem key={family.code} value={family.code}>
              <Typography>
                {family.name}
                <Typography component="span" color="text.secondary">
                  {' '}
                  {word('construction', family.construction)}, {family.channels.length} channels
                </Typography>
              </Typography>
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}
