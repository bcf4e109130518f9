import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  FormHelperText,
  Stack,
  Typography,
} from '@mui/material';
import { Controller } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import * as z from 'zod';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useVisit } from '../api/queries';
import type { Outcome, Purpose, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry } from '../app/fields';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { useDraftForm } from '../draft/useDraftForm';
import { keptFrom, powerWords } from '../visit/power';
import { AcceptanceMark } from '../nozzle/AcceptanceMark';
import { lastMap } from '../visit/outOf';
import { coarseWords } from '../nozzle/coarse';
import { capital, word } from '../words/words';

interface ReturnForm {
  outcome: Outcome | null;
  reason: string;
  signedBy: string;
  toldWhatBarsHide: boolean;
}

const schema = z.looseObject({
  outcome: z.string('Choose how it went.'),
  signedBy: z.string().refine((name) => name.trim() !== '', 'Sign with your name.'),
});

const REPAIRS: Outcome[] = ['RECOVERED', 'IMPROVED', 'READY_TO_REFIT', 'NOT_RECOVERABLE', 'STOPPED_FOR_COST'];

/** How a head that came in for something can go back; the server refuses any other. */
const OUTCOMES: Record<Purpose, Outcome[]> = {
  REPAIR: REPAIRS,
  CHECK_OVER: ['CHECKED', ...REPAIRS],
  INK_CHANGE: ['CHANGED_OVER', 'READY_TO_REFIT', 'LEFT_UNFINISHED'],
  SYSTEM_FLUSH: ['STORED_CLEAN', 'INK_RETURNED', 'LEFT_UNFINISHED'],
};

/** What the readings and the steps speak for; nothing where they speak for no end. */
function proposed(visit: Visit): Outcome | null {
  const read = visit.checks.filter((c) => c.reading || c.coarse).at(-1);
  const isMet =
    read?.acceptance?.verdict === 'MET' ||
    (read?.coarse?.kind === 'BARS' &&
      Object.values(read.coarse.channels).every((line) => line.level === 'BAR_FULL'));
  const isOver = visit.procedure?.over ?? false;
  switch (visit.intake.purpose) {
    case 'INK_CHANGE':
      return isOver && isMet ? 'CHANGED_OVER' : null;
    case 'SYSTEM_FLUSH': {
      const isBack = visit.procedure?.entries.some((e) => e.act === 'INK_BACK' && !e.withdrawn);
      return !isOver ? null : isBack ? (isMet ? 'INK_RETURNED' : null) : 'STORED_CLEAN';
    }
    case 'CHECK_OVER':
      return isMet ? 'CHECKED' : null;
    default:
      return isMet ? 'RECOVERED' : null;
  }
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
  const lastRead = visit.checks.filter((c) => c.reading || c.coarse).at(-1);
  const last = lastRead?.coarse ? undefined : lastMap(visit);
  const { form, drop } = useDraftForm<ReturnForm>(
    `return-${visit.id}`,
    () => ({
      outcome: proposed(visit),
      reason: '',
      toldWhatBarsHide: false,
      signedBy: person.displayName,
    }),
    schema,
  );

  const write = useWrite(
    ({ outcome, reason, signedBy, toldWhatBarsHide }: ReturnForm) =>
      answer(
        api.PUT('/api/visits/{visitId}/return', {
          params: { path: { visitId: visit.id } },
          body: { version: visit.version, outcome: outcome!, reason, signedBy, toldWhatBarsHide },
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
          <Typography>
            {lastRead?.coarse
              ? `Reading ${lastRead.number} is the last one: ${coarseWords(lastRead.coarse)}.`
              : 'There is no reading on this visit.'}
          </Typography>
        )}
        {lastRead?.coarse && lastRead.coarse.kind !== 'BARS' && (
          <Alert severity="info">
            A stream or a pad print shows no print: such a head is ready to refit, not accepted. Tell the
            customer.
          </Alert>
        )}
        <ChoiceEntry
          control={form.control}
          name="outcome"
          label="How it went"
          required
          options={OUTCOMES[visit.intake.purpose ?? 'REPAIR'].map((value) => ({
            value,
            label: capital(word('outcome', value)),
          }))}
        />
        <Entry
          control={form.control}
          name="reason"
          label="A word to the customer"
          isLong
          hint="It stands in the report."
        />
        {lastRead?.coarse?.kind === 'BARS' && (
          <Controller
            control={form.control}
            name="toldWhatBarsHide"
            render={({ field, fieldState }) => (
              <Box>
                <FormControlLabel
                  control={<Checkbox checked={field.value} onChange={field.onChange} />}
                  label="The customer was told what bars cannot show: single gaps, deflection, which nozzles"
                />
                {fieldState.error && <FormHelperText error>{fieldState.error.message}</FormHelperText>}
              </Box>
            )}
          />
        )}
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
