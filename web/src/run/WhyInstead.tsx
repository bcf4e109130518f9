import { Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import type { Advice } from '../api/types';
import { adviceTitle } from '../diagnosis/judgement';
import { USUAL_REASONS } from '../treatment/Instead';
import { PedalChoice } from './PedalChoice';
import type { Voice } from './useVoice';

/** Something else than advised is planned: why, by one tap, before it is begun; a reason of one's own is typed in the form. */
export function WhyInstead({
  advice,
  form,
  voice,
  keep,
}: {
  advice: Advice;
  /** Where the form stands. */
  form: string;
  voice: Voice;
  keep: (reason: string) => void;
}) {
  return (
    <>
      <Typography sx={{ fontSize: '1.25rem' }}>Advised is: {adviceTitle(advice)}.</Typography>
      <PedalChoice
        label="Why something else?"
        voice={voice}
        answers={USUAL_REASONS.map((reason) => ({ label: reason, take: () => keep(reason) }))}
      />
      <Button component={Link} to={form}>
        Another reason, in the form
      </Button>
    </>
  );
}
