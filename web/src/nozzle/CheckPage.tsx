import { Button, Stack, TextField, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useEffect, useReducer, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useVisit } from '../api/queries';
import type { Check, Coarse, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Page } from '../app/Page';
import { differences, Reconcile } from '../app/Reconcile';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useDraft } from '../draft/useDraft';
import { combWords } from './Comb';
import { CoarseEditor } from './CoarseEditor';
import { coarseWords } from './coarse';
import { CombEditor } from './CombEditor';
import { MapFromFile } from './MapFromFile';
import { edit, startEditing, type Reading } from './editing';

type Kind = 'MAP' | 'COARSE' | 'NONE';

interface CheckDraft {
  id: string;
  version?: number;
  reading: Reading;
  kind: Kind;
  coarse: Coarse;
  reason: string;
  note: string;
}

export default function CheckPage() {
  const { id = '', checkId } = useParams();
  const visit = useVisit(id);
  if (visit.isPending) {
    return <Loading what="the visit" />;
  }
  if (visit.isError) {
    return <Failed error={visit.error} again={() => void visit.refetch()} />;
  }
  return (
    <CheckForm
      key={checkId ?? 'new'}
      visit={visit.data}
      check={visit.data.checks.find((c) => c.id === checkId)}
    />
  );
}

function unread(visit: Visit): Reading {
  return Object.fromEntries(visit.family.channels.map((c) => [c.code, 'U'.repeat(c.nozzles)]));
}

function draftOf(visit: Visit, check: Check | undefined): CheckDraft {
  return {
    id: check?.id ?? newId(),
    version: check?.version,
    reading: check?.reading ?? unread(visit),
    kind: check?.coarse ? 'COARSE' : check?.notPossible === undefined ? 'MAP' : 'NONE',
    coarse: check?.coarse ?? { kind: 'BARS', channels: {} },
    reason: check?.notPossible ?? '',
    note: check?.note ?? '',
  };
}

function CheckForm({ visit, check }: { visit: Visit; check: Check | undefined }) {
  const navigate = useNavigate();
  const { restored, isReady, keep, drop } = useDraft<CheckDraft>(
    check ? `check-${check.id}` : `check-of-${visit.id}`,
  );
  const [form, setForm] = useState<CheckDraft>(() => ({ ...draftOf(visit, check), ...restored }));
  const [editing, dispatch] = useReducer(edit, form.reading, startEditing);
  const isTouched = useRef(restored !== undefined);

  // A draft from another screen arrives a moment later; it counts only while nothing was entered here.
  useEffect(() => {
    if (isReady && restored && !isTouched.current) {
      isTouched.current = true;
      setForm({ ...draftOf(visit, check), ...restored });
      dispatch({ kind: 'replace', reading: restored.reading });
    }
  }, [isReady, restored, visit, check]);

  const first = useRef(true);
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    isTouched.current = true;
    keep({ ...form, reading: editing.reading });
  }, [form, editing.reading, keep]);

  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/checks/{id}', {
          params: { path: { visitId: visit.id, id: form.id } },
          body: {
            version: form.version,
            reading: form.kind === 'MAP' ? editing.reading : undefined,
            coarse: form.kind === 'COARSE' ? form.coarse : undefined,
            notPossible: form.kind === 'NONE' ? form.reason : undefined,
            note: form.note,
          },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  const wrong = (field: string) => write.problem?.errors.find((error) => error.field === field)?.message;
  const lastMap = visit.checks.filter((c) => c.reading && c.id !== check?.id).at(-1)?.reading;
  const title = check
    ? `Amend check ${check.number}`
    : visit.checks.length === 0
      ? 'First nozzle check'
      : 'Nozzle check';

  const mine = {
    reading: form.kind === 'MAP' ? editing.reading : undefined,
    coarse: form.kind === 'COARSE' ? form.coarse : undefined,
    notPossible: form.kind === 'NONE' ? form.reason : '',
    note: form.note,
  };
  const theirs = (write.problem?.extra.current ?? {}) as {
    version?: number;
    reading?: Reading;
    coarse?: Coarse;
    notPossible?: string;
    note?: string;
  };
  const found = write.problem?.isConflict
    ? differences(
        { ...theirs, notPossible: theirs.notPossible ?? '' },
        { ...theirs, ...mine },
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
          value={form.kind}
          onChange={(_, next: Kind | null) => next !== null && setForm({ ...form, kind: next })}
          aria-label="Kind of reading"
          sx={{ flexWrap: 'wrap' }}
        >
          <ToggleButton value="MAP">A check was printed</ToggleButton>
          <ToggleButton value="COARSE">Bars, stream or pad</ToggleButton>
          <ToggleButton value="NONE">No check possible</ToggleButton>
        </ToggleButtonGroup>
        {form.kind === 'MAP' && (
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
        {form.kind === 'COARSE' && (
          <CoarseEditor
            family={visit.family}
            value={form.coarse}
            onChange={(coarse) => setForm({ ...form, coarse })}
            error={wrong('coarse')}
          />
        )}
        {form.kind === 'NONE' && (
          <TextField
            label="Why not"
            value={form.reason}
            onChange={(event) => setForm({ ...form, reason: event.target.value })}
            error={wrong('notPossible') !== undefined}
            helperText={wrong('notPossible') ?? 'The error shown, or what keeps the head from printing.'}
          />
        )}
        <TextField
          label="Note: paper, rest, light"
          value={form.note}
          onChange={(event) => setForm({ ...form, note: event.target.value })}
          error={wrong('note') !== undefined}
          helperText={wrong('note') ?? 'Compare like with like: the same paper, after the same rest.'}
        />
        <WriteProblem problem={write.problem} />
        <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
          <Button
            variant="contained"
            size="large"
            loading={write.isBusy}
            onClick={() => write.send(undefined)}
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
          setForm({
            ...form,
            version: theirs.version,
            note: taken.has('note') ? (theirs.note ?? '') : form.note,
            kind: taken.has('reading') && theirs.reading ? 'MAP' : form.kind,
            coarse: taken.has('coarse') && theirs.coarse ? theirs.coarse : form.coarse,
            reason: taken.has('notPossible') ? (theirs.notPossible ?? '') : form.reason,
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
