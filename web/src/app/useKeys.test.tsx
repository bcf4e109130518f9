import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, expect, it, vi } from 'vitest';
import { KeyHint } from './KeyHint';
import { useKeys } from './useKeys';

let said: string[];

/** One question after the other at the same place. */
function Questions({ step = 1, takes = 0 }: { step?: number; takes?: number }) {
  const [at, setAt] = useState(1);
  const yes = () => {
    said.push(`question ${at}`);
    setTimeout(() => setAt(at + step), takes);
  };
  const isRead = useKeys({ enter: yes, ' ': yes, x: () => said.push(`x at ${at}`) }, `question ${at}`);
  return (
    <>
      <button onClick={() => said.push('by the button')}>Yes</button>
      <a href="#next" onClick={() => setAt(at + 1)}>
        Other
      </a>
      <KeyHint rests={!isRead}>Enter</KeyHint>
    </>
  );
}

/** The screen follows step by step. */
function pass(ms: number) {
  for (let passed = 0; passed < ms; passed += 10) {
    act(() => vi.advanceTimersByTime(10));
  }
}

/** A key goes down at a moment of its own; the time of an event does not follow a clock that is set. */
function press(key: string, after = 0) {
  pass(after);
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
  Object.defineProperty(event, 'timeStamp', { value: performance.now() });
  fireEvent(document.activeElement ?? document.body, event);
  return event;
}

const rests = () => screen.getByText('Enter').hasAttribute('data-rests');

let begins = 0;

beforeEach(() => {
  said = [];
  vi.useFakeTimers();
  // Time begins anew, and the keys of the test before are long past.
  begins += 10_000;
  vi.advanceTimersByTime(begins);
});

it.each(['Enter', ' '])('pressed twice, %j does not answer what the first press brought', (key) => {
  render(<Questions />);
  press(key, 1000);
  press(key, 150);
  pass(1000);
  expect(said).toEqual(['question 1']);
  press(key);
  pass(100);
  expect(said).toEqual(['question 1', 'question 2']);
});

it.each([0, 70, 120, 180, 240])(
  'pressed twice, it does not answer what came %i ms after it acted, whenever the second press was',
  (takes) => {
    for (const after of [100, 150, 200, 250]) {
      said = [];
      const shown = render(<Questions takes={takes} />);
      press('Enter', 1000);
      press('Enter', after);
      pass(1000);
      expect(said.filter((one) => one !== 'question 1')).toEqual([]);
      shown.unmount();
    }
  },
);

it.each([
  [300, ['question 1']],
  [400, ['question 1', 'question 2']],
])('%i ms after the first press a second one says %j: 60 ms for a scanner, 300 to read', (after, all) => {
  render(<Questions />);
  press('Enter', 1000);
  press('Enter', after);
  pass(100);
  expect(said).toEqual(all);
});

it('answers at once what no key has brought, and the first key of a view is not lost', () => {
  render(<Questions />);
  pass(10);
  expect(rests()).toBe(false);
  fireEvent.click(screen.getByText('Other'));
  pass(10);
  press('Enter');
  pass(100);
  expect(said).toEqual(['question 2']);
});

it('rests in a view that the key has just opened, and its hint with it', () => {
  const before = render(<Questions />);
  press('Enter', 1000);
  pass(60);
  before.unmount();
  render(<Questions />);
  expect(rests()).toBe(true);
  press('Enter', 100);
  pass(100);
  expect(said).toEqual(['question 1']);
  pass(200);
  expect(rests()).toBe(false);
});

it('does not rest for keys that say what is meant, nor where the question stays', () => {
  render(<Questions step={0} />);
  press('Enter', 1000);
  press('x', 100);
  press('Enter', 100);
  pass(100);
  expect(said).toEqual(['question 1', 'x at 1', 'question 1']);
});

it('presses no button that has the focus while it rests', () => {
  render(<Questions />);
  screen.getByText('Yes').focus();
  press('Enter', 1000);
  expect(press('Enter', 150).defaultPrevented).toBe(true);
});
