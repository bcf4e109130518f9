import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { Link, useParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useLots, useVisit } from '../api/queries';
import type { Lot, Run, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useNow } from '../bench/useNow';
import { adviceTitle, adviceWay } from '../diagnosis/judgement';
import { minutesWords } from '../flow/units';
import { capital, word } from '../words/words';
import { BigButton } from './BigButton';
import { InHand } from './InHand';
import { Led } from './Led';
import { NextHead } from './NextHead';

/** A plan gone through step by step, to be read from a metre away and led by one key or pedal. */
export default function RunPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const lots = useLots();
  const { mayWrite, person } = useSession();
  const now = useNow(visit.data?.serverTime);
  if (visit.isPending || lots.isPending) {
    return <Loading what="the steps" />;
  }
  if (!visit.data || !lots.data) {
    return <Failed error={(visit.error ?? lots.error) as Error} again={() => void visit.refetch()} />;
  }
  const run = visit.data.run;
  // On a phone only what is to be decided stands above the step.
  const isMine = visit.data.inHand?.person === person.displayName;
  const isOver = run?.steps.every((step) => step.state !== 'NOW');
  return (
    <Page
      title="Step by step"
      back={{ to: `/visits/${id}`, label: visit.data.tag }}
      aside={
        <Box sx={{ display: { xs: isMine ? 'none' : 'block', sm: 'block' } }}>
          <InHand visit={visit.data} />
        </Box>
      }
    >
      {!mayWrite || visit.data.closedAt ? (
        <Typography>
          {visit.data.closedAt ? 'This head was returned.' : 'Your role reads, and logs nothing.'}
        </Typography>
      ) : run && !isOver ? (
        <Led key={run.id} visit={visit.data} lots={lots.data} run={run} now={now} />
      ) : (
        <Begin visit={visit.data} lots={lots.data} done={run ?? undefined} now={now} />
      )}
    </Page>
  );
}

/** What would be gone through now, before it is begun. */
function Begin({ visit, done, now }: { visit: Visit; lots: Lot[]; done: Run | undefined; now: number }) {
  const id = useRef(newId());
  const plan = useQuery({
    queryKey: [
      'plan',
      visit.id,
      visit.version,
      visit.checks.length,
      visit.attempts.length,
      visit.judgement.findings.length,
      visit.head.entries.length,
    ],
    queryFn: () => answer(api.GET('/api/visits/{visitId}/plan', { params: { path: { visitId: visit.id } } })),
  });
  const begin = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/runs/{id}', {
          params: { path: { visitId: visit.id, id: id.current } },
        }),
      ),
    () => {
      id.current = newId();
    },
  );
  if (plan.isPending) {
    return <Loading what="the plan" />;
  }
  if (!plan.data) {
    return <Failed error={plan.error as Error} again={() => void plan.refetch()} />;
  }
  const attempt = plan.data.attempts.at(0);
  // A look or a check may change what follows: it is done first, on its own page.
  const first = plan.data.changedAt
    ? undefined
    : plan.data.before.find((step) => step.doing === 'LOOK' || step.doing === 'CHECK');
  const advice = visit.next.advised ? visit.judgement.advice.first : undefined;
  const isLed =
    attempt !== undefined &&
    first === undefined &&
    (plan.data.changedAt !== undefined || advice?.act === 'WORK' || !advice);
  return (
    <Stack spacing={2} sx={{ maxWidth: 900 }}>
      {done && (
        <Alert severity="info" role="status">
          {capital(word('method', done.method))} is done, all its steps.
        </Alert>
      )}
      {isLed ? (
        <>
          <Typography variant="h2" sx={{ fontSize: '2rem' }}>
            {capital(word('method', attempt.method))}: {attempt.channels.join(', ')}
          </Typography>
          <Typography sx={{ fontSize: '1.25rem' }}>
            Hands {minutesWords(attempt.hands.value)}, waits {minutesWords(attempt.waits.value)}
            {attempt.bottle && `, from ${attempt.bottle.name}`}.
          </Typography>
          <BigButton does={() => begin.send(undefined)} loading={begin.isBusy}>
            Begin
          </BigButton>
          <WriteProblem problem={begin.problem} />
        </>
      ) : (
        <>
          <Typography variant="h2" sx={{ fontSize: '2rem' }}>
            {advice ? adviceTitle(advice) : word('action', visit.next.action)}
          </Typography>
          <Typography>This is done on its own page; what follows it is led from here again.</Typography>
          <Button
            component={Link}
            to={advice ? `/visits/${visit.id}/${adviceWay(advice, visit)}` : `/visits/${visit.id}`}
            variant="contained"
            size="large"
            sx={{ minHeight: 88, fontSize: '1.5rem' }}
          >
            {advice ? 'Do it' : 'What now'}
          </Button>
        </>
      )}
      <NextHead visit={visit} now={now} isFree />
    </Stack>
  );
}
