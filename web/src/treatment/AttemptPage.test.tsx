import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { advice, head, judgement, lots, pretendServer, problem, show, visit } from '../test/fixtures';
import AttemptPage from './AttemptPage';

const quiet = { cautions: ['GOGGLES_SYRINGE'], gates: [] };

function open(
  kind: string,
  answers: Record<string, unknown> = {},
  role: 'TECHNICIAN' | 'LEAD' = 'TECHNICIAN',
) {
  const sent = pretendServer({
    'POST /api/visits/visit-1/attempts/preview': quiet,
    'GET /api/visits/visit-1': visit({ judgement: judgement(asAdvised(kind)) }),
    'GET /api/lots': lots,
    ...answers,
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
  const method =
    { flush: 'FLUSH', soak: 'PORT_SOAK', bath: 'BATH', cycle: 'CYCLE' }[kind.split('?')[0]] ?? 'STATION';
  return advice({ method });
}

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('logging work', () => {
  it('opens with the channels that are out, the usual bottle, and the cautions beside it', async () => {
    open('soak?place=PORT');
    expect(await screen.findByRole('button', { name: 'Cyan', pressed: true })).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Black', pressed: false })).toBeInTheDocument();
    expect(screen.getByRole('combobox', { name: /Fluid and lot/ })).toHaveTextContent('HC-1: 40 mL left');
    expect(await screen.findByText(/Goggles on/)).toBeInTheDocument();
  });

  it('sends what was entered once, under one key', async () => {
    const { puts, where } = open('soak?place=PORT', { 'PUT /api/visits/visit-1/attempts/': visit() });
    await screen.findByLabelText('Fluid');
    tap(/^Start the soak/);
    tap(/^Start the soak/);
    await waitFor(() => expect(where()).toBe('/visits/visit-1'));
    expect(puts()).toHaveLength(1);
    expect(puts()[0].path).toMatch(/^\/api\/visits\/visit-1\/attempts\/[0-9a-f-]{36}$/);
    expect(puts()[0].body).toMatchObject({ lotId: 'lot-1', treatment: { kind: 'SOAK' } });
  });

  it('does not send what is no number, and says so at the entry', async () => {
    const { puts } = open('soak?place=PORT');
    fireEvent.change(await screen.findByLabelText('Fluid'), { target: { value: 'some' } });
    tap(/^Start the soak/);
    expect(await screen.findByText('Enter a number, such as 3 or 2.5.')).toBeInTheDocument();
    expect(puts()).toHaveLength(0);
  });

  it('shows what the server refuses at the entry it is about, and keeps it', async () => {
    open('soak?place=PORT', {
      'PUT /api/visits/visit-1/attempts/': problem(422, {
        errors: [{ field: 'treatment.soak.volumeMl', code: 'DecimalMin', message: 'Enter more than 0 mL.' }],
      }),
    });
    fireEvent.change(await screen.findByLabelText('Fluid'), { target: { value: '-2' } });
    tap(/^Start the soak/);
    expect(await screen.findByText('Enter more than 0 mL.')).toBeInTheDocument();
    expect(screen.getByLabelText('Fluid')).toHaveValue('-2');
  });

  it('asks about ten times the usual before it is kept', async () => {
    const { puts } = open('soak?place=PORT', { 'PUT /api/visits/visit-1/attempts/': visit() });
    fireEvent.change(await screen.findByLabelText('Fluid'), { target: { value: '400' } });
    tap(/^Start the soak/);
    expect(await screen.findByText(/400 mL is ten times the usual/)).toBeInTheDocument();
    expect(puts()).toHaveLength(0);
    tap('Yes, 400 mL');
    await waitFor(() => expect(puts()).toHaveLength(1));
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
    expect(screen.getByLabelText(/Reason, kept/)).toBeInTheDocument();
  });

  it.each([
    ['TECHNICIAN', 'NEEDS_LEAD', 0],
    ['LEAD', 'NEEDS_LEAD', 1],
    ['TECHNICIAN', 'REFUSED', 0],
    ['LEAD', 'REFUSED', 1],
  ] as const)('offers a %s a departure from %s: %i', async (role, weight, fields) => {
    open('cycle', { 'POST /api/visits/visit-1/attempts/preview': gate(weight) }, role);
    await screen.findByText(/then hands/);
    expect(screen.queryAllByLabelText(/Reason, kept/)).toHaveLength(fields);
  });

  it('logs what is never done only as done all the same', async () => {
    const { puts } = open(
      'cycle',
      {
        'POST /api/visits/visit-1/attempts/preview': gate('REFUSED'),
        'PUT /api/visits/visit-1/attempts/': visit(),
      },
      'LEAD',
    );
    fireEvent.change(await screen.findByLabelText(/Reason, kept/), { target: { value: 'it ran by itself' } });
    fireEvent.click(screen.getByRole('checkbox', { name: 'It was done all the same' }));
    tap(/^Log these cycles/);
    await waitFor(() =>
      expect(puts()[0]?.body).toMatchObject({ departureReason: 'it ran by itself', doneAnyway: true }),
    );
  });
});

describe('where the head is', () => {
  it('says that the head comes out, asks how deep, and sends both', async () => {
    const { puts } = open('soak', {
      'GET /api/visits/visit-1': visit({ judgement: judgement(advice({ method: 'TRAY_SOAK' })) }),
      'PUT /api/visits/visit-1/attempts/': visit(),
    });
    fireEvent.click(await screen.findByRole('button', { name: 'In a tray' }));
    expect(screen.getByText('The head comes out for it.')).toBeInTheDocument();
    tap('Body, ports or contacts');
    tap(/^Start the soak/);
    await waitFor(() => expect(puts()[0]?.body).toMatchObject({ wet: 'BODY' }));
  });

  it('asks a cycle of a head that is out whether it is back in', async () => {
    const { puts } = open('cycle', {
      'GET /api/visits/visit-1': visit({
        head: head({ site: 'ON_BENCH' }),
        judgement: judgement(advice({ method: 'CYCLE' })),
      }),
      'PUT /api/visits/visit-1/attempts/': visit(),
    });
    fireEvent.click(await screen.findByRole('button', { name: 'It is back in its carriage' }));
    tap(/^Log these cycles/);
    await waitFor(() => expect(puts()[0]?.body).toMatchObject({ site: 'IN_CARRIAGE' }));
  });

  it('asks a clean of the station for no channel, and opens on the fluid that is its own', async () => {
    open('handwork', {
      'GET /api/lots': [...lots, { ...lots[0], id: 'lot-2', kind: 'CAPPING_FLUID', lotCode: 'CF-2' }],
    });
    expect(await screen.findByRole('combobox', { name: /Fluid and lot/ })).toHaveTextContent('CF-2');
    expect(screen.queryByRole('group', { name: 'Channels' })).not.toBeInTheDocument();
  });
});

describe('work that waits, and work that is entered later', () => {
  it('gives a pad its usual time, one tap for a longer one, and none for one that is over', async () => {
    const { puts } = open('handwork?method=PAD&channels=C', {
      'GET /api/visits/visit-1': visit({ judgement: judgement(advice({ method: 'PAD' })) }),
      'PUT /api/visits/visit-1/attempts/': visit(),
    });
    expect(await screen.findByLabelText(/^Planned time/)).toHaveValue('10');
    tap('12 h');
    tap('Log this work');
    await waitFor(() =>
      expect(puts()[0]?.body).toMatchObject({ treatment: { handwork: { plannedMinutes: 720 } } }),
    );
  });

  it('says when it was begun, in the time of the server', async () => {
    const { puts } = open('cycle', { 'PUT /api/visits/visit-1/attempts/': visit() });
    fireEvent.click(await screen.findByRole('button', { name: 'It was done earlier' }));
    fireEvent.change(screen.getByLabelText('Begun at'), { target: { value: '2026-03-02T08:15' } });
    tap(/^Log these cycles/);
    await waitFor(() =>
      expect((puts()[0]?.body as { begunAt: string }).begunAt).toBe(
        new Date('2026-03-02T08:15').toISOString(),
      ),
    );
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

  it('logs handwork as advised without a question, and has the bottle in the form asked', async () => {
    const { puts } = open('handwork?method=WIPE&channels=C', {
      'GET /api/visits/visit-1': visit({ judgement: judgement(advice({ method: 'WIPE' })) }),
      'PUT /api/visits/visit-1/attempts/': visit(),
    });
    expect(await screen.findByRole('combobox', { name: /What was done/ })).toHaveTextContent('Wipe the face');
    expect(screen.queryByText(/Why something else/)).not.toBeInTheDocument();
    tap('Log this work');
    await waitFor(() => expect(puts()).toHaveLength(1));
    expect(puts()[0].body).toMatchObject({
      treatment: { kind: 'HANDWORK', handwork: { method: 'WIPE', channels: ['C'] } },
    });
    expect((puts()[0].body as { lotId?: string }).lotId).toBe('lot-1');
  });
});
