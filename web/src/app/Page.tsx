import { Box, Button, Stack, Typography } from '@mui/material';
import { ArrowLeft } from 'lucide-react';
import { useEffect, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useLanding } from './useLanding';

interface Props {
  title: string;
  back?: { to: string; label: string };
  aside?: ReactNode;
  children: ReactNode;
}

/** The frame of a view: where it leads back to, what it is, and its content. */
export function Page({ title, back, aside, children }: Props) {
  const { sx, ...landing } = useLanding();
  useEffect(() => {
    document.title = `${title} · Undo Knot`;
  }, [title]);
  return (
    <Box sx={{ px: { xs: 1.5, md: 3 }, py: 2, maxWidth: 1360, mx: 'auto' }}>
      <Stack direction="row" sx={{ alignItems: 'center', flexWrap: 'wrap', gap: 1.5, mb: 2 }}>
        {back && (
          <Button component={Link} to={back.to} variant="outlined" startIcon={<ArrowLeft />}>
            {back.label}
          </Button>
        )}
        <Typography variant="h1" {...landing} sx={{ ...sx, flex: 1, minWidth: 200 }}>
          {title}
        </Typography>
        {aside}
      </Stack>
      {children}
    </Box>
  );
}

/** A block of a page with its own heading. */
export function Block({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ bgcolor: 'background.paper', borderRadius: 1, p: { xs: 1.5, md: 2 } }}
    >
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1.5, flexWrap: 'wrap' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {title}
        </Typography>
        {aside}
      </Stack>
      {children}
    </Box>
  );
}
