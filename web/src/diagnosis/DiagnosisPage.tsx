import { Button, Stack, TextField } from '@mui/material';
import { useNavigate, useParams } from 'react-router';
import { http } from '../api/http';
import { newId } from '../api/newId';
import { useVisit } from '../api/queries';
import type { Diagnosis, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Choice } from '../app/fields';
import { Page } from '../app/Page';
import { differences, Reconcile } from '../app/Reconcile';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useDraftForm } from '../draft/useDraftForm';
import { channelsOut } from '../visit/outOf';
import { capital, terms, word } from '../words/words';

interface DiagnosisForm {
  id: string;
  version?: number;
  cause: string | null;
  channels: string[];
  speaksFor: string;
  note: string;
  dropped: boolean;
}

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
  const { form, change, drop } = useDraftForm<DiagnosisForm>(
    diagnosis ? `diagnosis-${diagnosis.id}` : `diagnosis-of-${visit.id}`,
    () => formOf(visit, diagnosis),
  );

  const write = useWrite(
    (dropped: boolean) =>
      http.put<Visit>(`/api/visits/${visit.id}/diagnoses/${form.id}`, {
        version: form.version,
        cause: form.cause ?? undefined,
        channels: form.channels,
        speaksFor: form.speaksFor,
        note: form.note,
        dropped,
      }),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  const wrong = (field: string) => write.problem?.errors.find((error) => error.field === field)?.message;
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
        onSubmit={(event) => {
          event.preventDefault();
          write.send(form.dropped);
        }}
      >
        <Choice
          label="Cause"
          value={form.cause}
          onChange={(cause) => change({ cause: cause as string | null })}
          options={terms('cause').map((value) => ({ value, label: capital(word('cause', value)) }))}
          error={wrong('cause')}
        />
        <Choice
          label="Channels it is about; none means the head"
          isMany
          value={form.channels}
          onChange={(channels) => change({ channels: channels as string[] })}
          options={visit.family.channels.map((channel) => ({ value: channel.code, label: channel.colour }))}
          error={wrong('channels')}
        />
        <TextField
          label="What speaks for it"
          multiline
          minRows={2}
          value={form.speaksFor}
          onChange={(event) => change({ speaksFor: event.target.value })}
          error={wrong('speaksFor') !== undefined}
          helperText={wrong('speaksFor')}
        />
        <TextField
          label="Note"
          value={form.note}
          onChange={(event) => change({ note: event.target.value })}
          error={wrong('note') !== undefined}
          helperText={wrong('note')}
        />
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
              onClick={() => write.send(!form.dropped)}
            >
              {form.dropped ? 'Suspect it again' : 'No longer suspected'}
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
          found={differences(theirs, form, LABELS, (field, value) =>
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
            change({
              ...Object.fromEntries([...taken].map((field) => [field, theirs[field as keyof DiagnosisForm]])),
              version: theirs.version,
            });
            write.forget();
          }}
        />
      )}
    </Page>
  );
}
