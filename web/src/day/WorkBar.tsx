import { Box, ButtonBase } from '@mui/material';
import { Pin as PinIcon } from 'lucide-react';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { DayHead, DayWork } from '../api/types';
import { hour } from '../bench/time';
import { word } from '../words/words';
import { isOn, placeOn, shifted, type Axis } from './dayTime';
import { along } from './Lane';

const STEP = 5;
const FAR = 30;
/** A tap that trembles is no drag, px. */
const DRAG = 6;
export const BAR = 48;
const SHORT = 6 * 60_000;

/** Where a step is moved to, before it is wanted there. */
export interface Wanted {
  from: number;
  /** Rows down from where it is. */
  rows: number;
}

interface Props {
  head: DayHead;
  work: DayWork;
  axis: Axis;
  /** Who does it, and who could; in the order of the rows. */
  people: { id: string; name: string }[];
  row: number;
  rowHeight: number;
  isChosen: boolean;
  isOfChosen: boolean;
  mayPin: boolean;
  choose: () => void;
  pin: (personId: string, at: number) => void;
}

/** What a step is called aloud. */
export function spoken(head: DayHead, work: DayWork): string {
  const doing = word('doing', work.doing);
  return work.method
    ? `${head.tag}: ${word('method', work.method)}, ${doing.charAt(0).toLowerCase()}${doing.slice(1)}`
    : `${head.tag}: ${doing}`;
}

/** One stretch of hands: tapped to see it, dragged or moved by arrow keys to another time or person. */
export function WorkBar(props: Props) {
  const { head, work, axis, people, row } = props;
  const [wanted, setWanted] = useState<Wanted | null>(null);
  const grip = useRef<{ x: number; y: number; perPx: number } | null>(null);
  const from = Date.parse(work.from);
  const length = Date.parse(work.until) - from;
  const at = wanted?.from ?? from;
  const target = Math.min(people.length - 1, Math.max(0, row + (wanted?.rows ?? 0)));
  const mayMove = props.mayPin && !work.begun;
  if (!isOn(axis, at, at + length)) {
    return null;
  }
  const settle = () => {
    if (wanted && (wanted.from !== from || target !== row)) {
      props.pin(people[target].id, wanted.from);
    }
    setWanted(null);
  };
  // What is moved stays in sight.
  const within = (to: number) => Math.max(axis.from, Math.min(axis.until - length, to));
  const move = (minutes: number, rows: number) =>
    setWanted((before) => ({
      from: minutes === 0 ? (before?.from ?? from) : within(shifted(before?.from ?? from, minutes)),
      rows: Math.min(people.length - 1 - row, Math.max(-row, (before?.rows ?? 0) + rows)),
    }));
  const press = (event: KeyboardEvent) => {
    const far = event.shiftKey ? FAR : STEP;
    const moves: Record<string, () => void> = {
      ArrowLeft: () => move(-far, 0),
      ArrowRight: () => move(far, 0),
      ArrowUp: () => move(0, -1),
      ArrowDown: () => move(0, 1),
    };
    if (mayMove && moves[event.key]) {
      event.preventDefault();
      props.choose();
      moves[event.key]();
    } else if (wanted && event.key === 'Enter') {
      event.preventDefault();
      settle();
    } else if (wanted && event.key === 'Escape') {
      event.preventDefault();
      setWanted(null);
    }
  };
  const drag = (event: PointerEvent<HTMLElement>) => {
    const start = grip.current;
    if (!start || !mayMove) {
      return;
    }
    const dx = event.clientX - start.x;
    const dy = event.clientY - start.y;
    if (wanted || Math.abs(dx) > DRAG || Math.abs(dy) > DRAG) {
      setWanted({
        from: within(shifted(from, (dx * start.perPx) / 60_000)),
        rows: Math.round(dy / props.rowHeight),
      });
    }
  };
  const said = wanted
    ? `${hour(new Date(at).toISOString())}, ${people[target].name}. Enter pins it here, Escape leaves it.`
    : `${spoken(head, work)}, ${hour(work.from)} to ${hour(work.until)}${work.pinned ? ', pinned' : ''}${work.begun ? ', in hand' : ''}`;
  return (
    <>
      <ButtonBase
        aria-label={said}
        aria-pressed={props.isChosen}
        title={said}
        onClick={() => !wanted && props.choose()}
        onKeyDown={press}
        onPointerDown={(event) => {
          const lane = event.currentTarget.parentElement;
          if (lane && mayMove) {
            event.currentTarget.setPointerCapture?.(event.pointerId);
            grip.current = {
              x: event.clientX,
              y: event.clientY,
              perPx: (axis.until - axis.from) / Math.max(1, lane.clientWidth),
            };
          }
        }}
        onPointerMove={drag}
        onPointerUp={() => {
          grip.current = null;
          settle();
        }}
        onPointerCancel={() => {
          grip.current = null;
          setWanted(null);
        }}
        onBlur={() => !grip.current && setWanted(null)}
        sx={{
          ...along(axis, at, at + length),
          top: 4 + (target - row) * props.rowHeight,
          height: BAR,
          minWidth: 10,
          // A short one lies above what follows it, or it could not be tapped.
          zIndex: wanted ? 3 : length < SHORT ? 2 : 1,
          borderRadius: 0.5,
          justifyContent: 'flex-start',
          overflow: 'hidden',
          containerType: 'inline-size',
          touchAction: mayMove ? 'none' : 'auto',
          cursor: mayMove ? 'grab' : 'pointer',
          fontSize: '1rem',
          fontWeight: 650,
          color: props.isOfChosen ? 'due.contrastText' : 'primary.contrastText',
          bgcolor: props.isOfChosen ? 'due.main' : 'primary.main',
          boxShadow: (t) => `inset 0 0 0 1px ${t.vars.palette.background.paper}`,
          outline: wanted ? '3px dashed' : undefined,
          '@container (max-width: 60px)': { '& .tag': { display: 'none' } },
          '@container (max-width: 84px)': { '& .tag + svg': { display: 'none' } },
        }}
      >
        <Box component="span" className="tag" sx={{ pl: 0.75, whiteSpace: 'nowrap' }}>
          {head.tag}
        </Box>
        {work.pinned && <PinIcon size={18} aria-hidden style={{ marginLeft: 4 }} />}
      </ButtonBase>
      {wanted && (
        <Box
          role="status"
          sx={{
            position: 'absolute',
            ...(placeOn(axis, at) < 0.5
              ? { left: `${placeOn(axis, at) * 100}%` }
              : { right: `${100 - placeOn(axis, at + length) * 100}%` }),
            top: 4 + (target - row) * props.rowHeight - 26,
            zIndex: 4,
            px: 1,
            bgcolor: 'background.paper',
            border: '1px solid',
            borderColor: 'line',
            whiteSpace: 'nowrap',
            pointerEvents: 'none',
          }}
        >
          {said}
        </Box>
      )}
    </>
  );
}
