import { Button, Stack, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useCallback, useEffect, useReducer, useRef } from 'react';
import { Controller } from 'react-hook-form';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import * as z from 'zod';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useVisit } from '../api/queries';
import type { Check, Coarse, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry } from '../app/fields';
import { dateInDays } from '../bench/time';
import { capital, terms, word } from '../words/words';
import { Page } from '../app/Page';
import { differences, Reconcile } from '../app/Reconcile';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { useDraftForm } from '../draft/useDraftForm';
import { combWords } from './Comb';
import { CoarseEditor } from './CoarseEditor';
import { coarseWords } from './coarse';
import { CombEditor } from './CombEditor';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { BegunAt, begunInstant } from '../treatment/BegunAt';
import { MapFromFile } from './MapFromFile';
import { edit, startEditing, type Reading } from './editing';

type Kind = 'MAP' | 'COARSE' | 'NONE' | 'NOT_TAKEN';

interface CheckDraft {
  id: string;
  version?: number;
  reading: Reading;
  kind: Kind;
  coarse: Coarse;
  reason: string;
  note: string;
  begunAt: string;
  notTaken: NonNullable<Check['notTaken']> | null;
  /** Day of a check that the customer kept; empty for one that is read here. */
  toldOn: string;
}

export default function CheckPage() {
  const { id = '', checkId } = useParams();
  const visit = useVisit(id);
  const [query] = useSearchParams();
  if (visit.isPending) {
    return <Loading what="the visit" />;
  }
  if (visit.isError) {
    return <Failed error={visit.error} again={() => void visit.refetch()} />;
  }
  return (
    <CheckForm
      key={checkId ?? (query.has('kept') ? 'kept' : 'new')}
      visit={visit.data}
      check={[...visit.data.checks, ...visit.data.keptChecks].find((c) => c.id === checkId)}
      isTold={query.has('kept')}
    />
  );
}

function unread(visit: Visit): Reading {
  return Object.fromEntries(visit.family.channels.map((c) => [c.code, 'U'.repeat(c.nozzles)]));
}

/** A head that may have no power, or is out, shows its stream and nothing printed. */
function mayPrint({ head }: Visit): boolean {
  return head.keptFrom.length === 0 && head.site === 'IN_CARRIAGE';
}

function draftOf(visit: Visit, check: Check | undefined, isTold: boolean): CheckDraft {
  return {
    id: check?.id ?? newId(),
    version: check?.version,
    reading: check?.reading ?? unread(visit),
    kind:
      check?.coarse || (!check && !mayPrint(visit))
        ? 'COARSE'
        : check?.notTaken
          ? 'NOT_TAKEN'
          : check?.notPossible === undefined
            ? 'MAP'
            : 'NONE',
    coarse: check?.coarse ?? { kind: mayPrint(visit) ? 'BARS' : 'STREAM', channels: {} },
    reason: check?.notPossible ?? '',
    note: check?.note ?? '',
    begunAt: '',
    notTaken: check?.notTaken ?? null,
    toldOn: check?.toldOn ?? (isTold ? dateInDays(-7) : ''),
  };
}

const schema = z.looseObject({}).superRefine((form, context) => {
  if (form.kind === 'NONE' && !String(form.reason).trim()) {
    context.addIssue({
      code: 'custom',
      path: ['reason'],
      message: 'Record a reading, or say why no check is possible.',
    });
  }
  if (form.kind === 'NOT_TAKEN' && !form.notTaken) {
    context.addIssue({ code: 'custom', path: ['notTaken'], message: 'Say why nothing was read.' });
  }
});

function CheckForm({ visit, check, isTold }: { visit: Visit; check: Check | undefined; isTold: boolean }) {
  const navigate = useNavigate();
  const arrived = useRef<(draft: CheckDraft) => void>(undefined);
  const onArrival = useCallback((draft: CheckDraft) => arrived.current?.(draft), []);
  const { form, drop } = useDraftForm<CheckDraft>(
    check ? `check-${check.id}` : `${isTold ? 'kept-check' : 'check'}-of-${visit.id}`,
    () => draftOf(visit, check, isTold),
    schema,
    onArrival,
  );
  const [editing, dispatch] = useReducer(edit, form.getValues('reading'), startEditing);
  useEffect(() => {
    arrived.current = (draft) => dispatch({ kind: 'replace', reading: draft.reading });
  }, []);
  const kind = form.watch('kind');

  // The combs have an undo of their own; what they show goes into the form, and so into what is kept.
  const first = useRef(true);
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    form.setValue('reading', editing.reading);
  }, [editing.reading, form]);

  const entries = (value: CheckDraft) => ({
    reading: value.kind === 'MAP' ? editing.reading : undefined,
    coarse: value.kind === 'COARSE' ? value.coarse : undefined,
    notPossible: value.kind === 'NONE' ? value.reason : undefined,
    notTaken: value.kind === 'NOT_TAKEN' ? (value.notTaken ?? undefined) : undefined,
    toldOn: value.toldOn || undefined,
    note: value.note,
  });
  const against = useAgainst();
  const write = useWrite(
    (value: CheckDraft) =>
      answer(
        api.PUT('/api/visits/{visitId}/checks/{id}', {
          params: { path: { visitId: visit.id, id: value.id } },
          body: {
            version: value.version,
            ...entries(value),
            ...against.body(),
            begunAt: begunInstant(value.begunAt),
          },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`, { state: { logged: form.getValues('id') } });
    },
  );
  useProblemAt(form, write.problem, (field) => (field === 'notPossible' ? 'reason' : field));
  const gates = gatesOf(write.problem);
  const lastMap = visit.checks.filter((c) => c.reading && c.id !== check?.id).at(-1)?.reading;
  const title = check?.toldOn
    ? 'Amend the check that the customer kept'
    : isTold
      ? 'A check that the customer kept'
      : check
        ? `Amend check ${check.number}`
        : visit.checks.length === 0
          ? 'First nozzle check'
          : 'Nozzle check';
  const isKept = isTold || Boolean(check?.toldOn);
  const isFirst =
    visit.checks.every((c) => c.id === check?.id) && visit.attempts.every((a) => a.withdrawnReason);

  const theirs = (write.problem?.extra.current ?? {}) as {
    version?: number;
    reading?: Reading;
    coarse?: Coarse;
    notPossible?: string;
    note?: string;
  };
  const mine = entries(form.getValues());
  const found = write.problem?.isConflict
    ? differences(
        { ...theirs, notPossible: theirs.notPossible ?? '' },
        { ...theirs, ...mine, notPossible: mine.notPossible ?? '' },
        { reading: 'Reading', coarse: 'Coarse reading', notPossible: 'No check possible', note: 'Note' },
        (field, value) =>
          field === 'reading' && value
            ? Object.entries(value as Reading)
                .map(([code, text]) => `${code} ${combWords(text)}`)
                .join('; ')
            : field === 'coarse' && value
              ? coarseWords(value as Coarse)
              : String(value ?? ''),
      )
    : [];

  return (
    <Page title={title} back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Stack spacing={2}>
        <ToggleButtonGroup
          exclusive
          value={kind}
          onChange={(_, next: Kind | null) => next !== null && form.setValue('kind', next)}
          aria-label="Kind of reading"
          sx={{ flexWrap: 'wrap' }}
        >
          <ToggleButton value="MAP">A check was printed</ToggleButton>
          <ToggleButton value="COARSE">Bars, stream or pad</ToggleButton>
          {!isKept && <ToggleButton value="NONE">No check possible</ToggleButton>}
          {!isKept && isFirst && <ToggleButton value="NOT_TAKEN">Not taken</ToggleButton>}
        </ToggleButtonGroup>
        {kind === 'MAP' && (
          <>
            <MapFromFile visitId={visit.id} take={(reading) => dispatch({ kind: 'replace', reading })} />
            <CombEditor
              family={visit.family}
              state={editing}
              dispatch={dispatch}
              last={lastMap ?? undefined}
            />
          </>
        )}
        {kind === 'COARSE' && (
          <Controller
            control={form.control}
            name="coarse"
            render={({ field, fieldState }) => (
              <CoarseEditor
                family={visit.family}
                value={field.value}
                onChange={field.onChange}
                error={fieldState.error?.message}
              />
            )}
          />
        )}
        {kind === 'NONE' && (
          <Entry
            control={form.control}
            name="reason"
            label="Why not"
            hint="The error shown, or what keeps the head from printing."
          />
        )}
        {kind === 'NOT_TAKEN' && (
          <ChoiceEntry
            control={form.control}
            name="notTaken"
            label="Why nothing was read"
            required
            isFixed
            hint="It says nothing about the head: nothing is taken for gone, and nothing for sound."
            options={terms('notTaken').map((value) => ({ value, label: capital(word('notTaken', value)) }))}
          />
        )}
        {isKept && (
          <Entry
            control={form.control}
            name="toldOn"
            label="Day on the sheet"
            type="date"
            hint="It is told: shown and compared, and no verdict on anything done here."
            required
          />
        )}
        <Entry
          control={form.control}
          name="note"
          label="Note: paper, rest, light"
          hint="Compare like with like: the same paper, after the same rest."
        />
        {!check && !isKept && (
          <BegunAt
            begunAt={form.watch('begunAt')}
            set={(_, typed) => form.setValue('begunAt', typed, { shouldDirty: true, shouldValidate: true })}
            errors={form.formState.errors}
            now={Date.parse(visit.serverTime)}
          />
        )}
        {gates.length > 0 ? (
          <Against gates={gates} against={against} />
        ) : (
          <WriteProblem problem={write.problem} />
        )}
        <Stack
          direction="row"
          sx={{
            gap: 1.5,
            flexWrap: 'wrap',
            // In reach without scrolling, however many channels there are.
            position: 'sticky',
            bottom: { xs: 72, md: 0 },
            py: 1,
            bgcolor: 'background.default',
            zIndex: 2,
          }}
        >
          <Button
            variant="contained"
            size="large"
            loading={write.isBusy}
            onClick={form.handleSubmit((value) => write.send(value))}
          >
            {check ? 'Save the amended check' : 'Keep this check'}
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
      <Reconcile
        problem={write.problem}
        found={found}
        cancel={write.forget}
        settle={(taken) => {
          const own = form.getValues();
          form.reset({
            ...own,
            version: theirs.version,
            note: taken.has('note') ? (theirs.note ?? '') : own.note,
            kind: taken.has('reading') && theirs.reading ? 'MAP' : own.kind,
            coarse: taken.has('coarse') && theirs.coarse ? theirs.coarse : own.coarse,
            reason: taken.has('notPossible') ? (theirs.notPossible ?? '') : own.reason,
          });
          if (taken.has('reading') && theirs.reading) {
            dispatch({ kind: 'replace', reading: theirs.reading });
          }
          write.forget();
        }}
      />
    </Page>
  );
}
