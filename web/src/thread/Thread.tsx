import { useTheme } from '@mui/material/styles';
import type { Bead } from '../api/types';
import { Scrolls } from '../app/Scrolls';
import { capital, word } from '../words/words';
import { BEAD_WIDTH, KNOT_PATHS } from './shapes';

interface Props {
  beads: Bead[];
  /** Height of the drawing, px. */
  height?: number;
  isClosed: boolean;
}

/** What a bead says in words. */
export function beadWords(bead: Bead): string {
  switch (bead.kind) {
    case 'TAKE_IN':
      return 'taken in';
    case 'CHECK':
      return bead.out === undefined || bead.out === null ? 'no check possible' : `check, ${bead.out} out`;
    case 'ATTEMPT':
      return `${word('treatment', bead.treatment ?? '')}: ${word('knot', bead.knot ?? '')}`;
    case 'HOLD':
      return 'dry hold';
    case 'RETURN':
      return `returned, ${word('outcome', bead.outcome ?? '')}`;
  }
}

/** A visit as one thread from take-in to return; every attempt is a knot, its shape tells how it went. */
export function Thread({ beads, height = 44, isClosed }: Props) {
  const { vars } = useTheme();
  const rope = vars.palette.thread;
  const ends = beads.reduce<number[]>((all, bead) => [...all, (all.at(-1) ?? 0) + BEAD_WIDTH[bead.kind]], []);
  const drawn = beads.map((bead, i) => ({
    bead,
    at: ends[i] - BEAD_WIDTH[bead.kind],
    width: BEAD_WIDTH[bead.kind],
  }));
  const total = ends.at(-1) ?? 0;
  const isFrayed = beads.some((bead) => bead.knot === 'FRAYED');
  const loose = isClosed ? 0 : 26;
  const label = `Thread: ${beads.map(beadWords).join('; ')}`;
  return (
    <Scrolls label="Thread" sx={{ overflowY: 'hidden', lineHeight: 0 }}>
      <svg
        role="img"
        aria-label={capital(label)}
        height={height}
        width={((total + loose) * height) / 44}
        viewBox={`0 -22 ${total + loose} 44`}
      >
        <g fill="none" stroke={rope} strokeWidth={3} strokeLinecap="round" strokeLinejoin="round">
          {drawn.map(({ bead, at, width }) => (
            <g key={`${bead.kind}-${bead.id}`} transform={`translate(${at} 0)`}>
              <title>{beadWords(bead)}</title>
              <BeadShape bead={bead} width={width} background={vars.palette.background.paper} />
            </g>
          ))}
          {!isClosed && !isFrayed && <path d={`M${total} 0h20`} strokeDasharray="1 7" />}
        </g>
      </svg>
    </Scrolls>
  );
}

function BeadShape({ bead, width, background }: { bead: Bead; width: number; background: string }) {
  const middle = width / 2;
  switch (bead.kind) {
    case 'TAKE_IN':
      return (
        <>
          <path d={`M5 -9V9M5 0H${width}`} />
          <path d="M10 -6V6" strokeWidth={2} />
        </>
      );
    case 'CHECK':
      // Three teeth of a comb hang from the rope; a check that was not possible has none.
      return (
        <>
          <path d={`M0 0H${width}`} />
          {bead.out === undefined || bead.out === null ? (
            <path d={`M${middle - 5} 5l10 8m0 -8l-10 8`} strokeWidth={2} />
          ) : (
            <path
              d={`M${middle - 7} 2V13M${middle} 2V${bead.out > 0 ? 5 : 13}M${middle + 7} 2V13`}
              strokeWidth={2.6}
            />
          )}
        </>
      );
    case 'ATTEMPT':
      return (
        <>
          {KNOT_PATHS[bead.knot ?? 'WAITING'].map((path) => (
            <path
              key={path}
              d={path}
              strokeDasharray={bead.knot === 'WAITING' && path.includes('c') ? '2 5' : undefined}
            />
          ))}
        </>
      );
    case 'HOLD':
      return (
        <>
          <path d={`M0 0H${width}`} />
          <rect x={middle - 9} y={-9} width={18} height={18} fill={background} strokeWidth={2.4} />
          <path d={`M${middle - 8} 8L${middle + 8} -8`} strokeWidth={2.4} />
        </>
      );
    case 'RETURN':
      return (
        <>
          <path d={`M0 0H${width - 6}`} />
          <circle cx={width - 8} cy={0} r={6} fill={background} />
        </>
      );
  }
}
