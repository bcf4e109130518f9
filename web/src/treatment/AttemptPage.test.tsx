import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { advice, judgement, pretendServer, problem, show, visit } from '../test/fixtures';
import AttemptPage from './AttemptPage';

const lots = [
  {
    id: 'lot-1',
    version: 0,
    name: 'Cablecombe head cleaner',
    kind: 'AQUEOUS_CLEANER',
    maker: 'x',
    lotCode: 'HC-1',
    foodSafe: false,
    bottleMl: 100,
    remainingMl: 40,
    price: 1,
    hazards: '',
  },
];
const quiet = { cautions: ['GOGGLES_SYRINGE'], gates: [] };

beforeEach(() => localStorage.clear());

function open(
  kind: string,
  answers: Record<string, unknown> = {},
  role: 'TECHNICIAN' | 'LEAD' = 'TECHNICIAN',
) {
  const sent = pretendServer({
    'POST /api/visits/visit-1/attempts/preview': quiet,
    'GET /api/visits/visit-1': visit({ judgement: judgement(asAdvised(kind)) }),
    ...answers,
    'GET /api/lots': lots,
  });
  const view = show(<AttemptPage />, {
    at: `/visits/visit-1/attempt/${kind}`,
    path: '/visits/:id/attempt/:kind',
    role,
  });
  return { ...view, puts: () => sent.filter((s) => s.method === 'PUT' && s.path.includes('/attempts/')) };
}

/** What is opened is what was advised, so that nothing is asked about it. */
function asAdvised(kind: string) {
  const method = { flush: 'FLUSH', soak: 'PORT_SOAK', bath: 'BATH', cycle: 'CYCLE' }[kind] ?? 'STATION';
  return advice({ method });
}

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('logging a flush', () => {
  it('opens with the channels that are out, the usual bottle, and the cautions beside it', async () => {
    open('flush');
    expect(await screen.findByRole('group', { name: 'Cyan' })).toBeInTheDocument();
    expect(screen.queryByRole('group', { name: 'Black' })).not.toBeInTheDocument();
    expect(screen.getByRole('combobox', { name: /Fluid and lot/ })).toHaveTextContent('HC-1: 40 mL left');
    expect(await screen.findByText(/Goggles on/)).toBeInTheDocument();
  });

  it('sends what was entered once, under one key', async () => {
    const { puts, where } = open('flush', { 'PUT /api/visits/visit-1/attempts/': visit() });
    await screen.findByRole('group', { name: 'Cyan' });
    tap('Went in freely');
    tap('Like fresh fluid');
    tap('Whole stream');
    tap(/^Log this flush/);
    tap(/^Log this flush/);
    await waitFor(() => expect(where()).toBe('/visits/visit-1'));
    expect(puts()).toHaveLength(1);
    expect(puts()[0].path).toMatch(/^\/api\/visits\/visit-1\/attempts\/[0-9a-f-]{36}$/);
    expect(puts()[0].body).toMatchObject({
      lotId: 'lot-1',
      treatment: {
        kind: 'FLUSH',
        flush: {
          temperatureC: 22,
          strokes: [
            {
              channel: 'C',
              volumeMl: 3,
              seconds: 12,
              resistance: 'FREE',
              effluent: 'LIKE_FRESH',
              stream: 'WHOLE',
            },
          ],
        },
      },
    });
  });

  it('does not send what is no number, and says so at the entry', async () => {
    const { puts } = open('flush');
    fireEvent.change(await screen.findByLabelText('Dose'), { target: { value: 'some' } });
    tap(/^Log this flush/);
    expect(await screen.findByText('Enter a number, such as 3 or 2.5.')).toBeInTheDocument();
    expect(puts()).toHaveLength(0);
  });

  it('shows what the server refuses at the stroke it is about, and keeps the entry', async () => {
    open('flush', {
      'PUT /api/visits/visit-1/attempts/': problem(422, {
        errors: [
          {
            field: 'treatment.flush.strokes[0].volumeMl',
            code: 'DecimalMin',
            message: 'Enter more than 0 mL.',
          },
        ],
      }),
    });
    fireEvent.change(await screen.findByLabelText('Dose'), { target: { value: '-2' } });
    tap(/^Log this flush/);
    expect(await screen.findByText('Enter more than 0 mL.')).toBeInTheDocument();
    expect(screen.getByLabelText('Dose')).toHaveValue('-2');
  });

  it('copies the first stroke to all chosen channels', async () => {
    open('flush');
    await screen.findByRole('group', { name: 'Cyan' });
    tap('Black');
    fireEvent.change(within(screen.getByRole('group', { name: 'Black' })).getByLabelText('Dose'), {
      target: { value: '4.5' },
    });
    tap('Copy to all chosen');
    expect(within(screen.getByRole('group', { name: 'Cyan' })).getByLabelText('Dose')).toHaveValue('4.5');
  });

  it('times a stroke by the pedal', async () => {
    open('flush');
    await screen.findByRole('group', { name: 'Cyan' });
    fireEvent.keyDown(document.body, { key: ' ' });
    expect(await screen.findByRole('button', { name: /^Stop at/ })).toBeInTheDocument();
    fireEvent.keyDown(document.body, { key: ' ' });
    await waitFor(() => expect(screen.getByRole('button', { name: /^Time the stroke/ })).toBeInTheDocument());
    expect((screen.getByLabelText('Stroke') as HTMLInputElement).value).toMatch(/^\d+\.\d$/);
  });
});

describe('gates', () => {
  const gate = (weight: string) => ({
    cautions: [],
    gates: [{ code: 'TOO_MANY_CYCLES', weight, field: 'count', limit: 3, entered: 4 }],
  });

  it('says the rule with its numbers, and asks for the reason where one is enough', async () => {
    open('cycle', { 'POST /api/visits/visit-1/attempts/preview': gate('NEEDS_REASON') });
    expect(
      await screen.findByText(/3 printer cycles running, then hands. This would make 4./),
    ).toBeInTheDocument();
    expect(screen.getByLabelText('Reason for departing from the rule')).toBeInTheDocument();
  });

  it.each([
    ['TECHNICIAN', 'NEEDS_LEAD', 0],
    ['LEAD', 'NEEDS_LEAD', 1],
    ['LEAD', 'REFUSED', 0],
  ] as const)('offers a %s a departure from %s: %i', async (role, weight, fields) => {
    open('cycle', { 'POST /api/visits/visit-1/attempts/preview': gate(weight) }, role);
    await screen.findByText(/then hands/);
    expect(screen.queryAllByLabelText('Reason for departing from the rule')).toHaveLength(fields);
  });
});

describe('the other kinds', () => {
  it('plans a soak by a rung of the ladder', async () => {
    const { puts } = open('soak', { 'PUT /api/visits/visit-1/attempts/': visit() });
    fireEvent.click(await screen.findByRole('button', { name: 'At the port' }));
    tap('3 h');
    tap(/^Start the soak/);
    await waitFor(() =>
      expect(puts()[0]?.body).toMatchObject({
        treatment: { soak: { place: 'PORT', channels: ['C'], plannedMinutes: 180 } },
      }),
    );
  });

  it('runs printer cycles on all channels without a bottle', async () => {
    const { puts } = open('cycle', { 'PUT /api/visits/visit-1/attempts/': visit() });
    await screen.findByLabelText('How many');
    expect(screen.queryByRole('combobox', { name: /Fluid and lot/ })).not.toBeInTheDocument();
    tap(/^Log these cycles/);
    await waitFor(() =>
      expect(puts()[0]?.body).toMatchObject({
        treatment: { cycle: { channels: ['K', 'C'], strength: 'LIGHT', count: 1 } },
      }),
    );
  });

  it('knows no other kind', async () => {
    open('steam');
    expect(await screen.findByText('There is nothing at this address')).toBeInTheDocument();
  });
});

describe('something else than advised', () => {
  const elsewhere = {
    'GET /api/visits/visit-1': visit({
      judgement: judgement(advice({ method: 'PURGE', channels: ['C'] })),
    }),
  };

  it('asks for one tap why, keeps it, and then logs the work', async () => {
    const { puts } = open('cycle', {
      ...elsewhere,
      'PUT /api/visits/visit-1/attempts/': visit(),
    });
    expect(await screen.findByText(/Why something else/)).toHaveTextContent('Air purge: C');
    tap('Log these cycles');
    expect(await screen.findByText('Say in a word why.')).toBeInTheDocument();
    expect(puts()).toHaveLength(0);
    tap('The customer asked');
    tap('Log these cycles');
    await waitFor(() => expect(puts()).toHaveLength(1));
    // In one request with the work, so that a refused attempt leaves no departure behind.
    expect((puts()[0].body as { departure: unknown }).departure).toEqual({
      rule: 'FIRST_REMEDY',
      advised: 'PURGE',
      reason: 'The customer asked',
    });
  });

  it('logs handwork as advised without a question or a bottle', async () => {
    const { puts } = open('handwork?method=PURGE&channels=C', {
      ...elsewhere,
      'PUT /api/visits/visit-1/attempts/': visit(),
    });
    expect(await screen.findByRole('combobox', { name: /What was done/ })).toHaveTextContent('Air purge');
    expect(screen.queryByText(/Why something else/)).not.toBeInTheDocument();
    tap('Log this work');
    await waitFor(() => expect(puts()).toHaveLength(1));
    expect(puts()[0].body).toMatchObject({
      treatment: { kind: 'HANDWORK', handwork: { method: 'PURGE', channels: ['C'] } },
    });
    expect((puts()[0].body as { lotId?: string }).lotId).toBeUndefined();
  });
});
