import { Button, Stack, Typography } from '@mui/material';
import { Link } from 'react-router';
import { useJudgement } from '../api/queries';
import type { Visit } from '../api/types';
import { CauseBars } from '../diagnosis/CauseBars';

const SHOWN = 3;

/** The likeliest causes in short, with the way to their reasons. */
export function LikelyCauses({ visit }: { visit: Visit }) {
  const judgement = useJudgement(visit.id);
  if (!judgement.data || visit.checks.length === 0) {
    return (
      <Typography color="text.secondary">
        {judgement.isError ? judgement.error.message : 'The causes are ranked once there is a first check.'}
      </Typography>
    );
  }
  return (
    <Stack spacing={1} sx={{ mb: 1.5 }}>
      <CauseBars visit={visit} causes={judgement.data.causes.slice(0, SHOWN)} short />
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
        <Button variant="outlined" component={Link} to={`/visits/${visit.id}/causes`}>
          All causes and reasons
        </Button>
        <Button variant="outlined" component={Link} to={`/visits/${visit.id}/ruleouts`}>
          Rule-outs
        </Button>
        <Button variant="outlined" component={Link} to={`/visits/${visit.id}/worth`}>
          Worth it?
        </Button>
      </Stack>
    </Stack>
  );
}
