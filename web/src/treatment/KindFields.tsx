import { Box, Button, Stack } from '@mui/material';
import type { ReactNode } from 'react';
import { Choice } from '../app/fields';
import { capital, terms, word } from '../words/words';
import { SOAK_LADDER, type AttemptForm } from './attemptForm';
import type { FieldsProps } from './AttemptPage';
import { ChannelChoice } from './ChannelChoice';
import { NumberField } from './NumberField';

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

export function SoakFields({ visit, form, change, wrong }: FieldsProps) {
  return (
    <>
      <Choice
        label="Where"
        value={form.place}
        onChange={(place) => place && change({ place: place as AttemptForm['place'] })}
        options={terms('place').map((value) => ({ value, label: capital(word('place', value)) }))}
      />
      <ChannelChoice
        visit={visit}
        value={form.channels}
        onChange={(channels) => change({ channels })}
        error={wrong('soak.channels')}
      />
      <Row>
        <NumberField
          label="Fluid"
          unit="mL"
          value={form.volumeMl}
          onChange={(volumeMl) => change({ volumeMl })}
          error={wrong('soak.volumeMl')}
        />
        <NumberField
          label="Planned time"
          unit="min"
          value={form.plannedMinutes}
          onChange={(plannedMinutes) => change({ plannedMinutes })}
          error={wrong('soak.plannedMinutes')}
        />
      </Row>
      <Stack direction="row" role="group" aria-label="Rungs of the ladder" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {SOAK_LADDER[form.place].map((minutes) => (
          <Button
            key={minutes}
            variant="outlined"
            onClick={() => change({ plannedMinutes: String(minutes) })}
          >
            {minutes < 60 ? `${minutes} min` : `${minutes / 60} h`}
          </Button>
        ))}
      </Stack>
    </>
  );
}

export function BathFields({ visit, form, change, wrong }: FieldsProps) {
  return (
    <>
      <ChannelChoice
        visit={visit}
        value={form.channels}
        onChange={(channels) => change({ channels })}
        error={wrong('bath.channels')}
      />
      <Row>
        <NumberField
          label="Fluid"
          unit="mL"
          value={form.volumeMl}
          onChange={(volumeMl) => change({ volumeMl })}
          error={wrong('bath.volumeMl')}
        />
        <NumberField
          label="Level over the face"
          unit="mm"
          value={form.levelMm}
          onChange={(levelMm) => change({ levelMm })}
          error={wrong('bath.levelMm')}
        />
        <NumberField
          label="Temperature"
          unit="°C"
          value={form.temperatureC}
          onChange={(temperatureC) => change({ temperatureC })}
          error={wrong('bath.temperatureC')}
        />
        <NumberField
          label="Bursts"
          unit="times"
          value={form.bursts}
          onChange={(bursts) => change({ bursts })}
          error={wrong('bath.bursts')}
        />
        <NumberField
          label="Length of a burst"
          unit="s"
          value={form.burstSeconds}
          onChange={(burstSeconds) => change({ burstSeconds })}
          error={wrong('bath.burstSeconds')}
        />
      </Row>
    </>
  );
}

export function CycleFields({ visit, form, change, wrong }: FieldsProps) {
  return (
    <>
      <ChannelChoice
        visit={visit}
        value={form.channels}
        onChange={(channels) => change({ channels })}
        error={wrong('cycle.channels')}
      />
      <Choice
        label="How strong"
        value={form.strength}
        onChange={(strength) => strength && change({ strength: strength as AttemptForm['strength'] })}
        options={terms('strength').map((value) => ({ value, label: capital(word('strength', value)) }))}
        hint="The lightest first, and only while each improves: every cycle burns ink."
      />
      <Row>
        <NumberField
          label="How many"
          unit="cycles"
          value={form.count}
          onChange={(count) => change({ count })}
          error={wrong('cycle.count')}
        />
      </Row>
    </>
  );
}
