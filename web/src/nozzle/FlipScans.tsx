import { Box, Button, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { useScan } from '../api/queries';
import type { Channel, Check } from '../api/types';
import { KeyHint } from '../app/KeyHint';
import { Block } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { useKeys } from '../app/useKeys';
import { SheetView, viewOf } from '../scan/SheetView';

interface Props {
  visitId: string;
  before: Check;
  now: Check;
  channels: Channel[];
}

/** Two scans laid straight on one another: what moves or vanishes at a flip is what changed. */
export function FlipScans({ visitId, before, now, channels }: Props) {
  const [isNow, setNow] = useState(true);
  const [code, setCode] = useState(channels[0].code);
  const shown = isNow ? now : before;
  const scan = useScan(visitId, shown.scanId ?? undefined);
  const other = useScan(visitId, (isNow ? before : now).scanId ?? undefined);
  const flip = () => setNow(!isNow);
  useKeys({ ' ': flip });
  if (scan.isPending || other.isPending) {
    return <Loading what="the scans" />;
  }
  if (scan.isError) {
    return <Failed error={scan.error} again={() => void scan.refetch()} />;
  }
  const address = (check: Check) => `/api/visits/${visitId}/scans/${check.scanId}/sheet`;
  return (
    <Block
      title="Flip between the scans"
      aside={
        <Button variant="contained" onClick={flip} aria-pressed={isNow}>
          {isNow ? 'Show before' : 'Show now'}
          <KeyHint>Space</KeyHint>
        </Button>
      }
    >
      <Stack spacing={1}>
        <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
          <ToggleButtonGroup
            exclusive
            value={code}
            onChange={(_, next: string | null) => next && setCode(next)}
            aria-label="Channel shown"
            sx={{ flexWrap: 'wrap' }}
          >
            {channels.map((channel) => (
              <ToggleButton key={channel.code} value={channel.code}>
                {channel.code}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          <Typography aria-live="polite" sx={{ fontWeight: 700, fontSize: '1.25rem' }}>
            {isNow ? `Now: check ${now.number}` : `Before: check ${before.number}`}
          </Typography>
        </Stack>
        <Box sx={{ height: { xs: 220, md: 300 }, bgcolor: '#d8d8d4', borderRadius: 0.5, overflow: 'hidden' }}>
          <SheetView
            layout={scan.data.layout}
            sheet={address(shown)}
            reading={shown.reading ?? {}}
            overlay={0}
            view={viewOf(scan.data.layout, code)}
            label={`Scan of check ${shown.number}, block ${code}`}
          />
        </Box>
        {/* Fetched ahead, so that a flip shows the other one at once. */}
        <img src={address(isNow ? before : now)} alt="" hidden />
      </Stack>
    </Block>
  );
}
