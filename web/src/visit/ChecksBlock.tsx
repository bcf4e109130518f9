import { Box, Button, Stack, Typography } from '@mui/material';
import { Link } from 'react-router';
import type { Check, Visit } from '../api/types';
import { Block } from '../app/Page';
import { Empty } from '../app/states';
import { day, moment } from '../bench/time';
import { word } from '../words/words';
import { MarkedAgainst } from '../treatment/Against';
import { AcceptanceMark } from '../nozzle/AcceptanceMark';
import { CheckFiles } from '../nozzle/CheckFiles';
import { coarseWords } from '../nozzle/coarse';
import { CoarsePicture } from '../nozzle/CoarsePicture';
import { Comb, combWords } from '../nozzle/Comb';
import { groupWords } from '../nozzle/features';
import { lastMap } from './outOf';

/** The checks of a visit: the last one drawn, all of them listed. */
export function ChecksBlock({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const last = lastMap(visit);
  const lastRead = visit.checks.filter((check) => check.reading ?? check.coarse).at(-1);
  const comparable = [...visit.keptChecks, ...visit.checks].filter((check) => check.reading || check.coarse);
  return (
    <Block
      title="Nozzle checks"
      aside={
        comparable.length > 1 && (
          <Button variant="contained" component={Link} to={`/visits/${visit.id}/compare`}>
            Before and after
          </Button>
        )
      }
    >
      {visit.checks.length === 0 && (
        <Empty>No check yet. The first one is read before anything is changed.</Empty>
      )}
      {lastRead?.coarse && (
        <Box sx={{ mb: 1.5 }}>
          <Typography sx={{ fontWeight: 650, mb: 0.5 }}>
            Check {lastRead.number}, {moment(lastRead.takenAt)}: {coarseWords(lastRead.coarse)}
          </Typography>
          <CoarsePicture coarse={lastRead.coarse} channels={visit.family.channels} height={18} />
        </Box>
      )}
      {!lastRead?.coarse && last?.reading && last.acceptance && (
        <>
          <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
            <Typography sx={{ fontWeight: 650 }}>
              Check {last.number}, {moment(last.takenAt)}
            </Typography>
            <AcceptanceMark acceptance={last.acceptance} />
          </Stack>
          <Stack spacing={1} sx={{ mb: 1.5 }}>
            {visit.family.channels.map((channel) => (
              <Box
                key={channel.code}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: { xs: '1fr', sm: '130px 1fr' },
                  gap: 1,
                  alignItems: 'center',
                }}
              >
                <Typography>
                  <b>{channel.colour}</b>
                </Typography>
                <Box>
                  <Comb channel={channel} reading={last.reading?.[channel.code] ?? ''} height={24} />
                  <Typography color="text.secondary">
                    {combWords(last.reading?.[channel.code] ?? '')}
                    <ChannelFindings check={last} code={channel.code} />
                  </Typography>
                </Box>
              </Box>
            ))}
          </Stack>
        </>
      )}
      {(visit.keptChecks.length > 0 || mayWrite) && (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center', py: 0.5 }}>
          {visit.keptChecks.map((check) => (
            <Typography key={check.id} sx={{ flex: '1 1 260px' }}>
              Kept by the customer, {day(check.toldOn ?? '')} (told): {summary(check)}{' '}
              {mayWrite && <Link to={`/visits/${visit.id}/check/${check.id}`}>amend</Link>}
            </Typography>
          ))}
          {mayWrite && (
            <Button component={Link} to={`/visits/${visit.id}/check?kept`}>
              Add a check the customer kept
            </Button>
          )}
        </Stack>
      )}
      <Stack component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {visit.checks.map((check) => (
          <Stack
            component="li"
            key={check.id}
            direction="row"
            sx={{
              gap: 2,
              alignItems: 'center',
              borderTop: '1px solid',
              borderColor: 'line',
              py: 0.5,
              flexWrap: 'wrap',
            }}
          >
            <Typography sx={{ flex: 1, minWidth: 240 }}>
              Check {check.number}, {moment(check.takenAt)}, {check.takenBy}: {summary(check)}
              {check.simulated && ' (simulated)'}
              {check.enteredAt && ' (entered later)'}
              {check.note && `; ${check.note}`}
            </Typography>
            <MarkedAgainst gates={check.against} reason={check.departureReason} />
            {check.scanId && (
              <Button
                component={Link}
                to={`/visits/${visit.id}/read/${check.scanId}`}
                aria-label={`Scan of check ${check.number}`}
              >
                Scan
              </Button>
            )}
            {check.reading && <CheckFiles visitId={visit.id} check={check} />}
            {mayWrite && (
              <Button
                component={Link}
                to={`/visits/${visit.id}/check/${check.id}`}
                aria-label={`Amend check ${check.number}`}
              >
                Amend
              </Button>
            )}
          </Stack>
        ))}
      </Stack>
    </Block>
  );
}

function ChannelFindings({ check, code }: { check: Check; code: string }) {
  const counts = check.channels?.[code];
  if (!counts || (counts.out === 0 && counts.densitySteps.length === 0)) {
    return null;
  }
  const parts = [];
  if (counts.longestRun > 1) {
    parts.push(`longest run ${counts.longestRun} from nozzle ${counts.longestRunFirst}`);
  }
  if (counts.whollyOut) {
    parts.push('wholly out');
  }
  parts.push(...groupWords(counts));
  return <>{parts.length > 0 && `; ${parts.join('; ')}`}</>;
}

function summary(check: Check): string {
  if (check.coarse) {
    return coarseWords(check.coarse);
  }
  if (check.notTaken) {
    return `not taken, ${word('notTaken', check.notTaken)}`;
  }
  if (!check.channels) {
    return `no check possible, ${check.notPossible}`;
  }
  const all = Object.values(check.channels);
  const sum = (pick: (c: (typeof all)[number]) => number) => all.reduce((total, c) => total + pick(c), 0);
  const unread = sum((c) => c.unread);
  return (
    `${sum((c) => c.out)} out of ${sum((c) => c.nozzles)}${unread > 0 ? `, ${unread} unread` : ''}` +
    (check.scanId
      ? `, read from a scan${check.corrected > 0 ? ` (${check.corrected} corrected by hand)` : ''}`
      : '')
  );
}
