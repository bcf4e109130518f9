import { Box, Button, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Visit } from '../api/types';
import { Block } from '../app/Page';
import { Empty } from '../app/states';
import { moment } from '../bench/time';
import { capital, word } from '../words/words';

/** What is thought to be wrong. Dropped suspicions stay readable. */
export function DiagnosesBlock({
  visit,
  mayWrite,
  title = 'What is wrong',
  children,
}: {
  visit: Visit;
  mayWrite: boolean;
  title?: string;
  children?: ReactNode;
}) {
  return (
    <Block
      title={title}
      aside={
        mayWrite && (
          <Button variant="outlined" component={Link} to={`/visits/${visit.id}/diagnosis`}>
            Add a suspected cause
          </Button>
        )
      }
    >
      {children}
      {visit.diagnoses.length === 0 && <Empty>No cause was written down by hand.</Empty>}
      <Stack spacing={1}>
        {visit.diagnoses.map((diagnosis) => (
          <Stack
            key={diagnosis.id}
            direction="row"
            sx={{ gap: 2, alignItems: 'flex-start', borderTop: '1px solid', borderColor: 'line', pt: 1 }}
          >
            <Box sx={{ flex: 1, opacity: diagnosis.dropped ? 0.75 : 1 }}>
              <Typography
                sx={{ fontWeight: 700, textDecoration: diagnosis.dropped ? 'line-through' : 'none' }}
              >
                {capital(word('cause', diagnosis.cause))}:{' '}
                {diagnosis.channels.length > 0 ? diagnosis.channels.join(', ') : 'the head'}
              </Typography>
              <Typography>{diagnosis.speaksFor}</Typography>
              {diagnosis.note && <Typography color="text.secondary">{diagnosis.note}</Typography>}
              <Typography color="text.secondary">
                {diagnosis.madeBy}, {moment(diagnosis.madeAt)}
                {diagnosis.dropped && '; no longer suspected'}
              </Typography>
            </Box>
            {mayWrite && (
              <Button
                component={Link}
                to={`/visits/${visit.id}/diagnosis/${diagnosis.id}`}
                aria-label={`Change ${word('cause', diagnosis.cause)}`}
              >
                Change
              </Button>
            )}
          </Stack>
        ))}
      </Stack>
    </Block>
  );
}
