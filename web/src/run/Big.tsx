import { Typography } from '@mui/material';
import type { ReactNode } from 'react';

/** What is in hand, to be read from a metre away. */
export function Big({ children }: { children: ReactNode }) {
  return (
    <Typography variant="h2" sx={{ fontSize: { xs: '1.5rem', md: '2rem' }, lineHeight: 1.2 }}>
      {children}
    </Typography>
  );
}
