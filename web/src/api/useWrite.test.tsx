import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, waitFor } from '@testing-library/react';
import { useEffect, useLayoutEffect, useState } from 'react';
import { expect, it } from 'vitest';
import { useWrite } from './useWrite';

/** Takes one more entry by itself, and sends in the very moment it is shown, as a tap on a busy tablet may. */
function TappedAtOnce({ sent }: { sent: string[] }) {
  const [entry, setEntry] = useState('4 5');
  const { send } = useWrite(() => {
    sent.push(entry);
    return Promise.resolve();
  });
  useEffect(() => {
    const entered = window.setTimeout(() => setEntry('4 5 9'));
    return () => window.clearTimeout(entered);
  }, []);
  useLayoutEffect(() => {
    if (entry === '4 5 9' && sent.length === 0) {
      send(undefined);
    }
  });
  return null;
}

it('sends what is shown, however soon after the entry the tap comes', async () => {
  const sent: string[] = [];
  render(
    <QueryClientProvider client={new QueryClient()}>
      <TappedAtOnce sent={sent} />
    </QueryClientProvider>,
  );
  await waitFor(() => expect(sent).toEqual(['4 5 9']));
});
