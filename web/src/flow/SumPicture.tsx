import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { BenchNumber, SumView } from '../api/types';
import { word } from '../words/words';
import { Bars } from './Bars';
import { useUnits } from './units';

type Kind = SumView['sum'];

/** Which numbers of a sum stand beside one another as bars. */
const BARS: Partial<Record<Kind, { formula: string; label: string; of: (one: string) => string }>> = {
  SYRINGE: { formula: 'GREATEST_FORCE', label: 'Greatest force by size', of: (one) => word('syringe', one) },
  STROKE: {
    formula: 'LEAST_SECONDS',
    label: 'Least time by what is open',
    of: (one) => `${Math.round(100 * Number(one))} % open`,
  },
  VISCOSITY: { formula: 'FLOW', label: 'Flow at the limit by temperature', of: (one) => one },
  SOAK: { formula: 'SOAK_DEPTH', label: 'How deep a soak reaches', of: (one) => one },
};

const TOGETHER: Partial<Record<Kind, string[]>> = {
  MIXING: ['STOCK_VOLUME', 'WATER_VOLUME', 'MOST_MIXED'],
  LINE: ['LINE_VOLUME', 'RINSE_VOLUME'],
  SYSTEM: ['SYSTEM_NEED'],
  DOSE_COST: ['DOSE_COST', 'HANDS_COST'],
};

/** The answer of a sum as a picture. */
export function SumPicture({ kind, sums }: { kind: Kind; sums: BenchNumber[] }) {
  const { say } = useUnits();
  const bars = BARS[kind];
  if (bars) {
    const label = (one: string) =>
      kind === 'VISCOSITY' ? say(Number(one), 'C') : kind === 'SOAK' ? say(Number(one), 'MIN') : bars.of(one);
    const own = sums.find((sum) => sum.formula === bars.formula && !sum.of);
    return (
      <Bars
        label={bars.label}
        bars={[
          ...(own ? [{ label: 'yours', value: own.value, text: say(own.value, own.unit), isOwn: true }] : []),
          ...sums
            .filter((sum) => sum.formula === bars.formula && sum.of)
            .map((sum) => ({ label: label(sum.of!), value: sum.value, text: say(sum.value, sum.unit) })),
        ]}
      />
    );
  }
  const together = TOGETHER[kind];
  if (together) {
    return (
      <Bars
        label="Beside one another"
        bars={sums
          .filter((sum) => together.includes(sum.formula))
          .map((sum) => ({
            label: word('formula', sum.formula),
            value: sum.value,
            text: say(sum.value, sum.unit),
          }))}
      />
    );
  }
  return kind === 'TRAY' ? <TrayPicture sums={sums} /> : <SharePicture sums={sums} />;
}

function value(sums: BenchNumber[], formula: string): number {
  return sums.find((sum) => sum.formula === formula)?.value ?? 0;
}

/** A share with how far it may be off, on a ruler from nothing to all of it. */
function SharePicture({ sums }: { sums: BenchNumber[] }) {
  const { vars } = useTheme();
  const { say } = useUnits();
  const [at, low, high] = ['OPEN_SHARE', 'OPEN_SHARE_LOW', 'OPEN_SHARE_HIGH'].map((f) => value(sums, f));
  const most = Math.max(1, high);
  const x = (share: number) => 10 + (380 * share) / most;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${say(at, 'SHARE')} open, between ${say(low, 'SHARE')} and ${say(high, 'SHARE')}`}
      viewBox="0 0 400 70"
      sx={{ width: '100%', maxWidth: 640 }}
    >
      <line x1={x(0)} x2={x(1)} y1="30" y2="30" stroke={vars.palette.line} strokeWidth="10" />
      <line x1={x(low)} x2={x(high)} y1="30" y2="30" stroke={vars.palette.primary.main} strokeWidth="10" />
      <circle cx={x(at)} cy="30" r="9" fill={vars.palette.thread} />
      {[0, 0.25, 0.5, 0.75, 1].map((share) => (
        <text
          key={share}
          x={x(share)}
          y="60"
          textAnchor="middle"
          fontSize="16"
          fill={vars.palette.text.primary}
        >
          {100 * share} %
        </text>
      ))}
    </Box>
  );
}

/** The tray from the side: bottom, face, the band in which the level may stand, and the lowest contact. */
function TrayPicture({ sums }: { sums: BenchNumber[] }) {
  const { vars } = useTheme();
  const { say } = useUnits();
  const [least, most] = ['TRAY_LEAST_LEVEL', 'TRAY_GREATEST_LEVEL'].map((f) => value(sums, f));
  const contact =
    sums.find((s) => s.formula === 'TRAY_GREATEST_LEVEL')?.given.find((g) => g.term === 'CONTACT_HEIGHT')
      ?.value ?? most;
  const face = least - 2;
  const top = Math.max(contact, most) * 1.25;
  const y = (mm: number) => 150 - (130 * mm) / top;
  const ink = vars.palette.text.primary;
  const mark = (mm: number, text: string) => (
    <>
      <line x1="70" x2="270" y1={y(mm)} y2={y(mm)} stroke={ink} strokeDasharray="4 4" />
      <text x="296" y={y(mm) + 5} fontSize="16" fill={ink}>
        {text} {say(mm, 'MM')}
      </text>
    </>
  );
  return (
    <Box>
      <Typography sx={{ fontWeight: 600 }}>The tray from the side</Typography>
      <Box
        component="svg"
        role="img"
        aria-label={`Level between ${say(least, 'MM')} and ${say(most, 'MM')}, face at ${say(face, 'MM')}, lowest contact at ${say(contact, 'MM')}`}
        viewBox="0 0 460 160"
        sx={{ width: '100%', maxWidth: 640 }}
      >
        <rect
          x="40"
          width="240"
          y={y(most)}
          height={150 - y(most)}
          fill={vars.palette.primary.main}
          opacity="0.25"
        />
        <rect
          x="40"
          width="240"
          y={y(most)}
          height={y(least) - y(most)}
          fill={vars.palette.primary.main}
          opacity="0.6"
        />
        <path d={`M40 10V150H280V10`} fill="none" stroke={ink} strokeWidth="4" />
        <rect x="100" width="90" y="14" height={y(face) - 14} fill={vars.palette.line} />
        <rect x="178" width="12" y={y(contact) - 14} height="14" fill={vars.palette.thread} />
        {mark(face, 'face')}
        {mark(contact, 'contact')}
      </Box>
    </Box>
  );
}
