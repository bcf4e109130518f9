import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Procedure } from '../api/types';
import { lots, pretendServer, problem, show, visit } from '../test/fixtures';
import ProcedurePage from './ProcedurePage';
import { litres, onShelf, usualMl } from './steps';

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

const SYSTEM = {
  settlingMl: 400,
  fills: 2,
  bottles: 5,
  bottleMl: 180,
  strongCycles: 6,
  strongMl: 110,
  normalMl: 25,
  wipingMl: 40,
  lineMl: 0,
  residue: 0.01,
  reserve: 0.1,
  wasteMl: 500,
};

const bottle = {
  id: 'w',
  version: 0,
  name: 'Waste bottle',
  capacityMl: 250,
  levelMl: 190,
  roomMl: 60,
  log: [],
};

function procedure(part: Partial<Procedure> = {}): Procedure {
  return {
    purpose: 'SYSTEM_FLUSH',
    need: { inks: [], system: SYSTEM } as unknown as Procedure['need'],
    system: { rinses: 0, needMl: 2695, wasteBottles: 6 },
    stages: [
      { act: 'STIRRER_OFF', done: 1, of: 1, left: [] },
      { act: 'STRONG_CYCLE', done: 1, of: 6, left: [] },
    ],
    next: 'STRONG_CYCLE',
    over: false,
    rows: [],
    entries: [],
    drawn: [{ lot: 'Head cleaner, lot HC-1', volumeMl: 1200 }],
    ...part,
  };
}

function open(part: Partial<Procedure>, answers: Record<string, unknown> = {}) {
  const sent = pretendServer({
    ...answers,
    'GET /api/visits/visit-1': visit({ procedure: procedure(part) }),
    'GET /api/lots': lots,
    'GET /api/waste': [bottle],
  });
  show(<ProcedurePage />, { at: '/visits/visit-1/steps', path: '/visits/:id/steps' });
  return () => sent.filter((s) => s.method === 'PUT');
}

describe('the steps of a whole-system flush', () => {
  it('names the sum, what is missing on the shelf, and how full the waste is', async () => {
    open({});
    expect(await screen.findByText('2.7 L')).toBeInTheDocument();
    expect(screen.getByText(/40 mL of cleaner, 2.7 L short/)).toBeInTheDocument();
    expect(screen.getByText('190 mL')).toBeInTheDocument();
    expect(screen.getByText('1.2 L of 2.7 L worked out')).toBeInTheDocument();
    expect(screen.getByText('Strong cycle, 1 of 6')).toBeInTheDocument();
  });

  it('logs a cycle as work with what it sends to waste, and lets a full bottle be emptied first', async () => {
    const puts = open(
      {},
      {
        'PUT /api/visits/visit-1/attempts/': problem(422, {
          gates: [
            { code: 'NO_ROOM_IN_WASTE', weight: 'NEEDS_REASON', field: 'wasteId', limit: 60, entered: 110 },
          ],
        }),
      },
    );
    expect(await screen.findByLabelText('To waste')).toHaveValue('110');
    tap('It has run');
    expect(await screen.findByText(/has no room for this/)).toBeInTheDocument();
    expect(puts()[0].body).toMatchObject({
      treatment: { cycle: { strength: 'STRONG', count: 1 } },
      wasteId: 'w',
      wasteMl: 110,
    });
  });

  it('sends what was seen, and says in its place what is not yet the time for', async () => {
    const puts = open(
      { next: 'COMPARED', stages: [{ act: 'COMPARED', done: 0, of: 1, left: [] }] },
      {
        'PUT /api/visits/visit-1/procedure/entries/': problem(422, {
          errors: [{ field: 'act', code: 'NOT_YET', message: 'This is not the test.' }],
        }),
      },
    );
    await screen.findByRole('region', { name: /^Next step/ });
    tap('tinted');
    expect(await screen.findByText('This is not the test.')).toBeInTheDocument();
    expect(puts()[0].body).toMatchObject({ act: 'COMPARED', finding: 'TINTED' });
  });
});

describe('the steps of an ink change', () => {
  it('shows each channel beside its need, and takes all cartridges out by one tap', async () => {
    const puts = open(
      {
        purpose: 'INK_CHANGE',
        system: undefined,
        ink: { rinses: 6.9, needMl: 16.58, mostMl: 19.89, totalMl: 39.8 },
        stages: [{ act: 'CARTRIDGE_OUT', done: 0, of: 2, left: ['C', 'K'] }],
        next: 'CARTRIDGE_OUT',
        rows: [
          { channel: 'C', way: 'FLUSH', ml: 15, pad: 'NO_COLOUR', done: true, over: false },
          { channel: 'K', way: 'DRAW_BACK', ml: 20, pad: 'COLOUR', done: false, over: true },
        ] as Procedure['rows'],
      },
      { 'PUT /api/visits/visit-1/procedure/entries/': visit() },
    );
    expect(await screen.findByText(/at most; a fresh pad shows no colour/)).toBeInTheDocument();
    expect(screen.getByText(/over its need: a lead decides/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Draw back K' })).toHaveAttribute(
      'href',
      '/visits/visit-1/attempt/flush?channels=K&method=DRAW_BACK',
    );
    tap('All 2, in this order');
    await waitFor(() => expect(puts()).toHaveLength(2));
    expect(puts().map((p) => (p.body as { channel: string }).channel)).toEqual(['C', 'K']);
  });

  it('says where there are none', async () => {
    pretendServer({
      'GET /api/visits/visit-1': visit(),
      'GET /api/lots': lots,
      'GET /api/waste': [],
    });
    show(<ProcedurePage />, { at: '/visits/visit-1/steps', path: '/visits/:id/steps' });
    expect(await screen.findByText(/came in for a repair/)).toBeInTheDocument();
  });
});

describe('sums around the steps', () => {
  it('says above a litre in litres', () => {
    expect([litres(999.94), litres(1000), litres(2695), litres(16.58)]).toEqual([
      '999.9 mL',
      '1.0 L',
      '2.7 L',
      '16.6 mL',
    ]);
  });

  it('knows what is short, and what a step usually takes', () => {
    expect(onShelf(lots as never, 100)).toEqual({ haveMl: 40, shortMl: 60 });
    expect(onShelf(lots as never, 30).shortMl).toBe(0);
    expect(usualMl('SWAPPED', { system: SYSTEM } as never)).toBe('180');
    expect(usualMl('LINES_SEEN', { system: SYSTEM } as never)).toBe('');
  });
});
