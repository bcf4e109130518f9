import { Box } from '@mui/material';

/** The key that does the same as the button it stands on; one that rests does nothing yet, and keeps its room. */
export function KeyHint({ children, rests = false }: { children: string; rests?: boolean }) {
  return (
    <Box
      component="kbd"
      aria-hidden
      data-rests={rests || undefined}
      sx={{
        ml: 1.25,
        px: 0.75,
        border: '1px solid currentColor',
        borderRadius: 0.5,
        fontSize: '0.875rem',
        lineHeight: 1.3,
        fontFamily: 'inherit',
        opacity: rests ? 0 : 1,
        display: { xs: 'none', md: 'inline' },
      }}
    >
      {children}
    </Box>
  );
}
