import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { channels, pretendServer, problem, show } from '../test/fixtures';
import TakeInPage from './TakeInPage';

beforeEach(() => localStorage.clear());

const FAMILY = {
  code: 'VENNICK-B3',
  name: 'Vennick B3',
  construction: 'THERMAL_BLADDER',
  channels,
  stairs: 2,
  steps: 4,
  driveGroups: 2,
  limits: {},
  freeCarriage: [],
  machine: { parts: [], cycleInk: {}, removal: '' },
};

const LAST = {
  customerId: 'c-1',
  customerName: 'Dunlin Play Bills',
  contact: 'red door',
  familyCode: 'VENNICK-B3',
  headId: 'h-1',
  serial: 'D-777',
  ports: [{ channel: 'K', inkInLine: 'Black', chemistry: 'PIGMENT', makersOwn: false }],
  symptoms: ['SMEARS'],
  everNonFood: 'YES',
  jobClass: 'PROOF',
  promisedOn: '2026-01-01',
};

function open(answers: Record<string, unknown> = {}) {
  const sent = pretendServer({
    ...answers,
    'GET /api/families': [FAMILY],
    'GET /api/heads': [
      { id: 'h-1', serial: 'D-777', familyCode: 'VENNICK-B3', everNonFood: true, visits: [], last: LAST },
    ],
    'GET /api/customers': [],
    'POST /api/take-in/estimate': problem(422, { errors: [] }),
  });
  show(<TakeInPage />, { at: '/take-in/visit-9', path: '/take-in/:id?' });
  return () => sent.filter((s) => s.method === 'PUT' && s.path === '/api/visits/visit-9');
}

describe('taking a head in', () => {
  it('fills in what is known by a scan, and a scan sends nothing', async () => {
    const puts = open();
    const serial = await screen.findByLabelText(/^Serial/);
    fireEvent.change(serial, { target: { value: 'D-777' } });
    fireEvent.keyDown(serial, { key: 'Enter' });
    await waitFor(() => expect(screen.getByLabelText(/^Customer/)).toHaveValue('Dunlin Play Bills'));
    expect(screen.getByLabelText(/^Contact/)).toHaveValue('red door');
    // The printer carries one of the two channels of the family, as it did before.
    expect(screen.getByRole('group', { name: 'Port Black' })).toBeInTheDocument();
    expect(screen.getByText(/not in this printer/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Smears at one edge or height' })).toHaveAttribute(
      'aria-pressed',
      'false',
    );
    expect(puts()).toHaveLength(0);
  });

  it('asks a symptom of a repair alone, and sets the ink of all ports at once', async () => {
    const puts = open({ 'PUT /api/visits/visit-9': problem(422, { errors: [] }) });
    const serial = await screen.findByLabelText(/^Serial/);
    fireEvent.change(serial, { target: { value: 'D-777' } });
    fireEvent.keyDown(serial, { key: 'Enter' });
    await screen.findByRole('group', { name: 'Port Black' });
    fireEvent.click(screen.getByRole('button', { name: 'Cyan is in this printer' }));
    fireEvent.click(screen.getByRole('button', { name: 'All third-party' }));
    fireEvent.click(screen.getByRole('button', { name: 'Ink change' }));
    expect(screen.queryByRole('group', { name: 'Symptoms' })).not.toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'In 3 days' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take it in and make its tag' }));
    await waitFor(() => expect(puts()).toHaveLength(1));
    const { intake } = puts()[0].body as { intake: { purpose: string; ports: { makersOwn: boolean }[] } };
    expect(intake.purpose).toBe('INK_CHANGE');
    expect(intake.ports.map((p) => p.makersOwn)).toEqual([true, true]);
  });
});
