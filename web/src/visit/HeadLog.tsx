import { Button, Stack, Typography } from '@mui/material';
import { answer, api } from '../api/http';
import type { HeadView, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';
import { moment } from '../bench/time';
import { capital, word } from '../words/words';

type Entry = HeadView['entries'][number];

/** What was tapped about the head itself, the newest first; a slip is taken back. */
export function HeadLog({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const back = useWrite((entry: Entry) =>
    answer(
      api.PUT('/api/visits/{visitId}/head-entries/{id}/withdrawal', {
        params: { path: { visitId: visit.id, id: entry.id } },
      }),
    ),
  );
  const { entries } = visit.head;
  if (entries.length === 0) {
    return null;
  }
  return (
    <Block title="The head: out, in, wet, dry">
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {entries.map((entry) => (
          <Stack
            component="li"
            key={entry.id}
            direction="row"
            sx={{
              gap: 1,
              alignItems: 'center',
              borderTop: '1px solid',
              borderColor: 'line',
              py: 0.5,
              opacity: entry.withdrawn ? 0.75 : 1,
            }}
          >
            <Typography sx={{ flex: 1, textDecoration: entry.withdrawn ? 'line-through' : 'none' }}>
              {words(entry)}
            </Typography>
            {mayWrite && !entry.withdrawn && (
              <Button
                loading={back.isBusy}
                onClick={() => back.send(entry)}
                aria-label={`Take back ${word('headEntry', entry.entry)} of ${moment(entry.at)}`}
              >
                Take back
              </Button>
            )}
          </Stack>
        ))}
      </Stack>
      <WriteProblem problem={back.problem} />
    </Block>
  );
}

function words(entry: Entry): string {
  const held = entry.minutes && entry.wet ? `: ${word('wet', entry.wet)}, ${entry.minutes / 60} h` : '';
  const note = entry.note ? `: ${entry.note}` : '';
  return `${capital(word('headEntry', entry.entry))}${held}${note}, ${moment(entry.at)}, ${entry.by}${entry.withdrawn ? '; taken back' : ''}`;
}
