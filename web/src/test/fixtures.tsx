import { USUAL_UNITS } from '../flow/units';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { vi } from 'vitest';
import { SessionContext, type Session } from '../account/session';
import type { Advice, Attempt, Check, Clock, Judgement, Likely, Usual, Visit } from '../api/types';
import { theme } from '../app/theme';

export const NOW = Date.parse('2026-03-02T10:00:00Z');

export const channels = [
  { code: 'K', colour: 'Black', ink: '#22252b', port: 'post', nozzles: 8, fitting: 'TUBE' as const },
  { code: 'C', colour: 'Cyan', ink: '#0092c4', port: 'post', nozzles: 8, fitting: 'TUBE' as const },
];

/** One bottle of cleaner on the shelf. */
export const lots = [
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

/** Nothing weak, deflected or paler from a drive group on. */
const PRINTS = { weak: 0, allowedWeak: 0, deflected: 0, allowedDeflected: 0, densityStep: false };

export function check(part: Partial<Check> = {}): Check {
  return {
    id: 'check-1',
    version: 0,
    number: 1,
    takenAt: '2026-03-02T08:00:00Z',
    takenBy: 'Wenna',
    reading: { K: 'FFFFFFFF', C: 'FMMFFFFF' },
    note: '',
    simulated: false,
    against: [],
    corrected: 0,
    acceptance: {
      jobClass: 'GENERAL',
      verdict: 'NOT_MET',
      channels: {
        K: { verdict: 'MET', out: 0, allowedOut: 0, longestRun: 0, unread: 0, ...PRINTS },
        C: { verdict: 'NOT_MET', out: 2, allowedOut: 0, longestRun: 2, unread: 0, ...PRINTS },
      },
    },
    channels: {
      K: counts({ firing: 8 }),
      C: counts({ firing: 6, out: 2, longestRun: 2, longestRunFirst: 2 }),
    },
    ...part,
  };
}

function counts(part: object) {
  return {
    nozzles: 8,
    firing: 0,
    weak: 0,
    deflected: 0,
    out: 0,
    unread: 0,
    longestRun: 0,
    longestRunFirst: 0,
    whollyOut: false,
    densitySteps: [],
    ...part,
  };
}

export function attempt(part: Partial<Attempt> = {}): Attempt {
  return {
    id: 'attempt-1',
    version: 0,
    treatment: { kind: 'SOAK', soak: { place: 'PORT', channels: ['C'], volumeMl: 1.5, plannedMinutes: 40 } },
    lot: { id: 'lot-1', name: 'Cablecombe head cleaner', lotCode: 'HC-1' },
    volumeMl: 1.5,
    startedAt: '2026-03-02T09:30:00Z',
    startedBy: 'Wenna',
    note: '',
    against: [],
    knot: 'WAITING',
    burstsDone: 0,
    ...part,
  };
}

export function clock(part: Partial<Clock> = {}): Clock {
  return {
    id: 'clock-1',
    visitId: 'visit-1',
    tag: '4444F',
    headName: 'Vennick B3',
    attemptId: 'attempt-1',
    kind: 'SOAK',
    method: 'PORT_SOAK',
    channels: ['C'],
    startedAt: '2026-03-02T09:30:00Z',
    startedBy: 'Wenna',
    dueAt: '2026-03-02T10:10:00Z',
    note: '',
    ...part,
  };
}

/** What the form of each method asks, as far as tests look at it. */
function forms(): Usual['forms'] {
  const cleaner = ['AQUEOUS_CLEANER', 'FOOD_SAFE_CLEANER', 'DEIONISED_WATER'];
  const form = (part: object) => ({
    bench: false,
    either: false,
    power: false,
    wholeHead: false,
    fluids: [],
    heat: false,
    depth: false,
    suction: false,
    waits: [],
    byStrokes: false,
    strokeMl: 0,
    marks: [],
    pulseMarks: [],
    asks: [],
    parts: [],
    ...part,
  });
  const strokes = (method: string) => ({
    byStrokes: true,
    strokeMl: method === 'PURGE' ? 0.5 : 3,
    marks: method === 'PURGE' ? ['RESISTANCE'] : ['RESISTANCE', 'EFFLUENT', 'STREAM', 'FRESH_PAD'],
    pulseMarks: ['RESISTANCE', 'EFFLUENT', 'PAD_PRINT'],
  });
  const powered = ['CYCLE', 'CYCLE_STRONG', 'PAGE', 'CHARGE', 'ALIGN', 'SYSTEM'];
  const bench = ['TRAY_SOAK', 'RINSE', 'BATH', 'STEAM', 'DRAW_BACK'];
  const carriage = ['CARTRIDGE', 'DRAW_IN', 'DAMPER', 'LINE'];
  const either = ['FLUSH', 'WARM', 'PORT_SOAK', 'PURGE', 'PRIME', 'WIPE', 'PAD', 'VAPOUR', 'REST'];
  const whole = ['STATION', 'UNDERSIDE', 'STRIP', 'RESEAT'];
  return Object.fromEntries([
    ...powered.map((method) => [method, form({ power: true })]),
    ...bench.map((method) => [
      method,
      form({ bench: true, fluids: cleaner, heat: true, depth: method === 'TRAY_SOAK' }),
    ]),
    ...carriage.map((method) => [method, form({ fluids: cleaner })]),
    ...either.map((method) => [
      method,
      form({
        either: true,
        fluids: cleaner,
        waits: method === 'PAD' ? [10, 720] : [],
        ...(['FLUSH', 'WARM', 'PURGE'].includes(method) ? strokes(method) : {}),
      }),
    ]),
    ...whole.map((method) => [
      method,
      form({
        either: true,
        wholeHead: true,
        fluids: [...cleaner, 'CAPPING_FLUID'],
        ownFluid: method === 'STATION' ? 'CAPPING_FLUID' : undefined,
        parts:
          method === 'STATION' ? [{ part: 'WIPER', perChannel: false, acts: ['CLEANED', 'REPLACED'] }] : [],
      }),
    ]),
  ]) as Usual['forms'];
}

/** A head in its carriage that may have power, unless a test is about one that may not. */
export function head(part: Partial<Visit['head']> = {}): Visit['head'] {
  return { site: 'IN_CARRIAGE', keptFrom: [], wettings: [], entries: [], ...part };
}

/** One that dries until then. */
export function drying(until: string): Visit['head'] {
  return head({
    site: 'ON_BENCH',
    keptFrom: [{ reason: 'HOLD', since: '2026-03-02T00:00:00Z', until }],
    wettings: [{ wet: 'BODY', by: 'RINSE', since: '2026-03-02T00:00:00Z', until }],
  });
}

/** What forms start from, as the server says it. */
export const usual: Usual = {
  strokeMl: 3,
  afterSoakMl: 1,
  pulseMl: 4,
  pulsesMl: 30,
  pulses: false,
  cycleInkMl: {},
  secondsPerMl: { K: 4, C: 4 },
  soakBetweenMinutes: 10,
  lightFirst: ['C', 'K'],
  roomC: 22,
  soaks: [
    { place: 'PORT', perChannel: true, ml: 1.5, ladderMinutes: [10, 40, 180, 720] },
    { place: 'TRAY', perChannel: false, ml: 25, ladderMinutes: [15, 40, 180, 720] },
  ],
  bath: { volumeMl: 150, temperatureC: 35, levelMm: 3, bursts: 2, burstSeconds: 120 },
  notForHead: [
    { method: 'RINSE', why: 'NO_RINSE' },
    { method: 'STEAM', why: 'NO_STEAM' },
    { method: 'TRAY_SOAK', why: 'NO_SUBMERGE' },
    { method: 'BATH', why: 'NO_BATH' },
  ],
  forms: forms(),
  kinds: Object.fromEntries(
    Object.entries({
      FLUSH: ['FLUSH', 'WARM', 'PURGE', 'PRIME', 'DRAW_BACK', 'DAMPER', 'LINE'],
      SOAK: ['PORT_SOAK', 'TRAY_SOAK'],
      BATH: ['BATH'],
      CYCLE: ['CYCLE', 'CYCLE_STRONG'],
      HANDWORK: [
        ...['REST', 'PAGE', 'CHARGE', 'CARTRIDGE', 'DRAW_IN', 'STATION', 'UNDERSIDE', 'WIPE'],
        ...['PAD', 'VAPOUR', 'RINSE', 'STEAM', 'SYSTEM', 'RESEAT', 'STRIP', 'ALIGN'],
      ],
    }).flatMap(([kind, methods]) => methods.map((method) => [method, kind])),
  ) as Usual['kinds'],
  waits: [
    { waiting: 'DROP_TEST', minutes: 60, perChannel: true },
    { waiting: 'JAR', minutes: 40, perChannel: false },
  ],
  holds: [
    { wet: 'BASE_ONLY', hours: 2 },
    { wet: 'BODY', hours: 12 },
    { wet: 'BOARD', hours: 24 },
  ],
};

/** Nothing came off, nothing is open, nothing cost anything. */
export const FINISH: Visit['finish'] = {
  parts: [],
  back: [],
  usualParts: [],
  alignment: { state: 'FIRST_PASS', strip: false, passes: [], earlier: [] },
  unchecked: [],
  open: [],
  proofs: [],
  harmless: [],
  overruled: [],
  bill: {
    minutes: 0,
    hands: 0,
    fluids: 0,
    parts: 0,
    margin: 0,
    net: 0,
    agreed: false,
    tax: 0,
    total: 0,
    terms: {},
    usualMinutes: 0,
    unpriced: [],
  },
};

export function visit(part: Partial<Visit> = {}): Visit {
  return {
    id: 'visit-1',
    version: 3,
    tag: '4444F',
    intake: {
      customerName: 'Mudlark',
      contact: 'the lock',
      serial: 'S-1',
      symptoms: ['SMEARS'],
      ports: [],
      promisedOn: '2026-03-04',
    },
    family: {
      code: 'T',
      name: 'Vennick B3',
      construction: 'THERMAL_BLADDER',
      channels,
      stairs: 2,
      steps: 4,
      driveGroups: 2,
      limits: { pushKpa: 15, submerge: 'BASE_ONLY', bath: 'HUNG', rinse: true, steam: true, heatC: 50 },
      freeCarriage: [],
    },
    food: 'NOT_FOOD',
    openedAt: '2026-03-02T07:00:00Z',
    openedBy: 'Wenna',
    jobClass: 'GENERAL',
    earlierVisits: [],
    checks: [check()],
    keptChecks: [],
    diagnoses: [],
    attempts: [],
    clocks: [],
    thread: [],
    next: {
      action: 'TREAT',
      advised: { rule: 'FIRST_REMEDY', act: 'WORK', method: 'FLUSH', channels: ['C'] },
    },
    judgement: judgement(),
    head: head(),
    usual,
    foodCare: false,
    standIn: false,
    parts: [],
    finish: FINISH,
    cyclesRun: 0,
    serverTime: '2026-03-02T10:00:00Z',
    ...part,
  } as unknown as Visit;
}

/** A visit whose first advice is this one, with what the server says is next by it. */
export function advisedVisit(first: Advice, part: Partial<Visit> = {}, more: object = {}): Visit {
  return visit({
    judgement: judgement(first, more),
    next: {
      action: first.act === 'LOOK' ? 'LOOK' : first.act === 'CHECK' ? 'CHECK_AGAIN' : 'TREAT',
      advised: {
        rule: first.rule,
        act: first.act,
        method: first.method,
        look: first.look,
        channels: first.channels,
      },
    },
    ...part,
  });
}

/** What is advised: a flush of cyan, unless a test is about something else. */
export function advice(part: object = {}): Advice {
  return {
    rule: 'FIRST_REMEDY',
    act: 'WORK',
    method: 'FLUSH',
    channels: ['C'],
    facts: { PERCENT: 88 },
    cause: 'DRIED_INK',
    findings: [],
    tried: [],
    house: [],
    ...part,
  } as unknown as Advice;
}

export function judgement(first: Advice = advice(), part: object = {}): Judgement {
  return {
    causes: [likely('DRIED_INK', 0.88), likely('AIR', 0.04)],
    channels: {},
    looks: [],
    byTheWay: [],
    findings: [],
    lastChange: [],
    contradictions: [],
    advice: { first, others: [], bars: [] },
    departures: [],
    houseRules: 0,
    houseRulesNow: 0,
    houseAnswers: { CYCLES_FIRST: 'UP_TO_THREE', DOSE: 'SMALL_WITH_SOAK', PLACE: 'IN_PLACE_FIRST' },
    ...part,
  } as unknown as Judgement;
}

export function likely(cause: string, probability: number, part: object = {}): Likely {
  return { cause, probability, odds: 1, prior: 0.1, reasons: [], ...part } as unknown as Likely;
}

/** Answers of a pretended server, by method and the beginning of the path; what was sent is kept. */
export function pretendServer(answers: Record<string, unknown>) {
  const sent: { method: string; path: string; body: unknown }[] = [];
  vi.stubGlobal(
    'fetch',
    vi.fn(async (request: Request) => {
      const { pathname, search } = new URL(request.url);
      const path = pathname + search;
      const { method } = request;
      const text = method === 'GET' ? '' : await request.text();
      const key = Object.keys(answers)
        .filter((k) => `${method} ${path}`.startsWith(k))
        .sort((a, b) => b.length - a.length)[0];
      sent.push({ method, path, body: text === '' ? undefined : JSON.parse(text) });
      const known = key === undefined ? undefined : answers[key];
      const answer: unknown = await (typeof known === 'function'
        ? (known as (request: unknown) => unknown)(sent.at(-1))
        : known);
      if (answer instanceof Response) {
        return answer.clone();
      }
      return answer === undefined
        ? new Response(null, { status: 204 })
        : new Response(JSON.stringify(answer), { status: 200 });
    }),
  );
  return sent;
}

export function problem(status: number, body: object): Response {
  return new Response(JSON.stringify({ detail: 'No.', ...body }), { status });
}

/** Renders something as the product does, for one role, and says where the way has led. */
export function show(
  children: ReactNode,
  options: { role?: Session['person']['role']; at?: string; path?: string } = {},
) {
  const role = options.role ?? 'TECHNICIAN';
  const session: Session = {
    person: {
      name: 'wenna',
      displayName: 'Wenna Tarvick',
      role,
      currency: 'EUR',
      units: USUAL_UNITS,
      byPin: false,
      isSetUp: true,
    },
    mayWrite: role !== 'OBSERVER',
    isLead: role === 'LEAD',
    signOut: vi.fn(),
  };
  const router = createMemoryRouter(
    [
      { path: options.path ?? '/', element: children },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: [options.at ?? '/'] },
  );
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const view = render(
    <ThemeProvider theme={theme}>
      <QueryClientProvider client={queries}>
        <SessionContext value={session}>
          <RouterProvider router={router} />
        </SessionContext>
      </QueryClientProvider>
    </ThemeProvider>,
  );
  return { ...view, router, where: () => router.state.location.pathname + router.state.location.search };
}
