import { Button, Stack, Typography } from '@mui/material';
import { Link } from 'react-router';
import { useSession } from '../account/session';
import { useBench, useClocks } from '../api/queries';
import type { Visit } from '../api/types';
import { clockName } from '../bench/clockWords';
import { adviceTitle } from '../diagnosis/judgement';
import { word } from '../words/words';

/** Heads that call: first what is due, then what this person has in hand and what the bench has next. */
export function useNextHead(visit: Visit, now: number, isFree: boolean) {
  const { person } = useSession();
  const bench = useBench('');
  const clocks = useClocks();
  const due = (clocks.data?.clocks ?? []).find(
    (clock) => clock.visitId !== visit.id && clock.kind !== 'HOLD' && Date.parse(clock.dueAt) <= now,
  );
  if (due) {
    return { id: due.visitId, tag: due.tag, says: `${clockName(due)} is over`, isDue: true };
  }
  if (!isFree) {
    return undefined;
  }
  const others = (bench.data?.strips ?? []).filter(
    (strip) =>
      strip.id !== visit.id &&
      !strip.closedAt &&
      !strip.next.action.startsWith('WAIT') &&
      // Nobody is offered what another has in hand.
      (!strip.inHand || strip.inHand === person.displayName),
  );
  const next = others.find((strip) => strip.inHand) ?? others.at(0);
  return (
    next && {
      id: next.id,
      tag: next.tag,
      says: next.next.advised ? adviceTitle(next.next.advised) : word('action', next.next.action),
      isDue: false,
    }
  );
}

/** The head that wants hands while this one waits. */
export function NextHead({ visit, now, isFree }: { visit: Visit; now: number; isFree: boolean }) {
  const next = useNextHead(visit, now, isFree);
  if (!next) {
    return null;
  }
  return (
    <Stack
      direction="row"
      component="section"
      aria-label="Another head"
      sx={(t) => ({
        gap: 2,
        alignItems: 'center',
        flexWrap: 'wrap',
        p: 1.5,
        borderRadius: 1,
        bgcolor: next.isDue ? t.vars.palette.due.main : 'background.paper',
        color: next.isDue ? t.vars.palette.due.contrastText : 'text.primary',
      })}
    >
      <Typography role="status" sx={{ flex: 1, minWidth: 200, fontSize: '1.25rem' }}>
        <b>{next.tag}</b> {next.isDue ? `calls: ${next.says}.` : `meanwhile: ${next.says}.`}
      </Typography>
      <Button
        component={Link}
        to={`/visits/${next.id}/run`}
        variant="outlined"
        color="inherit"
        sx={{ minHeight: 64, fontSize: '1.125rem' }}
      >
        Go to {next.tag}
      </Button>
    </Stack>
  );
}
