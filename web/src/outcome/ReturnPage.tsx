import { Alert, Button, Stack, Typography } from '@mui/material';
import { useNavigate, useParams } from 'react-router';
import * as z from 'zod';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useVisit } from '../api/queries';
import type { Outcome, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry } from '../app/fields';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { useDraftForm } from '../draft/useDraftForm';
import { keptFrom, powerWords } from '../visit/power';
import { AcceptanceMark } from '../nozzle/AcceptanceMark';
import { lastMap } from '../visit/outOf';
import { capital, terms, word } from '../words/words';

interface ReturnForm {
  outcome: Outcome | null;
  reason: string;
  signedBy: string;
}

const schema = z.looseObject({
  outcome: z.string('Choose how it went.'),
  signedBy: z.string().refine((name) => name.trim() !== '', 'Sign with your name.'),
});

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
  const { form, drop } = useDraftForm<ReturnForm>(
    `return-${visit.id}`,
    () => ({
      outcome: last?.acceptance?.verdict === 'MET' ? 'RECOVERED' : null,
      reason: '',
      signedBy: person.displayName,
    }),
    schema,
  );

  const write = useWrite(
    ({ outcome, reason, signedBy }: ReturnForm) =>
      answer(
        api.PUT('/api/visits/{visitId}/return', {
          params: { path: { visitId: visit.id } },
          body: { version: visit.version, outcome: outcome!, reason, signedBy },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  useProblemAt(form, write.problem);
  const kept = keptFrom(visit.head, Date.parse(visit.serverTime));
  return (
    <Page title="Hand it back" back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Stack
        component="form"
        noValidate
        spacing={2.5}
        sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1, maxWidth: 900 }}
        onSubmit={form.handleSubmit((value) => write.send(value))}
      >
        {kept.length > 0 && (
          <Alert severity="error">
            {powerWords(kept)} Say below why it goes back now; report and label say the same, large.
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
        <ChoiceEntry
          control={form.control}
          name="outcome"
          label="How it went"
          options={terms('outcome').map((value) => ({ value, label: capital(word('outcome', value)) }))}
        />
        <Entry
          control={form.control}
          name="reason"
          label="A word to the customer"
          isLong
          hint="It stands in the report."
        />
        <Entry control={form.control} name="signedBy" label="Signed off by" />
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
