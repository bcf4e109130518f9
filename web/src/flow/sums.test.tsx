import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import type { SumView } from '../api/types';
import { pretendServer, problem, show } from '../test/fixtures';
import SumsPage from './SumsPage';
import { entered, inUnits, usualSum, wrongIn } from './typedSum';
import { digits, minutesWords, seenIn, USUAL_UNITS, type Units } from './units';

const OTHER: Units = { temperature: 'F', volume: 'FL_OZ', pressure: 'PSI' };

const asked = (term: string, unit: string, usual: number, low: number, high: number) =>
  ({ term, unit, usual, low, high }) as SumView['asked'][number];

const SYRINGE = {
  sum: 'SYRINGE',
  asked: [
    asked('SYRINGE', 'ML', 10, 1, 60),
    asked('FORCE', 'N', 10, 0.1, 500),
    asked('LIMIT', 'KPA', 40, 0.1, 500),
  ],
} as SumView;
const SOAK = { sum: 'SOAK', asked: [asked('DEPTH', 'MM', 0.5, 0.001, 5)] } as SumView;

const soaked = [
  {
    formula: 'SOAK_MINUTES',
    value: 41.7,
    unit: 'MIN',
    given: [{ term: 'DEPTH', value: 0.5, unit: 'MM' }],
  },
];

describe('units', () => {
  it.each([
    ['C', 60, '°F', 140],
    ['C', 0, '°F', 32],
    ['ML', 29.5735295625, 'fl oz', 1],
    ['KPA', 6.894757293168, 'psi', 1],
    ['SHARE', 0.31, '%', 31],
    ['N', 8.4, 'N', 8.4],
    ['TIMES', 180, '', 180],
  ] as const)('shows %s %f in %s as %f, and comes back', (unit, si, name, seen) => {
    const other = seenIn(unit, OTHER);
    expect(other.unit).toBe(name);
    expect(other.to(si)).toBeCloseTo(seen, 9);
    expect(other.from(other.to(si))).toBeCloseTo(si, 9);
    expect(seenIn(unit, USUAL_UNITS).from(si) === si || unit === 'SHARE').toBe(true);
  });

  it.each([
    [151.43, '151'],
    [22.36, '22.4'],
    [1.532, '1.53'],
    [0.5938, '0.594'],
    [0.00021, '0.00021'],
    [0, '0'],
  ])('says %f as %s', (value, text) => expect(digits(value)).toBe(text));

  it.each([
    [0.417, '25 s'],
    [40, '40 min'],
    [119, '119 min'],
    [180, '3 h'],
    [750, '12.5 h'],
    [3600, '2.5 days'],
  ])('says %f minutes as %s', (minutes, text) => expect(minutesWords(minutes)).toBe(text));
});

describe('what is typed for a sum', () => {
  it('changes with the units, but for the size of a syringe and what is no number', () => {
    const typed = usualSum(SYRINGE, USUAL_UNITS);
    expect(typed.values).toEqual({ SYRINGE: '10', FORCE: '10', LIMIT: '40' });
    const other = inUnits({ ...typed, values: { ...typed.values, FORCE: 'ten' } }, SYRINGE, OTHER);
    expect(other.values).toEqual({ SYRINGE: '10', FORCE: 'ten', LIMIT: '5.802' });
    expect(entered(inUnits(typed, SYRINGE, OTHER), SYRINGE)!.LIMIT).toBeCloseTo(40, 2);
    expect(entered(other, SYRINGE)).toBeUndefined();
  });

  it.each([
    ['', 'Enter a number.'],
    ['x', 'Enter 0.015 to 72.5 psi.'],
    ['73', 'Enter 0.015 to 72.5 psi.'],
    ['0,02', undefined],
    ['72.5', undefined],
  ])('of %s says %s', (text, says) => expect(wrongIn(text, SYRINGE.asked[2], OTHER)).toBe(says));
});

describe('the page of a sum', () => {
  let sent: ReturnType<typeof pretendServer>;
  beforeEach(() => {
    localStorage.clear();
    sent = pretendServer({ 'GET /api/sums': [SYRINGE, SOAK], 'POST /api/sums/SOAK': soaked });
  });
  const page = () => show(<SumsPage />, { at: '/sums/SOAK', path: '/sums/:sum?' });

  it('answers as it is typed, unfolds each number and refuses nonsense at its entry', async () => {
    page();
    fireEvent.click(await screen.findByRole('button', { name: /^Soaks through in/ }));
    expect(await screen.findByText(/t = L² \/ D.*depth of the plug 0.5 mm/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('Depth of the plug'), { target: { value: '9' } });
    expect(screen.getByText('Enter 0.001 to 5 mm.')).toBeInTheDocument();
    expect(screen.getByRole('status')).toHaveTextContent('Put right what is marked');
    fireEvent.change(screen.getByLabelText('Depth of the plug'), { target: { value: '1' } });
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ values: { DEPTH: 1 } }));
  });

  it('shows what only the server finds wrong at its entry as well', async () => {
    sent = pretendServer({
      'GET /api/sums': [SYRINGE, SOAK],
      'POST /api/sums/SOAK': problem(422, {
        errors: [{ field: 'DEPTH', code: 'X', message: 'Too deep for today.' }],
      }),
    });
    page();
    expect(await screen.findByText('Too deep for today.')).toBeInTheDocument();
  });

  it('keeps what was typed over a reload', async () => {
    const first = page();
    fireEvent.change(await screen.findByLabelText('Depth of the plug'), { target: { value: '0.7' } });
    first.unmount();
    page();
    expect(await screen.findByLabelText('Depth of the plug')).toHaveValue('0.7');
    fireEvent.click(screen.getByRole('button', { name: 'Usual values' }));
    expect(screen.getByLabelText('Depth of the plug')).toHaveValue('0.5');
  });

  it('keeps the units of a person', async () => {
    page();
    fireEvent.click(await screen.findByRole('button', { name: 'psi' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT' && s.path === '/api/session/units')?.body).toEqual({
        ...USUAL_UNITS,
        pressure: 'PSI',
      }),
    );
  });
});
