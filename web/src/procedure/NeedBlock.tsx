import { Alert, Box, Button, MenuItem, Stack, TextField, ToggleButton, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { FormProvider, useFormContext, useWatch } from 'react-hook-form';
import * as z from 'zod';
import { answer, api } from '../api/http';
import type { Lot, NeedEntry, PortInk, Procedure, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Entry, readNumber } from '../app/fields';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { useDraftForm } from '../draft/useDraftForm';
import { capital, count, terms, word } from '../words/words';
import { cleaners, INK_ENTRIES, litres, onShelf, SYSTEM_ENTRIES } from './steps';

interface Props {
  visit: Visit;
  procedure: Procedure;
  lots: Lot[];
  mayWrite: boolean;
}

interface NeedForm {
  numbers: Record<string, string>;
  inks: PortInk[];
}

const schema = z.looseObject({});

function startOf(visit: Visit, procedure: Procedure): NeedForm {
  const { need } = procedure;
  const settling = visit.intake.ports.filter((p) => p.chemistry === 'SETTLING_PIGMENT').length;
  const usual: Record<string, number | string> = need?.ink ??
    need?.system ?? {
      fills: settling > 0 ? 2 : 0,
      settlingMl: settling > 0 ? '' : 0,
      bottles: visit.family.channels.length - settling,
      strongCycles: 6,
      strongMl: visit.usual.cycleInkMl.STRONG ?? '',
      normalMl: visit.usual.cycleInkMl.NORMAL ?? '',
      lineMl: 0,
      residue: procedure.purpose === 'INK_CHANGE' ? 0.001 : 0.01,
      reserve: procedure.purpose === 'INK_CHANGE' ? 0.2 : 0.1,
    };
  return {
    numbers: Object.fromEntries(Object.entries(usual).map(([name, value]) => [name, String(value)])),
    inks: need?.ink
      ? need.inks
      : visit.intake.ports.map((p) => ({ ...p, inkInLine: '', refills: undefined })),
  };
}

/** What the work needs, with the sum beside it as it is typed, and whether the shelf has it. */
export function NeedBlock({ visit, procedure, lots, mayWrite }: Props) {
  const [isOpen, setOpen] = useState(!procedure.need);
  if (!isOpen || !mayWrite) {
    return (
      <Block
        title="The sum"
        aside={
          mayWrite && (
            <Button variant="outlined" onClick={() => setOpen(true)}>
              Change the sum
            </Button>
          )
        }
      >
        {procedure.need ? (
          <SumWords visit={visit} ink={procedure.ink} system={procedure.system} lots={lots} />
        ) : (
          <Typography>Nothing was worked out yet.</Typography>
        )}
      </Block>
    );
  }
  return <NeedEntries visit={visit} procedure={procedure} lots={lots} close={() => setOpen(false)} />;
}

function NeedEntries({
  visit,
  procedure,
  lots,
  close,
}: {
  visit: Visit;
  procedure: Procedure;
  lots: Lot[];
  close: () => void;
}) {
  const isInk = procedure.purpose === 'INK_CHANGE';
  const entries = isInk ? INK_ENTRIES : SYSTEM_ENTRIES;
  const { form, drop } = useDraftForm<NeedForm>(`need-${visit.id}`, () => startOf(visit, procedure), schema);
  const numbers = useWatch({ control: form.control, name: 'numbers' });
  const bodyOf = (value: NeedForm): NeedEntry => {
    const typed = Object.fromEntries(entries.map(({ name }) => [name, readNumber(value.numbers[name])]));
    return isInk
      ? { ink: typed as unknown as NeedEntry['ink'], inks: value.inks }
      : { system: typed as unknown as NeedEntry['system'] };
  };
  const [asked, setAsked] = useState('');
  const typed = JSON.stringify(entries.map(({ name }) => readNumber(numbers[name])));
  useEffect(() => {
    const timer = window.setTimeout(() => setAsked(typed), 300);
    return () => window.clearTimeout(timer);
  }, [typed]);
  const isWhole = asked === typed && !asked.includes('null');
  const sum = useQuery({
    queryKey: ['need-sum', visit.id, asked],
    queryFn: () =>
      answer(
        api.POST('/api/visits/{visitId}/procedure/sum', {
          params: { path: { visitId: visit.id } },
          body: bodyOf(form.getValues()),
        }),
      ),
    enabled: isWhole,
    retry: false,
  });
  const write = useWrite(
    (value: NeedForm) =>
      answer(
        api.PUT('/api/visits/{visitId}/procedure/need', {
          params: { path: { visitId: visit.id } },
          body: bodyOf(value),
        }),
      ),
    () => {
      drop();
      close();
    },
  );
  useProblemAt(form, write.problem, (field) => field.replace(/^(ink|system)\./, 'numbers.'));
  return (
    <Block title="The sum">
      <FormProvider {...form}>
        <Stack
          component="form"
          noValidate
          spacing={2}
          onSubmit={form.handleSubmit((value) => write.send(value))}
        >
          <Box
            sx={{
              display: 'grid',
              gap: 2,
              gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, minmax(0, 1fr))' },
              alignItems: 'end',
            }}
          >
            {entries.map((entry) => (
              <Entry
                key={entry.name}
                control={form.control}
                name={`numbers.${entry.name}`}
                label={entry.label}
                unit={entry.unit || undefined}
                hint={'hint' in entry ? entry.hint : undefined}
                isNumber
              />
            ))}
          </Box>
          {isInk && <NewInks visit={visit} />}
          {sum.data && isWhole && (
            <SumWords visit={visit} ink={sum.data.ink} system={sum.data.system} lots={lots} />
          )}
          <WriteProblem problem={write.problem} />
          <Stack direction="row" sx={{ gap: 1.5 }}>
            <Button type="submit" variant="contained" size="large" loading={write.isBusy}>
              Keep this sum
            </Button>
            {procedure.need && <Button onClick={close}>Back</Button>}
          </Stack>
        </Stack>
      </FormProvider>
    </Block>
  );
}

/** Which ink each port will carry: for all at once, and then corrected. */
function NewInks({ visit }: { visit: Visit }) {
  const { control, setValue, formState } = useFormContext<NeedForm>();
  const inks = useWatch({ control, name: 'inks' });
  const [name, setName] = useState('');
  const all = (change: Partial<PortInk>) =>
    setValue(
      'inks',
      inks.map((ink) => ({ ...ink, ...change })),
      { shouldDirty: true },
    );
  const error = formState.errors.inks?.message;
  return (
    <Stack spacing={1.5} role="group" aria-label="New ink">
      <Typography sx={{ fontWeight: 600 }}>The new ink, for all ports</Typography>
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
        <TextField
          label="Name of the new ink"
          value={name}
          onChange={(event) => {
            setName(event.target.value);
            all({ inkInLine: event.target.value });
          }}
          sx={{ width: 240 }}
        />
        <TextField
          select
          label="Kind"
          value={inks.every((i) => i.chemistry === inks[0]?.chemistry) ? (inks[0]?.chemistry ?? '') : ''}
          onChange={(event) => all({ chemistry: event.target.value as PortInk['chemistry'] })}
          sx={{ width: 220 }}
        >
          {terms('chemistry').map((value) => (
            <MenuItem key={value} value={value}>
              {capital(word('chemistry', value))}
            </MenuItem>
          ))}
        </TextField>
        <ToggleButton
          value="own"
          selected={inks.every((i) => i.makersOwn)}
          onChange={() => all({ makersOwn: !inks.every((i) => i.makersOwn) })}
          sx={{ minWidth: 136 }}
        >
          {inks.every((i) => i.makersOwn) ? "Maker's own" : 'Third-party'}
        </ToggleButton>
      </Stack>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
        {inks.map((ink, i) => (
          <Entry
            key={ink.channel}
            control={control}
            name={`inks.${i}.inkInLine`}
            label={`${visit.family.channels.find((c) => c.code === ink.channel)?.colour ?? ink.channel}: new ink`}
            required
          />
        ))}
      </Box>
      {error && <Typography color="error">{error}</Typography>}
    </Stack>
  );
}

function SumWords({
  visit,
  ink,
  system,
  lots,
}: {
  visit: Visit;
  ink: Procedure['ink'];
  system: Procedure['system'];
  lots: Lot[];
}) {
  const need = ink?.totalMl ?? system?.needMl;
  if (need === undefined) {
    return null;
  }
  const { haveMl, shortMl } = onShelf(cleaners(lots, visit.foodCare), need);
  const channels = visit.family.channels.length;
  return (
    <Alert severity={shortMl > 0 ? 'warning' : 'info'} role="status">
      {ink && (
        <Typography>
          <b>{litres(ink.totalMl)}</b> for {count('CHANNELS', channels)}: {ink.rinses.toFixed(1)} volumes (ln
          1/residue), {ink.needMl.toFixed(1)} mL each, at most {ink.mostMl.toFixed(1)} mL before a lead is
          asked.
        </Typography>
      )}
      {system && (
        <Typography>
          <b>{litres(system.needMl)}</b> of cleaner, reserve included;{' '}
          {count('WASTE_BOTTLES', system.wasteBottles)}
          {system.rinses > 0 && `; lines: ${system.rinses.toFixed(1)} volumes to the residue`}.
        </Typography>
      )}
      <Typography>
        On the shelf: {litres(haveMl)} of cleaner
        {shortMl > 0 ? `, ${litres(shortMl)} short. Open or mix another bottle first.` : ', enough.'}
      </Typography>
    </Alert>
  );
}
