import { useTheme } from '@mui/material/styles';
import type { Attempt } from '../api/types';
import { word } from '../words/words';
import { KNOT_PATHS } from './shapes';

/** One knot alone, beside the attempt that it stands for. */
export function Knot({ knot }: { knot: NonNullable<Attempt['knot']> }) {
  const { vars } = useTheme();
  return (
    <svg
      role="img"
      aria-label={word('knot', knot)}
      width={60}
      height={44}
      viewBox="0 -18 46 36"
      fill="none"
      stroke={vars.palette.thread}
      strokeWidth={3}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {KNOT_PATHS[knot].map((path) => (
        <path
          key={path}
          d={path}
          strokeDasharray={knot === 'WAITING' && path.includes('c') ? '2 5' : undefined}
        />
      ))}
    </svg>
  );
}
