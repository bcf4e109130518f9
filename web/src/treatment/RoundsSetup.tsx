import { Box, Button, Collapse, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import type { Advice, Attempt, Lot, Visit } from '../api/types';
import { ChoiceEntry, Entry, SelectEntry } from '../app/fields';
import { capital, terms, word } from '../words/words';
import { formOf } from './attemptForm';
import { BegunAt } from './BegunAt';
import { ChannelChoice } from './ChannelChoice';
import { Instead } from './Instead';
import { LotChoice } from './LotChoice';
import { PlaceFields } from './PlaceFields';
import { isFlush, type RoundsForm } from './roundsForm';

interface Props {
  visit: Visit;
  lots: Lot[];
  attempt: Attempt | undefined;
  /** What was advised, when something else is done; undefined when it is followed. */
  advice: Advice | undefined;
  short: number | null | undefined;
  /** Whether the server found an entry wrong that stands in here. */
  isWrong: boolean;
  now: number;
}

/** What holds for all rounds. Once they are begun it stands in a line, and only pad and syringe still change. */
export function RoundsSetup({ visit, lots, attempt, advice, short, isWrong, now }: Props) {
  const { control, setValue, formState } = useFormContext<RoundsForm>();
  const form = useWatch({ control }) as RoundsForm;
  const [isOpen, setOpen] = useState(false);
  const lot = lots.find((one) => one.id === form.lotId);
  // What is missing stands open; what is there is read in a line.
  const lacks = form.channels.length === 0 || (isFlush(form.method) && !lot) || Boolean(short);
  const [isChanged, setChanged] = useState(lacks);
  const where = form.site && word('site', form.site);
  const asks = formOf(visit.usual, form.method);
  const tools = (
    <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'flex-start', pt: 1 }}>
      <Box sx={{ width: 170 }}>
        <SelectEntry
          control={control}
          name="syringe"
          label="Syringe"
          options={[
            { value: '', label: 'not said' },
            ...terms('syringe').map((value) => ({ value: value as string, label: word('syringe', value) })),
          ]}
        />
      </Box>
      <ChoiceEntry
        control={control}
        name="force"
        label="Force of the thumb, if wanted"
        options={terms('thumb').map((value) => ({
          value: value as string,
          label: capital(word('thumb', value)),
        }))}
      />
    </Stack>
  );
  return (
    <Stack spacing={1.5} sx={{ bgcolor: 'background.paper', p: 1.5, borderRadius: 1 }}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ flex: 1, minWidth: 240 }}>
          <b>
            {lot ? `${lot.name}, ${lot.lotCode}` : 'No bottle'}
            {asks.heat && `, ${form.temperatureC} °C`}
          </b>
          {where && `, ${where}`}
          {attempt ? `; ${attempt.volumeMl} mL so far` : `; ${form.channels.join(', ') || 'no channel yet'}`}.
          {isFlush(form.method) && ` ${houseDose(visit, form.pulses)}`}
        </Typography>
        {!attempt && (
          <Button onClick={() => setChanged(!isChanged)} aria-expanded={isChanged} variant="outlined">
            {isChanged ? 'Done' : 'Change'}
          </Button>
        )}
      </Stack>
      {!attempt && (
        <Collapse in={isChanged || isWrong} unmountOnExit>
          <Stack spacing={1.5}>
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: 'minmax(0, 1fr) 170px' },
                gap: 1.5,
              }}
            >
              {asks.fluids.length > 0 && (
                <LotChoice
                  lots={lots}
                  fluids={asks.fluids}
                  mayBeNone={!isFlush(form.method)}
                  short={
                    short
                      ? `This bottle is ${short} mL short. Choose another lot or a smaller dose.`
                      : undefined
                  }
                />
              )}
              {asks.heat && (
                <Entry control={control} name="temperatureC" label="Temperature" unit="°C" isNumber />
              )}
            </Box>
            <PlaceFields visit={visit} form={asks} />
            <ChannelChoice visit={visit} />
            {form.method === 'DAMPER' && (
              <Button
                component={Link}
                to={`/visits/${visit.id}/attempt/handwork?method=DAMPER&act=REPLACED&channels=${form.channels.join(',')}`}
                variant="outlined"
                sx={{ alignSelf: 'flex-start' }}
              >
                A new damper instead
              </Button>
            )}
            {form.method === 'DRAW_BACK' && (
              <Button
                variant={form.manifold ? 'contained' : 'outlined'}
                aria-pressed={form.manifold}
                onClick={() => setValue('manifold', !form.manifold, { shouldDirty: true })}
                sx={{ alignSelf: 'flex-start' }}
              >
                Manifold and gasket cleaned apart, holes lined up
              </Button>
            )}
            {isFlush(form.method) && (
              <Button
                variant="outlined"
                sx={{ alignSelf: 'flex-start' }}
                onClick={() => setValue('pulses', !form.pulses, { shouldDirty: true })}
              >
                {form.pulses
                  ? 'Small strokes with a soak instead of pulses'
                  : 'Pulses instead of small strokes'}
              </Button>
            )}
          </Stack>
        </Collapse>
      )}
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        {isFlush(form.method) && !form.pulses && (
          <Button
            variant={form.freshPad ? 'contained' : 'outlined'}
            aria-pressed={form.freshPad === true}
            onClick={(event) => {
              event.currentTarget.blur();
              setValue('freshPad', true, { shouldDirty: true });
            }}
          >
            {form.freshPad ? 'The pad is fresh' : 'Fresh pad laid'}
          </Button>
        )}
        {!attempt && (
          <BegunAt
            begunAt={form.begunAt}
            endedAt={form.endedAt}
            set={(name, typed) => setValue(name, typed, { shouldDirty: true })}
            errors={formState.errors}
            now={now}
          />
        )}
        <Button onClick={() => setOpen(!isOpen)} aria-expanded={isOpen}>
          Syringe and thumb
        </Button>
      </Stack>
      <Collapse in={isOpen} unmountOnExit>
        {tools}
      </Collapse>
      {advice && <Instead advice={advice} />}
    </Stack>
  );
}

/** Where the doses come from. */
function houseDose(visit: Visit, pulses: boolean): string {
  const { strokeMl, afterSoakMl, pulseMl, pulsesMl } = visit.usual;
  const doses = pulses
    ? `pulses of ${pulseMl} mL with pad prints between, ${pulsesMl} mL in all.`
    : `${strokeMl} mL, a soak, then ${afterSoakMl} mL.`;
  return `${pulses === visit.usual.pulses ? 'Doses by the house rule: ' : 'Doses: '}${doses}`;
}
