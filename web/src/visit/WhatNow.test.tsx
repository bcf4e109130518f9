import userEvent from '@testing-library/user-event';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
  advice,
  advisedVisit,
  attempt,
  clock,
  drying,
  head,
  NOW,
  pretendServer,
  problem,
  show,
  visit,
} from '../test/fixtures';
import { pressed } from '../test/pressed';
import { WhatNow } from './WhatNow';

let sent: ReturnType<typeof pretendServer>;
beforeEach(() => {
  sent = pretendServer({ 'PUT /api/visits/visit-1': visit() });
});

const now = (
  part: Parameters<typeof visit>[0],
  mayWrite = true,
  role: 'TECHNICIAN' | 'LEAD' = 'TECHNICIAN',
) => show(<WhatNow visit={visit(part)} now={NOW} mayWrite={mayWrite} />, { role });

/** The panel with another judgement. */
const advised = (first: ReturnType<typeof advice>, more: object = {}) =>
  show(<WhatNow visit={advisedVisit(first, {}, more)} now={NOW} mayWrite />);

describe('what now', () => {
  it('gives the advice with its reason in counts, its danger and the house rule behind it', async () => {
    advised(
      advice({
        house: ['DOSE', 'PLACE'],
        facts: { PERCENT: 88 },
        cause: 'DRIED_INK',
        style: {
          site: 'IN_CARRIAGE',
          fluid: 'DEIONISED_WATER',
          strokeMl: 3,
          afterSoakMl: 1,
          plannedMinutes: 10,
        },
      }),
    );
    expect(await screen.findByRole('heading', { name: 'Flush: C' })).toBeInTheDocument();
    expect(screen.getByText('Check 1: 2 out in C.')).toBeInTheDocument();
    expect(screen.getByText(/^Acceptance not met for general work/)).toBeInTheDocument();
    expect(screen.getByText(/Most likely dried ink in the nozzles, 88 %/)).toBeInTheDocument();
    expect(screen.getByText(/Goggles, point away/)).toBeInTheDocument();
    expect(screen.getByText(/House rule, dose: small measured strokes/)).toBeInTheDocument();
    expect(
      screen.getByText('In the carriage, with deionised water, 3 mL, a soak of 10 min, then 1 mL.'),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: '1 more house rule' }));
    expect(screen.getByText('In place or removed: in the carriage over a pad.')).toBeInTheDocument();
  });

  it.each([
    [advice(), 'attempt/flush?channels=C'],
    [advice({ method: 'WARM', style: { temperatureC: 45 } }), 'attempt/flush?channels=C&temperatureC=45'],
    [advice({ method: 'TRAY_SOAK' }), 'attempt/soak?channels=C&place=TRAY'],
    [advice({ method: 'CYCLE' }), 'attempt/cycle?channels=C&strength=LIGHT'],
    [advice({ method: 'CYCLE', style: { strength: 'NORMAL' } }), 'attempt/cycle?channels=C&strength=NORMAL'],
    [
      advice({ style: { fluid: 'PIGMENT_FLUSH', strokeMl: 4, pulsesAtMostMl: 30 } }),
      'attempt/flush?channels=C&fluid=PIGMENT_FLUSH&strokeMl=4',
    ],
    [advice({ method: 'STATION' }), 'attempt/handwork?channels=C&method=STATION'],
    [
      advice({ rule: 'LOOK_FIRST', act: 'LOOK', method: undefined, look: 'AIR' }),
      'ruleouts?look=AIR&channel=C',
    ],
    [advice({ rule: 'FIRST_CHECK', act: 'CHECK', method: undefined }), 'check'],
    [
      advice({ rule: 'ELECTRICAL', act: 'STOP_ELECTRICAL', method: undefined, facts: { ROUNDS: 2 } }),
      'return',
    ],
  ])('has one large button that does it: %#', async (first, way) => {
    advised(first);
    await screen.findByText(/^Check 1: 2 out/);
    const large = screen.getAllByRole('link').find((link) => !link.closest('nav'));
    expect(large).toHaveAttribute('href', `/visits/visit-1/${way}`);
  });

  it('says what is not safe, what else fits, and counts a single attempt as one', async () => {
    advised(
      advice({
        rule: 'CHECK_AGAIN',
        act: 'CHECK',
        method: undefined,
        channels: [],
        facts: { ATTEMPTS: 1 },
      }),
      {
        advice: {
          first: advice({ rule: 'CHECK_AGAIN', act: 'CHECK', method: undefined, facts: { ATTEMPTS: 1 } }),
          others: [advice({ rule: 'WANDERING', method: 'PURGE', facts: { RESTORED: 4, NEWLY_OUT: 6 } })],
          bars: ['CYCLES'],
        },
      },
    );
    expect(await screen.findByText(/^1 attempt since the last check/)).toBeInTheDocument();
    expect(screen.getByText(/Not safe now, by what was found: printer cycles/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: '1 other rule fits' }));
    expect(await screen.findByText(/4 came back, 6 new/)).toBeInTheDocument();
  });

  it.each([
    ['f', '/visits/visit-1/attempt/flush'],
    ['H', '/visits/visit-1/check'],
    ['d', '/visits/visit-1/diagnosis'],
    ['r', '/visits/visit-1/return'],
    ['x', '/visits/visit-1/attempt/handwork'],
    ['Enter', '/visits/visit-1/attempt/flush?channels=C'],
  ])('goes by the key %s', async (key, to) => {
    const { where } = now({});
    await screen.findByRole('heading', { name: 'Flush: C' });
    await pressed(key);
    await waitFor(() => expect(where()).toBe(to));
  });

  it('offers a head that dries no power, and says until when', async () => {
    const heldUntil = '2026-03-02T16:00:00Z';
    const { where } = now({ head: drying(heldUntil), next: { action: 'WAIT_HOLD', at: heldUntil } });
    expect(await screen.findByRole('heading', { name: /^No power until/ })).toBeInTheDocument();
    expect(screen.getAllByRole('link').every((link) => link.closest('nav'))).toBe(true);
    expect(screen.queryByRole('link', { name: /Printer cycle/ })).not.toBeInTheDocument();
    expect(screen.queryByRole('link', { name: /Read a scan/ })).not.toBeInTheDocument();
    expect(screen.getByRole('link', { name: /Flush/ })).toBeInTheDocument();
    fireEvent.keyDown(document.body, { key: 's' });
    await waitFor(() => expect(where()).toBe('/visits/visit-1/attempt/soak'));
  });

  it('takes a pad out with one tap or Enter, and offers no power before', async () => {
    const padded = head({ keptFrom: [{ reason: 'PAD_UNDER_HEAD', since: '2026-03-02T00:00:00Z' }] });
    const sent = pretendServer({ 'PUT /api': visit() });
    now({ head: padded, next: { action: 'TAKE_PAD_OUT' } });
    expect(await screen.findByRole('heading', { name: 'Take the pad out' })).toBeInTheDocument();
    expect(screen.queryByRole('link', { name: /Printer cycle/ })).not.toBeInTheDocument();
    await pressed('Enter');
    await waitFor(() => expect(sent[0]?.body).toEqual({ entry: 'PAD_OUT' }));
  });

  it('presses no observation by Enter', async () => {
    const sent = pretendServer({ 'PUT /api': visit() });
    now({
      head: head({ keptFrom: [{ reason: 'NOT_LOOKED', since: '2026-03-02T00:00:00Z' }] }),
      next: { action: 'LOOK_IF_DRY' },
    });
    await screen.findByRole('button', { name: 'Both dry' });
    await pressed('Enter');
    expect(sent).toHaveLength(0);
    fireEvent.click(screen.getByRole('button', { name: 'Board damp' }));
    await waitFor(() => expect(sent[0]?.body).toEqual({ entry: 'BOARD_DAMP' }));
  });

  it('logs why a head that only a lead takes out came out', async () => {
    const sent = pretendServer({
      'PUT /api': problem(422, {
        gates: [{ code: 'REMOVAL_LEAD_ONLY', weight: 'NEEDS_LEAD', field: 'kind' }],
      }),
    });
    now({}, true, 'LEAD');
    fireEvent.click(await screen.findByRole('button', { name: 'Head is out' }));
    fireEvent.change(await screen.findByLabelText(/Reason, kept/), {
      target: { value: 'stream to be seen' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Take it out' }));
    await waitFor(() =>
      expect(sent[1]?.body).toEqual({ entry: 'HEAD_OUT', departureReason: 'stream to be seen' }),
    );
  });

  it('leaves keys alone while somebody types and with the control key', () => {
    const { where } = now({});
    vi.useFakeTimers();
    fireEvent.keyDown(document.body, { key: 'f', ctrlKey: true });
    vi.advanceTimersByTime(1000);
    const input = document.body.appendChild(document.createElement('input'));
    fireEvent.keyDown(input, { key: 'f' });
    vi.advanceTimersByTime(1000);
    vi.useRealTimers();
    input.remove();
    expect(where()).toBe('/');
  });

  it('does not take the signs of a scanned tag for its keys', () => {
    const { where } = now({});
    vi.useFakeTimers();
    'FAX3F'.split('').forEach((key, i) => {
      const event = new KeyboardEvent('keydown', { key, bubbles: true });
      Object.defineProperty(event, 'timeStamp', { value: 5000 + i * 8 });
      document.body.dispatchEvent(event);
      vi.advanceTimersByTime(8);
    });
    const enter = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true });
    Object.defineProperty(enter, 'timeStamp', { value: 5050 });
    document.body.dispatchEvent(enter);
    vi.advanceTimersByTime(1000);
    vi.useRealTimers();
    expect(where()).toBe('/');
  });

  it('shows an observer the same and offers nothing to do', async () => {
    now({}, false);
    expect(await screen.findByText('Check 1: 2 out in C.')).toBeInTheDocument();
    // Reading the plan is no doing.
    expect(screen.getAllByRole('link').map((link) => link.textContent)).toEqual(['Plan with every number']);
  });
});

describe('the step in hand', () => {
  it('counts a running soak down and ends it once, however often it is tapped', async () => {
    now({ next: { action: 'WAIT_SOAK' }, attempts: [attempt()], clocks: [clock()] });
    expect(screen.getByRole('timer', { name: 'left' })).toHaveTextContent('10:00');
    const end = screen.getByRole('button', { name: /^End now/ });
    fireEvent.click(end);
    fireEvent.click(end);
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(1));
    expect(sent[0].path).toBe('/api/visits/visit-1/clocks/clock-1/stop');
  });

  it('waits for hands once it is due, and the pedal lifts it', async () => {
    now({
      next: { action: 'LIFT_FROM_SOAK' },
      attempts: [attempt()],
      clocks: [clock({ dueAt: '2026-03-02T09:58:30Z' })],
    });
    expect(screen.getByRole('timer', { name: 'over since' })).toHaveTextContent('+1:30');
    await pressed(' ');
    await waitFor(() => expect(sent[0]?.path).toBe('/api/visits/visit-1/clocks/clock-1/stop'));
  });

  it('starts the next burst of a bath that rests', async () => {
    const bath = {
      channels: ['C'],
      volumeMl: 100,
      levelMm: 3,
      temperatureC: 35,
      bursts: 3,
      burstSeconds: 120,
    };
    now({
      attempts: [attempt({ treatment: { kind: 'BATH', bath }, burstsDone: 1 })],
      clocks: [clock({ kind: 'BURST', stoppedAt: '2026-03-02T09:32:00Z' })],
    });
    expect(screen.getByText(/1 of 3 bursts done/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Start burst 2' }));
    await waitFor(() => expect(sent[0]?.path).toMatch(/clocks\/[0-9a-f-]{36}\/burst$/));
    expect(sent[0].body).toEqual({ attemptId: 'attempt-1' });
  });
});
