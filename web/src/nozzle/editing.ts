import type { Letter } from './comb';

/** A reading being edited: one text a channel. */
export type Reading = Record<string, string>;

export interface Editing {
  reading: Reading;
  /** Earlier readings, the newest last. */
  undo: Reading[];
  redo: Reading[];
  /** Whether the last change was part of a drag that still goes on; the whole drag is one step. */
  isDragging: boolean;
}

export type Edit =
  | { kind: 'paint'; channel: string; nozzles: number[]; letter: Letter; isDrag?: boolean }
  | { kind: 'said'; channel: string; nozzles: number[]; letter: Letter }
  | { kind: 'fill'; channels: string[]; letter: Letter }
  | { kind: 'restFires' }
  | { kind: 'startFrom'; reading: Reading }
  | { kind: 'replace'; reading: Reading }
  | { kind: 'dragEnd' }
  | { kind: 'undo' }
  | { kind: 'redo' };

const KEPT_STEPS = 200;

/** Channels of a reading that still stand as the last check had them: what is said of one of them replaces it. */
const TAKEN_OVER = new WeakMap<Reading, readonly string[]>();

export function isTakenOver(reading: Reading, channel: string): boolean {
  return TAKEN_OVER.get(reading)?.includes(channel) ?? false;
}

export function startEditing(reading: Reading): Editing {
  return { reading, undo: [], redo: [], isDragging: false };
}

/** Letters with some nozzles (numbered from 1) set; the rest stays. */
export function setNozzles(text: string, nozzles: Iterable<number>, letter: string): string {
  const letters = text.split('');
  for (const nozzle of nozzles) {
    if (nozzle >= 1 && nozzle <= letters.length) {
      letters[nozzle - 1] = letter;
    }
  }
  return letters.join('');
}

export function edit(state: Editing, change: Edit): Editing {
  switch (change.kind) {
    case 'undo':
      return state.undo.length === 0
        ? state
        : {
            reading: state.undo[state.undo.length - 1],
            undo: state.undo.slice(0, -1),
            redo: [...state.redo, state.reading],
            isDragging: false,
          };
    case 'redo':
      return state.redo.length === 0
        ? state
        : {
            reading: state.redo[state.redo.length - 1],
            undo: [...state.undo, state.reading],
            redo: state.redo.slice(0, -1),
            isDragging: false,
          };
    case 'dragEnd':
      return state.isDragging ? { ...state, isDragging: false } : state;
    case 'paint':
      return step(
        state,
        changed(state.reading, change.channel, (text) => setNozzles(text, change.nozzles, change.letter)),
        change.isDrag ?? false,
      );
    case 'said':
      return step(
        state,
        changed(state.reading, change.channel, (text) => {
          const start = isTakenOver(state.reading, change.channel)
            ? 'F'.repeat(text.length)
            : change.letter === 'U'
              ? text
              : text.replaceAll('U', 'F');
          return setNozzles(start, change.nozzles, change.letter);
        }),
      );
    case 'fill':
      return step(
        state,
        change.channels.reduce(
          (reading, code) => changed(reading, code, (text) => change.letter.repeat(text.length)),
          state.reading,
        ),
      );
    case 'restFires':
      return step(
        state,
        Object.keys(state.reading).reduce(
          (reading, code) => changed(reading, code, (text) => text.replaceAll('U', 'F')),
          state.reading,
        ),
      );
    case 'startFrom': {
      const reading = { ...change.reading };
      TAKEN_OVER.set(reading, Object.keys(reading));
      return step(state, reading);
    }
    case 'replace':
      return step(state, change.reading);
  }
}

function changed(reading: Reading, channel: string, how: (text: string) => string): Reading {
  const text = how(reading[channel]);
  if (text === reading[channel]) {
    return reading;
  }
  const next = { ...reading, [channel]: text };
  TAKEN_OVER.set(
    next,
    (TAKEN_OVER.get(reading) ?? []).filter((code) => code !== channel),
  );
  return next;
}

function step(state: Editing, reading: Reading, isDrag = false): Editing {
  if (reading === state.reading) {
    return state;
  }
  return {
    reading,
    undo: isDrag && state.isDragging ? state.undo : [...state.undo, state.reading].slice(-KEPT_STEPS),
    redo: [],
    isDragging: isDrag,
  };
}
