import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render, screen } from '@testing-library/react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Line, lastLine } from '../test/line';
import WallPage from './WallPage';

describe('the board on the wall', () => {
  let asked: number;
  let hasEnded: boolean;

  beforeEach(() => {
    vi.useFakeTimers();
    asked = 0;
    hasEnded = false;
    vi.stubGlobal('EventSource', Line);
    vi.stubGlobal('fetch', () => {
      asked++;
      const board = {
        serverTime: new Date().toISOString(),
        until: '2999-01-01T00:00:00Z',
        heads: [],
        clocks: [],
      };
      return Promise.resolve(
        hasEnded
          ? new Response(JSON.stringify({ detail: 'No.' }), { status: 404 })
          : new Response(JSON.stringify(board), { status: 200 }),
      );
    });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter initialEntries={['/wall/a-link']}>
          <Routes>
            <Route path="/wall/:token" element={<WallPage />} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>,
    );
  });

  const seconds = (count: number) => act(() => vi.advanceTimersByTimeAsync(count * 1000));
  const says = (name: string) => lastLine().says(name);

  it('asks when it is told, and by itself once nothing is heard any more', async () => {
    says('open');
    await seconds(1);
    const before = asked;
    for (let i = 0; i < 6; i++) {
      says('beat');
      await seconds(10);
    }
    expect(asked).toBe(before);
    says('changed');
    await seconds(1);
    expect(asked).toBe(before + 1);
    // No beat, no error: a server that lost its power.
    await seconds(24);
    expect(asked).toBe(before + 2);
    await seconds(31);
    expect(asked).toBe(before + 5);
  });

  it('says that its link has ended as soon as its line is taken away', async () => {
    says('open');
    await seconds(1);
    hasEnded = true;
    says('error');
    await seconds(1);
    expect(screen.getByRole('heading')).toHaveTextContent('This link has ended');
  });
});
