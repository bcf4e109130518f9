import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { pretendServer, show } from '../test/fixtures';
import SetUpPage from './SetUpPage';

const house = {
  number: 0,
  book: { answers: {}, priors: {}, limits: {}, ratePerHour: 36, riskShare: 0.2, taxShare: 0 },
  questions: [],
  families: [],
  startingPriors: {},
  changes: [],
};

const EMPTY = {
  name: '',
  address: '',
  currency: 'EUR',
  zone: 'UTC',
  units: { temperature: 'C', volume: 'ML', pressure: 'KPA' },
};

function type(label: string | RegExp, value: string) {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
}

describe('setting up a shop', () => {
  it('sends the money to the house rules and the rest to the shop, and leads on to the accounts', async () => {
    const sent = pretendServer({
      'GET /api/shop': EMPTY,
      'GET /api/house-rules': house,
      'PUT /api/house-rules/': { ...house, number: 1 },
      'PUT /api/shop': { ...EMPTY, version: 0, name: 'Tide Yard' },
    });
    const { where } = show(<SetUpPage />, { role: 'LEAD' });
    await screen.findByLabelText('Name on paper');
    fireEvent.click(screen.getByRole('button', { name: 'Set up the shop' }));
    expect(await screen.findByText('Enter the name of the shop.')).toBeInTheDocument();
    type('Name on paper', 'Tide Yard');
    type(/^Tax on a bill/, '21');
    type(/^Time zone/, 'Europe/Lisbon');
    type('Opens', '17:00');
    type('Closes', '08:30');
    fireEvent.click(screen.getByRole('button', { name: 'Set up the shop' }));
    expect(await screen.findByText(/closes after it opens/)).toBeInTheDocument();
    expect(sent.filter((one) => one.method === 'PUT')).toHaveLength(0);
    type('Opens', '08:30');
    type('Closes', '17:00');
    fireEvent.click(screen.getByRole('button', { name: 'Saturday' }));
    fireEvent.click(screen.getByRole('button', { name: 'Set up the shop' }));
    await waitFor(() => expect(where()).toBe('/accounts'));
    const [rules, shop] = sent.filter((one) => one.method === 'PUT').map((one) => one.body as never);
    expect((rules as { book: { taxShare: number } }).book.taxShare).toBe(0.21);
    expect(shop).toMatchObject({
      name: 'Tide Yard',
      zone: 'Europe/Lisbon',
      hours: {
        opens: '08:30',
        closes: '17:00',
        days: ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY'],
      },
    });
  });

  it('is a lead’s', async () => {
    pretendServer({ 'GET /api/shop': EMPTY, 'GET /api/house-rules': house });
    show(<SetUpPage />);
    expect(await screen.findByText('A lead sets up the shop.')).toBeInTheDocument();
  });
});
