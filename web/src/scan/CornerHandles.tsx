import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Point } from '../api/types';
import type { Frame } from './corners';

export const CORNERS = ['Top left', 'Top right', 'Bottom right', 'Bottom left'];

/** Handles stay reachable for a gloved finger whatever the picture's size. */
const HANDLE_SHARE = 0.022;

interface Props {
  picture: string;
  widthPx: number;
  heightPx: number;
  frame: Frame;
  corners: Point[];
  /** Frames drawn for comparison. */
  outlines: Point[][];
  change: (corners: Point[]) => void;
  activate: (index: number) => void;
}

/** Four handles on the picture as it came in, to be dragged or moved by keys. */
export function CornerHandles(props: Props) {
  const { picture, widthPx, heightPx, frame, corners, outlines, change, activate } = props;
  const { vars } = useTheme();
  const drawing = useRef<SVGSVGElement>(null);
  const dragged = useRef<number>(undefined);
  const side = Math.max(frame.width, frame.height);
  const radius = side * HANDLE_SHARE;

  function move(index: number, to: Point) {
    change(corners.map((corner, i) => (i === index ? to : corner)));
  }

  function placeOf(event: PointerEvent): Point | undefined {
    const matrix = drawing.current?.getScreenCTM();
    if (!matrix) {
      return undefined;
    }
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x: point.x, y: point.y };
  }

  function press(index: number) {
    return (event: KeyboardEvent) => {
      const ways: Record<string, [number, number]> = {
        ArrowLeft: [-1, 0],
        ArrowRight: [1, 0],
        ArrowUp: [0, -1],
        ArrowDown: [0, 1],
      };
      const way = ways[event.key];
      if (way) {
        event.preventDefault();
        const by = event.shiftKey ? side / 100 : 1;
        move(index, { x: corners[index].x + way[0] * by, y: corners[index].y + way[1] * by });
      }
    };
  }

  return (
    <Box
      component="svg"
      ref={drawing}
      viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
      onPointerMove={(event: PointerEvent) => {
        const to = dragged.current !== undefined && placeOf(event);
        if (to && dragged.current !== undefined) {
          move(dragged.current, to);
        }
      }}
      onPointerUp={() => (dragged.current = undefined)}
      onPointerLeave={() => (dragged.current = undefined)}
      sx={{ width: '100%', height: '100%', display: 'block', touchAction: 'none', overflow: 'hidden' }}
    >
      <image href={picture} width={widthPx} height={heightPx} preserveAspectRatio="none" />
      {outlines.map((points, i) => (
        <path
          key={i}
          d={outline(points)}
          fill="none"
          stroke={vars.palette.primary.main}
          strokeWidth={side / 500}
          strokeDasharray={`${side / 120} ${side / 200}`}
        />
      ))}
      <path d={outline(corners)} fill="none" stroke={vars.palette.error.main} strokeWidth={side / 400} />
      {corners.map((corner, i) => (
        <g
          key={CORNERS[i]}
          role="slider"
          tabIndex={0}
          aria-label={`${CORNERS[i]} corner`}
          aria-valuenow={Math.round(corner.x)}
          aria-valuetext={`${Math.round(corner.x)}, ${Math.round(corner.y)} pixels`}
          onFocus={() => activate(i)}
          onKeyDown={press(i)}
          onPointerDown={(event) => {
            event.currentTarget.ownerSVGElement?.setPointerCapture?.(event.pointerId);
            dragged.current = i;
            activate(i);
          }}
          style={{ cursor: 'grab' }}
        >
          <circle
            cx={corner.x}
            cy={corner.y}
            r={radius}
            fill="rgba(255,255,255,0.35)"
            stroke={vars.palette.error.main}
            strokeWidth={side / 300}
          />
          <text
            x={corner.x}
            y={corner.y + radius * 0.35}
            fontSize={radius}
            textAnchor="middle"
            fill="#7a0f1d"
            fontWeight={800}
          >
            {i + 1}
          </text>
        </g>
      ))}
    </Box>
  );
}

function outline(points: Point[]): string {
  return `M${points.map((p) => `${p.x} ${p.y}`).join('L')}Z`;
}
