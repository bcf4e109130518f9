import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import { Link, useParams, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import { useJudgement, useVisit } from '../api/queries';
import type { Judgement, Visit } from '../api/types';
import { Block, Page } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { Contradictions } from '../diagnosis/CausesPage';
import { percent } from '../diagnosis/judgement';
import { capital, word } from '../words/words';
import { AlsoFound } from './AlsoFound';
import { ByTheWay } from './ByTheWay';
import { FindingList } from './FindingList';
import { LookCard } from './LookCard';

export default function RuleoutsPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const judgement = useJudgement(id);
  if (visit.isPending || judgement.isPending) {
    return <Loading what="the looks" />;
  }
  if (!visit.data || !judgement.data) {
    return (
      <Failed
        error={(visit.error ?? judgement.error) as Error}
        again={() => void Promise.all([visit.refetch(), judgement.refetch()])}
      />
    );
  }
  return <RuleoutsView visit={visit.data} judgement={judgement.data} />;
}

/** The looks in order, the proposed one first and largest, one tap a finding. */
function RuleoutsView({ visit, judgement }: { visit: Visit; judgement: Judgement }) {
  const { mayWrite } = useSession();
  const [query] = useSearchParams();
  const asked = query.get('look');
  const writes = mayWrite && visit.closedAt === undefined;
  const proposed = judgement.looks.find((l) => l.proposed);
  const first = judgement.looks.find((l) => l.look === asked && l.proposed) ?? proposed;
  const others = judgement.looks.filter((l) => l !== first);
  return (
    <Page
      title="Rule-outs"
      back={{ to: `/visits/${visit.id}`, label: visit.tag }}
      aside={
        <Button variant="outlined" component={Link} to={`/visits/${visit.id}/causes`}>
          What is wrong
        </Button>
      }
    >
      <Stack spacing={2}>
        <LastChange judgement={judgement} />
        <Contradictions judgement={judgement} />
        {first ? (
          <LookCard
            key={first.look}
            visit={visit}
            judgement={judgement}
            look={first}
            isFirst
            mayWrite={writes}
          />
        ) : (
          <Alert
            severity="info"
            action={
              <Button component={Link} to={`/visits/${visit.id}`} sx={{ whiteSpace: 'nowrap' }}>
                What now
              </Button>
            }
          >
            Nothing is worth looking at any more: nothing more to check is expected to change what is thought
            to be wrong. The others can still be taken.
          </Alert>
        )}
        <Box
          sx={{
            display: 'grid',
            gap: 1.5,
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
            alignItems: 'start',
          }}
        >
          {others.map((look) => (
            <LookCard key={look.look} visit={visit} judgement={judgement} look={look} mayWrite={writes} />
          ))}
        </Box>
        <AlsoFound visit={visit} mayWrite={writes} />
        <ByTheWay visit={visit} judgement={judgement} mayWrite={writes} />
        <Block title="All findings">
          <FindingList visit={visit} findings={judgement.findings} mayWrite={writes} />
        </Block>
      </Stack>
    </Page>
  );
}

/** What the latest finding changed, at once. */
function LastChange({ judgement }: { judgement: Judgement }) {
  const latest = judgement.findings.find((f) => !f.withdrawn);
  if (!latest) {
    return null;
  }
  return (
    <Box
      role="status"
      aria-label="What the last finding changed"
      sx={{ bgcolor: 'background.paper', p: 2, borderRadius: 1 }}
    >
      <Typography sx={{ fontWeight: 700 }}>
        {latest.look ? `${capital(word('look', latest.look))}: ` : ''}
        {word('sign', latest.sign)}
        {latest.channel && ` (${latest.channel})`}
      </Typography>
      <Typography>
        {judgement.lastChange.length === 0
          ? 'It changes no chance by as much as half a per cent.'
          : judgement.lastChange
              .slice(0, 4)
              .map((c) => `${capital(word('cause', c.cause))} ${percent(c.before)} → ${percent(c.now)}`)
              .join('. ')}
      </Typography>
    </Box>
  );
}
