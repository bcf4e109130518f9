import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import { http } from '../api/http';
import { useJudgement, useLots, useVisit } from '../api/queries';
import type { Advice, Gate, Lot, TreatmentKind, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Page } from '../app/Page';
import { Failed, Loading, NotFound, WriteProblem } from '../app/states';
import { dateInDays } from '../bench/time';
import { useDraftForm } from '../draft/useDraftForm';
import { advisedTerm } from '../diagnosis/judgement';
import { capital, word } from '../words/words';
import { asAdvised, preset, startAttempt, toEntry, type AttemptForm } from './attemptForm';
import { BathFields, CycleFields, SoakFields } from './KindFields';
import { FlushFields } from './FlushFields';
import { HandworkFields } from './HandworkFields';
import { Instead } from './Instead';
import { LotChoice } from './LotChoice';
import { Mind } from './Mind';
import { usePreview } from './usePreview';
import { HoldBanner } from '../visit/HoldBanner';
import { useNow } from '../bench/useNow';

const KINDS: Record<string, TreatmentKind> = {
  flush: 'FLUSH',
  soak: 'SOAK',
  bath: 'BATH',
  cycle: 'CYCLE',
  handwork: 'HANDWORK',
};

const DO_IT: Record<TreatmentKind, string> = {
  FLUSH: 'Log this flush',
  SOAK: 'Start the soak',
  BATH: 'Start the first burst',
  CYCLE: 'Log these cycles',
  HANDWORK: 'Log this work',
};

export default function AttemptPage() {
  const { id = '', kind = '' } = useParams();
  const visit = useVisit(id);
  const lots = useLots();
  const judgement = useJudgement(id);
  if (!KINDS[kind]) {
    return <NotFound />;
  }
  // Without an answer to what is advised the work can be logged all the same.
  if (visit.isPending || lots.isPending || judgement.isLoading) {
    return <Loading what="visit and shelf" />;
  }
  if (!visit.data || !lots.data) {
    return <Failed error={(visit.error ?? lots.error) as Error} again={() => void visit.refetch()} />;
  }
  return (
    <AttemptView
      key={kind}
      visit={visit.data}
      kind={KINDS[kind]}
      lots={lots.data}
      advice={judgement.data?.advice.first}
    />
  );
}

/** What the fields of every kind are given. */
export interface FieldsProps {
  visit: Visit;
  form: AttemptForm;
  change: (part: Partial<AttemptForm>) => void;
  /** What is wrong with the entry of this path. */
  wrong: (path: string) => string | undefined;
}

const WHOLE = ['plannedMinutes', 'bursts', 'burstSeconds', 'count'];

function AttemptView({
  visit,
  kind,
  lots,
  advice,
}: {
  visit: Visit;
  kind: TreatmentKind;
  lots: Lot[];
  advice: Advice | undefined;
}) {
  const navigate = useNavigate();
  const { isLead } = useSession();
  const now = useNow(visit.serverTime);
  const [query] = useSearchParams();
  const { form, change, drop } = useDraftForm<AttemptForm>(`attempt-${kind}-${visit.id}`, () =>
    preset(startAttempt(visit, kind, lots, dateInDays(0)), query, lots, dateInDays(0)),
  );
  const isAdvised = asAdvised(advice, kind, form);
  const fluid = isAdvised && kind !== 'CYCLE' ? advice?.manner?.fluid : undefined;

  const { entry, unread } = toEntry(kind, form);
  const [wasSent, setSent] = useState(false);
  const preview = usePreview(visit.id, kind, form.lotId, entry, unread.length === 0);
  const write = useWrite(
    async () => {
      if (advice && !isAdvised) {
        await http.put(`/api/visits/${visit.id}/departures/${form.id}`, {
          rule: advice.rule,
          advised: advisedTerm(advice),
          reason: form.instead,
        });
      }
      return http.put<Visit>(`/api/visits/${visit.id}/attempts/${form.id}`, {
        treatment: entry,
        lotId:
          kind === 'CYCLE' || (kind === 'HANDWORK' && form.volumeMl === '')
            ? undefined
            : form.lotId || undefined,
        note: form.note,
        departureReason: form.departureReason || undefined,
      });
    },
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );

  function wrong(path: string): string | undefined {
    if (unread.includes(path)) {
      return WHOLE.some((name) => path.endsWith(name))
        ? 'Enter a whole number.'
        : 'Enter a number, such as 3 or 2.5.';
    }
    const error = write.problem?.errors.find((e) => e.field === `treatment.${path}` || e.field === path);
    return error?.message;
  }

  function send() {
    setSent(true);
    if (unread.length === 0 && (isAdvised || form.instead.trim() !== '')) {
      write.send(undefined);
    }
  }

  const gates = (write.problem?.extra.gates as Gate[] | undefined) ?? preview?.gates ?? [];
  const asksReason = gates.some(
    (gate) => gate.weight === 'NEEDS_REASON' || (gate.weight === 'NEEDS_LEAD' && isLead),
  );
  const fields: FieldsProps = { visit, form, change, wrong };
  const isShort = kind !== 'CYCLE' && preview?.shortByMl;
  return (
    <Page title={capital(word('treatment', kind))} back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      {kind === 'CYCLE' && visit.heldUntil && Date.parse(visit.heldUntil) > now && (
        <HoldBanner visit={visit} now={now} mayWrite />
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 380px' },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <Stack
          component="form"
          noValidate
          spacing={2}
          sx={{ bgcolor: 'background.paper', p: { xs: 1.5, md: 2 }, borderRadius: 1 }}
          onSubmit={(event) => {
            event.preventDefault();
            send();
          }}
        >
          {kind !== 'CYCLE' && (
            <LotChoice
              lots={lots}
              value={form.lotId}
              onChange={(lotId) => change({ lotId })}
              error={
                wrong('lotId') ??
                (isShort
                  ? `This bottle is ${preview.shortByMl} mL short. Choose another lot or a smaller dose.`
                  : undefined)
              }
            />
          )}
          {fluid && lots.find((lot) => lot.id === form.lotId)?.kind !== fluid && (
            <Typography>Advised is {word('fluidKind', fluid)}.</Typography>
          )}
          {kind === 'FLUSH' && <FlushFields {...fields} />}
          {kind === 'SOAK' && <SoakFields {...fields} />}
          {kind === 'BATH' && <BathFields {...fields} />}
          {kind === 'CYCLE' && <CycleFields {...fields} />}
          {kind === 'HANDWORK' && <HandworkFields {...fields} />}
          {advice && !isAdvised && (
            <Instead
              advice={advice}
              value={form.instead}
              onChange={(instead) => change({ instead })}
              error={wasSent && form.instead.trim() === '' ? 'Say in a word why.' : undefined}
            />
          )}
          <TextField
            label="Note"
            value={form.note}
            onChange={(event) => change({ note: event.target.value })}
            error={wrong('note') !== undefined}
            helperText={wrong('note')}
          />
          {asksReason && (
            <TextField
              label="Reason for departing from the rule"
              value={form.departureReason}
              onChange={(event) => change({ departureReason: event.target.value })}
              helperText="It is kept with the attempt and stands in the report."
            />
          )}
          {wasSent && unread.length > 0 && (
            <Typography color="error">Some entries are no numbers; see them above.</Typography>
          )}
          <WriteProblem problem={write.problem} />
          <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
            <Button
              type="submit"
              variant="contained"
              size="large"
              loading={write.isBusy}
              sx={{ minHeight: 64, fontSize: '1.25rem' }}
            >
              {DO_IT[kind]}
            </Button>
            <Button
              size="large"
              onClick={() => {
                drop();
                void navigate(`/visits/${visit.id}`);
              }}
            >
              Throw it away
            </Button>
          </Stack>
        </Stack>
        <Mind gates={gates} cautions={preview?.cautions ?? []} />
      </Box>
    </Page>
  );
}
