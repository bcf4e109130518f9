import type { QueryClient } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { standsForMs } from './moments';

/** What the line tells: keys of visits that came in, changed or were returned, and whether anything else did. */
interface Changed {
  visits: string[];
  other: boolean;
}

/** Nothing heard for so long means that the line is cut, whatever the browser thinks; a beat comes every ten seconds. */
export const SILENCE_MS = 25_000;
/** A line that is cut for a moment is no news. */
const NEWS_AFTER_MS = 4_000;
const TRY_AGAIN_MS = 1_000;

let cutSince: string | null = null;
let isStanding = false;
const listeners = new Set<() => void>();

function setCut(since: string | null) {
  if ((since === null) === (cutSince === null)) return;
  cutSince = since;
  listeners.forEach((listener) => listener());
}

/** Since when this page hears of nothing and looks by itself; null while the line stands. */
export function useCutSince(): string | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => cutSince,
  );
}

/** Where no line stands, the page looks by itself. */
export const WITHOUT_LINE_MS = 10_000;

/** How long what is on the screen stands before it is looked up again: while the line tells of changes, until a moment that it names. */
export function lookAgainMs({ state }: { state: { data?: unknown; dataUpdatedAt: number } }): number {
  return isStanding && cutSince === null ? standsForMs(state) : WITHOUT_LINE_MS;
}

function take({ visits, other }: Changed, queries: QueryClient) {
  const again = (queryKey: string[]) => void queries.invalidateQueries({ queryKey });
  if (visits.length > 0) {
    again(['bench']);
    again(['clocks']);
    again(['day']);
    visits.forEach((id) => again(['visit', id]));
  }
  if (other) {
    // Not what a lead may be editing just now: their own version is held against the other's when it is sent.
    ['lots', 'waste', 'day'].forEach((key) => again([key]));
  }
}

/**
 * Listens for changes while the page is seen, and asks again for what it shows of them. A page that nobody sees lets its line go: a
 * browser has six of them for all its pages together.
 *
 * @returns ends the listening
 */
export function listenForChanges(queries: QueryClient): () => void {
  if (typeof EventSource === 'undefined') {
    return () => undefined;
  }
  let line: EventSource | undefined;
  let silence: ReturnType<typeof setTimeout> | undefined;
  let news: ReturnType<typeof setTimeout> | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  let wasCut = false;
  let wasOpen = false;

  function heard() {
    clearTimeout(silence);
    silence = setTimeout(broken, SILENCE_MS);
  }
  function close() {
    [silence, news, again].forEach((timer) => clearTimeout(timer));
    news = undefined;
    line?.close();
    line = undefined;
  }
  function broken() {
    const since = new Date().toISOString();
    isStanding = false;
    line?.close();
    clearTimeout(silence);
    wasCut = true;
    news ??= setTimeout(() => {
      setCut(since);
      // From here on the page looks by itself, beginning now.
      void queries.invalidateQueries();
    }, NEWS_AFTER_MS);
    again = setTimeout(open, TRY_AGAIN_MS);
  }
  function open() {
    // What is shown may have been asked for before this line stands, as long ago as the page is old.
    line = new EventSource(wasOpen ? '/api/changes' : `/api/changes?age=${Math.ceil(performance.now())}`);
    heard();
    line.addEventListener('open', () => {
      heard();
      clearTimeout(news);
      news = undefined;
      isStanding = true;
      wasOpen = true;
      setCut(null);
      if (wasCut) {
        // What happened meanwhile was not heard.
        wasCut = false;
        void queries.invalidateQueries();
      }
    });
    line.addEventListener('beat', heard);
    line.addEventListener('changed', (event) => {
      heard();
      take(JSON.parse((event as MessageEvent<string>).data) as Changed, queries);
    });
    line.addEventListener('error', broken);
  }
  function seen() {
    close();
    if (document.visibilityState === 'visible') {
      wasCut = true;
      open();
    }
  }
  document.addEventListener('visibilitychange', seen);
  if (document.visibilityState === 'visible') {
    open();
  }
  return () => {
    document.removeEventListener('visibilitychange', seen);
    close();
    setCut(null);
  };
}
