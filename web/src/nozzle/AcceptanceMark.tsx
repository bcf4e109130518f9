import { Box, Button, Dialog, DialogActions, DialogContent, Typography } from '@mui/material';
import { CircleAlert, CircleCheck, CircleHelp } from 'lucide-react';
import { useState } from 'react';
import type { Acceptance } from '../api/types';
import { capital, word } from '../words/words';

const SIGNS = { MET: CircleCheck, UNSURE: CircleHelp, NOT_MET: CircleAlert };

/** The verdict on a check; it unfolds into the counts of each channel. */
export function AcceptanceMark({ acceptance }: { acceptance: Acceptance }) {
  const [isOpen, setOpen] = useState(false);
  const Sign = SIGNS[acceptance.verdict];
  return (
    <>
      <Button variant="outlined" startIcon={<Sign aria-hidden />} onClick={() => setOpen(true)}>
        {capital(word('verdict', acceptance.verdict))}
      </Button>
      <Dialog open={isOpen} onClose={() => setOpen(false)} aria-labelledby="acceptance-reasons">
        <DialogContent>
          <Typography variant="h2" id="acceptance-reasons" sx={{ mb: 1 }}>
            {capital(word('verdict', acceptance.verdict))}
          </Typography>
          <Typography sx={{ mb: 1.5 }}>Wanted for {word('jobClass', acceptance.jobClass)}.</Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {Object.entries(acceptance.channels).map(([code, channel]) => (
              <Typography component="li" key={code}>
                {code}: {channel.out} out of {channel.allowedOut} allowed, longest run {channel.longestRun}
                {channel.weak > 0 && `, ${channel.weak} weak of ${channel.allowedWeak} allowed`}
                {channel.deflected > 0 &&
                  `, ${channel.deflected} deflected of ${channel.allowedDeflected} that do no harm`}
                {channel.densityStep && ', paler from a drive group on'}
                {channel.unread > 0 && `, ${channel.unread} unread`}; {word('verdict', channel.verdict)}
              </Typography>
            ))}
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Fold up</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
