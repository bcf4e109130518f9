import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../api/types';
import { pretendServer, problem, show, visit } from '../test/fixtures';
import PlanPage from './PlanPage';
import { attemptWay, moved } from './planWays';

const sum = (formula: string, value: number, unit: string, more: object = {}) => ({
  formula,
  value,
  unit,
  given: [],
  ...more,
});
const span = (formula: string, unit: string) => ({ expected: sum(formula, 50, unit), low: 20, high: 90 });

function attempt(number: number, method: string, more: object = {}) {
  return {
    number,
    method,
    cause: 'DRIED_INK',
    percent: 88,
    channels: ['C'],
    site: 'IN_CARRIAGE',
    style: { strokeMl: 3, afterSoakMl: 1, plannedMinutes: 40, site: 'IN_CARRIAGE', fluid: 'AQUEOUS_CLEANER' },
    house: [],
    alike: [],
    lastResort: false,
    bottle: { id: 'l', name: 'Cleaner, lot 7', kind: 'AQUEOUS_CLEANER', leftMl: 300 },
    steps: [
      {
        doing: 'STROKE',
        channels: ['C'],
        fluid: 'AQUEOUS_CLEANER',
        ml: 3,
        numbers: [
          sum('STROKE_SECONDS', 14, 'S', { of: 'C', given: [{ term: 'LIMIT', value: 15, unit: 'KPA' }] }),
        ],
        hands: sum('HANDS', 2.2, 'MIN'),
        waiting: sum('WAIT', 0, 'MIN'),
      },
    ],
    branches: [
      { after: 'ACCEPTED', then: 'FINISH' },
      { after: 'NONE', then: 'NEXT', method: 'PORT_SOAK', attempt: 2 },
    ],
    gates: [],
    hands: sum('HANDS', 15, 'MIN'),
    waits: sum('WAIT', 40, 'MIN'),
    fluid: sum('DOSES', 4, 'ML'),
    waste: sum('WASTE', 4, 'ML'),
    cost: sum('ALL_COST', 10.2, 'MONEY'),
    chance: sum('CHANCE', 0.35, 'SHARE'),
    low: 0.1,
    high: 0.6,
    cases: 3,
    reached: 1,
    added: false,
    refused: false,
    ...more,
  };
}

function plan(...attempts: ReturnType<typeof attempt>[]): Plan {
  return {
    before: [],
    attempts,
    after: [],
    promise: {
      verdict: 'AT_RISK',
      by: '2026-03-06T17:00:00Z',
      well: '2026-03-06T10:00:00Z',
      onAverage: '2026-03-09T08:30:00Z',
    },
    forecast: {
      hands: span('EXPECTED_HANDS', 'MIN'),
      waits: span('EXPECTED_WAIT', 'MIN'),
      fluid: span('EXPECTED_FLUID', 'ML'),
      cost: span('EXPECTED_COST', 'MONEY'),
      chance: sum('CHANCE_OF_ALL', 0.7, 'SHARE'),
      low: 0.4,
      high: 0.9,
    },
    bars: [],
    works: attempts.map((a) => ({ method: a.method, channels: a.channels })),
  } as unknown as Plan;
}

const PATH = '/api/visits/visit-1/plan';
let sent: ReturnType<typeof pretendServer>;
const open = (answers: Record<string, unknown>) => {
  sent = pretendServer({ 'GET /api/visits/visit-1': visit(), ...answers });
  return show(<PlanPage />, { at: '/visits/visit-1/plan', path: '/visits/:id/plan' });
};
const two = plan(
  attempt(1, 'FLUSH'),
  attempt(2, 'PORT_SOAK', { alike: ['AIR'], fluid: sum('DOSES', 2, 'ML') }),
);

describe('a plan', () => {
  it('shows what it takes, its steps with every number unfolded, and what follows', async () => {
    open({ [`GET ${PATH}`]: two });
    const first = await screen.findByRole('region', { name: '1. Flush: C' });
    expect(within(first).getByText(/it comes to it/)).toHaveTextContent(
      'Hands 15 min, waits 40 min, fluid 4 mL, cost 10.20 EUR. Suffices 35 % (10 % to 60 %, 3 cases on record); it comes to it 100 %.',
    );
    expect(within(first).getByText('None come back:')).toHaveTextContent(
      'None come back: next, 2. soak at the port',
    );
    fireEvent.click(within(first).getByRole('button', { name: /^C: take at least/ }));
    expect(await within(first).findByText(/limit of the family 15 kPa/)).toBeInTheDocument();
    expect(within(first).getByText(/How thick it is against water is not known/)).toBeInTheDocument();
    expect(
      within(screen.getByRole('region', { name: /^2\./ })).getByText(/likeliest save per minute of hands/),
    ).toBeInTheDocument();
    expect(screen.getByRole('img', { name: /^1 flush C: hands 15 min/ })).toBeInTheDocument();
  });

  it('says by when it is promised, when it is ready, and that it may miss that', async () => {
    open({ [`GET ${PATH}`]: two });
    const said = await screen.findByText(/^Promised by /);
    expect(said.textContent).toContain('may miss its promise');
    expect(said.textContent).toMatch(/ready 6 Mar.* where all goes well, 9 Mar.* on average/);
  });

  it('leads to the first attempt with its doses, and to no other', async () => {
    open({ [`GET ${PATH}`]: two });
    const links = await screen.findAllByRole('link', { name: 'Do this' });
    expect(links).toHaveLength(1);
    expect(links[0]).toHaveAttribute(
      'href',
      '/visits/visit-1/attempt/flush?channels=C&fluid=AQUEOUS_CLEANER&site=IN_CARRIAGE&strokeMl=3&minutes=40',
    );
    const changed = attemptWay(
      two.attempts[1],
      { method: 'PORT_SOAK', channels: ['C'], minutes: 90 },
      visit(),
    );
    expect(changed).toContain('place=PORT');
    expect(changed).toContain('minutes=90');
  });

  it('says what is left out, what is missing, and that nothing is left', async () => {
    open({ [`GET ${PATH}`]: { ...plan(), bars: ['CYCLES'] } });
    expect(await screen.findByText(/^Left out until it is mended: printer cycles/)).toBeInTheDocument();
    expect(screen.getByText('What now says how the visit ends.')).toBeInTheDocument();
  });
});

describe('changing a plan', () => {
  const preview = `POST ${PATH}/preview`;

  it('moves, drops, doses and keeps', async () => {
    open({ [`GET ${PATH}`]: two, [preview]: two, [`PUT ${PATH}`]: plan(attempt(1, 'PORT_SOAK')) });
    fireEvent.click(await screen.findByRole('button', { name: 'Change the plan' }));
    fireEvent.click((await screen.findAllByRole('button', { name: 'Later' }))[0]);
    await waitFor(() =>
      expect(sent.at(-1)?.body).toMatchObject({ works: [{ method: 'PORT_SOAK' }, { method: 'FLUSH' }] }),
    );
    fireEvent.click(screen.getAllByRole('button', { name: 'Drop' })[1]);
    fireEvent.change(screen.getByLabelText('Soaks or waits'), { target: { value: '90' } });
    await waitFor(() =>
      expect(sent.at(-1)?.body).toMatchObject({
        works: [{ method: 'PORT_SOAK', channels: ['C'], minutes: 90 }],
      }),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Keep this plan' }));
    expect(await screen.findByRole('region', { name: '1. Soak at the port: C' })).toBeInTheDocument();
    expect(sent.find((s) => s.method === 'PUT' && s.path === PATH)?.body).toMatchObject({
      works: [{ minutes: 90 }],
    });
  });

  it('shows a breach at its attempt, and the refusal keeps what was typed', async () => {
    const gate = { code: 'PUSH_TOO_HARD', weight: 'REFUSED', limit: 15, entered: 190, channel: 'C' };
    const breached = plan(attempt(1, 'FLUSH', { refused: true, gates: [gate] }));
    open({
      [`GET ${PATH}`]: plan(attempt(1, 'FLUSH')),
      [preview]: breached,
      [`PUT ${PATH}`]: problem(422, { detail: 'This plan goes past a limit.', attempts: [1] }),
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Change the plan' }));
    fireEvent.change(await screen.findByLabelText('Each stroke takes'), { target: { value: '1' } });
    expect(await screen.findByText(/Attempt 1 goes past a limit/)).toBeInTheDocument();
    const card = screen.getByRole('region', { name: '1. Flush: C' });
    expect(within(card).getByRole('alert')).toHaveTextContent('190');
    fireEvent.click(screen.getByRole('button', { name: 'Keep this plan' }));
    expect(await screen.findByText('This plan goes past a limit.')).toBeInTheDocument();
    expect(screen.getByLabelText('Each stroke takes')).toHaveValue('1');
  });

  it('says what is no number where it was typed', async () => {
    open({ [`GET ${PATH}`]: two, [preview]: two });
    fireEvent.click(await screen.findByRole('button', { name: 'Change the plan' }));
    fireEvent.change((await screen.findAllByLabelText('Dose, each port'))[0], { target: { value: 'three' } });
    expect(screen.getByText('Enter a number, or leave it empty.')).toBeInTheDocument();
  });

  it('moves within the list only', () => {
    expect(moved(['a', 'b', 'c'], 0, 1)).toEqual(['b', 'a', 'c']);
    expect(moved(['a', 'b'], 0, -1)).toEqual(['a', 'b']);
    expect(moved(['a', 'b'], 1, 1)).toEqual(['a', 'b']);
  });
});
