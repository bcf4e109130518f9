import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { HouseBook } from '../api/types';
import { pretendServer, problem, show } from '../test/fixtures';
import { changes } from './changes';
import HousePage from './HousePage';

const limits = {
  pushKpa: 40,
  suctionKpa: 40,
  submerge: 'NO',
  bath: 'NO',
  rinse: false,
  steam: false,
  heatC: 50,
} as HouseBook['limits'][string];
const book = { answers: {}, priors: {}, limits: {}, ratePerHour: 36, riskShare: 0.2 } as HouseBook;
const house = {
  number: 0,
  book,
  questions: [{ question: 'CYCLES_FIRST', schools: ['UP_TO_THREE', 'NONE', 'STRONG_AT_THE_END'] }],
  startingPriors: { DRIED_INK: 0.35 },
  families: [{ code: 'HULVER-W8', name: 'Hulver W8', usualLimits: limits }],
  changes: [],
};

it('says what differs between two books in words', () => {
  const now = {
    ...book,
    answers: { CYCLES_FIRST: 'NONE' },
    ratePerHour: 40,
    priors: { 'HULVER-W8': { AIR: 0.2 } },
    limits: { 'HULVER-W8': { ...limits, pushKpa: 30 } },
  } as HouseBook;
  expect(changes(book, now)).toEqual(
    expect.arrayContaining([
      'Printer cycles first?: default → none, straight to hands',
      'Rate an hour: 36 → 40',
      'HULVER-W8, air in the channel at take-in: default → 20 %',
      'HULVER-W8, push limit, kPa: default → 30',
    ]),
  );
  expect(changes(now, now)).toEqual([]);
});

it('lets a lead change a rule with a reason, and keeps what is refused', async () => {
  const sent = pretendServer({
    'GET /api/house-rules': house,
    'PUT /api/house-rules/': problem(422, {
      errors: [{ field: 'why', message: 'Say why the rules change.' }],
    }),
  });
  show(<HousePage />, { role: 'LEAD' });
  fireEvent.change(await screen.findByLabelText('Push limit, kPa'), { target: { value: 'thirty' } });
  expect(await screen.findByText(/Enter a number, such as 40/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText('Push limit, kPa'), { target: { value: '30' } });
  expect(screen.getByText('HULVER-W8, push limit, kPa: default → 30')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Change the house rules' }));
  expect(await screen.findByText('Say why the rules change.')).toBeInTheDocument();
  await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(1));
  expect(screen.getByLabelText('Push limit, kPa')).toHaveValue('30');
});

it('shows a technician the rules and offers no change', async () => {
  pretendServer({ 'GET /api/house-rules': house });
  show(<HousePage />);
  expect(await screen.findByText(/A lead changes these/)).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'Change the house rules' })).not.toBeInTheDocument();
});
