import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { channels, pretendServer, problem, show } from '../test/fixtures';
import TakeInPage from './TakeInPage';

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
    'GET /api/families': [FAMILY],
    'GET /api/heads': [
      { id: 'h-1', serial: 'D-777', familyCode: 'VENNICK-B3', everNonFood: true, visits: [], last: LAST },
    ],
    'GET /api/customers': [],
    'POST /api/take-in/estimate': problem(422, { errors: [] }),
    ...answers,
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

  it('says by when it is ready, and promises that day by one tap', async () => {
    const span = {
      expected: { formula: 'EXPECTED_HANDS', value: 50, unit: 'MIN', given: [] },
      low: 20,
      high: 90,
    };
    const estimate = {
      forecast: {
        hands: span,
        waits: span,
        fluid: span,
        cost: span,
        chance: { formula: 'CHANCE_OF_ALL', value: 0.6, unit: 'SHARE', given: [] },
        low: 0.4,
        high: 0.8,
      },
      causes: [{ cause: 'DRIED_INK', percent: 70 }],
      channels: 1,
      record: { heads: 0, recovered: 0 },
      ready: {
        by: new Date('2031-03-06T15:00').toISOString(),
        half: new Date('2031-03-05T09:30').toISOString(),
        cases: 3,
        byRecord: false,
      },
    };
    open({ 'POST /api/take-in/estimate': estimate });
    const serial = await screen.findByLabelText(/^Serial/);
    fireEvent.change(serial, { target: { value: 'D-777' } });
    fireEvent.keyDown(serial, { key: 'Enter' });
    await screen.findByRole('group', { name: 'Port Black' });
    fireEvent.click(screen.getByRole('button', { name: 'Smears at one edge or height' }));
    expect(
      await screen.findByText(
        /Ready by Thursday.* 6 Mar.* 15:00, nine times in ten; one time in two by Wednesday/,
      ),
    ).toBeVisible();
    expect(screen.getByText(/3 of the 20 heads that are needed/)).toBeVisible();
    fireEvent.click(screen.getByRole('button', { name: /^Promise Thu,? 6 Mar$/ }));
    expect(screen.getByLabelText(/^Promised for/)).toHaveValue('2031-03-06');
    expect(screen.queryByRole('button', { name: /^Promise / })).toBeNull();
  });
});
