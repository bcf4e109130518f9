import { QueryClient } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Line, lastLine } from '../test/line';
import { listenForChanges, lookAgainMs, useCutSince } from './changes';

function keysAskedAgain(queries: QueryClient) {
  return vi.mocked(queries.invalidateQueries).mock.calls.map(([filters]) => filters?.queryKey ?? 'all');
}

describe('listening for changes', () => {
  let queries: QueryClient;
  let end: () => void;

  beforeEach(() => {
    vi.useFakeTimers();
    Line.opened = [];
    vi.stubGlobal('EventSource', Line);
    queries = new QueryClient();
    vi.spyOn(queries, 'invalidateQueries').mockResolvedValue();
    end = listenForChanges(queries);
    lastLine().says('open');
  });

  afterEach(() => {
    end();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('asks again for the bench, the clocks, the day and what changed, and for nothing else', () => {
    lastLine().says('changed', { visits: ['visit-1'], other: false });
    expect(keysAskedAgain(queries)).toEqual([['bench'], ['clocks'], ['day'], ['visit', 'visit-1']]);
    lastLine().says('changed', { visits: [], other: true });
    expect(keysAskedAgain(queries).slice(4)).toEqual([['lots'], ['waste'], ['day']]);
  });

  it('looks up at the moment that is due while the line stands, and often when it is cut', () => {
    const came = new Date(Date.now());
    const soon = new Date(came.getTime() + 90_000);
    const told = (dueAt: string) => ({
      state: { data: { serverTime: came.toISOString(), clocks: [{ dueAt }] }, dataUpdatedAt: came.getTime() },
    });
    expect(lookAgainMs(told(soon.toISOString()))).toBe(90_400);
    expect(lookAgainMs(told('2999-01-01T00:00:00Z'))).toBe(300_000);
    expect(lookAgainMs({ state: { dataUpdatedAt: 0 } })).toBe(300_000);
    lastLine().says('error');
    expect(lookAgainMs(told(soon.toISOString()))).toBe(10_000);
  });

  it('says that the page is behind after a few seconds, and catches up when the line is back', () => {
    const { result } = renderHook(() => useCutSince());
    lastLine().says('error');
    expect(result.current).toBeNull();
    act(() => void vi.advanceTimersByTime(2_000));
    lastLine().says('error');
    act(() => void vi.advanceTimersByTime(2_500));
    expect(result.current).not.toBeNull();
    // It looks by itself from here on, and at once.
    expect(keysAskedAgain(queries)).toEqual(['all']);
    lastLine().says('open');
    expect(result.current).toBeNull();
    expect(keysAskedAgain(queries)).toEqual(['all', 'all']);
  });

  it('tells how old what it shows is, until its line has stood once', () => {
    expect(lastLine().url).toMatch(/^\/api\/changes\?age=\d+$/);
    lastLine().says('error');
    act(() => void vi.advanceTimersByTime(1_500));
    expect(Line.opened).toHaveLength(2);
    // Everything is asked for again once it stands.
    expect(lastLine().url).toBe('/api/changes');
  });

  it('takes silence for a cut line', () => {
    const first = lastLine();
    act(() => void vi.advanceTimersByTime(20_000));
    first.says('beat');
    act(() => void vi.advanceTimersByTime(20_000));
    expect(first.isClosed).toBe(false);
    act(() => void vi.advanceTimersByTime(6_000));
    expect(first.isClosed).toBe(true);
    act(() => void vi.advanceTimersByTime(2_000));
    expect(Line.opened).toHaveLength(2);
  });

  it('lets the line go while nobody sees the page', () => {
    const seen = vi.spyOn(document, 'visibilityState', 'get');
    seen.mockReturnValue('hidden');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(lastLine().isClosed).toBe(true);
    seen.mockReturnValue('visible');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(Line.opened).toHaveLength(2);
    lastLine().says('open');
    expect(keysAskedAgain(queries)).toEqual(['all']);
    seen.mockRestore();
  });
});
