import { Box, Button, Chip, Stack, Typography } from '@mui/material';
import { PackagePlus } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import { useBench, useDraftKeys } from '../api/queries';
import { Page } from '../app/Page';
import { Empty, Failed, Loading } from '../app/states';
import { useKeys } from '../app/useKeys';
import { filterOf, isShown } from './benchFilter';
import { Filters } from './Filters';
import { HandsNow } from './HandsNow';
import { Ribbon } from './Ribbon';
import { BenchStrip } from './BenchStrip';
import { moment } from './time';
import { useNow } from './useNow';

const NUMBER_KEYS = 9;

export function BenchPage() {
  const [parameters] = useSearchParams();
  const search = parameters.get('search') ?? '';
  const bench = useBench(search);
  const now = useNow(bench.data?.serverTime);
  const navigate = useNavigate();
  const { mayWrite, isLead, person } = useSession();

  const all = useMemo(() => bench.data?.strips ?? [], [bench.data]);
  const filter = filterOf(parameters);
  const strips = search ? all : all.filter((strip) => isShown(strip, filter, person.displayName, now));
  const keys: Record<string, () => void> = { t: () => mayWrite && void navigate('/take-in') };
  strips.slice(0, NUMBER_KEYS).forEach((strip, i) => {
    keys[String(i + 1)] = () => void navigate(`/visits/${strip.id}`);
  });
  useKeys(keys);

  if (bench.isPending) {
    return <Loading what="the bench" />;
  }
  if (bench.isError && !bench.data) {
    return <Failed error={bench.error} again={() => void bench.refetch()} />;
  }
  // Cards and list agree: both stand in the order of the bench.
  const order = new Map(all.map((strip, i) => [strip.id, i]));
  const place = (id: string) => order.get(id) ?? all.length;
  const clocks = [...bench.data.clocks].sort((a, b) => place(a.visitId) - place(b.visitId));
  return (
    <Page
      title={search ? `Found for “${search}”` : 'The bench'}
      back={search ? { to: '/', label: 'Whole bench' } : undefined}
      aside={
        bench.isError ? (
          <Chip color="warning" label="Connection lost: this is the last state seen" />
        ) : undefined
      }
    >
      {isLead && !person.isSetUp && (
        <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 2 }}>
          <Typography>The shop has no name, hours or tax rate of its own yet.</Typography>
          <Button component={Link} to="/set-up" variant="outlined">
            Set up the shop
          </Button>
        </Stack>
      )}
      {!search && clocks.length > 0 && (
        <>
          <HandsNow clocks={clocks} now={now} />
          <Ribbon clocks={clocks} now={now} />
        </>
      )}
      {!search && mayWrite && <UnfinishedTakeIns />}
      {!search && all.length > 0 && <Filters strips={all} person={person.displayName} now={now} />}
      {strips.length === 0 && all.length > 0 && <Empty>No head on the bench is shown by this.</Empty>}
      {all.length === 0 && (
        <Stack spacing={2} sx={{ alignItems: 'flex-start' }}>
          <Empty>
            {search
              ? 'No tag, serial or customer has these words. Try fewer signs.'
              : 'No head is in the shop. Take the first one in.'}
          </Empty>
          {!search && mayWrite && (
            <Button component={Link} to="/take-in" variant="contained" startIcon={<PackagePlus />}>
              Take a head in
            </Button>
          )}
        </Stack>
      )}
      <Stack component="ol" aria-label="Heads in the shop" sx={{ listStyle: 'none', p: 0, m: 0, gap: 1 }}>
        {strips.map((strip, i) => (
          <Box component="li" key={strip.id}>
            <BenchStrip strip={strip} now={now} numberKey={i < NUMBER_KEYS ? i + 1 : undefined} />
          </Box>
        ))}
      </Stack>
    </Page>
  );
}

/** Take-ins that somebody began and has not finished. */
function UnfinishedTakeIns() {
  const drafts = useDraftKeys();
  const begun = (drafts.data ?? []).filter((draft) => draft.key.startsWith('intake-'));
  if (begun.length === 0) {
    return null;
  }
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mb: 2, alignItems: 'center' }}>
      <Typography>Begun and not finished:</Typography>
      {begun.map((draft) => (
        <Button
          key={draft.key}
          component={Link}
          to={`/take-in/${draft.key.slice('intake-'.length)}`}
          variant="outlined"
        >
          {draft.about ? `${draft.about}, ` : 'Take-in of '}
          {moment(draft.editedAt)}
        </Button>
      ))}
    </Stack>
  );
}
