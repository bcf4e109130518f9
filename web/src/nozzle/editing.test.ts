import { describe, expect, it } from 'vitest';
import { edit, setNozzles, startEditing, type Edit } from './editing';

const start = () => startEditing({ K: 'UUUU', C: 'FFFF' });
const run = (...changes: Edit[]) => changes.reduce(edit, start());

describe('editing a reading', () => {
  it('paints nozzles numbered from one and leaves the others', () => {
    expect(run({ kind: 'paint', channel: 'C', nozzles: [2, 4], letter: 'M' }).reading).toEqual({
      K: 'UUUU',
      C: 'FMFM',
    });
    expect(setNozzles('FFFF', [0, 5], 'M')).toBe('FFFF');
  });

  it('takes what is said as the whole word on a channel: unread nozzles fire', () => {
    expect(run({ kind: 'said', channel: 'K', nozzles: [1], letter: 'M' }).reading.K).toBe('MFFF');
    expect(run({ kind: 'said', channel: 'K', nozzles: [1], letter: 'U' }).reading.K).toBe('UUUU');
  });

  it('fills what is unread and leaves what was typed', () => {
    const said = run({ kind: 'said', channel: 'C', nozzles: [2], letter: 'M' });
    expect(edit(said, { kind: 'restFires' }).reading).toEqual({ K: 'FFFF', C: 'FMFF' });
  });

  it('replaces a channel that was taken over from the last check, once', () => {
    const from = run({ kind: 'startFrom', reading: { K: 'MMFD', C: 'MFFF' } });
    const said = edit(from, { kind: 'said', channel: 'K', nozzles: [4], letter: 'M' });
    expect(said.reading).toEqual({ K: 'FFFM', C: 'MFFF' });
    const more = edit(said, { kind: 'said', channel: 'K', nozzles: [1], letter: 'D' });
    expect(more.reading.K).toBe('DFFM');
    // Undone, it stands as the last check had it again, and is replaced again.
    const back = edit(said, { kind: 'undo' });
    expect(edit(back, { kind: 'said', channel: 'K', nozzles: [2], letter: 'M' }).reading.K).toBe('FMFF');
  });

  it('makes one step of a whole drag', () => {
    const dragged = run(
      { kind: 'paint', channel: 'C', nozzles: [1], letter: 'M', isDrag: true },
      { kind: 'paint', channel: 'C', nozzles: [2, 3], letter: 'M', isDrag: true },
      { kind: 'dragEnd' },
      { kind: 'paint', channel: 'C', nozzles: [4], letter: 'W', isDrag: true },
      { kind: 'dragEnd' },
    );
    expect(dragged.reading.C).toBe('MMMW');
    const back = edit(dragged, { kind: 'undo' });
    expect(back.reading.C).toBe('MMMF');
    expect(edit(back, { kind: 'undo' }).reading.C).toBe('FFFF');
  });

  it('does again what was undone, until something else is changed', () => {
    const filled = run({ kind: 'fill', channels: ['K', 'C'], letter: 'D' });
    const back = edit(filled, { kind: 'undo' });
    expect(edit(back, { kind: 'redo' }).reading).toEqual({ K: 'DDDD', C: 'DDDD' });
    const other = edit(back, { kind: 'paint', channel: 'C', nozzles: [1], letter: 'M' });
    expect(edit(other, { kind: 'redo' })).toBe(other);
  });

  it('counts no step where nothing changed', () => {
    expect(run({ kind: 'fill', channels: ['C'], letter: 'F' }).undo).toHaveLength(0);
    expect(run({ kind: 'undo' }, { kind: 'redo' }, { kind: 'dragEnd' })).toEqual(start());
  });
});
