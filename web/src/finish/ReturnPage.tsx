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
import { useEffect, useRef } from 'react';
import { Controller } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import * as z from 'zod';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useVisit } from '../api/queries';
import type { Doubt, Outcome, Purpose, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry } from '../app/fields';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { useDraftForm } from '../draft/useDraftForm';
import { AcceptanceMark } from '../nozzle/AcceptanceMark';
import { coarseWords } from '../nozzle/coarse';
import { lastMap } from '../visit/outOf';
import { keptFrom, powerWords } from '../visit/power';
import { capital, word } from '../words/words';
import { BillBlock } from './BillBlock';
import { StillOpen } from './StillOpen';

interface ReturnForm {
  outcome: Outcome | null;
  reason: string;
  signedBy: string;
  wasTold: boolean;
}

const schema = z.looseObject({
  outcome: z.string('Choose how it went.'),
  signedBy: z.string().refine((name) => name.trim() !== '', 'Sign with your name.'),
});

const REPAIRS: Outcome[] = [
  'RECOVERED',
  'IMPROVED',
  'FAULT_MENDED',
  'READY_TO_REFIT',
  'NOT_RECOVERABLE',
  'STOPPED_FOR_COST',
];

/** How a head that came in for something can go back; the server refuses any other. */
const OUTCOMES: Record<Purpose, Outcome[]> = {
  REPAIR: REPAIRS,
  CHECK_OVER: ['CHECKED', ...REPAIRS],
  INK_CHANGE: ['CHANGED_OVER', 'READY_TO_REFIT', 'LEFT_UNFINISHED'],
  SYSTEM_FLUSH: ['STORED_CLEAN', 'INK_RETURNED', 'LEFT_UNFINISHED'],
};

/** Of what is said of the word, the doubts; that it is too long is none. */
const IS_DOUBT = /^[A-Z_]+$/;

/** What the readings cannot show and the customer is told, by how it goes back. */
function toBeTold(outcome: Outcome | null, isByBars: boolean) {
  if (outcome === 'READY_TO_REFIT') {
    return 'NOT_PROVEN_BY_PRINT' as const;
  }
  const saysAccepted =
    outcome && ['RECOVERED', 'FAULT_MENDED', 'CHANGED_OVER', 'INK_RETURNED', 'CHECKED'].includes(outcome);
  return isByBars && saysAccepted ? ('WHAT_BARS_HIDE' as const) : undefined;
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
  const { person, mayWrite } = useSession();
  const lastRead = visit.checks.filter((c) => c.reading || c.coarse).at(-1);
  const last = lastRead?.coarse ? undefined : lastMap(visit);
  const { form, drop } = useDraftForm<ReturnForm>(
    `return-${visit.id}`,
    () => ({
      outcome: visit.finish.proposed ?? null,
      reason: '',
      wasTold: false,
      signedBy: person.displayName,
    }),
    schema,
  );
  const told = toBeTold(form.watch('outcome'), lastRead?.coarse?.kind === 'BARS');

  const read = useRef(new Set<Doubt>());
  const write = useWrite(
    ({ outcome, reason, signedBy, wasTold }: ReturnForm) =>
      answer(
        api.PUT('/api/visits/{visitId}/return', {
          params: { path: { visitId: visit.id } },
          body: {
            version: visit.version,
            outcome: outcome!,
            reason,
            signedBy,
            told: wasTold ? told : undefined,
            despite: [...read.current],
          },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  // A doubt that was shown is answered by the word that is sent after it, and by none before.
  useEffect(() => {
    write.problem?.errors
      .filter((error) => error.field === 'reason' && IS_DOUBT.test(error.code))
      .forEach((error) => read.current.add(error.code as Doubt));
  }, [write.problem]);
  useProblemAt(form, write.problem, (field) => (field === 'told' ? 'wasTold' : field));
  const kept = keptFrom(visit.head, Date.parse(visit.serverTime));
  return (
    <Page title="Hand it back" back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          alignItems: 'start',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 420px' },
        }}
      >
        <Box sx={{ gridColumn: '1 / -1' }}>
          <StillOpen visit={visit} />
        </Box>
        <Stack
          component="form"
          noValidate
          spacing={2.5}
          sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1 }}
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
          {visit.finish.harmless.length > 0 && (
            <Typography>
              Small deviations that do not matter in use:{' '}
              {visit.finish.harmless.map(({ channel, ...h }) => `${channel} ${deviations(h)}`).join('; ')}.
              Leave them.
            </Typography>
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
          {told && (
            <Controller
              control={form.control}
              name="wasTold"
              render={({ field, fieldState }) => (
                <Box>
                  <FormControlLabel
                    control={<Checkbox checked={field.value} onChange={field.onChange} />}
                    label={word('customerTold', told)}
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
        <BillBlock visit={visit} mayWrite={mayWrite && visit.closedAt === undefined} />
      </Box>
    </Page>
  );
}

function deviations({ out, weak, deflected }: { out: number; weak: number; deflected: number }): string {
  return [out && `${out} out`, weak && `${weak} weak`, deflected && `${deflected} deflected`]
    .filter(Boolean)
    .join(', ');
}
