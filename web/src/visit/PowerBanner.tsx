import { zodResolver } from '@hookform/resolvers/zod';
import { Box, Button, Stack, Typography } from '@mui/material';
import { PlugZap } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { useSession } from '../account/session';
import type { Visit } from '../api/types';
import { Entry } from '../app/fields';
import { WriteProblem } from '../app/states';
import { MONO } from '../app/theme';
import { useProblemAt } from '../app/useProblemAt';
import { countdown, moment } from '../bench/time';
import { capital, word } from '../words/words';
import { keptFrom, powerAt, powerWords } from './power';
import { useHeadEntry } from './useHeadEntry';

interface Props {
  visit: Visit;
  now: number;
  mayWrite: boolean;
}

/** What keeps the head from power cannot be overlooked: each reason with its end, and what a hand can end with one tap. */
export function PowerBanner({ visit, now, mayWrite }: Props) {
  const { isLead } = useSession();
  const [isEnding, setEnding] = useState(false);
  const kept = keptFrom(visit.head, now);
  const tap = useHeadEntry(visit);
  if (kept.length === 0) {
    return null;
  }
  const at = powerAt(kept);
  const has = (reason: string) => kept.some((k) => k.reason === reason);
  const mayEnd = mayWrite && isLead && has('HOLD') && !isEnding;
  return (
    <Box
      role="alert"
      sx={(t) => ({
        color: t.vars.palette.hold.contrastText,
        background: `repeating-linear-gradient(135deg, ${t.vars.palette.hold.main} 0 26px, ${t.vars.palette.hold.stripe} 26px 52px)`,
        borderRadius: 1,
        p: { xs: 1.25, sm: 2 },
        mb: { xs: 1, sm: 2 },
      })}
    >
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Box sx={{ display: { xs: 'none', sm: 'block' } }}>
          <PlugZap size={40} aria-hidden />
        </Box>
        <Box sx={{ flex: 1, minWidth: 220 }}>
          <Typography sx={{ fontWeight: 800, fontSize: { xs: '1.25rem', sm: '1.5rem' }, lineHeight: 1.2 }}>
            {powerWords(kept)}
          </Typography>
          {kept.length > 1 && (
            <Typography>
              {kept
                .map((k) => capital(word('noPower', k.reason)) + (k.until ? ` until ${moment(k.until)}` : ''))
                .join('. ')}
              .
            </Typography>
          )}
          {has('HOLD') && <Wettings visit={visit} />}
        </Box>
        {at !== undefined && (
          <Typography sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '2.25rem' }}>
            {countdown(at - now)}
          </Typography>
        )}
        {mayWrite && has('PAD_UNDER_HEAD') && visit.next.action !== 'TAKE_PAD_OUT' && (
          <BannerButton onClick={() => tap.tap('PAD_OUT')} busy={tap.isBusy}>
            Pad out
          </BannerButton>
        )}
        {mayEnd && <BannerButton onClick={() => setEnding(true)}>End it early</BannerButton>}
      </Stack>
      {(tap.problem ?? null) && (
        <Box sx={{ mt: 1, bgcolor: 'background.paper', borderRadius: 1 }}>
          <WriteProblem problem={tap.problem} />
        </Box>
      )}
      {isEnding && <EndHold visit={visit} close={() => setEnding(false)} />}
    </Box>
  );
}

function BannerButton({
  onClick,
  busy,
  children,
}: {
  onClick: () => void;
  busy?: boolean;
  children: string;
}) {
  return (
    <Button
      sx={{ color: 'inherit', borderColor: 'currentColor', minHeight: 56 }}
      variant="outlined"
      loading={busy}
      onClick={onClick}
    >
      {children}
    </Button>
  );
}

/** What the hold is counted from, the wetting that ends last first. */
function Wettings({ visit }: { visit: Visit }) {
  return (
    <>
      {visit.head.wettings.map((wetting) => (
        <Typography key={`${wetting.since}${wetting.wet}${wetting.by ?? ''}`}>
          {wetting.by ? capital(word('method', wetting.by)) : 'Logged'}: {word('wet', wetting.wet)} wet,{' '}
          {wetting.until
            ? `${moment(wetting.since)} to ${moment(wetting.until)}`
            : `since ${moment(wetting.since)}, still in`}
          .
        </Typography>
      ))}
    </>
  );
}

const schema = z.object({
  note: z
    .string()
    .refine(
      (note) => note.trim() !== '',
      'This hold still runs, and power on a damp head can cost head, ribbon and board. Say why it ends now.',
    ),
});

function EndHold({ visit, close }: { visit: Visit; close: () => void }) {
  const form = useForm({ defaultValues: { note: '' }, resolver: zodResolver(schema) });
  const end = useHeadEntry(visit, close);
  useProblemAt(form, end.problem);
  return (
    <Stack
      spacing={1}
      sx={{ mt: 2, bgcolor: 'background.paper', color: 'text.primary', p: 2, borderRadius: 1 }}
    >
      <Entry control={form.control} name="note" label="Why power is safe now" />
      <WriteProblem problem={end.problem} />
      <Stack direction="row" spacing={1}>
        <Button
          variant="contained"
          color="error"
          loading={end.isBusy}
          onClick={form.handleSubmit(({ note }) => end.send({ entry: 'HOLD_ENDED', note }))}
        >
          End the hold
        </Button>
        <Button onClick={close}>Let it dry</Button>
      </Stack>
    </Stack>
  );
}
