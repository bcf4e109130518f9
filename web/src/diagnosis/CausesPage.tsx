import { Alert, Button, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useJudgement, useVisit } from '../api/queries';
import type { Judgement, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Block, Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { DiagnosesBlock } from '../visit/DiagnosesBlock';
import { word } from '../words/words';
import { CauseBars } from './CauseBars';
import { observationWords } from './judgement';

export default function CausesPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const judgement = useJudgement(id);
  if (visit.isPending || judgement.isPending) {
    return <Loading what="what is known" />;
  }
  if (!visit.data || !judgement.data) {
    return (
      <Failed
        error={(visit.error ?? judgement.error) as Error}
        again={() => void Promise.all([visit.refetch(), judgement.refetch()])}
      />
    );
  }
  return <CausesView visit={visit.data} judgement={judgement.data} />;
}

/** What is wrong, how sure that is, and why. */
function CausesView({ visit, judgement }: { visit: Visit; judgement: Judgement }) {
  const { mayWrite } = useSession();
  const [channel, setChannel] = useState('');
  const codes = visit.family.channels.map((c) => c.code).filter((code) => judgement.channels[code]);
  const causes = (channel && judgement.channels[channel]) || judgement.causes;
  const notTaken = judgement.looks.filter(
    (l) => !l.needless && !judgement.findings.some((f) => f.look === l.look && f.stands),
  );
  return (
    <Page
      title="What is wrong"
      back={{ to: `/visits/${visit.id}`, label: visit.tag }}
      aside={
        <Button variant="contained" component={Link} to={`/visits/${visit.id}/ruleouts`}>
          Rule-outs
        </Button>
      }
    >
      <Stack spacing={2}>
        <Contradictions judgement={judgement} />
        <Block title={channel ? `Likely causes in ${channel}` : 'Likely causes'}>
          {codes.length > 0 && (
            <ToggleButtonGroup
              exclusive
              aria-label="Where"
              value={channel}
              onChange={(_, code: string | null) => code !== null && setChannel(code)}
              sx={{ mb: 1.5, flexWrap: 'wrap' }}
            >
              <ToggleButton value="">Whole head</ToggleButton>
              {codes.map((code) => (
                <ToggleButton key={code} value={code}>
                  {code}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          )}
          <Typography color="text.secondary" sx={{ mb: 1 }}>
            Causes can hold together, so the bars need not add up to 100 %. The dashed tick is how often heads
            come in with a cause. {channel === '' && 'A head has a cause as surely as its surest channel.'}
          </Typography>
          <CauseBars visit={visit} causes={causes} />
        </Block>
        <JudgedBy visit={visit} judgement={judgement} />
        <Block title="Still unknown">
          <Typography>
            {notTaken.length === 0
              ? 'Everything that can be looked at on this head was.'
              : `Not looked at, which is not the same as fine: ${notTaken.map((l) => word('look', l.look)).join(', ')}.`}
          </Typography>
        </Block>
        <DiagnosesBlock
          visit={visit}
          mayWrite={mayWrite && visit.closedAt === undefined}
          title="Causes set by hand"
        />
      </Stack>
    </Page>
  );
}

/** Which house rules it was judged by; a lead moves the visit to those of today. */
function JudgedBy({ visit, judgement }: { visit: Visit; judgement: Judgement }) {
  const { isLead } = useSession();
  const isOld = judgement.houseRules !== judgement.houseRulesNow;
  const move = useWrite(() =>
    answer(api.PUT('/api/visits/{visitId}/house-rules', { params: { path: { visitId: visit.id } } })),
  );
  return (
    <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <Typography color="text.secondary">
        Judged by{' '}
        {judgement.houseRules === 0
          ? 'the rules a new shop starts from'
          : `house rules ${judgement.houseRules}`}
        {isOld && `; those of today are house rules ${judgement.houseRulesNow}`}.
      </Typography>
      {isOld && isLead && visit.closedAt === undefined && (
        <Button variant="outlined" onClick={() => move.send(undefined)}>
          Judge by the rules of today
        </Button>
      )}
      <WriteProblem problem={move.problem} />
    </Stack>
  );
}

/** Observations that can hardly both hold; both weigh until one is taken back. */
export function Contradictions({ judgement }: { judgement: Judgement }) {
  return (
    <>
      {judgement.contradictions.map(({ one, other }) => (
        <Alert key={`${one.sign}/${other.sign}/${one.channel}/${other.channel}`} severity="warning">
          Two things that can hardly both hold: “{observationWords(one)}” and “{observationWords(other)}”.
          Look again; both count until one is taken back.
        </Alert>
      ))}
    </>
  );
}
