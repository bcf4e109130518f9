import { useSyncExternalStore } from 'react';

/** What cannot be reached just now, and since when; null when all is well. */
export interface OutOfReach {
  what: 'server' | 'record';
  since: string;
}

let away: OutOfReach | null = null;
const listeners = new Set<() => void>();

function set(next: OutOfReach | null) {
  if (next?.what === away?.what) return;
  away = next && { ...next, since: away?.since ?? next.since };
  listeners.forEach((listener) => listener());
}

/** Told by every request how it went. */
export const reach = {
  answered: () => set(null),
  noServer: () => set({ what: 'server', since: new Date().toISOString() }),
  noRecord: () => set({ what: 'record', since: new Date().toISOString() }),
};

export function useOutOfReach(): OutOfReach | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => away,
  );
}
