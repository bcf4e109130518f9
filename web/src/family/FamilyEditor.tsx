import { Alert, Box, Button, MenuItem, Stack, TextField, ToggleButton, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { FormProvider, useFieldArray, useFormContext } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import * as z from 'zod';
import { answer, api } from '../api/http';
import type { FamilyFile, FamilyWhole } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Entry, SelectEntry } from '../app/fields';
import { Block, Page } from '../app/Page';
import { Empty, WriteProblem } from '../app/states';
import { typedNumber } from '../app/typed';
import { useProblemAt } from '../app/useProblemAt';
import { moment } from '../bench/time';
import { useDraftForm } from '../draft/useDraftForm';
import { capital, count, terms, word } from '../words/words';
import { FamilyLimits } from './FamilyLimits';
import { familyForm, familyOf, type FamilyForm } from './familyForm';

const GRID = {
  display: 'grid',
  gap: 2,
  gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, minmax(0, 1fr))' },
};

const number = typedNumber('Enter a number, such as 12 or 22.5.');
const schema = z.looseObject(
  Object.fromEntries(
    [
      'stairs',
      'steps',
      'driveGroups',
      'boreUm',
      'plateUm',
      'positions',
      'least',
      'most',
      'centre',
      'lightMl',
      'normalMl',
      'strongMl',
    ].map((name) => [name, number]),
  ),
);

/** One family, whole: how it is built, its ports, its check, its limits, what its printers share. */
export function FamilyEditor({
  start,
  whole,
  mayWrite,
}: {
  start: FamilyFile;
  /** The family that is changed; absent for a new one. */
  whole: FamilyWhole | undefined;
  mayWrite: boolean;
}) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { form, drop } = useDraftForm<FamilyForm>(
    whole ? `family-${whole.family.code}-${whole.version}` : `family-new-${start.code}`,
    () => familyForm(start),
    schema,
  );
  const write = useWrite(
    async (value: FamilyForm) => {
      const family = familyOf(value);
      await answer(
        api.PUT('/api/families/{code}', {
          params: { path: { code: family.code || 'x' } },
          body: { version: whole?.version, family, why: value.why },
        }),
      );
      await queries.invalidateQueries({ queryKey: ['families'] });
      await queries.invalidateQueries({ queryKey: ['family'] });
      await queries.invalidateQueries({ queryKey: ['house'] });
    },
    () => {
      drop();
      void navigate('/families');
    },
  );
  useProblemAt(form, write.problem, entryOf);
  const { control } = form;
  const nozzles = Number(form.watch('stairs')) * Number(form.watch('steps'));
  return (
    <Page
      title={whole ? whole.family.name : 'A new family'}
      back={{ to: '/families', label: 'Families' }}
      aside={
        whole &&
        mayWrite && (
          <Button variant="outlined" component={Link} to={`/families/new?from=${whole.family.code}`}>
            Copy
          </Button>
        )
      }
    >
      <FormProvider {...form}>
        <Stack
          component="form"
          noValidate
          spacing={2}
          onSubmit={form.handleSubmit((value) => write.send(value))}
        >
          {whole?.inUse && (
            <Alert severity="info">
              Heads of this family were read: its channels keep their letters and nozzles. A channel can be
              added; for anything else copy it.
            </Alert>
          )}
          <Block title="How it is built">
            <Box sx={GRID}>
              <Entry
                control={control}
                name="code"
                label="Short code"
                required
                disabled={whole !== undefined}
              />
              <Entry control={control} name="name" label="Name" required />
              <SelectEntry
                control={control}
                name="construction"
                label="Construction"
                options={terms('construction').map((value) => ({
                  value,
                  label: capital(word('construction', value)),
                }))}
              />
              <Entry control={control} name="driveGroups" label="Drive groups a channel" isNumber />
              <Entry control={control} name="stairs" label="Stairs of a block" isNumber />
              <Entry
                control={control}
                name="steps"
                label="Steps of a stair"
                hint={Number.isFinite(nozzles) ? `${count('NOZZLES', nozzles)} a channel` : undefined}
                isNumber
              />
              <Entry control={control} name="boreUm" label="Bore of a nozzle" unit="µm" isNumber />
              <Entry control={control} name="plateUm" label="Thickness of the plate" unit="µm" isNumber />
            </Box>
          </Block>
          <PortsEditor />
          <FamilyLimits />
          <Block title="Its printers">
            <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
              <Entry
                control={control}
                name="freeCarriage"
                label="Ways to free the carriage"
                hint="One a line, the most usual first."
                isLong
              />
              <Entry
                control={control}
                name="parts"
                label="What comes off on the way to the head"
                hint="One a line, in the order in which it comes off."
                isLong
              />
              <Entry control={control} name="removal" label="How the head comes out" isLong />
            </Box>
            <Typography sx={{ fontWeight: 600, my: 1.5 }}>
              Ink that one cycle burns, all channels together
            </Typography>
            <Box sx={GRID}>
              <Entry control={control} name="lightMl" label="Light cycle" unit="mL" isNumber />
              <Entry control={control} name="normalMl" label="Normal cycle" unit="mL" isNumber />
              <Entry control={control} name="strongMl" label="Strong cycle" unit="mL" isNumber />
            </Box>
            <Alignment />
          </Block>
          {mayWrite && (
            <Block title={whole ? 'Keep the change' : 'Keep it'}>
              <Stack spacing={1.5}>
                <Entry control={control} name="why" label="Why" hint="It is kept with your name." required />
                <WriteProblem problem={write.problem} />
                <Stack direction="row" sx={{ gap: 1.5 }}>
                  <Button type="submit" variant="contained" size="large" loading={write.isBusy}>
                    Keep this family
                  </Button>
                  <Button
                    onClick={() => {
                      drop();
                      void navigate('/families');
                    }}
                  >
                    Throw it away
                  </Button>
                </Stack>
              </Stack>
            </Block>
          )}
          {whole && (
            <Block title="Changes">
              {whole.changes.length === 0 ? (
                <Empty>It is as it came with Undo Knot.</Empty>
              ) : (
                whole.changes.map((change) => (
                  <Typography key={change.at}>
                    {moment(change.at)}, {change.by}: {change.why}
                  </Typography>
                ))
              )}
            </Block>
          )}
        </Stack>
      </FormProvider>
    </Page>
  );
}

/** The entry of a field that the server names. */
function entryOf(field: string): string {
  return field
    .replace(/^family\./, '')
    .replace(/^machine\.(alignment|cycleInk)\./, '')
    .replace(/^machine\./, '')
    .replace(/\[(\d+)\]/g, '.$1');
}

/** The ports from the front: colour, letters, what ink enters by, what fits. */
function PortsEditor() {
  const { control, formState } = useFormContext<FamilyForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'channels' });
  const wrong = formState.errors.channels as { message?: string; root?: { message?: string } } | undefined;
  return (
    <Block
      title="Ports from the front"
      aside={
        <Button
          variant="outlined"
          onClick={() =>
            append({
              code: '',
              colour: '',
              ink: '#7d838c',
              port: fields.at(-1)?.port ?? '',
              fitting: fields.at(-1)?.fitting ?? 'TUBE',
            })
          }
        >
          Add a channel
        </Button>
      }
    >
      <Stack spacing={1.5}>
        {fields.map((field, i) => (
          <Box
            key={field.id}
            role="group"
            aria-label={`Channel ${i + 1}`}
            sx={{
              display: 'grid',
              gap: 1,
              alignItems: 'start',
              gridTemplateColumns: { xs: '90px 1fr', md: '90px 150px 84px minmax(0, 1fr) 190px 56px' },
            }}
          >
            <Entry control={control} name={`channels.${i}.code`} label="Letters" />
            <Entry control={control} name={`channels.${i}.colour`} label="Colour" />
            <Entry control={control} name={`channels.${i}.ink`} label="Shown" type="color" />
            <Entry control={control} name={`channels.${i}.port`} label="Ink enters by" />
            <SelectEntry
              control={control}
              name={`channels.${i}.fitting`}
              label="What fits"
              options={terms('fitting').map((value) => ({ value, label: capital(word('fitting', value)) }))}
            />
            <Button
              onClick={() => remove(i)}
              disabled={fields.length === 1}
              aria-label={`Take channel ${field.code || i + 1} away`}
              sx={{ minWidth: 48, minHeight: 56 }}
            >
              <Trash2 aria-hidden />
            </Button>
          </Box>
        ))}
        {(wrong?.message ?? wrong?.root?.message) && (
          <Typography color="error" role="alert">
            {wrong?.message ?? wrong?.root?.message}
          </Typography>
        )}
      </Stack>
    </Block>
  );
}

function Alignment() {
  const { control, watch, setValue } = useFormContext<FamilyForm>();
  const has = watch('hasAlignment');
  const recentres = watch('recentres');
  return (
    <Stack spacing={1.5} sx={{ mt: 2 }}>
      <ToggleButton
        value="alignment"
        selected={has}
        onChange={() => setValue('hasAlignment', !has, { shouldDirty: true })}
        sx={{ alignSelf: 'flex-start' }}
      >
        {has ? 'It is aligned by a scale' : 'Alignment not known'}
      </ToggleButton>
      {has && (
        <Box sx={GRID}>
          <Entry control={control} name="positions" label="Positions" isNumber />
          <Entry control={control} name="least" label="Scale from" isNumber />
          <Entry control={control} name="most" label="Scale to" isNumber />
          <Entry control={control} name="centre" label="Centre" isNumber />
          <TextField
            select
            label="A pass"
            value={recentres ? 'recentres' : 'stands'}
            onChange={(event) =>
              setValue('recentres', event.target.value === 'recentres', { shouldDirty: true })
            }
          >
            <MenuItem value="recentres">makes the step the new centre</MenuItem>
            <MenuItem value="stands">stands as it was entered</MenuItem>
          </TextField>
        </Box>
      )}
    </Stack>
  );
}
