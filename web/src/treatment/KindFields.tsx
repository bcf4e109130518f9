import { Box, Button, Stack } from '@mui/material';
import type { ReactNode } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import type { Visit } from '../api/types';
import { ChoiceEntry, Entry } from '../app/fields';
import { capital, terms, word } from '../words/words';
import { formOf, soakLadder, soakMl, type AttemptForm } from './attemptForm';
import { ChannelChoice } from './ChannelChoice';
import { DepthField, PlaceFields } from './PlaceFields';

function Row({ children }: { children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fit, minmax(150px, 1fr))' },
        gap: 2,
      }}
    >
      {children}
    </Box>
  );
}

export function SoakFields({ visit }: { visit: Visit }) {
  const { control, setValue, getValues } = useFormContext<AttemptForm>();
  const place = useWatch({ control, name: 'place' });
  return (
    <>
      <ChoiceEntry
        control={control}
        name="place"
        label="Where"
        isFixed
        onPick={(next) => {
          // Another place takes another amount, for another time.
          setValue('volumeMl', soakMl(visit.usual, next as AttemptForm['place'], getValues('channels')));
          setValue('plannedMinutes', String(soakLadder(visit.usual, next as AttemptForm['place'])[0]));
        }}
        options={terms('place').map((value) => ({ value, label: capital(word('place', value)) }))}
      />
      <PlaceFields visit={visit} form={formOf(visit.usual, place === 'TRAY' ? 'TRAY_SOAK' : 'PORT_SOAK')} />
      {place === 'TRAY' && <DepthField />}
      <ChannelChoice visit={visit} />
      <Row>
        <Entry control={control} name="volumeMl" label="Fluid" unit="mL" isNumber />
        <Entry control={control} name="temperatureC" label="Temperature, if warmed" unit="°C" isNumber />
        <Entry control={control} name="plannedMinutes" label="Planned time" unit="min" isNumber />
      </Row>
      <Stack
        direction="row"
        role="group"
        aria-label="Usual times, each longer"
        sx={{ gap: 1, flexWrap: 'wrap' }}
      >
        {soakLadder(visit.usual, place).map((minutes) => (
          <Button
            key={minutes}
            variant="outlined"
            onClick={() =>
              setValue('plannedMinutes', String(minutes), { shouldDirty: true, shouldValidate: true })
            }
          >
            {minutes < 60 ? `${minutes} min` : `${minutes / 60} h`}
          </Button>
        ))}
      </Stack>
    </>
  );
}

export function BathFields({ visit }: { visit: Visit }) {
  const { control } = useFormContext<AttemptForm>();
  return (
    <>
      <PlaceFields visit={visit} form={formOf(visit.usual, 'BATH')} />
      <DepthField />
      <ChannelChoice visit={visit} />
      <Row>
        <Entry control={control} name="volumeMl" label="Fluid" unit="mL" isNumber />
        <Entry control={control} name="levelMm" label="Level over the face" unit="mm" isNumber />
        <Entry control={control} name="temperatureC" label="Temperature" unit="°C" isNumber />
        <Entry control={control} name="bursts" label="Bursts" unit="times" isNumber />
        <Entry control={control} name="burstSeconds" label="Length of a burst" unit="s" isNumber />
      </Row>
    </>
  );
}

export function CycleFields({ visit }: { visit: Visit }) {
  const { control } = useFormContext<AttemptForm>();
  return (
    <>
      <PlaceFields visit={visit} form={formOf(visit.usual, 'CYCLE')} />
      <ChannelChoice visit={visit} />
      <ChoiceEntry
        control={control}
        name="strength"
        label="How strong"
        isFixed
        options={terms('strength').map((value) => ({ value, label: capital(word('strength', value)) }))}
        hint="The lightest first, and only while each improves: every cycle burns ink."
      />
      <Row>
        <Entry control={control} name="count" label="How many" unit="cycles" isNumber />
      </Row>
    </>
  );
}
