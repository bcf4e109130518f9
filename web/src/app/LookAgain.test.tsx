import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useClocks } from '../api/queries';
import { useNow } from '../bench/useNow';
import { Line, lastLine } from '../test/line';
import { ReachStrip } from './ReachStrip';

/** As the strip of clocks does, it is drawn anew each second. */
function Page() {
  useNow(useClocks().data?.serverTime);
  return <ReachStrip />;
}

describe('a page that hears of changes', () => {
  let asked: number;
  let dueAt: string;

  beforeEach(() => {
    vi.useFakeTimers();
    asked = 0;
    dueAt = new Date(Date.now() + 90_000).toISOString();
    vi.stubGlobal('EventSource', Line);
    vi.stubGlobal('fetch', () => {
      asked++;
      const running = { serverTime: new Date().toISOString(), clocks: [{ dueAt }] };
      return Promise.resolve(new Response(JSON.stringify(running), { status: 200 }));
    });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <Page />
      </QueryClientProvider>,
    );
    lastLine().says('open');
  });

  const seconds = (count: number) => act(() => vi.advanceTimersByTimeAsync(count * 1000));

  it('asks for nothing until a clock runs out, and then at once', async () => {
    const hears = async (count: number) => {
      for (let i = 0; i < count; i++) {
        await seconds(1);
        lastLine().says('beat');
      }
    };
    await hears(89);
    expect(asked).toBe(1);
    await hears(3);
    expect(asked).toBe(2);
    // Nothing is to come: it is looked at after five minutes.
    await hears(280);
    expect(asked).toBe(2);
    await hears(30);
    expect(asked).toBe(3);
  });

  it('looks by itself as soon as the line is cut, and every ten seconds', async () => {
    await seconds(20);
    lastLine().says('error');
    await seconds(5);
    expect(asked).toBe(2);
    await seconds(31);
    expect(asked).toBe(5);
  });
});
