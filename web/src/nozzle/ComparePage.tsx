import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useParams, useSearchParams } from 'react-router';
import { useComparison, useMovements, useVisit } from '../api/queries';
import type { Acceptance, Channel, Check, Comparison, Counts, Movement } from '../api/types';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading } from '../app/states';
import { day, moment } from '../bench/time';
import { word } from '../words/words';
import { AcceptanceMark } from './AcceptanceMark';
import { ChannelHistory } from './ChannelHistory';
import { CoarseCompare } from './CoarseCompare';
import { lineWords } from './coarse';
import { combWords } from './Comb';
import { combPaths } from './comb';
import { groupWords } from './features';
import { FlipScans } from './FlipScans';

/** What the last reading is set beside: the first one that is like it, or else the first of any kind; never itself. */
function firstFor(checks: Check[], now: string | undefined): Check | undefined {
  const last = checks.find((check) => check.id === now);
  const others = checks.filter((check) => check !== last);
  return (
    others.find(
      (check) =>
        Boolean(check.reading) === Boolean(last?.reading) && check.coarse?.kind === last?.coarse?.kind,
    ) ?? others[0]
  );
}

export default function ComparePage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const [parameters, setParameters] = useSearchParams();
  const own = (visit.data?.checks ?? []).filter((check) => check.reading || check.coarse);
  // A check that the customer kept stands first: it is the older one, and it judges nothing.
  const all = [...(visit.data?.keptChecks ?? []), ...own];
  const maps = own.filter((check) => check.reading);
  const now = parameters.get('now') ?? own.at(-1)?.id;
  // With one reading of our own there is nothing before it but what the customer kept.
  const before = parameters.get('before') ?? firstFor(own.length > 1 ? own : all, now)?.id;
  const [first, second] = [before, now].map((wanted) => all.find((check) => check.id === wanted));
  const areMaps = Boolean(first?.reading && second?.reading);
  const comparison = useComparison(id, areMaps ? before : undefined, areMaps ? now : undefined);
  const movements = useMovements(id);

  if (visit.isPending) {
    return <Loading what="the visit" />;
  }
  if (visit.isError) {
    return <Failed error={visit.error} again={() => void visit.refetch()} />;
  }
  const choose = (which: 'before' | 'now') => (value: string) =>
    setParameters({ before: before ?? '', now: now ?? '', [which]: value }, { replace: true });
  return (
    <Page title="Before and after" back={{ to: `/visits/${id}`, label: visit.data.tag }}>
      {all.length < 2 ? (
        <Empty>
          There is one reading or none yet. After the next check the two stand here tooth to tooth.
        </Empty>
      ) : (
        <Stack spacing={2}>
          <Stack direction={{ xs: 'column', sm: 'row' }} spacing={2}>
            <CheckChoice label="Before" checks={all} value={before ?? ''} onChange={choose('before')} />
            <CheckChoice label="Now" checks={all} value={now ?? ''} onChange={choose('now')} />
          </Stack>
          {first && second && first.id === second.id && (
            <Empty>That is one reading twice. Choose another one.</Empty>
          )}
          {first && second && !areMaps && first.coarse?.kind !== second.coarse?.kind && (
            <Unlike before={first} now={second} channels={visit.data.family.channels} />
          )}
          {first?.coarse &&
            second?.coarse &&
            first.id !== second.id &&
            first.coarse.kind === second.coarse.kind && (
              <CoarseCompare visitId={id} before={first} now={second} channels={visit.data.family.channels} />
            )}
          {comparison.isError && <Failed error={comparison.error} again={() => void comparison.refetch()} />}
          {areMaps && first?.id !== second?.id && comparison.data && (
            <Both
              visitId={id}
              comparison={comparison.data}
              channels={visit.data.family.channels}
              maps={maps}
              movements={movements.data ?? []}
            />
          )}
        </Stack>
      )}
    </Page>
  );
}

function CheckChoice({
  label,
  checks,
  value,
  onChange,
}: {
  label: string;
  checks: Check[];
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <TextField select label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {checks.map((check) => (
        <MenuItem key={check.id} value={check.id}>
          {check.toldOn
            ? `Kept by the customer, ${day(check.toldOn)}`
            : `Check ${check.number}, ${moment(check.takenAt)}`}
          {check.coarse && `, ${word('coarseKind', check.coarse.kind)}`}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** Two readings of different kinds stand side by side: nothing is counted from one to the other. */
function Unlike({ before, now, channels }: { before: Check; now: Check; channels: Channel[] }) {
  const said = (check: Check, code: string) =>
    check.coarse ? lineWords(check.coarse.channels[code]) : combWords(check.reading?.[code] ?? '');
  return (
    <Block title="Side by side">
      <Typography sx={{ mb: 1 }}>
        They are of different kinds, so nothing is counted from one to the other.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
        {channels.map((channel) => (
          <Typography
            component="li"
            key={channel.code}
            sx={{ borderLeft: `10px solid ${channel.ink}`, pl: 1 }}
          >
            <b>{channel.colour}</b>: {said(before, channel.code)}; now {said(now, channel.code)}
          </Typography>
        ))}
      </Box>
    </Block>
  );
}

interface BothProps {
  visitId: string;
  comparison: Comparison;
  channels: Channel[];
  maps: Check[];
  movements: Movement[];
}

function Both({ visitId, comparison, channels, maps, movements }: BothProps) {
  const acceptance = comparison.now.acceptance as Acceptance;
  return (
    <>
      <Block title="The whole head" aside={<AcceptanceMark acceptance={acceptance} />}>
        <CountsLine counts={comparison.total} isTotal />
        <Legend />
        <Stack direction="row" sx={{ gap: 1, mt: 1 }}>
          {['svg', 'png'].map((ending) => (
            <Button
              key={ending}
              variant="outlined"
              href={`/api/visits/${visitId}/comparison.${ending}?before=${comparison.before.id}&now=${comparison.now.id}`}
              download
            >
              Download {ending.toUpperCase()}
            </Button>
          ))}
        </Stack>
      </Block>
      {comparison.before.scanId && comparison.now.scanId && (
        <FlipScans
          visitId={visitId}
          before={comparison.before}
          now={comparison.now}
          channels={worstFirst(channels, comparison)}
        />
      )}
      <Stack spacing={1}>
        {worstFirst(channels, comparison).map((channel) => (
          <Box
            key={channel.code}
            component="section"
            aria-label={channel.colour}
            sx={{ bgcolor: 'background.paper', borderRadius: 1, p: 1.5 }}
          >
            <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'baseline', mb: 0.5 }}>
              <Typography variant="h3">{channel.colour}</Typography>
              <CountsLine counts={comparison.channels[channel.code]} />
            </Stack>
            <Facing
              channel={channel}
              before={comparison.before.reading?.[channel.code] ?? ''}
              now={comparison.now.reading?.[channel.code] ?? ''}
              fates={comparison.fates[channel.code]}
            />
            {groupWords(comparison.now.channels?.[channel.code]).map((found) => (
              <Typography key={found} sx={{ fontWeight: 650 }}>
                Now {found}.
              </Typography>
            ))}
            {maps.length > 2 && <ChannelHistory channel={channel} checks={maps} movements={movements} />}
          </Box>
        ))}
      </Stack>
    </>
  );
}

/** Channels with gaps first: they are what is looked for. */
function worstFirst(channels: Channel[], comparison: Comparison): Channel[] {
  const out = (channel: Channel) =>
    comparison.channels[channel.code].outBefore + comparison.channels[channel.code].outNow;
  return [...channels].sort((a, b) => Number(out(b) > 0) - Number(out(a) > 0));
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

function CountsLine({ counts, isTotal = false }: { counts: Counts; isTotal?: boolean }) {
  if (!isTotal && counts.outBefore === 0 && counts.outNow === 0) {
    return (
      <Typography color="text.secondary">
        nothing out{counts.leftOut > 0 ? `, ${counts.leftOut} unread` : ''}
        {counts.deflectedNow > 0 ? `, ${counts.deflectedNow} deflected` : ''}
      </Typography>
    );
  }
  const recovery =
    counts.recovery === undefined || counts.recovery === null
      ? 'recovery undefined, since nothing was out before'
      : `recovery ${counts.restored} of ${counts.outBefore}, ${percent(counts.recovery)}`;
  const wander = `gaps that moved ${counts.newlyOut} of ${counts.outNow}, ${percent(counts.wander)}`;
  return (
    <Typography component="div">
      <b>{word('movement', counts.movement)}</b>: {counts.restored} restored, {counts.stillOut} still out,{' '}
      {counts.newlyOut} newly out, {counts.deflectedNow} deflected (before {counts.deflectedBefore})
      {counts.leftOut > 0 && `, ${counts.leftOut} unread and left out`}.{' '}
      {isTotal
        ? `${recovery.charAt(0).toUpperCase()}${recovery.slice(1)}; ${wander}.`
        : `${recovery}; ${wander}.`}
    </Typography>
  );
}

const VIEW = 1000;
const TEETH = 26;
const MIDDLE = 18;
const BACK = 4;
const HEIGHT = 2 * (BACK + TEETH) + MIDDLE;

/** Before above and now below, tooth to tooth; between them what became of each nozzle that was or is out. */
function Facing({
  channel,
  before,
  now,
  fates,
}: {
  channel: Channel;
  before: string;
  now: string;
  fates: string;
}) {
  const { vars } = useTheme();
  const upper = combPaths(before, VIEW, BACK, TEETH, 1);
  const lower = combPaths(now, VIEW, HEIGHT - BACK, TEETH, -1);
  const pitch = VIEW / fates.length;
  const y = HEIGHT / 2;
  const marks = { R: '', S: '', N: '' };
  for (let i = 0; i < fates.length; i++) {
    const x = (i + 0.5) * pitch;
    const half = Math.min(2.4, pitch * 0.42);
    if (fates[i] === 'R') {
      marks.R += `M${x} ${y - 6}V${y + 6}`;
    } else if (fates[i] === 'S') {
      marks.S += `M${x - half} ${y - half}L${x + half} ${y + half}M${x + half} ${y - half}L${x - half} ${y + half}`;
    } else if (fates[i] === 'N') {
      marks.N += `M${x - half} ${y - 4}H${x + half}L${x} ${y + 5}Z`;
    }
  }
  const count = (letter: string) => fates.split(letter).length - 1;
  return (
    <svg
      role="img"
      aria-label={`${channel.colour}: ${count('R')} restored, ${count('S')} still out, ${count('N')} newly out, ${count('U')} left out`}
      width="100%"
      height={HEIGHT}
      viewBox={`0 0 ${VIEW} ${HEIGHT}`}
      preserveAspectRatio="none"
      fill="none"
    >
      <rect width={VIEW} height={BACK} fill={channel.ink} />
      <rect y={HEIGHT - BACK} width={VIEW} height={BACK} fill={channel.ink} />
      {[upper, lower].map((paths, i) => (
        <g key={i} stroke={vars.palette.comb} strokeWidth={paths.stroke}>
          <path d={paths.whole} />
          <path d={paths.dotted} strokeDasharray="2 3" />
        </g>
      ))}
      <path d={marks.R} stroke={vars.palette.primary.main} strokeWidth={Math.min(3.2, pitch * 0.6)} />
      <path d={marks.S} stroke={vars.palette.comb} strokeWidth={1.3} />
      <path d={marks.N} fill={vars.palette.error.main} />
    </svg>
  );
}

function Legend() {
  const { vars } = useTheme();
  const sign = (d: string, rest: object) => (
    <svg
      aria-hidden
      width={18}
      height={18}
      viewBox="-9 -9 18 18"
      fill="none"
      style={{ verticalAlign: 'middle', marginRight: 6 }}
    >
      <path d={d} {...rest} />
    </svg>
  );
  return (
    <Stack direction="row" sx={{ gap: 3, flexWrap: 'wrap', mt: 1 }} aria-hidden>
      <Typography>
        {sign('M0 -7V7', { stroke: vars.palette.primary.main, strokeWidth: 4 })}restored
      </Typography>
      <Typography>
        {sign('M-5 -5L5 5M5 -5L-5 5', { stroke: vars.palette.comb, strokeWidth: 2 })}still out
      </Typography>
      <Typography>{sign('M-6 -5H6L0 7Z', { fill: vars.palette.error.main })}newly out</Typography>
      <Typography color="text.secondary">dotted teeth were not read</Typography>
    </Stack>
  );
}
