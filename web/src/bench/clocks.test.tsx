import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { RunningSteps, useRunning } from '../visit/RunningSteps';
import { attempt, clock, NOW, pretendServer, show, visit } from '../test/fixtures';
import type { Visit } from '../api/types';
import { ClockStrip } from './ClockStrip';
import { clockName } from './clockWords';

function Steps({ visit: shown }: { visit: Visit }) {
  const steps = useRunning(shown, NOW);
  return <RunningSteps visit={shown} steps={steps} now={NOW} mayWrite />;
}

const both = visit({
  attempts: [attempt(), attempt({ id: 'attempt-2' })],
  clocks: [
    clock({ id: 'late', attemptId: 'attempt-2', channels: ['K'], dueAt: '2026-03-02T11:00:00Z' }),
    clock(),
    clock({
      id: 'jar',
      attemptId: undefined,
      kind: 'WAIT',
      method: undefined,
      waiting: 'JAR',
      channels: [],
      dueAt: '2026-03-02T09:59:00Z',
    }),
  ],
});

describe('several clocks on one visit', () => {
  it('names each by its thing and ends each by its own button', async () => {
    const sent = pretendServer({ 'PUT /api': visit() });
    show(<Steps visit={both} />);
    expect(screen.getAllByRole('timer')).toHaveLength(3);
    fireEvent.click(screen.getByRole('group', { name: 'Soak at the port: K' }).querySelector('button')!);
    await waitFor(() => expect(sent[0]?.path).toBe('/api/visits/visit-1/clocks/late/stop'));
  });

  it('calls for the one that is due, and says that its thing is over', () => {
    show(<Steps visit={both} />);
    const jar = screen.getByRole('group', { name: 'Parts in a jar' });
    expect(jar).toHaveTextContent('+1:00');
    expect(jar.querySelector('button')).toHaveTextContent('Done');
  });

  it('lets a soak that was ended by mistake go on', async () => {
    const sent = pretendServer({ 'PUT /api': visit() });
    show(<Steps visit={visit({ clocks: [clock({ stoppedAt: '2026-03-02T09:58:00Z' })] })} />);
    fireEvent.click(screen.getByRole('button', { name: 'Let it go on' }));
    await waitFor(() => expect(sent[0]?.path).toBe('/api/visits/visit-1/clocks/clock-1/resume'));
  });

  it('offers nothing of the kind for one that ran its time', () => {
    show(<Steps visit={visit({ clocks: [clock({ stoppedAt: '2026-03-02T10:11:00Z' })] })} />);
    expect(screen.queryByRole('button', { name: 'Let it go on' })).not.toBeInTheDocument();
  });

  it('names a burst, and drops by their port', () => {
    expect(clockName({ kind: 'BURST', method: 'BATH', channels: ['C'] })).toMatch(/, burst: C$/);
    expect(clockName({ kind: 'WAIT', waiting: 'DROP_TEST', channels: ['M'] })).toBe('drops on the port: M');
  });
});

describe('the strip on every page', () => {
  const running = (dueAt: string) => ({
    serverTime: '2026-03-02T10:00:00Z',
    clocks: [clock({ dueAt })],
  });

  it('shows what runs, and calls once when it comes due', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true, now: NOW });
    const vibrate = vi.fn();
    Object.defineProperty(navigator, 'vibrate', { value: vibrate, configurable: true });
    pretendServer({ 'GET /api/clocks': running('2026-03-02T10:00:03Z') });
    show(<ClockStrip />, { at: '/shelf', path: '/shelf' });
    expect(await screen.findByRole('link', { name: /4444F soak at the port: C/ })).toBeInTheDocument();
    expect(vibrate).not.toHaveBeenCalled();
    await act(() => vi.advanceTimersByTimeAsync(5000));
    expect(vibrate).toHaveBeenCalledTimes(1);
    await act(() => vi.advanceTimersByTimeAsync(3000));
    expect(vibrate).toHaveBeenCalledTimes(1);
    vi.useRealTimers();
  });

  it('is silent where a person wants it so, and can be tried', async () => {
    const vibrate = vi.fn();
    Object.defineProperty(navigator, 'vibrate', { value: vibrate, configurable: true });
    pretendServer({ 'GET /api/clocks': running('2026-03-02T11:00:00Z') });
    show(<ClockStrip />, { at: '/shelf', path: '/shelf' });
    fireEvent.click(await screen.findByRole('button', { name: 'Try it' }));
    expect(vibrate).toHaveBeenCalledTimes(1);
    fireEvent.click(screen.getByRole('button', { name: 'Turn the sound of clocks off' }));
    expect(screen.queryByRole('button', { name: 'Try it' })).not.toBeInTheDocument();
    expect(localStorage.getItem('alarm-wenna')).toBe('off');
  });
});
