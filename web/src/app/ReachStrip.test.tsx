import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { act, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answer, api } from '../api/http';
import { reach } from '../api/reach';
import { ReachStrip } from './ReachStrip';

const problem = (status: number, type: string) =>
  new Response(JSON.stringify({ type: `urn:undoknot:problem:${type}`, detail: 'd' }), { status });

function Clocks() {
  useQuery({ queryKey: ['clocks'], queryFn: () => answer(api.GET('/api/clocks')), retry: false });
  return <ReachStrip />;
}

const show = () =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Clocks />
    </QueryClientProvider>,
  );

describe('what is out of reach', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    reach.answered();
  });

  const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

  it.each([
    ['server', () => Promise.reject(new TypeError('no line'))],
    ['record', () => Promise.resolve(problem(503, 'record-out-of-reach'))],
  ])('says that the %s is away, asks again by itself, and is gone when it is back', async (what, fails) => {
    const fetch = vi.fn(fails as () => Promise<Response>);
    vi.stubGlobal('fetch', fetch);
    show();
    await pass(10);
    expect(screen.getByRole('status').textContent).toContain(`The ${what} has been out of reach since`);
    expect(screen.getByRole('status').textContent).toContain('what you type stays on this screen');
    const asked = fetch.mock.calls.length;
    fetch.mockImplementation(() => Promise.resolve(new Response('{"clocks":[]}', { status: 200 })));
    await pass(3100);
    expect(fetch.mock.calls.length).toBeGreaterThan(asked);
    expect(screen.queryByRole('status')).toBeNull();
  });

  it.each([
    [503, 'busy'],
    [422, 'invalid'],
    [507, 'disk-full'],
  ])('is not said of an answer %i %s', async (status, type) => {
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.resolve(problem(status, type))),
    );
    show();
    await pass(10);
    expect(screen.queryByRole('status')).toBeNull();
  });
});
