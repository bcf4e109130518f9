import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Visit } from '../api/types';
import { advice, judgement, lots, pretendServer, problem, show, usual, visit } from '../test/fixtures';
import RoundsPage from './RoundsPage';
import {
  isFarAbove,
  newStroke,
  nextMark,
  padAfter,
  resumeRounds,
  sameAs,
  startRounds,
  usualDose,
  type Stroke,
} from './roundsForm';

const quiet = { cautions: ['GOGGLES_SYRINGE'], gates: [], pushes: [] };

/** The visit with rounds that were begun: these strokes. */
function begun(id: string, strokes: Stroke[], next = 'STROKE'): Visit {
  return visit({
    attempts: [
      {
        id,
        treatment: {
          kind: 'FLUSH',
          flush: { method: 'FLUSH', planned: ['C'], pulses: false, strokes, temperatureC: 22 },
        },
        rounds: {
          open: next !== 'DONE',
          rows: [{ channel: 'C', rounds: strokes.length, totalMl: 3, overUsual: false, next }],
          rinse: [],
          deionisedMissing: false,
        },
        lot: { id: 'lot-1', name: 'Cablecombe head cleaner', lotCode: 'HC-1' },
        volumeMl: 3,
        startedAt: '2026-03-02T10:00:00Z',
        startedBy: 'Wenna',
        against: [],
      },
    ] as unknown as Visit['attempts'],
  });
}

/** A server that keeps what it is sent: the sitting with its first stroke, then that stroke as it is known. */
function keeps() {
  return ({ path, body }: { path: string; body: unknown }) => {
    const { stroke, treatment } = body as {
      stroke?: Stroke;
      treatment?: { flush: { strokes: Stroke[] } };
    };
    return begun(path.split('/')[5], stroke ? [stroke] : treatment!.flush.strokes);
  };
}

function open(query = '', answers: Record<string, unknown> = {}) {
  const sent = pretendServer({
    'POST /api/visits/visit-1/attempts/preview': quiet,
    'GET /api/visits/visit-1': visit({ judgement: judgement(advice()) }),
    'GET /api/lots': lots,
    ...answers,
  });
  const view = show(<RoundsPage />, {
    at: `/visits/visit-1/attempt/flush${query}`,
    path: '/visits/:id/attempt/flush',
  });
  return { ...view, puts: () => sent.filter((s) => s.method === 'PUT' && s.path.includes('/attempts/')) };
}

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const key = (key: string) => fireEvent.keyDown(document.body, { key });

describe('rounds as they open', () => {
  it('have the channels that are out, the house rule for the dose, and nothing seen', async () => {
    open();
    const row = await screen.findByRole('region', { name: 'Cyan' });
    expect(screen.queryByRole('region', { name: 'Black' })).not.toBeInTheDocument();
    expect(within(row).getByLabelText('Dose')).toHaveValue('3');
    expect(screen.getByText(/Doses by the house rule: 3 mL, a soak, then 1 mL/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Whole stream' })).not.toBeInTheDocument();
    expect(screen.queryByRole('button', { pressed: true, name: /pad/ })).not.toBeInTheDocument();
  });

  it('go on with the doses of a plan, whoever goes on, where a port had no stroke yet', () => {
    const planned = new URLSearchParams('doses=C:0.5,M:0.5');
    const first = newStroke(startRounds(visit(), planned, [], ''), 'C', 0.5);
    const [attempt] = begun('sitting-1', [first]).attempts;
    expect(resumeRounds(visit(), attempt, planned).doses).toEqual({ M: '0.5' });
    expect(resumeRounds(visit(), attempt).doses).toEqual({});
  });

  it('do not begin without a bottle', async () => {
    const { puts } = open('', { 'GET /api/lots': [] });
    expect(await screen.findByText('Choose the bottle first.')).toBeInTheDocument();
    key(' ');
    await new Promise((done) => setTimeout(done, 100));
    expect(screen.queryByRole('button', { name: /^Stop at/ })).not.toBeInTheDocument();
    expect(puts()).toHaveLength(0);
  });
});

describe('a stroke', () => {
  it('is kept the moment it stops, and what is seen of it as it is tapped', async () => {
    const { puts } = open('', { 'PUT /api/visits/visit-1/attempts/': keeps() });
    await screen.findByRole('region', { name: 'Cyan' });
    key(' ');
    expect(await screen.findByRole('button', { name: /^Stop at/ })).toBeInTheDocument();
    key(' ');
    await waitFor(() => expect(puts()).toHaveLength(1));
    const first = puts()[0].body as { open: boolean; treatment: { flush: { strokes: Stroke[] } } };
    expect(first.open).toBe(true);
    expect(first.treatment.flush.strokes[0].seconds).toBeGreaterThanOrEqual(0);
    expect(first.treatment.flush.strokes[0]).not.toHaveProperty('resistance');
    fireEvent.click(await screen.findByRole('button', { name: /^Went in stiffly/ }));
    await waitFor(() => expect(puts()).toHaveLength(2));
    expect(puts()[1].path).toMatch(/\/attempts\/[0-9a-f-]{36}\/strokes\/[0-9a-f-]{36}$/);
    expect((puts()[1].body as { stroke: Stroke }).stroke).toMatchObject({ resistance: 'STIFF', volumeMl: 3 });
  });

  it('that nobody timed says so', async () => {
    const { puts } = open('', { 'PUT /api/visits/visit-1/attempts/': keeps() });
    await screen.findByRole('region', { name: 'Cyan' });
    key('g');
    await waitFor(() => expect(puts()).toHaveLength(1));
    expect(await screen.findByText('Stroke 1: 3 mL not timed')).toBeInTheDocument();
  });

  it('that the server refuses stays, says why, and is sent again with a reason', async () => {
    const gates = [
      {
        code: 'PUSH_TOO_FAST',
        weight: 'NEEDS_REASON',
        field: 'strokes',
        channel: 'C',
        limit: 15,
        entered: 22,
      },
    ];
    open('', { 'PUT /api/visits/visit-1/attempts/': problem(422, { detail: 'In the way.', gates }) });
    await screen.findByRole('region', { name: 'Cyan' });
    key('g');
    expect(await screen.findByText(/more than the 15 kPa|15 kPa/)).toBeInTheDocument();
    expect(screen.getByLabelText(/Reason, kept/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Keep this stroke' })).toBeInTheDocument();
  });

  it('of ten times the usual is asked about first, by key as by tap', async () => {
    const { puts } = open('', { 'PUT /api/visits/visit-1/attempts/': visit() });
    const row = await screen.findByRole('region', { name: 'Cyan' });
    fireEvent.change(within(row).getByLabelText('Dose'), { target: { value: '30' } });
    key('g');
    expect(await screen.findByText(/30 mL is ten times the usual 3 mL or more/)).toBeInTheDocument();
    expect(puts()).toHaveLength(0);
    tap('Yes, 30 mL');
    await waitFor(() => expect(puts()).toHaveLength(1));
  });
});

describe('the limit', () => {
  it('unfolds the sum behind the slowest safe stroke and the greatest force', async () => {
    const push = {
      channel: 'C',
      limitKpa: 15,
      nozzles: 8,
      open: 6,
      boreUm: 20,
      plateUm: 30,
      temperatureC: 22,
      viscosityMpaS: 0.955,
      jetLoss: 1.5,
      secondsPerMl: 6.4,
      floorSecondsPerMl: 4.8,
      greatestForces: [
        { syringe: 'ML_10', newton: 2.48 },
        { syringe: 'ML_60', newton: 8.4 },
      ],
      reservoirM: 1.53,
    };
    open('', { 'POST /api/visits/visit-1/attempts/preview': { ...quiet, pushes: [push] } });
    expect(await screen.findByText('3 mL in 19.2 s or slower')).toBeInTheDocument();
    expect(screen.getByText(/60 mL syringe at most 8.4 N/)).toBeInTheDocument();
    tap('How that is worked out');
    expect(screen.getByText(/Through 6 of 8 nozzles, bore 20 µm/)).toBeInTheDocument();
  });
});

describe('what belongs in a stroke', () => {
  const form = (part = {}) => ({ ...startRounds(visit(), new URLSearchParams(), [], ''), ...part });
  const stroke = newStroke(form(), 'C', 3);

  it('follows what comes next: the first dose, the small one after the soak, a pulse', () => {
    expect(usualDose(visit(), form(), undefined, undefined)).toBe(3);
    expect(usualDose(visit(), form(), 'STROKE_AFTER_SOAK', stroke)).toBe(1);
    expect(usualDose(visit(), form({ pulses: true }), undefined, undefined)).toBe(4);
    expect(usualDose(visit(), form({ method: 'PURGE' }), undefined, undefined)).toBe(0.5);
  });

  it('asks one thing after another, and goes past what was skipped', () => {
    const marks = ['RESISTANCE', 'EFFLUENT', 'STREAM'] as const;
    expect(nextMark(stroke, [...marks])).toBe('RESISTANCE');
    expect(nextMark({ ...stroke, resistance: 'FREE' }, [...marks])).toBe('EFFLUENT');
    expect(nextMark(stroke, [...marks], ['RESISTANCE', 'EFFLUENT', 'STREAM'])).toBeUndefined();
  });

  it('takes over what was seen above, never the dose or its time', () => {
    const above = { ...newStroke(form(), 'K', 4, 9), resistance: 'FREE' as const, stream: 'DRIPS' as const };
    expect(sameAs(stroke, above, ['RESISTANCE', 'STREAM'])).toMatchObject({
      channel: 'C',
      volumeMl: 3,
      seconds: undefined,
      resistance: 'FREE',
      stream: 'DRIPS',
    });
  });

  it('says of the pad only what was said', () => {
    expect(newStroke(form(), 'C', 3).freshPad).toBeUndefined();
    expect(newStroke(form({ freshPad: true }), 'C', 3).freshPad).toBe(true);
    expect(newStroke(form({ freshPad: true, method: 'PURGE' }), 'C', 3).freshPad).toBeUndefined();
  });

  it('leaves a pad fresh only under what was seen like fresh fluid', () => {
    const onFresh = newStroke(form({ freshPad: true }), 'C', 3);
    expect(padAfter(null, onFresh)).toBeNull();
    expect(padAfter(null, { ...onFresh, effluent: 'LIKE_FRESH' })).toBe(true);
    expect(padAfter(true, { ...onFresh, effluent: 'TINTED' })).toBe(false);
    expect(padAfter(null, { ...stroke, effluent: 'LIKE_FRESH' })).toBeNull();
  });

  it('is far above the usual from ten times on, where there is a usual', () => {
    expect(isFarAbove(29.9, usual.strokeMl)).toBe(false);
    expect(isFarAbove(30, usual.strokeMl)).toBe(true);
    expect(isFarAbove(500, 0)).toBe(false);
  });
});
