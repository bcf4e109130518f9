import { Alert, Button, Stack, Typography } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useVisit } from '../api/queries';
import type { Plan, Visit } from '../api/types';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading } from '../app/states';
import { moment } from '../bench/time';
import { word } from '../words/words';
import { AttemptCard } from './AttemptCard';
import { ForecastRow } from './ForecastRow';
import { PlanEditor } from './PlanEditor';
import { PlanPicture } from './PlanPicture';
import { PlanSteps } from './PlanSteps';
import { attemptWay } from './planWays';

export default function PlanPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const plan = useQuery({
    // Whatever was done, found or moved since makes another plan.
    queryKey: [
      'plan',
      id,
      visit.data?.version,
      visit.data?.checks.length,
      visit.data?.attempts.length,
      visit.data?.judgement.findings.length,
      visit.data?.head.entries.length,
    ],
    queryFn: () => answer(api.GET('/api/visits/{visitId}/plan', { params: { path: { visitId: id } } })),
    enabled: visit.data !== undefined,
  });
  if (visit.isPending || plan.isPending) {
    return <Loading what="the plan" />;
  }
  if (!visit.data || !plan.data) {
    return (
      <Failed
        error={(visit.error ?? plan.error) as Error}
        again={() => void Promise.all([visit.refetch(), plan.refetch()])}
      />
    );
  }
  return <PlanView visit={visit.data} plan={plan.data} />;
}

function PlanView({ visit, plan }: { visit: Visit; plan: Plan }) {
  const { mayWrite } = useSession();
  const queries = useQueryClient();
  const [isChanging, setChanging] = useState(false);
  const isOpen = visit.closedAt === undefined;
  const shown = (next: Plan) => {
    queries.setQueriesData({ queryKey: ['plan', visit.id] }, next);
    setChanging(false);
  };
  return (
    <Page
      title="Plan"
      back={{ to: `/visits/${visit.id}`, label: visit.tag }}
      aside={
        mayWrite &&
        isOpen &&
        !isChanging && (
          <Button variant="outlined" onClick={() => setChanging(true)}>
            Change the plan
          </Button>
        )
      }
    >
      <Stack spacing={2}>
        {plan.changedAt && (
          <Alert severity="info">
            Changed by {plan.changedBy}, {moment(plan.changedAt)}. What now still goes by the rules; what is
            done otherwise asks for a reason.
          </Alert>
        )}
        {isChanging ? (
          <PlanEditor visit={visit} plan={plan} kept={shown} leave={() => setChanging(false)} />
        ) : (
          <PlanShown visit={visit} plan={plan} mayWrite={mayWrite && isOpen} />
        )}
      </Stack>
    </Page>
  );
}

function PlanShown({ visit, plan, mayWrite }: { visit: Visit; plan: Plan; mayWrite: boolean }) {
  const isUnread = visit.checks.length === 0;
  const noPower = visit.head.keptFrom.length > 0;
  // Who changed the plan wants its first attempt now, whatever the rules would look at before.
  const turn = plan.before.length === 0 || plan.changedAt ? plan.attempts[0] : undefined;
  const may = turn && !(noPower && visit.usual.forms[turn.method].power) && turn.gates.length === 0;
  return (
    <>
      <Block title="Likely to take">
        <ForecastRow forecast={plan.forecast} />
        <Typography sx={{ mt: 1, fontWeight: plan.promise.verdict === 'HOLDS' ? 400 : 700 }}>
          Promised by {moment(plan.promise.by)}
          {plan.promise.verdict !== 'HOLDS' && `: ${word('promise', plan.promise.verdict)}`}. With hands in
          the hours of the shop and waits by night as well it is ready {moment(plan.promise.well)} where all
          goes well, {moment(plan.promise.onAverage)} on average.
        </Typography>
      </Block>
      {plan.attempts.length > 0 && (
        <Block title="In time">
          <Typography color="text.secondary">
            Hands drawn solid, waits dotted; after each check a branch up to the finish with its chance, the
            thicker the likelier.
          </Typography>
          <PlanPicture plan={plan} />
        </Block>
      )}
      {plan.bars.length > 0 && (
        <Alert severity="warning">
          Left out until it is mended: {plan.bars.map((bar) => word('bar', bar)).join(', ')}.
        </Alert>
      )}
      {plan.before.length > 0 && (
        <Block title="First">
          <PlanSteps steps={plan.before} label="What comes first" />
        </Block>
      )}
      {plan.attempts.length === 0 && (
        <Block title={isUnread ? 'After the first check' : 'No attempt is left'}>
          <Empty>
            {isUnread
              ? 'The first check says what is to be done, channel by channel. Until then what it is likely to take is reckoned from what was told.'
              : 'What now says how the visit ends.'}
          </Empty>
        </Block>
      )}
      {plan.attempts.map((attempt, n) => (
        <AttemptCard
          key={`${attempt.number} ${attempt.method}`}
          attempt={attempt}
          isOpenAtFirst={n === 0}
          to={
            mayWrite && may && n === 0
              ? `/visits/${visit.id}/${attemptWay(attempt, plan.works[0], visit)}`
              : undefined
          }
        />
      ))}
      <Block title="Once it is accepted">
        <PlanSteps steps={plan.after} label="Once it is accepted" />
      </Block>
    </>
  );
}
