import { Box, type SxProps } from '@mui/material';
import { useCallback, useState, type ReactNode } from 'react';

/** Something wide: where it does not fit it scrolls, and by keys as well; where it fits it is no stop of its own. */
export function Scrolls({ label, sx, children }: { label: string; sx?: SxProps; children: ReactNode }) {
  const [isWider, setWider] = useState(false);
  const watch = useCallback((box: HTMLElement | null) => {
    if (!box || typeof ResizeObserver === 'undefined') {
      return undefined;
    }
    const observer = new ResizeObserver(() => setWider(box.scrollWidth > box.clientWidth));
    [box, ...box.children].forEach((one) => observer.observe(one));
    return () => observer.disconnect();
  }, []);
  return (
    <Box
      ref={watch}
      sx={{ overflowX: 'auto', ...(sx as object) }}
      {...(isWider && { role: 'group', 'aria-label': label, tabIndex: 0 })}
    >
      {children}
    </Box>
  );
}
