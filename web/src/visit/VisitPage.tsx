import { Box, Button, Stack, Typography } from '@mui/material';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { useSession } from '../account/session';
import { useVisit } from '../api/queries';
import type { Visit } from '../api/types';
import { Failed, Loading } from '../app/states';
import { MONO } from '../app/theme';
import { useLanding } from '../app/useLanding';
import { day } from '../bench/time';
import { useNow } from '../bench/useNow';
import { ExpectedBack } from '../observation/ExpectedBack';
import { FollowUp } from '../finish/FollowUp';
import { Returned } from '../finish/Returned';
import { InHand } from '../run/InHand';
import { Thread } from '../thread/Thread';
import { ThreadLegend } from '../thread/ThreadLegend';
import { capital, word } from '../words/words';
import { AttemptsBlock } from './AttemptsBlock';
import { ChecksBlock } from './ChecksBlock';
import { DiagnosesBlock } from './DiagnosesBlock';
import { FactsBlock } from './FactsBlock';
import { HeadLog } from './HeadLog';
import { JustLogged } from './JustLogged';
import { PartsBlock } from './PartsBlock';
import { PowerBanner } from './PowerBanner';
import { LikelyCauses } from './LikelyCauses';
import { WhatNow } from './WhatNow';

export default function VisitPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const now = useNow(visit.data?.serverTime);
  if (visit.isPending) {
    return <Loading what="the visit" />;
  }
  if (visit.isError && !visit.data) {
    return <Failed error={visit.error} again={() => void visit.refetch()} />;
  }
  return <VisitView visit={visit.data} now={now} />;
}

function VisitView({ visit, now }: { visit: Visit; now: number }) {
  const { mayWrite, person } = useSession();
  const isOpen = visit.closedAt === undefined;
  const { sx, ...landing } = useLanding();
  useEffect(() => {
    document.title = `${visit.tag} · Undo Knot`;
  }, [visit.tag]);
  return (
    <Box sx={{ px: { xs: 1.5, md: 3 }, py: 2, maxWidth: 1360, mx: 'auto' }}>
      <Stack direction="row" sx={{ alignItems: 'baseline', columnGap: 2, flexWrap: 'wrap' }}>
        <Typography
          variant="h1"
          {...landing}
          sx={{
            ...sx,
            fontFamily: MONO,
            letterSpacing: '0.04em',
            fontSize: { xs: '1.75rem', sm: '2.25rem' },
          }}
        >
          {visit.tag}
        </Typography>
        <Typography sx={{ fontSize: { xs: '1rem', sm: '1.25rem' }, fontWeight: 650 }}>
          {visit.intake.customerName}
        </Typography>
        <Typography sx={{ fontSize: { xs: '1rem', sm: '1.125rem' } }}>
          {visit.family.name}, {visit.intake.serial}
        </Typography>
        {visit.intake.purpose && visit.intake.purpose !== 'REPAIR' && (
          <Typography sx={{ fontWeight: 700 }}>{capital(word('purpose', visit.intake.purpose))}</Typography>
        )}
        {visit.food !== 'NOT_FOOD' && (
          <Box sx={{ border: '2px solid', borderRadius: 0.5, px: 1, fontWeight: 700 }}>
            {capital(word('food', visit.food))}
          </Box>
        )}
        <Box sx={{ flex: 1, display: { xs: 'none', sm: 'block' } }} />
        {/* On a phone only what is to be decided stands here. */}
        <Box
          sx={{
            alignSelf: 'center',
            display: {
              xs: visit.inHand && visit.inHand.person !== person.displayName ? 'block' : 'none',
              sm: 'block',
            },
          }}
        >
          <InHand visit={visit} />
        </Box>
        <Typography>
          {isOpen
            ? `Promised ${day(visit.intake.promisedOn)}`
            : `${capital(word('outcome', visit.outcome ?? ''))}, returned ${day(visit.closedAt ?? '')} by ${visit.closedBy}`}
        </Typography>
      </Stack>
      <ThreadLegend>
        <Box sx={{ minWidth: 0, my: { xs: 0, sm: 1 }, '& svg': { height: { xs: 40, sm: 'auto' } } }}>
          <Thread beads={visit.thread} height={64} isClosed={!isOpen} />
        </Box>
      </ThreadLegend>
      <JustLogged visit={visit} now={now} mayWrite={mayWrite && isOpen} />
      <ExpectedBack visit={visit} mayWrite={mayWrite && isOpen} />
      <PowerBanner visit={visit} now={now} mayWrite={mayWrite && isOpen} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            lg: 'minmax(0, 1fr) 400px',
            md: 'minmax(0, 1fr) 340px',
          },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <Box sx={{ order: { xs: 0, md: 1 }, position: { md: 'sticky' }, top: 12 }}>
          {isOpen ? (
            <WhatNow visit={visit} now={now} mayWrite={mayWrite} />
          ) : (
            <Returned visit={visit} mayWrite={mayWrite} />
          )}
        </Box>
        <Stack spacing={2} sx={{ minWidth: 0 }}>
          <FollowUp visit={visit} />
          <ChecksBlock visit={visit} mayWrite={mayWrite && isOpen} />
          {/* What its own steps lead is asked no cause. */}
          {!visit.procedure && (
            <DiagnosesBlock visit={visit} mayWrite={mayWrite && isOpen}>
              <LikelyCauses visit={visit} />
            </DiagnosesBlock>
          )}
          <AttemptsBlock visit={visit} mayWrite={mayWrite && isOpen} />
          <PartsBlock visit={visit} />
          <HeadLog visit={visit} mayWrite={mayWrite && isOpen} />
          <FactsBlock visit={visit} mayWrite={mayWrite && isOpen} />
          <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
            <Button component={Link} to={`/visits/${visit.id}/history`} variant="outlined">
              Every change on this visit
            </Button>
            <Button component={Link} to={`/visits/${visit.id}/tag`} variant="outlined">
              Tag and label
            </Button>
            <Button component={Link} to={`/visits/${visit.id}/parts`} variant="outlined">
              Off and back
            </Button>
            {isOpen && (
              <Button href={`/api/visits/${visit.id}/report.html`} target="_blank" variant="outlined">
                Interim report
              </Button>
            )}
          </Stack>
        </Stack>
      </Box>
    </Box>
  );
}
