import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { attempt, check, clock, NOW, pretendServer, show, visit } from '../test/fixtures';
import { WhatNow } from './WhatNow';

let sent: ReturnType<typeof pretendServer>;
beforeEach(() => {
  sent = pretendServer({ 'PUT /api/visits/visit-1': visit() });
});

const now = (part: Parameters<typeof visit>[0], mayWrite = true) =>
  show(<WhatNow visit={visit(part)} now={NOW} mayWrite={mayWrite} />);

describe('what now', () => {
  it('gives the action with its reason in counts', () => {
    now({});
    expect(screen.getByRole('heading', { name: 'Treat the channels that are out' })).toBeInTheDocument();
    expect(screen.getByText('Check 1: 2 out in C.')).toBeInTheDocument();
    expect(screen.getByText(/^Acceptance not met for general work/)).toBeInTheDocument();
  });

  it('leads to a flush where push is allowed, and to a soak with its danger where it is not', () => {
    now({});
    expect(screen.getByRole('link', { name: /^Treat the channels/ })).toHaveAttribute(
      'href',
      '/visits/visit-1/attempt/flush',
    );
    const laminated = visit().family;
    now({
      family: { ...laminated, limits: { ...laminated.limits, pushKpa: undefined as unknown as number } },
    });
    expect(screen.getByText(/takes no push at all/)).toBeInTheDocument();
    expect(screen.getAllByRole('link', { name: /^Treat the channels/ }).at(-1)).toHaveAttribute(
      'href',
      '/visits/visit-1/attempt/soak',
    );
  });

  it.each([
    ['f', '/visits/visit-1/attempt/flush'],
    ['K', '/visits/visit-1/check'],
    ['d', '/visits/visit-1/diagnosis'],
    ['r', '/visits/visit-1/return'],
    ['Enter', '/visits/visit-1/attempt/flush'],
  ])('goes by the key %s', async (key, to) => {
    const { where } = now({});
    fireEvent.keyDown(document.body, { key });
    await waitFor(() => expect(where()).toBe(to));
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

  it('counts the attempts since the last check', () => {
    now({
      next: { action: 'CHECK_AGAIN' },
      checks: [check({ takenAt: '2026-03-02T09:00:00Z' })],
      attempts: [
        attempt({ id: 'a', startedAt: '2026-03-02T08:00:00Z', endedAt: '2026-03-02T08:30:00Z' }),
        attempt({ id: 'b', startedAt: '2026-03-02T09:10:00Z', endedAt: '2026-03-02T09:30:00Z' }),
        attempt({
          id: 'c',
          startedAt: '2026-03-02T09:40:00Z',
          endedAt: '2026-03-02T09:50:00Z',
          withdrawnReason: 'slip',
        }),
      ],
    });
    expect(screen.getByText('1 attempt since the last check.')).toBeInTheDocument();
  });

  it('shows an observer the same and offers nothing to do', () => {
    now({}, false);
    expect(screen.getByText('Check 1: 2 out in C.')).toBeInTheDocument();
    expect(screen.queryByRole('link')).not.toBeInTheDocument();
  });
});

describe('the step in hand', () => {
  it('counts a running soak down and ends it once, however often it is tapped', async () => {
    now({ next: { action: 'WAIT_SOAK' }, attempts: [attempt()], clocks: [clock()] });
    expect(screen.getByRole('timer', { name: 'left' })).toHaveTextContent('10:00');
    const end = screen.getByRole('button', { name: 'End the soak now' });
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
    fireEvent.keyDown(document.body, { key: ' ' });
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
