import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { memo, useMemo, type PointerEvent } from 'react';
import type { Block, CheckLayout } from '../api/types';
import { dashOf, nozzleAt } from './geometry';
import type { Nozzle } from './corrections';

export interface View {
  x: number;
  y: number;
  width: number;
  height: number;
}

const AROUND_MM = 3;

/** One block, or all of them, with a little paper around; most of a sheet is bare. */
export function viewOf(layout: CheckLayout, code: string | undefined): View {
  const shown = layout.blocks.filter((b) => code === undefined || b.channel === code);
  const left = Math.min(...shown.map((b) => b.xMm)) - AROUND_MM;
  const top = Math.min(...shown.map((b) => b.yMm)) - AROUND_MM;
  return {
    x: left,
    y: top,
    width: Math.max(...shown.map((b) => b.xMm + b.widthMm)) + AROUND_MM - left,
    height: Math.max(...shown.map((b) => b.yMm + b.heightMm)) + AROUND_MM - top,
  };
}

interface Props {
  layout: CheckLayout;
  sheet: string;
  reading: Record<string, string>;
  view: View;
  /** 0 shows the scan alone, 1 the verdicts in full. */
  overlay: number;
  at?: Nozzle;
  label: string;
  onPick?: (nozzle: Nozzle) => void;
}

/** The scan laid straight, with the verdict on every nozzle drawn over it; both in millimetres of the sheet. */
export function SheetView({ layout, sheet, reading, view, overlay, at, label, onPick }: Props) {
  const { vars } = useTheme();
  const block = layout.blocks.find((b) => b.channel === at?.code);
  const here = at && block ? dashOf(block, at.nozzle) : undefined;

  function pick(event: PointerEvent<SVGSVGElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = Math.min(box.width / view.width, box.height / view.height);
    const x = view.x + (event.clientX - box.left - (box.width - view.width * scale) / 2) / scale;
    const y = view.y + (event.clientY - box.top - (box.height - view.height * scale) / 2) / scale;
    for (const candidate of layout.blocks) {
      const nozzle = nozzleAt(candidate, x, y);
      if (nozzle !== undefined) {
        onPick?.({ code: candidate.channel, nozzle });
      }
    }
  }

  return (
    <Box
      component="svg"
      role="img"
      aria-label={label}
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      onPointerDown={onPick && pick}
      sx={{ width: '100%', height: '100%', display: 'block', cursor: onPick ? 'crosshair' : 'default' }}
    >
      <image href={sheet} width={layout.widthMm} height={layout.heightMm} preserveAspectRatio="none" />
      <g opacity={overlay}>
        {layout.blocks.map((b) => (
          <Verdicts key={b.channel} block={b} states={reading[b.channel] ?? ''} />
        ))}
      </g>
      {here && (
        <rect
          x={here.x - 0.5}
          y={here.y - 0.5}
          width={here.width + 1}
          height={here.height + 1}
          fill="none"
          stroke={vars.palette.primary.main}
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
    </Box>
  );
}

/**
 * A verdict is drawn beside its dash, so that the dash itself stays to be seen: a line for firing, half a line for
 * weak, a slanted one for deflected, an open frame for missing, a dotted frame for unread.
 */
const Verdicts = memo(function Verdicts({ block, states }: { block: Block; states: string }) {
  const { vars } = useTheme();
  const marks = useMemo(() => {
    const paths = { line: '', missing: '', unread: '' };
    for (let n = 1; n <= states.length; n++) {
      const { x, y, width, height } = dashOf(block, n);
      const across = block.direction === 'ACROSS';
      const state = states[n - 1];
      if (state === 'M' || state === 'U') {
        paths[state === 'M' ? 'missing' : 'unread'] += `M${x} ${y}h${width}v${height}h${-width}z`;
      } else if (across) {
        const length = state === 'W' ? width / 2 : width;
        paths.line += `M${x} ${y + height + 0.08}l${length} ${state === 'D' ? -height : 0}`;
      } else {
        const length = state === 'W' ? height / 2 : height;
        paths.line += `M${x + width + 0.08} ${y}l${state === 'D' ? -width : 0} ${length}`;
      }
    }
    return paths;
  }, [block, states]);
  return (
    <g fill="none">
      <path d={marks.line} stroke="#0b7a4b" strokeWidth={0.14} />
      <path d={marks.missing} stroke={vars.palette.error.main} strokeWidth={0.2} />
      <path d={marks.unread} stroke="#5b2ca0" strokeWidth={0.24} strokeDasharray="0.35 0.3" />
    </g>
  );
});
