import { Alert, Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { answer, api, type Problem } from '../api/http';
import type { Method, Plan, PlanWork, Visit } from '../api/types';
import { Choice, readNumber } from '../app/fields';
import { Block } from '../app/Page';
import { Loading, WriteProblem } from '../app/states';
import { useDraft } from '../draft/useDraft';
import { useUnits } from '../flow/units';
import { capital, terms, word } from '../words/words';
import { AttemptCard } from './AttemptCard';
import { ForecastRow } from './ForecastRow';
import { moved } from './planWays';

/** What is typed for one work; empty goes by the rules. */
interface TypedWork {
  method: Method;
  channels: string[];
  ml: string;
  seconds: string;
  minutes: string;
  temperatureC: string;
  suctionKpa: string;
  syringe: string;
  force: string;
}

type Field = 'ml' | 'seconds' | 'minutes' | 'temperatureC' | 'suctionKpa';

const UNITS: Record<Field, 'ML' | 'S' | 'MIN' | 'C' | 'KPA'> = {
  ml: 'ML',
  seconds: 'S',
  minutes: 'MIN',
  temperatureC: 'C',
  suctionKpa: 'KPA',
};

const LABELS: Record<Field, string> = {
  ml: 'Dose, each port',
  seconds: 'Each stroke takes',
  minutes: 'Soaks or waits',
  temperatureC: 'Fluid at',
  suctionKpa: 'Suction',
};

const PUSHED: Method[] = ['FLUSH', 'WARM', 'PURGE', 'PRIME'];

function fieldsOf(method: Method, visit: Visit): Field[] {
  const form = visit.usual.forms[method];
  const soaks =
    visit.usual.kinds[method] === 'SOAK' || form.waits.length > 0 || method === 'FLUSH' || method === 'WARM';
  return [
    ...(form.fluids.length > 0 ? (['ml'] as const) : []),
    ...(PUSHED.includes(method) ? (['seconds'] as const) : []),
    ...(soaks ? (['minutes'] as const) : []),
    ...(form.heat ? (['temperatureC'] as const) : []),
    ...(method === 'DRAW_BACK' ? (['suctionKpa'] as const) : []),
  ];
}

/** The plan under change: order, doses, what is dropped and what is added, each checked at once. */
export function PlanEditor({
  visit,
  plan,
  kept,
  leave,
}: {
  visit: Visit;
  plan: Plan;
  kept: (plan: Plan) => void;
  leave: () => void;
}) {
  const { seen } = useUnits();
  const text = (field: Field, si: number | null | undefined) =>
    si === null || si === undefined ? '' : String(Number(seen(UNITS[field]).to(si).toPrecision(4)));
  const start: TypedWork[] = plan.works.map((work) => ({
    method: work.method,
    channels: work.channels,
    ml: text('ml', work.ml),
    seconds: text('seconds', work.seconds),
    minutes: text('minutes', work.minutes),
    temperatureC: text('temperatureC', work.temperatureC),
    suctionKpa: text('suctionKpa', work.suctionKpa),
    syringe: work.syringe ?? '',
    force: work.force ?? '',
  }));
  const draft = useDraft<TypedWork[]>(`plan-${visit.id}`);
  const [own, setOwn] = useState<TypedWork[]>();
  const works = own ?? draft.restored ?? start;
  const change = (next: TypedWork[]) => {
    setOwn(next);
    draft.keep(next);
  };
  const at = (n: number, part: Partial<TypedWork>) =>
    change(works.map((work, i) => (i === n ? { ...work, ...part } : work)));

  const si = (field: Field, typed: string): number | undefined => {
    const value = readNumber(typed);
    if (value === undefined || Number.isNaN(value)) {
      return undefined;
    }
    const kept = seen(UNITS[field]).from(value);
    return field === 'minutes' || field === 'seconds' ? Math.round(kept) : kept;
  };
  const body: { works: PlanWork[] } = {
    works: works.map((work) => ({
      method: work.method,
      channels: work.channels,
      ml: si('ml', work.ml),
      seconds: si('seconds', work.seconds),
      minutes: si('minutes', work.minutes),
      temperatureC: si('temperatureC', work.temperatureC),
      suctionKpa: si('suctionKpa', work.suctionKpa),
      syringe: (work.syringe || undefined) as PlanWork['syringe'],
      force: (work.force || undefined) as PlanWork['force'],
    })),
  };
  const preview = useQuery({
    queryKey: ['plan-preview', visit.id, JSON.stringify(body)],
    queryFn: () =>
      answer(
        api.POST('/api/visits/{visitId}/plan/preview', { params: { path: { visitId: visit.id } }, body }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useMutation<Plan, Problem, typeof body>({
    mutationFn: (entered) =>
      answer(
        api.PUT('/api/visits/{visitId}/plan', {
          params: { path: { visitId: visit.id } },
          body: entered,
        }),
      ),
    onSuccess: (next) => {
      draft.drop();
      kept(next);
    },
  });
  const rules = useMutation<Plan, Problem>({
    mutationFn: () =>
      answer(api.DELETE('/api/visits/{visitId}/plan', { params: { path: { visitId: visit.id } } })),
    onSuccess: (next) => {
      draft.drop();
      kept(next);
    },
  });

  const wrong = (preview.error as Problem | null)?.errors ?? [];
  const messageAt = (n: number, field: string, typed: string) =>
    typed.trim() !== '' && Number.isNaN(readNumber(typed))
      ? 'Enter a number, or leave it empty.'
      : wrong.find((e) => e.field === `works[${n}].${field}`)?.message;
  const shown = preview.data?.works.length === works.length ? preview.data : undefined;
  const refused = shown?.attempts.filter((a) => a.refused).map((a) => a.number) ?? [];
  return (
    <>
      <Block
        title="Change the plan"
        aside={
          <>
            <Button
              onClick={() => {
                draft.drop();
                leave();
              }}
            >
              Leave it as it was
            </Button>
            <Button loading={rules.isPending} onClick={() => rules.mutate()}>
              Back to the rules
            </Button>
            <Button
              variant="contained"
              loading={keep.isPending}
              onClick={() => keep.mutate(body)}
              disabled={wrong.length > 0}
            >
              Keep this plan
            </Button>
          </>
        }
      >
        {shown && <ForecastRow forecast={shown.forecast} />}
        {refused.length > 0 && (
          <Alert severity="error" role="alert">
            Attempt {refused.join(', ')} goes past a limit or is never done: see the reason there. Such a plan
            is not kept.
          </Alert>
        )}
        <WriteProblem problem={keep.error ?? rules.error} />
      </Block>
      {preview.isPending && <Loading what="what it comes to" />}
      {works.map((work, n) => {
        const attempt = shown?.attempts[n];
        const entries = (
          <Stack spacing={1.5}>
            <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
              <Button
                variant="outlined"
                startIcon={<ArrowUp />}
                disabled={n === 0}
                onClick={() => change(moved(works, n, -1))}
              >
                Earlier
              </Button>
              <Button
                variant="outlined"
                startIcon={<ArrowDown />}
                disabled={n === works.length - 1}
                onClick={() => change(moved(works, n, 1))}
              >
                Later
              </Button>
              <Button
                variant="outlined"
                startIcon={<Trash2 />}
                onClick={() => change(works.filter((_, i) => i !== n))}
              >
                Drop
              </Button>
            </Stack>
            <Box
              sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))' }}
            >
              {fieldsOf(work.method, visit).map((field) => (
                <TextField
                  key={field}
                  label={LABELS[field]}
                  value={work[field]}
                  onChange={(event) => at(n, { [field]: event.target.value })}
                  error={messageAt(n, field, work[field]) !== undefined}
                  helperText={messageAt(n, field, work[field]) ?? 'empty: by the rules'}
                  slotProps={{
                    htmlInput: { inputMode: 'decimal' },
                    input: {
                      endAdornment: (
                        <Typography component="span" color="text.secondary" sx={{ pl: 1, pt: 2 }}>
                          {seen(UNITS[field]).unit}
                        </Typography>
                      ),
                    },
                  }}
                />
              ))}
              {PUSHED.includes(work.method) && (
                <>
                  <Named
                    label="Syringe"
                    table="syringe"
                    value={work.syringe}
                    choose={(syringe) => at(n, { syringe })}
                  />
                  <Named
                    label="Thumb"
                    table="thumb"
                    value={work.force}
                    choose={(force) => at(n, { force })}
                  />
                </>
              )}
            </Box>
            <Choice
              label={`Channels of attempt ${n + 1}`}
              isMany
              options={visit.family.channels.map((c) => ({ value: c.code, label: c.code }))}
              value={work.channels}
              onChange={(next) => at(n, { channels: next as string[] })}
              error={messageAt(n, 'channels', '')}
            />
          </Stack>
        );
        // The entries keep their place while what they come to is worked out: nothing typed, nor the cursor, is lost.
        return (
          <Box key={n}>
            {attempt ? (
              <AttemptCard attempt={attempt} />
            ) : (
              <Block title={`${n + 1}. ${capital(word('method', work.method))}`}>Working it out</Block>
            )}
            <Box
              role="group"
              aria-label={`Change attempt ${n + 1}`}
              sx={{ bgcolor: 'background.paper', p: { xs: 1.5, md: 2 }, pt: 0 }}
            >
              {entries}
            </Box>
          </Box>
        );
      })}
      <AddWork
        visit={visit}
        add={(method) =>
          change([
            ...works,
            {
              method,
              channels: works[0]?.channels ?? [visit.family.channels[0].code],
              ml: '',
              seconds: '',
              minutes: '',
              temperatureC: '',
              suctionKpa: '',
              syringe: '',
              force: '',
            },
          ])
        }
      />
    </>
  );
}

/** One of few by name, or none: then it goes by the rules. */
function Named({
  label,
  table,
  value,
  choose,
}: {
  label: string;
  table: 'syringe' | 'thumb';
  value: string;
  choose: (value: string) => void;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => choose(event.target.value)}
      helperText="empty: by the rules"
    >
      <MenuItem value="" sx={{ minHeight: 48 }}>
        by the rules
      </MenuItem>
      {terms(table).map((term) => (
        <MenuItem key={term} value={term} sx={{ minHeight: 48 }}>
          {word(table, term)}
        </MenuItem>
      ))}
    </TextField>
  );
}

function AddWork({ visit, add }: { visit: Visit; add: (method: Method) => void }) {
  const barred = visit.usual.notForHead.map((n) => n.method);
  const methods = terms('method').filter((method) => method in visit.usual.kinds) as Method[];
  return (
    <Block title="Add an attempt">
      <TextField
        select
        label="Method"
        value=""
        onChange={(event) => add(event.target.value as Method)}
        sx={{ maxWidth: 420 }}
      >
        {methods.map((method) => (
          <MenuItem key={method} value={method} sx={{ minHeight: 48 }}>
            {capital(word('method', method))}
            {barred.includes(method) && ' (not for this family)'}
          </MenuItem>
        ))}
      </TextField>
    </Block>
  );
}
