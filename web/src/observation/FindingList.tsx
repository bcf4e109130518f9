import { Box, Stack, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { answer, api, upload } from '../api/http';
import type { FindingView, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Empty } from '../app/states';
import { away, day, moment } from '../bench/time';
import { MarkedAgainst } from '../treatment/Against';
import { capital, word } from '../words/words';
import { PhotoAndBack } from './PhotoAndBack';

/** What was found, by whom and when; a slip is taken back and stays readable. */
export function FindingList({
  visit,
  findings,
  mayWrite,
}: {
  visit: Visit;
  findings: FindingView[];
  mayWrite: boolean;
}) {
  if (findings.length === 0) {
    return <Empty>Nothing was looked at yet. Not looked at is not the same as fine.</Empty>;
  }
  return (
    <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {findings.map((finding) => (
        <Finding key={finding.id} visit={visit} finding={finding} mayWrite={mayWrite} />
      ))}
    </Stack>
  );
}

/** An error that a restart cleared for a while and that stands again: how long it stayed away. */
function cameBack(finding: FindingView, visit: Visit): string | undefined {
  if (finding.sign !== 'ERROR_STANDS') {
    return undefined;
  }
  const cleared = visit.judgement.findings
    .filter((f) => f.sign === 'ERROR_EXPECTED_BACK' && !f.withdrawn && f.foundAt < finding.foundAt)
    .map((f) => Date.parse(f.foundAt))
    .sort((a, b) => a - b)
    .at(-1);
  return cleared === undefined ? undefined : `came back after ${away(Date.parse(finding.foundAt) - cleared)}`;
}

function Finding({ visit, finding, mayWrite }: { visit: Visit; finding: FindingView; mayWrite: boolean }) {
  const queries = useQueryClient();
  const back = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/findings/{id}/withdrawal', {
        params: { path: { visitId: visit.id, id: finding.id } },
      }),
    ),
  );
  const name = `${finding.channel ? `${finding.channel}: ` : ''}${word('sign', finding.sign)}`;
  const cameAgain = cameBack(finding, visit);
  const state = finding.withdrawn ? '; taken back' : finding.stands ? '' : '; no longer holds';

  const sendPhoto = async (file: File) => {
    await upload(
      '/api/visits/{visitId}/findings/{id}/photo',
      { path: { visitId: visit.id, id: finding.id } },
      file,
    );
    await queries.invalidateQueries({ queryKey: ['visit', visit.id] });
  };

  return (
    <Stack
      component="li"
      direction="row"
      sx={{
        gap: 1,
        alignItems: 'center',
        flexWrap: 'wrap',
        borderTop: '1px solid',
        borderColor: 'line',
        py: 0.5,
      }}
    >
      <Typography
        sx={{ flex: 1, minWidth: 200, textDecoration: finding.withdrawn ? 'line-through' : 'none' }}
      >
        <b>{capital(name)}</b>
        {finding.note && `; ${finding.note}`}
        {finding.volumeMl && finding.lot && `; ${finding.volumeMl} mL of ${finding.lot}`}
        {finding.expectedOn && `; expected back on ${day(finding.expectedOn)}`}
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {' '}
          {finding.foundBy}, {moment(finding.foundAt)}
          {cameAgain && `; ${cameAgain}`}
          {state}
        </Box>
      </Typography>
      <MarkedAgainst gates={finding.against} reason={finding.departureReason} />
      <PhotoAndBack
        name={name}
        photo={finding.hasPhoto ? `/api/visits/${visit.id}/findings/${finding.id}/photo` : undefined}
        mayChange={mayWrite && !finding.withdrawn}
        sendPhoto={sendPhoto}
        back={back}
      />
    </Stack>
  );
}
