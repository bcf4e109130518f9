import { Alert, Button, Stack, TextField, Typography } from '@mui/material';
import { useNavigate, useParams } from 'react-router';
import { useSession } from '../account/session';
import { http } from '../api/http';
import { useVisit } from '../api/queries';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Choice } from '../app/fields';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useDraftForm } from '../draft/useDraftForm';
import { AcceptanceMark } from '../nozzle/AcceptanceMark';
import { lastMap } from '../visit/outOf';
import { capital, terms, word } from '../words/words';

interface ReturnForm {
  outcome: string | null;
  reason: string;
  signedBy: string;
}

export default function ReturnPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  if (visit.isPending) {
    return <Loading what="the visit" />;
  }
  if (!visit.data) {
    return <Failed error={visit.error as Error} again={() => void visit.refetch()} />;
  }
  return <ReturnView visit={visit.data} />;
}

function ReturnView({ visit }: { visit: Visit }) {
  const navigate = useNavigate();
  const { person } = useSession();
  const last = lastMap(visit);
  const { form, change, drop } = useDraftForm<ReturnForm>(`return-${visit.id}`, () => ({
    outcome: last?.acceptance?.verdict === 'MET' ? 'RECOVERED' : null,
    reason: '',
    signedBy: person.displayName,
  }));

  const write = useWrite(
    () =>
      http.put<Visit>(`/api/visits/${visit.id}/return`, {
        version: visit.version,
        outcome: form.outcome ?? undefined,
        reason: form.reason,
        signedBy: form.signedBy,
      }),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  const wrong = (field: string) => write.problem?.errors.find((error) => error.field === field)?.message;
  const isHeld = visit.heldUntil && Date.parse(visit.heldUntil) > Date.parse(visit.serverTime);
  return (
    <Page title="Hand it back" back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Stack
        component="form"
        noValidate
        spacing={2.5}
        sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1, maxWidth: 900 }}
        onSubmit={(event) => {
          event.preventDefault();
          write.send(undefined);
        }}
      >
        {isHeld && (
          <Alert severity="error">
            This head is in a dry hold. Tell the customer when it may be powered, in the words below.
          </Alert>
        )}
        {last?.acceptance ? (
          <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
            <Typography>Check {last.number} is the last one.</Typography>
            <AcceptanceMark acceptance={last.acceptance} />
          </Stack>
        ) : (
          <Typography>There is no nozzle map on this visit.</Typography>
        )}
        <Choice
          label="How it went"
          value={form.outcome}
          onChange={(outcome) => change({ outcome: outcome as string | null })}
          options={terms('outcome').map((value) => ({ value, label: capital(word('outcome', value)) }))}
          error={wrong('outcome')}
        />
        <TextField
          label="A word to the customer"
          multiline
          minRows={2}
          value={form.reason}
          onChange={(event) => change({ reason: event.target.value })}
          error={wrong('reason') !== undefined}
          helperText={wrong('reason') ?? 'It stands in the report.'}
        />
        <TextField
          label="Signed off by"
          value={form.signedBy}
          onChange={(event) => change({ signedBy: event.target.value })}
          error={wrong('signedBy') !== undefined}
          helperText={wrong('signedBy')}
        />
        {write.problem?.isConflict && (
          <Alert severity="warning" role="alert">
            Somebody changed this visit while you were at it. The screen shows it as it stands now; look it
            over and sign off again.
          </Alert>
        )}
        <WriteProblem problem={write.problem} />
        <Button
          type="submit"
          variant="contained"
          size="large"
          loading={write.isBusy}
          sx={{ alignSelf: 'flex-start' }}
        >
          Sign off and return
        </Button>
      </Stack>
    </Page>
  );
}
