import { Box, Button, Stack, Typography } from '@mui/material';
import { Link, useParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useLots, useVisit, useWaste } from '../api/queries';
import type { Container, Lot, Procedure, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { moment } from '../bench/time';
import { MarkedAgainst } from '../treatment/Against';
import { capital, word } from '../words/words';
import { InkRows } from './InkRows';
import { NeedBlock } from './NeedBlock';
import { StageList } from './StageList';
import { entryWords, litres } from './steps';

export default function ProcedurePage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const lots = useLots();
  const waste = useWaste();
  if (visit.isPending || lots.isPending || waste.isPending) {
    return <Loading what="the steps" />;
  }
  if (!visit.data || !lots.data || !waste.data) {
    return (
      <Failed
        error={(visit.error ?? lots.error ?? waste.error) as Error}
        again={() => void Promise.all([visit.refetch(), lots.refetch(), waste.refetch()])}
      />
    );
  }
  const { procedure } = visit.data;
  if (!procedure) {
    return (
      <Page title="Steps" back={{ to: `/visits/${id}`, label: visit.data.tag }}>
        <Empty>This head came in for a repair: what is wrong leads it, and no steps of their own.</Empty>
      </Page>
    );
  }
  return <ProcedureView visit={visit.data} procedure={procedure} lots={lots.data} waste={waste.data} />;
}

/** An ink change or a whole-system flush: its sum, its steps with the next one large, and what was drawn. */
function ProcedureView({
  visit,
  procedure,
  lots,
  waste,
}: {
  visit: Visit;
  procedure: Procedure;
  lots: Lot[];
  waste: Container[];
}) {
  const { mayWrite } = useSession();
  const writes = mayWrite && visit.closedAt === undefined;
  const isInk = procedure.purpose === 'INK_CHANGE';
  return (
    <Page
      title={capital(word('purpose', procedure.purpose))}
      back={{ to: `/visits/${visit.id}`, label: visit.tag }}
      aside={
        procedure.over && (
          <Button variant="contained" component={Link} to={`/visits/${visit.id}`}>
            All steps done: go on
          </Button>
        )
      }
    >
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 360px' },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <Stack spacing={2} sx={{ minWidth: 0 }}>
          <NeedBlock visit={visit} procedure={procedure} lots={lots} mayWrite={writes} />
          {procedure.need && (
            <StageList visit={visit} procedure={procedure} lots={lots} waste={waste} mayWrite={writes} />
          )}
          {isInk && procedure.need && <InkRows visit={visit} procedure={procedure} mayWrite={writes} />}
        </Stack>
        <Stack spacing={2}>
          <Levels waste={waste} />
          <Drawn procedure={procedure} />
          <Entries visit={visit} procedure={procedure} mayWrite={writes} />
        </Stack>
      </Box>
    </Page>
  );
}

/** How full the waste containers are. */
function Levels({ waste }: { waste: Container[] }) {
  return (
    <Block title="Waste">
      {waste.length === 0 && <Empty>No waste container is known. Add one on the shelf.</Empty>}
      <Stack spacing={1}>
        {waste.map((c) => (
          <Box key={c.id}>
            <Typography>
              {c.name}: <b>{litres(c.levelMl)}</b> of {litres(c.capacityMl)}
            </Typography>
            <Box sx={{ height: 12, bgcolor: 'line', borderRadius: 1, overflow: 'hidden' }} aria-hidden>
              <Box
                sx={{
                  height: '100%',
                  width: `${Math.min(100, (100 * c.levelMl) / c.capacityMl)}%`,
                  bgcolor: c.levelMl > 0.8 * c.capacityMl ? 'error.main' : 'primary.main',
                }}
              />
            </Box>
          </Box>
        ))}
      </Stack>
    </Block>
  );
}

/** What really left the bottles, beside what was worked out. */
function Drawn({ procedure }: { procedure: Procedure }) {
  const all = procedure.drawn.reduce((sum, d) => sum + d.volumeMl, 0);
  const need = procedure.ink?.totalMl ?? procedure.system?.needMl;
  return (
    <Block title="Drawn so far">
      {procedure.drawn.length === 0 && <Empty>Nothing was drawn yet.</Empty>}
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {procedure.drawn.map((d) => (
          <Typography component="li" key={d.lot}>
            {d.lot}: {litres(d.volumeMl)}
          </Typography>
        ))}
      </Stack>
      {all > 0 && (
        <Typography sx={{ fontWeight: 700, mt: 0.5 }}>
          {litres(all)}
          {need !== undefined && ` of ${litres(need)} worked out`}
        </Typography>
      )}
    </Block>
  );
}

function Entries({ visit, procedure, mayWrite }: { visit: Visit; procedure: Procedure; mayWrite: boolean }) {
  const back = useWrite((id: string) =>
    answer(
      api.PUT('/api/visits/{visitId}/procedure/entries/{id}/withdrawal', {
        params: { path: { visitId: visit.id, id } },
      }),
    ),
  );
  return (
    <Block title="Entries">
      {procedure.entries.length === 0 && <Empty>Nothing was entered yet.</Empty>}
      <Stack component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {[...procedure.entries].reverse().map((e) => (
          <Stack component="li" key={e.id} sx={{ borderTop: '1px solid', borderColor: 'line', py: 0.5 }}>
            <Typography sx={{ textDecoration: e.withdrawn ? 'line-through' : 'none' }}>
              {e.channel && <b>{e.channel}: </b>}
              {entryWords(e.act)}
              {e.finding && `: ${word('stepFinding', e.finding)}`}
              {e.volumeMl !== undefined && e.volumeMl !== null && `, ${litres(e.volumeMl)}`}
              {e.lot && ` of ${e.lot}`}
              {e.vessel && `, ${e.vessel}${e.lotCode ? `, lot ${e.lotCode}` : ''}`}
              {e.text && `; ${e.text}`}
            </Typography>
            <MarkedAgainst gates={e.against} reason={e.departureReason} />
            <Stack direction="row" sx={{ alignItems: 'center', gap: 1 }}>
              <Typography color="text.secondary" sx={{ flex: 1 }}>
                {e.by}, {moment(e.at)}
                {e.withdrawn && '; taken back'}
              </Typography>
              {mayWrite && !e.withdrawn && e.act !== 'WASTE_EMPTIED' && (
                <Button
                  onClick={() => back.send(e.id)}
                  loading={back.isBusy}
                  aria-label={`Take back ${word('step', e.act)}`}
                >
                  Take back
                </Button>
              )}
            </Stack>
          </Stack>
        ))}
      </Stack>
      <WriteProblem problem={back.problem} />
    </Block>
  );
}
