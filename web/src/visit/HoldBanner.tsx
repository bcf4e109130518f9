import { zodResolver } from '@hookform/resolvers/zod';
import { Box, Button, Stack, Typography } from '@mui/material';
import { PlugZap } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api } from '../api/http';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { MONO } from '../app/theme';
import { countdown, moment } from '../bench/time';
import { word } from '../words/words';

const schema = z.object({
  reason: z
    .string()
    .refine(
      (reason) => reason.trim() !== '',
      'This hold still runs, and power on a damp head can cost head, ribbon and board. Say why it ends now.',
    ),
});

/** A hold that forbids power cannot be overlooked, and ends early only with a reason. */
export function HoldBanner({ visit, now, mayWrite }: { visit: Visit; now: number; mayWrite: boolean }) {
  const [isEnding, setEnding] = useState(false);
  const form = useForm({ defaultValues: { reason: '' }, resolver: zodResolver(schema) });
  const hold = visit.clocks.filter((clock) => clock.kind === 'HOLD' && !clock.stoppedAt).at(-1);
  const end = useWrite(
    (reason: string) =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/stop', {
          params: { path: { visitId: visit.id, id: hold!.id } },
          body: { reason },
        }),
      ),
    () => setEnding(false),
  );
  useProblemAt(form, end.problem);
  return (
    <Box
      role="alert"
      sx={(t) => ({
        color: t.vars.palette.hold.contrastText,
        background: `repeating-linear-gradient(135deg, ${t.vars.palette.hold.main} 0 26px, ${t.vars.palette.hold.stripe} 26px 52px)`,
        borderRadius: 1,
        p: 2,
        mb: 2,
      })}
    >
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <PlugZap size={40} aria-hidden />
        <Box sx={{ flex: 1, minWidth: 220 }}>
          <Typography sx={{ fontWeight: 800, fontSize: '1.5rem' }}>
            No power until {moment(visit.heldUntil ?? '')}
          </Typography>
          <Typography>
            {hold?.wet ? `Wet: ${word('wet', hold.wet)}. ` : ''}Power on a damp head costs head, ribbon and
            main board in one go.
          </Typography>
        </Box>
        <Typography sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '2.25rem' }}>
          {countdown(Date.parse(visit.heldUntil ?? '') - now)}
        </Typography>
        {mayWrite && !isEnding && (
          <Button
            sx={{ color: 'inherit', borderColor: 'currentColor' }}
            variant="outlined"
            onClick={() => setEnding(true)}
          >
            End it early
          </Button>
        )}
      </Stack>
      {isEnding && (
        <Stack
          spacing={1}
          sx={{ mt: 2, bgcolor: 'background.paper', color: 'text.primary', p: 2, borderRadius: 1 }}
        >
          <Entry control={form.control} name="reason" label="Why power is safe now" />
          <WriteProblem problem={end.problem} />
          <Stack direction="row" spacing={1}>
            <Button
              variant="contained"
              color="error"
              loading={end.isBusy}
              onClick={form.handleSubmit(({ reason }) => end.send(reason))}
            >
              End the hold
            </Button>
            <Button onClick={() => setEnding(false)}>Let it dry</Button>
          </Stack>
        </Stack>
      )}
    </Box>
  );
}
