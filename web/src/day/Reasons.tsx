import { Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { KeptDay } from '../api/types';
import { Block } from '../app/Page';
import { moment } from '../bench/time';
import { minutesWords } from '../flow/units';
import { count, word } from '../words/words';

const SHOWN = 5;

/** Why the day is as it is, and what one more of something would change. */
export function Reasons({ day }: { day: KeptDay }) {
  const tag = (id: string) => {
    const head = day.heads.find((h) => h.visitId === id);
    return head ? <Tag key={id} id={id} tag={head.tag} /> : null;
  };
  const helps = day.helps.filter((help) => help.lateMinutes > 0 || help.readyMinutes > 0);
  return (
    <Stack sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', lg: '3fr 2fr' }, mt: 2 }}>
      <Block title="Why it is so">
        <Stack component="ul" sx={{ m: 0, pl: 3, gap: 0.75 }}>
          {day.waits.slice(0, SHOWN).map((wait, i) => (
            <li key={wait.on}>
              {i === 0 ? 'Most is waited for ' : 'Then for '}
              {word('dayWaits', wait.on)}: {count('HEADS', wait.heads)}, {minutesWords(wait.minutes)} in all,
              from {moment(wait.from)} on.
            </li>
          ))}
          {day.waits.length === 0 && <li>No head waits for anything but its own soaks and rests.</li>}
          {day.late.map((late) => (
            <li key={late.visitId}>
              {tag(late.visitId)} is {minutesWords(late.minutes)} late:{' '}
              {late.anyway
                ? 'it would be with the whole bench to itself.'
                : late.on
                  ? `it waits longest for ${word('dayWaits', late.on)}.`
                  : 'what goes before it takes that long.'}
            </li>
          ))}
          {day.overnight.length > 0 && (
            <li>While nobody is there, {joined(day.overnight.map(tag))} soak, dry or rest on.</li>
          )}
          {day.eased.length > 0 && (
            <li>
              Nobody is there to end the soak of {joined(day.eased.map(tag))} in time: it runs on until
              somebody is.
            </li>
          )}
          {day.letGo.map((pin) => (
            <li key={`${pin.visitId}${pin.key}`}>
              A pinned step of {tag(pin.visitId)} fits there no more, and was let go:{' '}
              {word('noRoom', pin.why)}.
            </li>
          ))}
        </Stack>
      </Block>
      <Block title="What would help">
        {helps.length === 0 ? (
          <Typography>
            Nothing that is reckoned here: no place, person or hour more makes a head ready sooner.
          </Typography>
        ) : (
          <Stack component="ul" sx={{ m: 0, pl: 3, gap: 0.75 }}>
            {helps.map((help) => (
              <li key={help.more}>
                {capitalised(word('dayHelp', help.more))}:{' '}
                {help.lateMinutes > 0
                  ? `${minutesWords(help.lateMinutes)} less late in all`
                  : `no less late, ready ${minutesWords(help.readyMinutes)} sooner in all`}
                .
              </li>
            ))}
          </Stack>
        )}
        <Typography color="text.secondary" sx={{ mt: 1 }}>
          Each reckoned by the quick rules alone, with it and without.
        </Typography>
      </Block>
    </Stack>
  );
}

function Tag({ id, tag }: { id: string; tag: string }) {
  return (
    <Typography component={Link} to={`/visits/${id}`} sx={{ color: 'text.primary', fontWeight: 650 }}>
      {tag}
    </Typography>
  );
}

/** Things in a row as they are said: with commas, the last by "and". */
function joined(parts: ReactNode[]): ReactNode[] {
  return parts.flatMap((part, i) => (i === 0 ? [part] : [i === parts.length - 1 ? ' and ' : ', ', part]));
}

function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
