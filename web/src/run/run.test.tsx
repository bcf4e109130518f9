import { act, fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LedStep, Run, Visit } from '../api/types';
import { show, visit } from '../test/fixtures';
import { backOf, litPorts, stepTitle } from './ledWords';
import { PedalChoice } from './PedalChoice';
import { PortDrawing } from './PortDrawing';
import { usePedal } from './usePedal';
import { countOf, type Voice } from './useVoice';

const silent: Voice = { isThere: false, isOn: false, say: () => undefined, toggle: () => undefined };

function step(
  number: number,
  doing: string,
  doneBy: string,
  state: string,
  channels: string[] = [],
): LedStep {
  return {
    number,
    doneBy,
    state,
    step: { doing, channels, ml: 0, numbers: [], hands: { value: 1 }, waiting: { value: 0 } },
  } as unknown as LedStep;
}

function led(...steps: LedStep[]): Run {
  return {
    id: 'run-1',
    method: 'FLUSH',
    channels: ['C', 'M'],
    begunAt: '2026-03-02T10:00:00Z',
    begunBy: 'Wenna',
    steps,
  } as unknown as Run;
}

const down = (key = ' ') => fireEvent.keyDown(document.body, { key });
const up = (key = ' ') => fireEvent.keyUp(document.body, { key });

describe('the pedal', () => {
  beforeEach(() => vi.useFakeTimers());

  function Pedal({ press, hold }: { press: () => void; hold?: () => void }) {
    usePedal({ press, hold });
    return <input aria-label="note" />;
  }

  const read = () => act(() => void vi.advanceTimersByTime(300));

  it('confirms nothing that has only just come: nobody can have read it', () => {
    const press = vi.fn();
    render(<Pedal press={press} />);
    act(() => void vi.advanceTimersByTime(299));
    down();
    up();
    expect(press).not.toHaveBeenCalled();
    act(() => void vi.advanceTimersByTime(1));
    down();
    expect(press).toHaveBeenCalledTimes(1);
  });

  it('acts as it goes down where it can mean one thing, and once however long it stays there', () => {
    const press = vi.fn();
    render(<Pedal press={press} />);
    read();
    down();
    expect(press).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(document.body, { key: ' ', repeat: true });
    up();
    expect(press).toHaveBeenCalledTimes(1);
  });

  it('tells a short press from a long one where it can mean two', () => {
    const press = vi.fn();
    const hold = vi.fn();
    render(<Pedal press={press} hold={hold} />);
    down();
    act(() => void vi.advanceTimersByTime(300));
    up();
    expect([press.mock.calls.length, hold.mock.calls.length]).toEqual([1, 0]);
    down('PageDown');
    act(() => void vi.advanceTimersByTime(800));
    up('PageDown');
    expect([press.mock.calls.length, hold.mock.calls.length]).toEqual([1, 1]);
  });

  it('leaves a space alone that somebody types', () => {
    const press = vi.fn();
    render(<Pedal press={press} />);
    read();
    fireEvent.keyDown(screen.getByLabelText('note'), { key: ' ' });
    expect(press).not.toHaveBeenCalled();
  });
});

describe('a question by pedal', () => {
  beforeEach(() => vi.useFakeTimers());

  function ask() {
    const taken: string[] = [];
    render(
      <PedalChoice
        label="How it went"
        voice={silent}
        answers={['Freely', 'Stiffly'].map((label) => ({ label, take: () => taken.push(label) }))}
        skip={() => taken.push('not seen')}
      />,
    );
    return taken;
  }
  const short = () => {
    down();
    up();
  };
  const long = () => {
    down();
    act(() => void vi.advanceTimersByTime(800));
    up();
  };

  it('has no answer marked beforehand: a long press alone takes none', () => {
    const taken = ask();
    long();
    expect(taken).toEqual([]);
    expect(screen.getByRole('status').textContent).toContain('By pedal');
  });

  it('goes from answer to answer, not seen among them, and takes the one it stands on', () => {
    const taken = ask();
    short();
    short();
    expect(screen.getByRole('status').textContent).toBe('Long press: Stiffly.');
    long();
    short();
    long();
    short();
    long();
    expect(taken).toEqual(['Stiffly', 'not seen', 'Freely']);
  });

  it('takes no key in the moment it comes', () => {
    const taken = ask();
    const key = () => {
      down('1');
      act(() => void vi.advanceTimersByTime(100));
    };
    key();
    expect(taken).toEqual([]);
    act(() => void vi.advanceTimersByTime(200));
    key();
    expect(taken).toEqual(['Freely']);
  });

  it('is answered by a tap as well', () => {
    const taken = ask();
    fireEvent.click(screen.getByRole('button', { name: /^Freely/ }));
    fireEvent.click(screen.getByRole('button', { name: /^Not seen/ }));
    expect(taken).toEqual(['Freely', 'not seen']);
  });
});

describe('the steps in words', () => {
  it('name the ports, unless it is all of them', () => {
    const all = visit().family.channels.map((c) => c.code);
    expect(stepTitle(visit(), step(0, 'STROKE', 'STROKES', 'NOW', ['C']))).toBe('Stroke at the port: C');
    expect(stepTitle(visit(), step(0, 'STROKE', 'STROKES', 'NOW', all))).toBe('Stroke at the port');
  });

  it('light the port whose turn it is: the one with the fewest strokes that is not done', () => {
    const rows = [
      { channel: 'C', rounds: 2, next: 'STROKE' },
      { channel: 'M', rounds: 1, next: 'STROKE' },
      { channel: 'Y', rounds: 0, next: 'DONE' },
    ];
    const work = { id: 'a', rounds: { open: true, rows } } as unknown as Visit['attempts'][number];
    const now = step(3, 'STROKE', 'STROKES', 'NOW', ['C', 'M']);
    expect(litPorts(visit(), led(now), now, work)).toEqual(['M']);
    const mains = step(1, 'MAINS_OFF', 'TAP', 'NOW');
    expect(litPorts(visit(), led(mains), mains, work)).toEqual([]);
  });

  it('go back by taking back a tap, an entry about the head, or to where logged work is put right', () => {
    const now = step(2, 'LOOK_DRY', 'LOOKED_DRY', 'NOW');
    expect(backOf(visit(), led(step(0, 'PREPARE', 'TAP', 'DONE'), now), now)).toEqual({ step: 0 });
    const entry = { id: 'entry-1', entry: 'PAD_OUT', at: '2026-03-02T11:00:00Z', withdrawn: false };
    const head = { ...visit().head, entries: [entry] } as unknown as Visit['head'];
    const padOut = led(step(1, 'PAD_OUT', 'PAD_OUT', 'DONE'), now);
    expect(backOf(visit({ head }), padOut, now)).toEqual({ step: 1, entry: 'entry-1' });
    expect(backOf(visit(), led(now), now)).toBeUndefined();
  });

  it('count the last three seconds of a stroke, and its end', () => {
    expect([4.2, 5.1, 7.6, 8.9, 9.3].map((at) => countOf(at, 9))).toEqual(['', '', '2', '1', 'stop']);
  });
});

it('draws the ports in their order and says which is meant', () => {
  show(<PortDrawing visit={visit()} lit={['C']} />);
  const said = screen.getByRole('img').getAttribute('aria-label')!;
  expect(said).toContain(
    visit()
      .family.channels.map((c) => c.colour)
      .join(', '),
  );
  expect(said).toMatch(/Now: Cyan\.$/);
});
