import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { DayHead, DayWork, KeptDay } from '../api/types';
import { pretendServer, problem, show } from '../test/fixtures';
import DayPage from './DayPage';
import { axisOf, datesOf, hoursOf, lanesOf, nearest, placeOn, shifted, staysAt } from './dayTime';
import TrialPage from './TrialPage';

/** Times are those of the machine that shows them. */
function at(time: string, date = '2026-03-02'): string {
  return new Date(`${date}T${time}`).toISOString();
}

function work(key: string, from: string, until: string, more: Partial<DayWork> = {}): DayWork {
  return {
    key,
    doing: 'CHECK',
    personId: 'wenna',
    from: at(from),
    until: at(until),
    places: [],
    kept: false,
    pinned: false,
    begun: false,
    ...more,
  };
}

function head(visitId: string, tag: string, all: DayWork[], more: Partial<DayHead> = {}): DayHead {
  return {
    visitId,
    tag,
    headName: 'Orsel D6',
    runsIn: [],
    ready: all.length === 0 ? at('09:00') : all[all.length - 1].until,
    lateMinutes: 0,
    againPercent: 0,
    againMinutes: 0,
    work: all,
    ...more,
  };
}

const TRAY = head('v1', 'K7M2P', [
  work('1-TRAY_IN', '09:10', '09:20', {
    doing: 'TRAY_IN',
    method: 'TRAY_SOAK',
    places: ['TRAY'],
    kept: true,
    waitsUntil: at('12:20'),
  }),
  work('1-LIFT_OUT', '13:00', '13:10', { doing: 'LIFT_OUT', method: 'TRAY_SOAK', places: ['TRAY'] }),
]);
const LATE = head(
  'v2',
  'T4XQ9',
  [work('before-CHECK', '10:00', '10:30'), work('after-PAGE', '11:00', '11:10')],
  {
    lateMinutes: 90,
    againPercent: 35,
    againMinutes: 40,
  },
);

function kept(more: Partial<KeptDay> = {}): KeptDay {
  return {
    start: at('09:00'),
    madeAt: at('09:00'),
    madeBy: 'Oswin Pell',
    people: [
      { id: 'wenna', name: 'Wenna Tarvick', hours: [{ from: at('09:00'), until: at('17:30') }] },
      { id: 'oswin', name: 'Oswin Pell', hours: [{ from: at('13:00'), until: at('17:00') }] },
    ],
    have: { BATH: 1, TRAY: 2, PRINTER: 4, TEST_SLOT: 2 },
    heads: [TRAY, LATE],
    lateMinutes: 90,
    readyMinutes: 500,
    firstComeLateMinutes: 240,
    firstComeReadyMinutes: 700,
    lateBoundMinutes: 90,
    repeatable: true,
    waits: [{ on: 'TRAY', minutes: 180, heads: 2, from: at('14:00') }],
    late: [{ visitId: 'v2', minutes: 90, anyway: false, on: 'HANDS' }],
    overnight: ['v1'],
    eased: [],
    helps: [{ more: 'TRAY', lateMinutes: 180, readyMinutes: 300 }],
    letGo: [],
    ...more,
  };
}

const DAY = { serverTime: at('09:30'), day: kept(), since: [], hoursUnsaid: false };

describe('where things stand in the picture', () => {
  it('goes from the first full hour of anybody to the last', () => {
    const axis = axisOf(kept(), '2026-03-02');
    expect([axis.from, axis.until]).toEqual([Date.parse(at('09:00')), Date.parse(at('18:00'))]);
    expect(hoursOf(axis)).toHaveLength(9);
    expect(placeOn(axis, Date.parse(at('13:30')))).toBe(0.5);
    expect(placeOn(axis, Date.parse(at('03:00')))).toBe(0);
  });

  it('shows the usual hours on a date without anybody', () => {
    const axis = axisOf(kept(), '2026-03-09');
    expect([axis.from, axis.until]).toEqual([
      Date.parse(at('08:00', '2026-03-09')),
      Date.parse(at('18:00', '2026-03-09')),
    ]);
  });

  it('has the dates on which anybody does anything, and that of its start', () => {
    const later = head('v3', 'PPH9Q', [
      { ...work('x', '09:00', '09:10'), from: at('09:00', '2026-03-05'), until: at('09:10', '2026-03-05') },
    ]);
    expect(datesOf(kept({ heads: [later] }))).toEqual(['2026-03-02', '2026-03-05']);
  });

  it('opens at today, or at the next day on which something is done', () => {
    const dates = ['2026-03-02', '2026-03-05'];
    expect(nearest(dates, '2026-03-02')).toBe('2026-03-02');
    expect(nearest(dates, '2026-03-03')).toBe('2026-03-05');
    expect(nearest(dates, '2026-03-09')).toBe('2026-03-05');
  });

  it('moves by steps of five minutes', () => {
    expect(shifted(Date.parse(at('10:02')), 5)).toBe(Date.parse(at('10:05')));
    expect(shifted(Date.parse(at('10:00')), -30)).toBe(Date.parse(at('09:30')));
  });

  it('keeps a tray taken while the head soaks, and what ran before from the start on', () => {
    const runs = head('v4', 'FAX3X', [work('a', '09:40', '09:50')], { runsIn: ['TRAY'] });
    const stays = staysAt(kept({ heads: [TRAY, runs] }), 'TRAY');
    expect(stays.map((s) => [s.head.tag, s.from, s.until])).toEqual([
      ['FAX3X', Date.parse(at('09:00')), Date.parse(at('09:40'))],
      ['K7M2P', Date.parse(at('09:10')), Date.parse(at('13:00'))],
      ['K7M2P', Date.parse(at('13:00')), Date.parse(at('13:10'))],
    ]);
    expect(lanesOf(stays, 2).map((lane) => lane.length)).toEqual([2, 1]);
    expect(lanesOf(stays, 1).map((lane) => lane.length)).toEqual([2, 1]);
  });
});

describe('the day', () => {
  it('is proposed by one tap where there is none', async () => {
    const sent = pretendServer({
      'GET /api/day': { ...DAY, day: undefined, hoursUnsaid: true },
      'POST /api/day': DAY,
    });
    show(<DayPage />);
    expect(await screen.findByText(/No day was proposed yet/)).toBeVisible();
    expect(screen.getByText(/8 to 18 on every day/)).toBeVisible();
    fireEvent.click(screen.getByRole('button', { name: 'Propose the day' }));
    expect(await screen.findByRole('group', { name: 'Picture of the day' })).toBeVisible();
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ anew: true });
  });

  it('says how good it is, why, and what would help', async () => {
    pretendServer({ 'GET /api/day': DAY });
    show(<DayPage />);
    expect(await screen.findByText(/1 head misses its promise, 90 min in all/)).toHaveTextContent(
      'No order of this work is less late. Taken as they came it would be 4 h.',
    );
    const why = within(screen.getByRole('region', { name: 'Why it is so' }));
    expect(why.getByText(/Most is waited for a tray: 2 heads, 3 h in all, from/)).toBeVisible();
    expect(why.getByText(/90 min late: it waits longest for hands/)).toHaveTextContent('T4XQ9');
    expect(
      within(screen.getByRole('region', { name: 'What would help' })).getByText(
        'One more tray: 3 h less late in all.',
      ),
    ).toBeVisible();
    expect(screen.getByText('35 % another round')).toBeVisible();
  });

  it('says when another run may come to another day', async () => {
    pretendServer({ 'GET /api/day': { ...DAY, day: kept({ repeatable: false }) } });
    show(<DayPage />);
    expect(await screen.findByText(/another run may come to another day/)).toBeVisible();
  });

  it('has a step pinned by keys, for another person and later', async () => {
    const sent = pretendServer({ 'GET /api/day': DAY, 'PUT /api/day/pins/v2/before-CHECK': DAY });
    show(<DayPage />);
    const bar = await screen.findByRole('button', { name: 'T4XQ9: Nozzle check, 10:00 to 10:30' });
    bar.focus();
    fireEvent.keyDown(bar, { key: 'ArrowRight', shiftKey: true });
    fireEvent.keyDown(bar, { key: 'ArrowRight' });
    fireEvent.keyDown(bar, { key: 'ArrowDown' });
    expect(screen.getByText('10:35, Oswin Pell. Enter pins it here, Escape leaves it.')).toBeVisible();
    fireEvent.keyDown(bar, { key: 'Enter' });
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ personId: 'oswin', at: at('10:35') }),
    );
  });

  it('leaves a step where it is by Escape', async () => {
    const sent = pretendServer({ 'GET /api/day': DAY });
    show(<DayPage />);
    const bar = await screen.findByRole('button', { name: 'T4XQ9: Nozzle check, 10:00 to 10:30' });
    fireEvent.keyDown(bar, { key: 'ArrowLeft' });
    fireEvent.keyDown(bar, { key: 'Escape' });
    fireEvent.keyDown(bar, { key: 'Enter' });
    expect(screen.queryByText(/Enter pins it here/)).toBeNull();
    expect(sent.some((s) => s.method === 'PUT')).toBe(false);
  });

  it('has a step dragged, and says why it does not fit there', async () => {
    const sent = pretendServer({
      'GET /api/day': DAY,
      'PUT /api/day/pins': () =>
        problem(409, {
          type: 'urn:undoknot:problem:no-room',
          detail: 'Whoever should do it is not there then, or has other work. Choose another time or person.',
          step: 'v1/1-LIFT_OUT',
        }),
    });
    show(<DayPage />);
    const bar = await screen.findByRole('button', { name: /T4XQ9: .*11:00 to 11:10/ });
    Object.defineProperty(bar.parentElement, 'clientWidth', { value: 540 });
    fireEvent.pointerDown(bar, { clientX: 100, clientY: 20 });
    // An axis of nine hours in 540 px: 60 px are an hour.
    fireEvent.pointerMove(bar, { clientX: 160, clientY: 20 });
    fireEvent.pointerUp(bar, { clientX: 160, clientY: 20 });
    expect(await screen.findByRole('alert')).toHaveTextContent(
      'Choose another time or person. It is about K7M2P: soak in a tray, lift it out and let it drip off.',
    );
    expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ personId: 'wenna', at: at('12:00') });
  });

  it('is brought up to date when heads have changed since', async () => {
    const sent = pretendServer({
      'GET /api/day': { ...DAY, since: [{ visitId: 'v2', tag: 'T4XQ9', since: 'BEHIND' }] },
      'POST /api/day': DAY,
    });
    show(<DayPage />);
    expect(await screen.findByText(/Since then: T4XQ9 is behind/)).toBeVisible();
    fireEvent.click(screen.getByRole('button', { name: 'Bring it up to date' }));
    await waitFor(() => expect(screen.queryByText(/Since then/)).toBeNull());
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ anew: false });
  });
});

describe('what if', () => {
  const PERSON = {
    works: true,
    own: false,
    off: [],
    hours: { opens: '08:00', closes: '18:00', days: ['MONDAY', 'TUESDAY'] },
  };
  const SETUP = {
    places: { baths: 1, trays: 2, printers: 4, testSlots: 2 },
    people: [{ id: 'wenna', name: 'Wenna Tarvick', ...PERSON }],
    hoursUnsaid: false,
  };

  it('tries other places and a day away, and changes nothing', async () => {
    const sent = pretendServer({
      'GET /api/day/setup': SETUP,
      'POST /api/day/trial': { real: kept(), tried: kept({ lateMinutes: 30, readyMinutes: 620 }) },
    });
    show(<TrialPage />, { role: 'LEAD' });
    fireEvent.change(await screen.findByLabelText('Trays'), { target: { value: '3' } });
    const wenna = within(screen.getByRole('group', { name: 'Wenna Tarvick' }));
    fireEvent.click(wenna.getAllByRole('button')[0]);
    fireEvent.click(screen.getByRole('button', { name: 'Try these' }));
    expect(
      await screen.findByText('60 min less late in all than as it is; heads are ready 2 h later in all.'),
    ).toBeVisible();
    const body = sent.find((s) => s.method === 'POST')?.body as {
      places: object;
      people: Record<string, { off: string[] }>;
    };
    expect(body.places).toEqual({ baths: 1, trays: 3, printers: 4, testSlots: 2 });
    expect(body.people.wenna.off).toHaveLength(1);
    expect(sent.some((s) => s.method === 'PUT')).toBe(false);
  });

  it('marks a number that is none where it was typed', async () => {
    const sent = pretendServer({ 'GET /api/day/setup': SETUP });
    show(<TrialPage />, { role: 'LEAD' });
    fireEvent.change(await screen.findByLabelText('Ultrasonic baths'), { target: { value: '-1' } });
    fireEvent.click(screen.getByRole('button', { name: 'Try these' }));
    expect(await screen.findByText('Enter 0 to 50.')).toBeVisible();
    expect(sent.some((s) => s.method === 'POST')).toBe(false);
  });

  it('is for a lead', async () => {
    pretendServer({ 'GET /api/day/setup': SETUP });
    show(<TrialPage />);
    expect(await screen.findByText('A lead tries other hours and places.')).toBeVisible();
  });
});
