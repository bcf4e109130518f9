import { Box } from '@mui/material';

/** The key that does the same as the button it stands on. */
export function KeyHint({ children }: { children: string }) {
  return (
    <Box
      component="kbd"
      aria-hidden
      sx={{
        ml: 1.25,
        px: 0.75,
        border: '1px solid currentColor',
        borderRadius: 0.5,
        fontSize: '0.875rem',
        lineHeight: 1.3,
        fontFamily: 'inherit',
        display: { xs: 'none', md: 'inline' },
      }}
    >
      {children}
    </Box>
  );
}
