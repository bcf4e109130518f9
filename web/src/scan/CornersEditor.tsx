import { Alert, Box, Button, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useState } from 'react';
import { answer, api, Problem } from '../api/http';
import type { Point, Scan } from '../api/types';
import { CornerHandles, CORNERS } from './CornerHandles';
import {
  blockBySheet,
  frameOf,
  moved,
  startOf,
  toSend,
  withoutBlock,
  type Frame,
  type Placed,
  type Target,
} from './corners';
import { planeThrough } from './geometry';

const SHEET = 'sheet';

interface Props {
  visitId: string;
  scan: Scan;
  done: (scan: Scan) => void;
  cancel?: () => void;
}

/** Corners by hand: of the sheet, with the layout's blocks laid over it while they move, or of a block that lies askew. */
export function CornersEditor({ visitId, scan, done, cancel }: Props) {
  const [placed, setPlaced] = useState<Placed>(() => startOf(scan));
  const [target, setTarget] = useState<Target>();
  const [frame, setFrame] = useState<Frame>(() => frameOf(scan, undefined, []));
  const [active, setActive] = useState(0);
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const preview = `/api/visits/${visitId}/scans/${scan.id}/preview`;
  const plane = planeThrough(scan.layout.widthMm, scan.layout.heightMm, placed.sheet);

  function cornersOf(wanted: Target): Point[] {
    const block = scan.layout.blocks.find((b) => b.channel === wanted);
    return block && plane ? (placed.blocks[block.channel] ?? blockBySheet(plane, block)) : placed.sheet;
  }

  function aim(wanted: Target) {
    setTarget(wanted);
    setFrame(frameOf(scan, wanted, cornersOf(wanted)));
    setActive(0);
  }

  const corners = cornersOf(target);
  const change = (to: Point[]) => setPlaced(moved(placed, target, to));

  async function read() {
    if (isBusy) {
      return;
    }
    setBusy(true);
    setProblem(undefined);
    try {
      done(
        await answer(
          api.PUT('/api/visits/{visitId}/scans/{id}/corners', {
            params: { path: { visitId, id: scan.id } },
            body: toSend(placed),
          }),
        ),
      );
    } catch (error) {
      setProblem(error instanceof Problem ? (error.errors[0]?.message ?? error.message) : 'Try again.');
    } finally {
      setBusy(false);
    }
  }

  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 300px' },
        alignItems: 'start',
      }}
    >
      <Stack spacing={1.5}>
        <ToggleButtonGroup
          exclusive
          aria-label="Whose corners"
          value={target ?? SHEET}
          onChange={(_, next: string | null) => next && aim(next === SHEET ? undefined : next)}
          sx={{ flexWrap: 'wrap' }}
        >
          <ToggleButton value={SHEET}>Sheet</ToggleButton>
          {scan.layout.blocks.map(({ channel }) => (
            <ToggleButton key={channel} value={channel} disabled={!plane}>
              {channel}
              {placed.blocks[channel] ? ', placed' : ''}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Box sx={{ height: { xs: 420, md: 560 }, bgcolor: 'background.default' }}>
          <CornerHandles
            picture={preview}
            widthPx={scan.widthPx}
            heightPx={scan.heightPx}
            frame={frame}
            corners={corners}
            outlines={
              plane && target === undefined
                ? scan.layout.blocks.map((b) => placed.blocks[b.channel] ?? blockBySheet(plane, b))
                : []
            }
            change={change}
            activate={setActive}
          />
        </Box>
      </Stack>
      <Stack spacing={1.5}>
        <Typography>
          {target === undefined
            ? 'Put corner 1 on the sheet’s own top left and go round clockwise. The dashed frames are where the layout expects its blocks.'
            : `Put the frame around the dashes of ${target}: corner 1 on the top left as the sheet stands, then clockwise. The other blocks go by the sheet.`}
        </Typography>
        <Typography color="text.secondary">
          Tab reaches a corner, arrows move it by a pixel, with Shift farther.
        </Typography>
        <Typography sx={{ fontWeight: 650 }}>{CORNERS[active]} corner, enlarged</Typography>
        <Enlarged
          picture={preview}
          scan={scan}
          at={corners[active]}
          side={Math.max(frame.width, frame.height) / 14}
        />
        {target === undefined ? (
          <Button variant="outlined" onClick={() => change([...corners.slice(1), corners[0]])}>
            Turn the numbers by one corner
          </Button>
        ) : (
          placed.blocks[target] && (
            <Button variant="outlined" onClick={() => setPlaced(withoutBlock(placed, target))}>
              Let {target} go by the sheet
            </Button>
          )
        )}
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

/** What lies under a corner. */
function Enlarged({ picture, scan, at, side }: { picture: string; scan: Scan; at: Point; side: number }) {
  const { vars } = useTheme();
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox={`${at.x - side / 2} ${at.y - side / 2} ${side} ${side}`}
      sx={{ width: '100%', maxWidth: 300, aspectRatio: '1', bgcolor: 'background.default' }}
    >
      <image href={picture} width={scan.widthPx} height={scan.heightPx} preserveAspectRatio="none" />
      <path
        d={`M${at.x - side} ${at.y}h${2 * side}M${at.x} ${at.y - side}v${2 * side}`}
        stroke={vars.palette.error.main}
        strokeWidth={side / 150}
      />
    </Box>
  );
}
