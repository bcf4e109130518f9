import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Box, Button, FormControlLabel, Stack, Switch, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Controller, useForm, useWatch, type Control } from 'react-hook-form';
import * as z from 'zod';
import { useSession } from '../account/session';
import { answer, api, type Problem } from '../api/http';
import type { DaySetup, DayTrial, KeptDay } from '../api/types';
import { Choice, Entry } from '../app/fields';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { dateInDays, day as dayWords } from '../bench/time';
import { minutesWords } from '../flow/units';
import { word } from '../words/words';
import { DayPicture } from './DayPicture';
import { Summary } from './DayPage';
import { datesOf } from './dayTime';
import { Reasons } from './Reasons';
import { formOf, peopleOf, personOf, placesOf, toggled, WEEKDAYS, type SetupForm } from './setupForm';

const KEY = ['day-setup'];

const number = z.string().regex(/^(\d|[1-4]\d|50)$/, 'Enter 0 to 50.');

const schema = z.object({
  places: z.object({ baths: number, trays: number, printers: number, testSlots: number }),
  people: z.array(
    z
      .object({
        id: z.string(),
        name: z.string(),
        works: z.boolean(),
        own: z.boolean(),
        opens: z.string(),
        closes: z.string(),
        days: z.array(z.string()),
        away: z.array(z.string()),
      })
      .refine((p) => p.opens !== '' && p.opens < p.closes, {
        path: ['closes'],
        message: 'Work ends after it begins. Enter a later time.',
      })
      .refine((p) => p.days.length > 0, { path: ['days'], message: 'Choose at least one day.' }),
  ),
});

/** A lead tries other hours, people or places, beside the day as it is; only one button makes them the real ones. */
export default function TrialPage() {
  const { isLead } = useSession();
  const setup = useQuery<DaySetup, Problem>({
    queryKey: KEY,
    queryFn: () => answer(api.GET('/api/day/setup')),
    staleTime: Infinity,
  });
  if (setup.isError) {
    return <Failed error={setup.error} again={() => void setup.refetch()} />;
  }
  if (!setup.data) {
    return <Loading what="hours and places" />;
  }
  return (
    <Page title="What if" back={{ to: '/day', label: 'The day' }}>
      {isLead ? <Trial setup={setup.data} /> : <Empty>A lead tries other hours and places.</Empty>}
    </Page>
  );
}

function Trial({ setup }: { setup: DaySetup }) {
  const queries = useQueryClient();
  const form = useForm<SetupForm>({
    defaultValues: formOf(setup),
    resolver: zodResolver(schema) as never,
  });
  const trial = useMutation<DayTrial, Problem, SetupForm>({
    mutationFn: (v) =>
      answer(api.POST('/api/day/trial', { body: { places: placesOf(v), people: peopleOf(v) } })),
  });
  const keep = useMutation<DaySetup, Problem, SetupForm>({
    mutationFn: async (v) => {
      let now = await answer(api.PUT('/api/day/setup/places', { body: placesOf(v) }));
      for (const person of v.people) {
        now = await answer(
          api.PUT('/api/day/setup/people/{id}', {
            params: { path: { id: person.id } },
            body: personOf(person),
          }),
        );
      }
      return now;
    },
    onSuccess: (now) => {
      queries.setQueryData(KEY, now);
      void queries.invalidateQueries({ queryKey: ['day'] });
      form.reset(formOf(now));
    },
  });
  useProblemAt(form, trial.error ?? keep.error, (field) => `places.${field}`);
  const isBusy = trial.isPending || keep.isPending;
  return (
    <Stack spacing={2}>
      <Block title="Hours and places">
        <Stack
          component="form"
          spacing={2}
          noValidate
          onSubmit={form.handleSubmit((v) => {
            if (!isBusy) {
              keep.reset();
              trial.mutate(v);
            }
          })}
        >
          <Box
            sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, 1fr)' } }}
          >
            <Entry control={form.control} name="places.baths" label="Ultrasonic baths" isNumber />
            <Entry control={form.control} name="places.trays" label="Trays" isNumber />
            <Entry control={form.control} name="places.printers" label="Open printers at once" isNumber />
            <Entry control={form.control} name="places.testSlots" label="Printers that print" isNumber />
          </Box>
          {setup.people.map((person, i) => (
            <PersonRow key={person.id} control={form.control} i={i} name={person.name} />
          ))}
          <WriteProblem problem={trial.error ?? keep.error} />
          <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
            <Button type="submit" variant="contained" size="large" loading={trial.isPending}>
              Try these
            </Button>
            <Button
              variant="outlined"
              loading={keep.isPending}
              onClick={form.handleSubmit((v) => !isBusy && keep.mutate(v))}
            >
              Make these the real ones
            </Button>
            <Typography color="text.secondary">To try changes nothing of the real day.</Typography>
          </Stack>
          {keep.isSuccess && (
            <Alert severity="success" role="status">
              These are the hours and places now. Bring the day up to date to have it follow.
            </Alert>
          )}
        </Stack>
      </Block>
      {trial.data && <Tried trial={trial.data} />}
    </Stack>
  );
}

function PersonRow({ control, i, name }: { control: Control<SetupForm>; i: number; name: string }) {
  const works = useWatch({ control, name: `people.${i}.works` });
  const own = useWatch({ control, name: `people.${i}.own` });
  const soon = [0, 1, 2].map(dateInDays);
  return (
    <Box role="group" aria-label={name} sx={{ borderTop: '1px solid', borderColor: 'line', pt: 1.5 }}>
      <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="h3" sx={{ minWidth: 170 }}>
          {name}
        </Typography>
        <Toggle control={control} name={`people.${i}.works`} label="Works at the bench" />
        {works && <Toggle control={control} name={`people.${i}.own`} label="Other hours than the shop" />}
        {works && (
          <Controller
            control={control}
            name={`people.${i}.away`}
            render={({ field }) => (
              <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
                <Typography>Away</Typography>
                {[...new Set([...soon, ...field.value])].map((date) => (
                  <Button
                    key={date}
                    variant={field.value.includes(date) ? 'contained' : 'outlined'}
                    aria-pressed={field.value.includes(date)}
                    onClick={() => field.onChange(toggled(field.value, date))}
                  >
                    {dayWords(date)}
                  </Button>
                ))}
              </Stack>
            )}
          />
        )}
      </Stack>
      {works && own && (
        <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'flex-start', mt: 1 }}>
          <Box sx={{ width: 150 }}>
            <Entry control={control} name={`people.${i}.opens`} label="From" type="time" />
          </Box>
          <Box sx={{ width: 220 }}>
            <Entry control={control} name={`people.${i}.closes`} label="Until" type="time" />
          </Box>
          <Controller
            control={control}
            name={`people.${i}.days`}
            render={({ field, fieldState }) => (
              <Choice
                label="Days"
                isMany
                options={WEEKDAYS.map((value) => ({ value, label: word('weekday', value) }))}
                value={field.value}
                onChange={(days) => field.onChange(days ?? [])}
                error={fieldState.error?.message}
              />
            )}
          />
        </Stack>
      )}
    </Box>
  );
}

function Toggle({
  control,
  name,
  label,
}: {
  control: Control<SetupForm>;
  name: `people.${number}.works` | `people.${number}.own`;
  label: string;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <FormControlLabel
          sx={{ minHeight: 48 }}
          control={<Switch checked={field.value} onChange={(_, on) => field.onChange(on)} />}
          label={label}
        />
      )}
    />
  );
}

/** What the other hours and places come to, against the day as it is: both made anew, in half the usual search. */
function Tried({ trial: { real, tried } }: { trial: DayTrial }) {
  return (
    <Block title="As it would be">
      <Typography sx={{ fontWeight: 650 }}>{difference(real, tried)}</Typography>
      <Summary day={tried} />
      {datesOf(tried)
        .slice(0, 2)
        .map((date) => (
          <Box key={date} sx={{ mb: 2 }}>
            <Typography variant="h3">{dayWords(date)}</Typography>
            <DayPicture
              day={tried}
              date={date}
              now={Date.parse(tried.start)}
              wide={1}
              chosen={null}
              mayPin={false}
              choose={() => undefined}
              pin={() => undefined}
            />
          </Box>
        ))}
      <Reasons day={tried} />
    </Block>
  );
}

/** "3 h later than as it is, and heads ready 5 h later in all". */
function difference(real: KeptDay, tried: KeptDay): string {
  const late = tried.lateMinutes - real.lateMinutes;
  const ready = tried.readyMinutes - real.readyMinutes;
  const lateWords =
    late === 0
      ? 'As late in all as it is'
      : `${minutesWords(Math.abs(late))} ${late < 0 ? 'less' : 'more'} late in all than as it is`;
  const readyWords =
    ready === 0
      ? 'heads are ready as early'
      : `heads are ready ${minutesWords(Math.abs(ready))} ${ready < 0 ? 'sooner' : 'later'} in all`;
  return `${lateWords}; ${readyWords}.`;
}
