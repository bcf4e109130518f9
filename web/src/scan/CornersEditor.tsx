import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { http, Problem } from '../api/http';
import type { Point, Scan } from '../api/types';
import { planeThrough } from './geometry';

const NAMES = ['Top left', 'Top right', 'Bottom right', 'Bottom left'];

/** Handles stay reachable for a gloved finger whatever the picture's size. */
const HANDLE_SHARE = 0.022;

interface Props {
  visitId: string;
  scan: Scan;
  done: (scan: Scan) => void;
  cancel?: () => void;
}

function startOf(scan: Scan): Point[] {
  const placed = scan.byHand?.sheet ?? scan.result.fit?.corners;
  if (placed && placed.length === 4) {
    return placed;
  }
  const [w, h] = [scan.widthPx, scan.heightPx];
  const inset = 0.04;
  return [
    { x: w * inset, y: h * inset },
    { x: w * (1 - inset), y: h * inset },
    { x: w * (1 - inset), y: h * (1 - inset) },
    { x: w * inset, y: h * (1 - inset) },
  ];
}

/** Four handles on the picture as it came in; the layout's blocks are laid over it while they move. */
export function CornersEditor({ visitId, scan, done, cancel }: Props) {
  const { vars } = useTheme();
  const [corners, setCorners] = useState<Point[]>(() => startOf(scan));
  const [active, setActive] = useState(0);
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const frame = useRef<SVGSVGElement>(null);
  const dragged = useRef<number>(undefined);
  const preview = `/api/visits/${visitId}/scans/${scan.id}/preview`;
  const side = Math.max(scan.widthPx, scan.heightPx);
  const radius = side * HANDLE_SHARE;
  const plane = planeThrough(scan.layout.widthMm, scan.layout.heightMm, corners);

  function move(index: number, to: Point) {
    setCorners(corners.map((corner, i) => (i === index ? to : corner)));
  }

  function placeOf(event: PointerEvent): Point | undefined {
    const matrix = frame.current?.getScreenCTM();
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

  function turn() {
    setCorners([...corners.slice(1), corners[0]]);
  }

  async function read() {
    if (isBusy) {
      return;
    }
    setBusy(true);
    setProblem(undefined);
    try {
      done(await http.put<Scan>(`/api/visits/${visitId}/scans/${scan.id}/corners`, { sheet: corners }));
    } catch (error) {
      setProblem(error instanceof Problem ? (error.errors[0]?.message ?? error.message) : 'Try again.');
    } finally {
      setBusy(false);
    }
  }

  const outline = (points: Point[]) => `M${points.map((p) => `${p.x} ${p.y}`).join('L')}Z`;
  const zoom = side / 14;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 300px' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ height: { xs: 420, md: 560 }, bgcolor: 'background.default' }}>
        <Box
          component="svg"
          ref={frame}
          viewBox={`0 0 ${scan.widthPx} ${scan.heightPx}`}
          onPointerMove={(event: PointerEvent) => {
            const to = dragged.current !== undefined && placeOf(event);
            if (to && dragged.current !== undefined) {
              move(dragged.current, to);
            }
          }}
          onPointerUp={() => (dragged.current = undefined)}
          onPointerLeave={() => (dragged.current = undefined)}
          sx={{ width: '100%', height: '100%', display: 'block', touchAction: 'none', overflow: 'visible' }}
        >
          <image href={preview} width={scan.widthPx} height={scan.heightPx} preserveAspectRatio="none" />
          {plane &&
            scan.layout.blocks.map((block) => (
              <path
                key={block.channel}
                d={outline([
                  plane(block.xMm, block.yMm),
                  plane(block.xMm + block.widthMm, block.yMm),
                  plane(block.xMm + block.widthMm, block.yMm + block.heightMm),
                  plane(block.xMm, block.yMm + block.heightMm),
                ])}
                fill="none"
                stroke={vars.palette.primary.main}
                strokeWidth={side / 500}
                strokeDasharray={`${side / 120} ${side / 200}`}
              />
            ))}
          <path d={outline(corners)} fill="none" stroke={vars.palette.error.main} strokeWidth={side / 400} />
          {corners.map((corner, i) => (
            <g
              key={NAMES[i]}
              role="slider"
              tabIndex={0}
              aria-label={`${NAMES[i]} corner`}
              aria-valuenow={Math.round(corner.x)}
              aria-valuetext={`${Math.round(corner.x)}, ${Math.round(corner.y)} pixels`}
              onFocus={() => setActive(i)}
              onKeyDown={press(i)}
              onPointerDown={(event) => {
                event.currentTarget.ownerSVGElement?.setPointerCapture?.(event.pointerId);
                dragged.current = i;
                setActive(i);
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
      </Box>
      <Stack spacing={1.5}>
        <Typography>
          Put corner 1 on the sheet&rsquo;s own top left and go round clockwise. The dashed frames are where
          the layout expects its blocks.
        </Typography>
        <Typography color="text.secondary">
          Tab reaches a corner, arrows move it by a pixel, with Shift farther.
        </Typography>
        <Typography sx={{ fontWeight: 650 }}>{NAMES[active]} corner, enlarged</Typography>
        <Box
          component="svg"
          aria-hidden
          viewBox={`${corners[active].x - zoom / 2} ${corners[active].y - zoom / 2} ${zoom} ${zoom}`}
          sx={{ width: '100%', maxWidth: 300, aspectRatio: '1', bgcolor: 'background.default' }}
        >
          <image href={preview} width={scan.widthPx} height={scan.heightPx} preserveAspectRatio="none" />
          <path
            d={`M${corners[active].x - zoom} ${corners[active].y}h${2 * zoom}M${corners[active].x} ${corners[active].y - zoom}v${2 * zoom}`}
            stroke={vars.palette.error.main}
            strokeWidth={zoom / 150}
          />
        </Box>
        <Button variant="outlined" onClick={turn}>
          Turn the numbers by one corner
        </Button>
        {!plane && <Alert severity="warning">The corners lie on a line. Pull them apart.</Alert>}
        {problem && (
          <Alert severity="error" role="alert">
            {problem}
          </Alert>
        )}
        <Button
          variant="contained"
          size="large"
          loading={isBusy}
          disabled={!plane}
          onClick={() => void read()}
        >
          Read with these corners
        </Button>
        {cancel && (
          <Button size="large" onClick={cancel}>
            Leave them as they were
          </Button>
        )}
      </Stack>
    </Box>
  );
}
