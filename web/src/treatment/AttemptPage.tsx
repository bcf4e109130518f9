import { Box, Button, Stack, Typography } from '@mui/material';
import { useState, type ComponentType } from 'react';
import { FormProvider } from 'react-hook-form';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useJudgement, useLots, useVisit } from '../api/queries';
import type { Advice, Lot, Method, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Entry, readNumber } from '../app/fields';
import { Page } from '../app/Page';
import { Failed, Loading, NotFound, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { dateInDays } from '../bench/time';
import { useDraftForm } from '../draft/useDraftForm';
import { advisedTerm } from '../diagnosis/judgement';
import { capital, word } from '../words/words';
import {
  asAdvised,
  attemptSchema,
  entryOf,
  formOf,
  lotFor,
  methodOf,
  preset,
  siteOf,
  startAttempt,
  toEntry,
  waitOf,
  type AttemptForm,
  type WholeKind,
} from './attemptForm';
import { fromEarlier, inkOf, notedOf, usualMl } from './attemptMore';
import { BathFields, CycleFields, SoakFields } from './KindFields';
import { HandworkFields } from './HandworkFields';
import { Instead } from './Instead';
import { LotChoice } from './LotChoice';
import { Mind } from './Mind';
import { usePreview } from './usePreview';
import { PowerBanner } from '../visit/PowerBanner';
import { useNow } from '../bench/useNow';
import { Against, gatesOf, mayDepart } from './Against';
import { AskedFields, PartFields } from './AskedFields';
import { BegunAt, begunInstant } from './BegunAt';
import { FarAbove } from './FarAbove';
import { isFarAbove } from './roundsForm';
import { useWasteContainer, WasteGoesTo } from './WasteGoesTo';

const KINDS: Record<string, WholeKind> = {
  soak: 'SOAK',
  bath: 'BATH',
  cycle: 'CYCLE',
  handwork: 'HANDWORK',
};

const FIELDS: Record<WholeKind, ComponentType<FieldsProps>> = {
  SOAK: SoakFields,
  BATH: BathFields,
  CYCLE: CycleFields,
  HANDWORK: HandworkFields,
};

interface FieldsProps {
  visit: Visit;
  choose?: (method: Method) => void;
}

const DO_IT: Record<WholeKind, string> = {
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

function AttemptView({
  visit,
  kind,
  lots,
  advice,
}: {
  visit: Visit;
  kind: WholeKind;
  lots: Lot[];
  advice: Advice | undefined;
}) {
  const navigate = useNavigate();
  const { isLead } = useSession();
  const now = useNow(visit.serverTime);
  const [query] = useSearchParams();
  const today = dateInDays(0);
  const editId = query.get('edit') ?? undefined;
  const earlier = visit.attempts.find((a) => a.id === (editId ?? query.get('again')));
  const { form, drop } = useDraftForm<AttemptForm>(
    `attempt-${kind}-${editId ?? visit.id}`,
    () => {
      const start = preset(startAttempt(visit, kind, lots, today), query, lots, today, visit, kind);
      return earlier ? fromEarlier(start, earlier, editId !== undefined) : start;
    },
    attemptSchema(kind),
  );
  const value = form.watch();
  const isAdvised = editId !== undefined || asAdvised(advice, kind, value, visit.usual);
  const fluid = isAdvised ? advice?.style?.fluid : undefined;

  const asks = formOf(visit.usual, methodOf(kind, value));
  const all = visit.family.channels.map((c) => c.code);
  const { entry, unread } = toEntry(kind, asks.wholeHead ? { ...value, channels: all } : value);
  // A bottle that stands in the form is asked, also where too little of it was used to be measured.
  const lotId = asks.fluids.length > 0 ? value.lotId || undefined : undefined;
  const where = {
    site: asks.bench ? undefined : value.site || undefined,
    wet: (asks.depth && value.wet) || undefined,
  };
  const typedAs = JSON.stringify({ entry, lotId, where });
  const [sentAs, setSentAs] = useState('');
  const waste = useWasteContainer();
  const preview = usePreview(visit.id, kind, lotId, entry, unread.length === 0, {
    ...where,
    cartridgesOff: value.answers.CARTRIDGES_OFF === '1' || undefined,
    begunAt: begunInstant(value.begunAt),
    wasteId: lotId ? waste.id : undefined,
  });
  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/attempts/{id}', {
          params: { path: { visitId: visit.id, id: value.id } },
          body: {
            treatment: entry,
            lotId,
            note: value.note,
            departureReason: value.departureReason || undefined,
            doneAnyway: value.doneAnyway || undefined,
            ...where,
            noted: notedOf(value, asks),
            wasteId: lotId ? waste.id : undefined,
            replaces: editId,
            begunAt: begunInstant(value.begunAt),
            endedAt: value.begunAt ? begunInstant(value.endedAt) : undefined,
            departure:
              advice && !isAdvised
                ? { rule: advice.rule, advised: advisedTerm(advice), reason: value.instead }
                : undefined,
          },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`, { state: { logged: value.id } });
    },
  );
  useProblemAt(form, write.problem, entryOf);

  /** Another method wants another bottle: the one that goes with it, where it stands on the shelf. */
  function choose(method: Method) {
    // What goes by rounds is entered as it happens.
    if (visit.usual.kinds[method] === 'FLUSH' || method === 'RINSE') {
      drop();
      void navigate(`/visits/${visit.id}/${method === 'RINSE' ? 'rinse' : `attempt/flush?method=${method}`}`);
      return;
    }
    form.setValue('lotId', lotFor(visit, method, lots, today)?.id ?? '', { shouldDirty: true });
    form.setValue('site', siteOf(visit, method), { shouldDirty: true });
    form.setValue('plannedMinutes', waitOf(visit.usual, method), { shouldDirty: true });
  }

  function hasReason(): boolean {
    if (isAdvised || value.instead.trim() !== '') {
      return true;
    }
    form.setError('instead', { message: 'Say in a word why.' });
    return false;
  }

  const [isAsked, setAsked] = useState(false);
  const ml = readNumber(value.volumeMl) ?? 0;

  function send(sure = false) {
    if (!sure && kind !== 'CYCLE' && isFarAbove(ml, usualMl(visit, kind, value))) {
      setAsked(true);
      return;
    }
    setAsked(false);
    if (hasReason()) {
      setSentAs(typedAs);
      write.send(undefined);
    }
  }

  // What was refused is said until the entry changes; from then on the preview knows better.
  const refused = sentAs === typedAs ? gatesOf(write.problem) : [];
  const gates = refused.length > 0 ? refused : (preview?.gates ?? []);
  const isShort = kind !== 'CYCLE' && preview?.shortByMl;
  const Fields = FIELDS[kind];
  return (
    <Page title={capital(word('treatment', kind))} back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      {asks.power && <PowerBanner visit={visit} now={now} mayWrite />}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 380px' },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <FormProvider {...form}>
          <Stack
            component="form"
            noValidate
            spacing={2}
            sx={{ bgcolor: 'background.paper', p: { xs: 1.5, md: 2 }, borderRadius: 1 }}
            onSubmit={form.handleSubmit(
              () => send(),
              () => hasReason(),
            )}
          >
            {asks.fluids.length > 0 && (
              <LotChoice
                lots={lots}
                fluids={asks.fluids}
                mayBeNone={kind === 'HANDWORK'}
                short={
                  isShort
                    ? `This bottle is ${preview.shortByMl} mL short. Choose another lot or a smaller dose.`
                    : undefined
                }
              />
            )}
            {fluid && lots.find((lot) => lot.id === value.lotId)?.kind !== fluid && (
              <Typography>Advised is {word('fluidKind', fluid)}.</Typography>
            )}
            <Fields visit={visit} choose={choose} />
            <AskedFields asks={asks} inkMl={inkOf(visit, kind, value)} />
            <PartFields visit={visit} asks={asks} channels={asks.wholeHead ? all : value.channels} />
            {advice && !isAdvised && <Instead advice={advice} />}
            {lotId && <WasteGoesTo waste={waste} />}
            <Entry control={form.control} name="note" label="Note" />
            <BegunAt
              begunAt={value.begunAt}
              endedAt={value.endedAt}
              set={(name, typed) => form.setValue(name, typed, { shouldDirty: true, shouldValidate: true })}
              errors={form.formState.errors}
              now={now}
            />
            {mayDepart(gates, isLead) && (
              <Against
                gates={gates}
                against={{
                  isLead,
                  value: { reason: value.departureReason, doneAnyway: value.doneAnyway },
                  setValue: ({ reason, doneAnyway }) => {
                    form.setValue('departureReason', reason, { shouldDirty: true });
                    form.setValue('doneAnyway', doneAnyway, { shouldDirty: true });
                  },
                }}
              />
            )}
            {form.formState.isSubmitted && unread.length > 0 && (
              <Typography color="error">Some entries are no numbers; see them above.</Typography>
            )}
            <WriteProblem problem={write.problem} />
            {isAsked && (
              <FarAbove
                ml={ml}
                usual={usualMl(visit, kind as Exclude<WholeKind, 'CYCLE'>, value)}
                yes={() => send(true)}
                no={() => setAsked(false)}
              />
            )}
            <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
              <Button
                type="submit"
                variant="contained"
                size="large"
                loading={write.isBusy}
                sx={{ minHeight: 64, fontSize: '1.25rem' }}
              >
                {editId ? 'Keep it so' : DO_IT[kind]}
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
        </FormProvider>
        <Mind gates={mayDepart(gates, isLead) ? [] : gates} cautions={preview?.cautions ?? []} />
      </Box>
    </Page>
  );
}
