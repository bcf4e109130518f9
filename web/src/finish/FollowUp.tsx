import { Typography } from '@mui/material';
import { Link } from 'react-router';
import type { Visit } from '../api/types';
import { Block } from '../app/Page';
import { day } from '../bench/time';
import { capital, count, word } from '../words/words';

/** A head that comes back soon opens with what was done before. */
export function FollowUp({ visit }: { visit: Visit }) {
  const before = visit.followUp;
  if (!before) {
    return null;
  }
  return (
    <Block title={`Back after ${count('DAYS', before.days)}`}>
      <Typography>
        <Link to={`/visits/${before.id}`}>{before.tag}</Link>, returned {day(before.closedAt)}:{' '}
        <b>{word('outcome', before.outcome)}</b>
        {before.outcomeReason && ` (${before.outcomeReason})`}.
        {before.causes.length > 0 &&
          ` What was wrong: ${before.causes.map((c) => word('cause', c)).join(', ')}.`}
      </Typography>
      <Typography>
        {before.work.length === 0
          ? 'Nothing was done to it.'
          : `Done: ${before.work
              .map(
                (w) =>
                  `${word('method', w.method)}${w.channels.length > 0 && w.channels.length < visit.family.channels.length ? ` ${w.channels.join(', ')}` : ''}${w.fluid ? ` with ${w.fluid}` : ''}`,
              )
              .join('; ')}.`}
      </Typography>
      <Typography color="text.secondary">
        {capital('it may be the same fault, or the aftercare was not kept: ask before anything is treated.')}
      </Typography>
    </Block>
  );
}
