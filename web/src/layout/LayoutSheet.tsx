import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Block, CheckLayout } from '../api/types';
import { dashOf } from '../scan/geometry';
import { tenth } from './layoutForm';

interface Props {
  layout: CheckLayout;
  /** Address of a scan that fills the sheet, to place the blocks on. */
  backdrop?: string;
  active?: string;
  onActive?: (code: string) => void;
  onMove?: (code: string, xMm: number, yMm: number) => void;
}

/** The sheet with its blocks and dashes; a block is pulled with the finger or moved by the arrow keys. */
export function LayoutSheet({ layout, backdrop, active, onActive, onMove }: Props) {
  const { vars } = useTheme();
  const frame = useRef<SVGSVGElement>(null);
  const grip = useRef<{ code: string; dx: number; dy: number }>(undefined);

  function place(event: PointerEvent) {
    const matrix = frame.current?.getScreenCTM();
    return matrix && new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
  }

  function take(block: Block) {
    return (event: PointerEvent) => {
      const at = place(event);
      onActive?.(block.channel);
      if (at && onMove) {
        grip.current = { code: block.channel, dx: at.x - block.xMm, dy: at.y - block.yMm };
      }
    };
  }

  function drag(event: PointerEvent) {
    const at = grip.current && place(event);
    if (at && grip.current) {
      onMove?.(grip.current.code, tenth(at.x - grip.current.dx), tenth(at.y - grip.current.dy));
    }
  }

  function press(block: Block) {
    return (event: KeyboardEvent) => {
      const by = event.shiftKey ? 5 : 0.1;
      const ways: Record<string, [number, number]> = {
        ArrowLeft: [-by, 0],
        ArrowRight: [by, 0],
        ArrowUp: [0, -by],
        ArrowDown: [0, by],
      };
      const way = ways[event.key];
      if (way && onMove) {
        event.preventDefault();
        onMove(block.channel, tenth(block.xMm + way[0]), tenth(block.yMm + way[1]));
      }
    };
  }

  const release = () => (grip.current = undefined);
  return (
    <Box
      component="svg"
      ref={frame}
      viewBox={`-1 -1 ${layout.widthMm + 2} ${layout.heightMm + 2}`}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerLeave={release}
      sx={{ width: '100%', maxHeight: 760, display: 'block', touchAction: onMove ? 'none' : 'auto' }}
    >
      <rect
        width={layout.widthMm}
        height={layout.heightMm}
        fill="#f6f6f3"
        stroke="#8a8a84"
        strokeWidth={0.4}
      />
      {backdrop && (
        <image
          href={backdrop}
          width={layout.widthMm}
          height={layout.heightMm}
          preserveAspectRatio="none"
          opacity={0.75}
        />
      )}
      {layout.marks && <Marks layout={layout} />}
      {layout.blocks.map((block) => (
        <g
          key={block.channel}
          role={onMove ? 'slider' : 'img'}
          tabIndex={onMove ? 0 : undefined}
          aria-label={`Block ${block.channel}`}
          aria-valuenow={onMove ? block.xMm : undefined}
          aria-valuetext={onMove ? `${block.xMm} mm across, ${block.yMm} mm down` : undefined}
          onPointerDown={take(block)}
          onFocus={() => onActive?.(block.channel)}
          onKeyDown={press(block)}
          style={{ cursor: onMove ? 'grab' : undefined }}
        >
          <rect
            x={block.xMm}
            y={block.yMm}
            width={Math.max(0, block.widthMm)}
            height={Math.max(0, block.heightMm)}
            fill={block.paper === 'WHITE' ? 'rgba(255,255,255,0.25)' : '#3a3e45'}
            stroke={active === block.channel ? vars.palette.error.main : '#4a4a46'}
            strokeWidth={active === block.channel ? 0.9 : 0.3}
          />
          <path d={dashes(block)} stroke={block.ink} strokeWidth={0.35} fill="none" />
          <text x={block.xMm} y={block.yMm - 1.2} fontSize={5} fontWeight={700} fill="#1d2126">
            {block.channel}
          </text>
        </g>
      ))}
    </Box>
  );
}

function Marks({ layout }: { layout: CheckLayout }) {
  const { sizeMm, insetMm } = layout.marks ?? { sizeMm: 0, insetMm: 0 };
  const far = insetMm + sizeMm;
  return (
    <g fill="#17181a">
      {[insetMm, layout.widthMm - far].flatMap((x) =>
        [insetMm, layout.heightMm - far].map((y) => (
          <rect key={`${x} ${y}`} x={x} y={y} width={sizeMm} height={sizeMm} />
        )),
      )}
    </g>
  );
}

function dashes(block: Block): string {
  const count = block.stairs * block.steps;
  if (!(count >= 1 && count <= 4096)) {
    return '';
  }
  let path = '';
  for (let nozzle = 1; nozzle <= count; nozzle++) {
    const { x, y, width, height } = dashOf(block, nozzle);
    path +=
      block.direction === 'ACROSS' ? `M${x} ${y + height / 2}h${width}` : `M${x + width / 2} ${y}v${height}`;
  }
  return path;
}
