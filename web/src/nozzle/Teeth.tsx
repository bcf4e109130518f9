import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { memo, useEffect, useId, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Channel } from '../api/types';
import { word } from '../words/words';
import { STATE_OF, tooth, type Letter } from './comb';

const TOOTH_PX = 48;
const ROW_PX = 62;

interface Props {
  channel: Channel;
  /** Steps of a stair of the check layout; a row holds whole stairs where they fit, as on the printed check. */
  steps: number;
  reading: string;
  brush: Letter;
  onPaint: (nozzles: number[], letter: Letter, isDrag: boolean) => void;
  onDragEnd: () => void;
}

/** A channel large: a tooth for each nozzle, tapped, dragged over, or set by the letters of the states. */
export function Teeth({ channel, steps, reading, brush, onPaint, onDragEnd }: Props) {
  const id = useId();
  const list = useRef<HTMLDivElement>(null);
  const [perRow, setPerRow] = useState(steps);
  const [cursor, setCursor] = useState(1);
  const [anchor, setAnchor] = useState<number>();
  const painting = useRef<{ letter: Letter; last: number }>(undefined);

  useEffect(() => {
    const element = list.current;
    if (!element) {
      return;
    }
    const watch = new ResizeObserver(() => {
      const fits = Math.max(4, Math.floor(element.clientWidth / TOOTH_PX));
      setPerRow(fits >= steps ? Math.floor(fits / steps) * steps : fits);
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [steps]);

  function nozzleAt(event: PointerEvent): number | undefined {
    const hit = document
      .elementFromPoint(event.clientX, event.clientY)
      ?.closest<HTMLElement>('[data-nozzle]');
    return hit && list.current?.contains(hit) ? Number(hit.dataset.nozzle) : undefined;
  }

  function begin(event: PointerEvent) {
    const nozzle = nozzleAt(event);
    if (nozzle === undefined || event.button !== 0) {
      return;
    }
    // A tap on a tooth that has the state already takes it back to firing.
    const letter: Letter = reading[nozzle - 1] === brush && brush !== 'F' ? 'F' : brush;
    painting.current = { letter, last: nozzle };
    setCursor(nozzle);
    setAnchor(undefined);
    onPaint([nozzle], letter, true);
  }

  function drag(event: PointerEvent) {
    const stroke = painting.current;
    const nozzle = stroke && nozzleAt(event);
    if (!stroke || nozzle === undefined || nozzle === stroke.last) {
      return;
    }
    // A fast hand skips teeth: everything between the last one and this one is meant.
    onPaint(between(stroke.last, nozzle), stroke.letter, true);
    stroke.last = nozzle;
    setCursor(nozzle);
  }

  function end() {
    if (painting.current) {
      painting.current = undefined;
      onDragEnd();
    }
  }

  function press(event: KeyboardEvent) {
    const steps: Record<string, number> = {
      ArrowRight: 1,
      ArrowLeft: -1,
      ArrowDown: perRow,
      ArrowUp: -perRow,
      Home: -reading.length,
      End: reading.length,
    };
    const by = steps[event.key];
    if (by !== undefined) {
      event.preventDefault();
      setAnchor(event.shiftKey ? (anchor ?? cursor) : undefined);
      setCursor(Math.min(reading.length, Math.max(1, cursor + by)));
      return;
    }
    const letter =
      event.key === ' '
        ? reading[cursor - 1] === brush && brush !== 'F'
          ? 'F'
          : brush
        : event.key.toUpperCase();
    if (letter in STATE_OF && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      onPaint(between(anchor ?? cursor, cursor), letter as Letter, false);
      setCursor(Math.min(reading.length, Math.max(anchor ?? cursor, cursor) + (event.key === ' ' ? 0 : 1)));
      setAnchor(undefined);
    }
  }

  const rows = Array.from({ length: Math.ceil(reading.length / perRow) }, (_, row) => row * perRow + 1);
  const [from, to] = [Math.min(anchor ?? cursor, cursor), Math.max(anchor ?? cursor, cursor)];
  return (
    <Box
      ref={list}
      role="listbox"
      tabIndex={0}
      aria-label={`Nozzles of ${channel.colour}`}
      aria-activedescendant={`${id}-${cursor}`}
      aria-multiselectable
      onKeyDown={press}
      onPointerDown={begin}
      onPointerMove={drag}
      onPointerUp={end}
      onPointerLeave={end}
      onPointerCancel={end}
      sx={{ touchAction: 'pan-y', userSelect: 'none', cursor: 'crosshair' }}
    >
      {rows.map((first) => {
        const length = Math.min(perRow, reading.length - first + 1);
        return (
          <Row
            key={first}
            idPrefix={id}
            first={first}
            letters={reading.slice(first - 1, first - 1 + length)}
            ink={channel.ink}
            markFrom={to < first || from >= first + length ? 0 : Math.max(from, first)}
            markTo={to < first || from >= first + length ? 0 : Math.min(to, first + length - 1)}
          />
        );
      })}
    </Box>
  );
}

function between(a: number, b: number): number[] {
  const [first, last] = a < b ? [a, b] : [b, a];
  return Array.from({ length: last - first + 1 }, (_, i) => first + i);
}

interface RowProps {
  idPrefix: string;
  first: number;
  letters: string;
  ink: string;
  markFrom: number;
  markTo: number;
}

/** One row of teeth; drawn anew only when a letter or the cursor in it changes. */
const Row = memo(function Row({ idPrefix, first, letters, ink, markFrom, markTo }: RowProps) {
  const { vars } = useTheme();
  return (
    <Box sx={{ display: 'flex', height: ROW_PX }}>
      {letters.split('').map((letter, i) => {
        const nozzle = first + i;
        const isMarked = nozzle >= markFrom && nozzle <= markTo;
        return (
          <div
            key={nozzle}
            id={`${idPrefix}-${nozzle}`}
            data-nozzle={nozzle}
            role="option"
            aria-selected={isMarked}
            aria-label={`${nozzle} ${word('state', STATE_OF[letter as Letter])}`}
            style={{
              width: TOOTH_PX,
              height: ROW_PX,
              background: isMarked ? vars.palette.background.default : undefined,
              boxShadow: isMarked ? `inset 0 0 0 2px ${vars.palette.primary.main}` : undefined,
            }}
          >
            <svg
              aria-hidden
              width={TOOTH_PX}
              height={ROW_PX}
              viewBox="0 0 48 62"
              fill="none"
              style={{ display: 'block' }}
            >
              <rect width={48} height={7} fill={ink} />
              {letter !== 'M' && (
                <path
                  d={tooth(letter, 24, 7, 34, 14, 1)}
                  stroke={vars.palette.comb}
                  strokeWidth={8}
                  strokeDasharray={letter === 'U' ? '4 5' : undefined}
                />
              )}
              <text
                x={24}
                y={57}
                textAnchor="middle"
                fontSize={14}
                fontWeight={letter === 'M' ? 800 : 400}
                fill={vars.palette.text.primary}
              >
                {nozzle}
              </text>
            </svg>
          </div>
        );
      })}
    </Box>
  );
});
