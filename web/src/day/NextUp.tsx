import { Box, Button, Stack, Typography } from '@mui/material';
import type { KeptDay } from '../api/types';
import { day as dayWords, hour } from '../bench/time';
import { dateOf } from './dayTime';
import type { Chosen } from './DayPicture';
import { spoken } from './WorkBar';

const SHOWN = 3;

/** What each person does next, large enough to be tapped with gloves on. */
export function NextUp({
  day,
  now,
  choose,
}: {
  day: KeptDay;
  now: number;
  choose: (chosen: Chosen) => void;
}) {
  return (
    <Box component="section" aria-label="Next" sx={{ mb: 1.5 }}>
      {day.people.map((person) => {
        const next = day.heads
          .flatMap((head) => head.work.map((work) => ({ head, work })))
          .filter(({ work }) => work.personId === person.id && Date.parse(work.until) > now)
          .sort((a, b) => Date.parse(a.work.from) - Date.parse(b.work.from))
          .slice(0, SHOWN);
        return (
          <Stack
            key={person.id}
            direction="row"
            sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center', mb: 0.5 }}
          >
            <Typography sx={{ fontWeight: 650, minWidth: 130 }}>{person.name}</Typography>
            {next.length === 0 && <Typography color="text.secondary">nothing more</Typography>}
            {next.map(({ head, work }) => (
              <Button
                key={`${head.visitId}${work.key}`}
                variant="outlined"
                onClick={() => choose({ visitId: head.visitId, key: work.key })}
                sx={{ textAlign: 'left', maxWidth: 400 }}
              >
                {dateOf(Date.parse(work.from)) === dateOf(now) ? '' : `${dayWords(work.from)}, `}
                {hour(work.from)} {spoken(head, work)}
              </Button>
            ))}
          </Stack>
        );
      })}
    </Box>
  );
}
