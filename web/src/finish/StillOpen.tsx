import { Alert, Button, Stack } from '@mui/material';
import { Link } from 'react-router';
import type { Visit } from '../api/types';
import { count, word } from '../words/words';
import { called, stillOff } from './parts';

/** What is not done yet before it can go, each with the way to it. */
export function StillOpen({ visit }: { visit: Visit }) {
  const { unchecked, proofs, alignment, open: toDo } = visit.finish;
  const off = stillOff(visit);
  const toCheck = visit.standIn ? 'read' : 'check';
  const isAligning = alignment.passes.length > 0 && !['SETTLED', 'ACCEPTED'].includes(alignment.state);
  const open: { says: string; to: string; does: string; isBar?: boolean }[] = [
    ...(off.length > 0
      ? [
          {
            says: `${count('PARTS_OFF', off.length)}: ${off.map(called).join(', ')}. Nothing is finished before it is back.`,
            to: 'parts',
            does: 'Put it back',
            isBar: true,
          },
        ]
      : []),
    ...(unchecked.length > 0
      ? [
          {
            says: `No check has followed yet: ${unchecked.map((m) => word('method', m)).join(', ')}.`,
            to: toCheck,
            does: 'Read a check',
          },
        ]
      : []),
    ...(toDo.includes('FOUND_LEFT')
      ? [{ says: 'What a look found is not put right yet.', to: 'ruleouts', does: 'Rule-outs' }]
      : []),
    ...(toDo.includes('STATION_LEFT')
      ? [
          {
            says: 'The station had crusted, and the head was worked on since: clean it once more.',
            to: 'attempt/handwork?method=STATION',
            does: 'Clean the station',
          },
        ]
      : []),
    ...(toDo.includes('PAGE_LEFT')
      ? [
          {
            says: 'No check has followed a full page yet: a head that passes once and fails after a page is not finished.',
            to: 'attempt/handwork?method=PAGE',
            does: 'Print a page',
          },
        ]
      : []),
    ...proofs
      .filter((proof) => proof.state !== 'SHOWN')
      .map((proof) => ({
        says: `${word('lookHow', proof.look)} ${proof.state === 'FAILED' ? 'It failed again.' : ''}`,
        to: `ruleouts?look=${proof.look}`,
        does: 'Say what it shows',
      })),
    ...(isAligning
      ? [{ says: `Alignment: ${word('alignment', alignment.state)}.`, to: 'align', does: 'Align' }]
      : []),
  ];
  if (open.length === 0) {
    return null;
  }
  return (
    <Stack component="section" aria-label="Still open" spacing={1}>
      {open.map(({ says, to, does, isBar }) => (
        <Alert
          key={to}
          severity={isBar ? 'error' : 'warning'}
          icon={false}
          action={
            <Button component={Link} to={`/visits/${visit.id}/${to}`} sx={{ whiteSpace: 'nowrap' }}>
              {does}
            </Button>
          }
        >
          {says}
        </Alert>
      ))}
    </Stack>
  );
}
