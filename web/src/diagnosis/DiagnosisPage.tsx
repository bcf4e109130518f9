import { Button, Stack } from '@mui/material';
import { useNavigate, useParams } from 'react-router';
import * as z from 'zod';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useVisit } from '../api/queries';
import type { Cause, Diagnosis, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry } from '../app/fields';
import { Page } from '../app/Page';
import { differences, Reconcile } from '../app/Reconcile';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { useDraftForm } from '../draft/useDraftForm';
import { channelsOut } from '../visit/outOf';
import { capital, terms, word } from '../words/words';

interface DiagnosisForm {
  id: string;
  version?: number;
  cause: Cause | null;
  channels: string[];
  speaksFor: string;
  note: string;
  dropped: boolean;
}

const schema = z.looseObject({
  cause: z.string('Choose a cause.'),
  speaksFor: z.string().refine((text) => text.trim() !== '', 'Write what speaks for it.'),
});

const LABELS: Partial<Record<keyof DiagnosisForm, string>> = {
  cause: 'Cause',
  channels: 'Channels',
  speaksFor: 'What speaks for it',
  note: 'Note',
  dropped: 'No longer suspected',
};

export default function DiagnosisPage() {
  const { id = '', diagnosisId } = useParams();
  const visit = useVisit(id);
  if (visit.isPending) {
    return <Loading what="the visit" />;
  }
  if (!visit.data) {
    return <Failed error={visit.error as Error} again={() => void visit.refetch()} />;
  }
  return (
    <DiagnosisView
      key={diagnosisId ?? 'new'}
      visit={visit.data}
      diagnosis={visit.data.diagnoses.find((d) => d.id === diagnosisId)}
    />
  );
}

function formOf(visit: Visit, diagnosis: Diagnosis | undefined): DiagnosisForm {
  return diagnosis
    ? { ...diagnosis }
    : { id: newId(), cause: null, channels: channelsOut(visit), speaksFor: '', note: '', dropped: false };
}

function DiagnosisView({ visit, diagnosis }: { visit: Visit; diagnosis: Diagnosis | undefined }) {
  const navigate = useNavigate();
  const { form, drop } = useDraftForm<DiagnosisForm>(
    diagnosis ? `diagnosis-${diagnosis.id}` : `diagnosis-of-${visit.id}`,
    () => formOf(visit, diagnosis),
    schema,
  );
  const dropped = form.watch('dropped');

  const write = useWrite(
    (value: DiagnosisForm) =>
      answer(
        api.PUT('/api/visits/{visitId}/diagnoses/{id}', {
          params: { path: { visitId: visit.id, id: value.id } },
          body: {
            version: value.version,
            cause: value.cause!,
            channels: value.channels,
            speaksFor: value.speaksFor,
            note: value.note,
            dropped: value.dropped,
          },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  useProblemAt(form, write.problem);
  const theirs = write.problem?.isConflict ? (write.problem.extra.current as DiagnosisForm) : undefined;

  return (
    <Page
      title={diagnosis ? 'Change a suspected cause' : 'Add a suspected cause'}
      back={{ to: `/visits/${visit.id}`, label: visit.tag }}
    >
      <Stack
        component="form"
        noValidate
        spacing={2}
        sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1 }}
        onSubmit={form.handleSubmit((value) => write.send(value))}
      >
        <ChoiceEntry
          control={form.control}
          name="cause"
          label="Cause"
          options={terms('cause').map((value) => ({ value, label: capital(word('cause', value)) }))}
        />
        <ChoiceEntry
          control={form.control}
          name="channels"
          label="Channels it is about; none means the head"
          isMany
          options={visit.family.channels.map((channel) => ({ value: channel.code, label: channel.colour }))}
        />
        <Entry control={form.control} name="speaksFor" label="What speaks for it" isLong />
        <Entry control={form.control} name="note" label="Note" />
        <WriteProblem problem={write.problem} />
        <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
          <Button type="submit" variant="contained" size="large" loading={write.isBusy}>
            {diagnosis ? 'Save the change' : 'Keep this cause'}
          </Button>
          {diagnosis && (
            <Button
              variant="outlined"
              size="large"
              disabled={write.isBusy}
              onClick={form.handleSubmit((value) => write.send({ ...value, dropped: !dropped }))}
            >
              {dropped ? 'Suspect it again' : 'No longer suspected'}
            </Button>
          )}
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
      {theirs && (
        <Reconcile
          problem={write.problem}
          found={differences(theirs, form.getValues(), LABELS, (field, value) =>
            field === 'cause'
              ? capital(word('cause', String(value)))
              : field === 'channels'
                ? (value as string[]).join(', ')
                : field === 'dropped'
                  ? value
                    ? 'yes'
                    : 'no'
                  : String(value ?? ''),
          )}
          cancel={write.forget}
          settle={(taken) => {
            const settled = {
              ...form.getValues(),
              ...Object.fromEntries([...taken].map((field) => [field, theirs[field as keyof DiagnosisForm]])),
              version: theirs.version,
            };
            Object.entries(settled).forEach(([field, value]) =>
              form.setValue(field as keyof DiagnosisForm, value as never, { shouldDirty: true }),
            );
            write.forget();
          }}
        />
      )}
    </Page>
  );
}
