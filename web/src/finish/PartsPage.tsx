import { Stack, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useState } from 'react';
import { useParams } from 'react-router';
import { useSession } from '../account/session';
import { useVisit } from '../api/queries';
import type { Visit } from '../api/types';
import { Page } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { BackCard } from './BackCard';
import { OffCard } from './OffCard';
import { OffForm } from './OffForm';
import { PartList } from './PartList';
import { stillOff, usualLeft } from './parts';

type Way = 'OFF' | 'BACK';

export default function PartsPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  if (visit.isPending) {
    return <Loading what="the list of parts" />;
  }
  if (!visit.data) {
    return <Failed error={visit.error as Error} again={() => void visit.refetch()} />;
  }
  return <PartsView visit={visit.data} />;
}

/** What comes off, noted as it does, and the same list backwards to put it on again. */
function PartsView({ visit }: { visit: Visit }) {
  const { mayWrite } = useSession();
  const writes = mayWrite && visit.closedAt === undefined;
  const [chosen, setChosen] = useState<Way>();
  const isRefit = visit.next.action === 'REFIT' || visit.next.action === 'RETURN';
  const isNoted = isRefit || usualLeft(visit).length === 0;
  const isListed = visit.finish.parts.some((part) => !part.withdrawn);
  const isAllBack = isListed && stillOff(visit).length === 0;
  const way = chosen ?? (isListed && (isNoted || isAllBack) ? 'BACK' : 'OFF');
  return (
    <Page title="Off and back" back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Stack spacing={2}>
        {writes && (
          <>
            <ToggleButtonGroup
              exclusive
              value={way}
              aria-label="Which way"
              onChange={(_, next: Way | null) => next && setChosen(next)}
            >
              <ToggleButton value="OFF">Comes off</ToggleButton>
              <ToggleButton value="BACK">Goes back</ToggleButton>
            </ToggleButtonGroup>
            {way === 'OFF' ? (
              <>
                <OffCard visit={visit} />
                <OffForm visit={visit} />
              </>
            ) : (
              <BackCard visit={visit} />
            )}
          </>
        )}
        <PartList visit={visit} mayWrite={writes} />
      </Stack>
    </Page>
  );
}
