import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, expect, it } from 'vitest';
import { useOneTap } from './useOneTap';

let taken: string[];

/** One question after the other at the same place. */
function Questions() {
  useOneTap();
  const [at, setAt] = useState(0);
  return (
    <>
      <button
        key={at}
        onClick={() => {
          taken.push(`answer ${at}`);
          setAt(at + 1);
        }}
      >
        Yes
      </button>
      <label>
        damp <input type="checkbox" onChange={(event) => taken.push(`damp ${event.target.checked}`)} />
      </label>
      <p>text</p>
    </>
  );
}

/** The browser counts taps that follow one another at one place. */
function tap(what: Element, count: number) {
  fireEvent.click(what, { detail: count });
}

const yes = () => screen.getByRole('button');

beforeEach(() => {
  taken = [];
  render(<Questions />);
});

it('keeps the second tap of a double tap from the question that came under it', () => {
  tap(yes(), 1);
  tap(yes(), 2);
  tap(yes(), 3);
  expect(taken).toEqual(['answer 0']);
  tap(yes(), 1);
  expect(taken).toEqual(['answer 0', 'answer 1']);
});

it('hears a key on a button, and a tap that follows one beside every button', () => {
  tap(yes(), 0);
  tap(yes(), 0);
  tap(screen.getByText('text'), 1);
  tap(yes(), 2);
  expect(taken).toEqual(['answer 0', 'answer 1', 'answer 2']);
});

it('leaves alone what is tapped twice itself, by its words too', () => {
  tap(screen.getByText(/damp/), 1);
  tap(screen.getByText(/damp/), 2);
  expect(taken).toEqual(['damp true', 'damp false']);
});
