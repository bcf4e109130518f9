import { Box, Typography } from '@mui/material';
import { MONO } from '../app/theme';

export interface Bar {
  label: string;
  value: number;
  text: string;
  isOwn?: boolean;
}

/** Numbers beside one another as bars, the longest of them full; what is marked is the one in hand. */
export function Bars({ label, bars }: { label: string; bars: Bar[] }) {
  const most = Math.max(...bars.map((bar) => bar.value), 1e-12);
  return (
    <Box role="img" aria-label={`${label}: ${bars.map((bar) => `${bar.label} ${bar.text}`).join(', ')}`}>
      <Typography sx={{ fontWeight: 600, mb: 0.5 }}>{label}</Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'max-content 1fr max-content',
          columnGap: 1.5,
          rowGap: 0.75,
          alignItems: 'center',
        }}
      >
        {bars.map((bar) => (
          <Box key={bar.label} sx={{ display: 'contents' }}>
            <Typography>{bar.label}</Typography>
            <Box
              sx={{
                height: 22,
                width: `${Math.max(1, (100 * bar.value) / most)}%`,
                bgcolor: bar.isOwn ? 'thread' : 'primary.main',
                borderRadius: '0 11px 11px 0',
              }}
            />
            <Typography sx={{ fontFamily: MONO, fontWeight: bar.isOwn ? 600 : 400, textAlign: 'right' }}>
              {bar.text}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
