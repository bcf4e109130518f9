import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Strip } from '../api/types';
import { channels, clock, NOW, pretendServer, problem, show } from '../test/fixtures';
import { BenchPage } from './BenchPage';
import { HandsNow } from './HandsNow';
import { Ribbon } from './Ribbon';

const strip = (part: Partial<Strip> = {}): Strip =>
  ({
    id: 'visit-1',
    tag: '4444F',
    customer: 'Mudlark',
    family: 'Vennick B3',
    serial: 'S-1',
    purpose: 'REPAIR',
    channels,
    reading: { K: 'FFFFFFFF', C: 'MMFFFFFF' },
    thread: [],
    next: { action: 'TREAT' },
    promisedOn: '2026-03-04',
    food: 'NOT_FOOD',
    head: { site: 'IN_CARRIAGE', keptFrom: [] },
    ...part,
  }) as Strip;

const bench = (strips: Strip[], clocks: object[] = []) => ({
  serverTime: '2026-03-02T10:00:00Z',
  strips,
  clocks,
});

describe('hands and holds', () => {
  it('calls for hands and warns of power', () => {
    show(
      <HandsNow
        now={NOW}
        clocks={[
          clock({ dueAt: '2026-03-02T09:48:00Z' }),
          clock({ id: 'h', kind: 'HOLD', tag: '33333', dueAt: '2026-03-03T05:00:00Z' }),
        ]}
      />,
    );
    expect(screen.getByText('Hands: soak at the port: C is over').closest('a')).toHaveTextContent('+12:00');
    expect(screen.getByText('No power: it dries').closest('a')).toHaveTextContent('19:00:00');
  });

  it('says what comes next when nothing waits', () => {
    show(<HandsNow now={NOW} clocks={[clock()]} />);
    expect(screen.getByText('Next: 4444F, soak at the port: C, in 10:00')).toBeInTheDocument();
  });

  it('forgets a hold that is over', () => {
    show(<HandsNow now={NOW} clocks={[clock({ kind: 'HOLD', dueAt: '2026-03-02T09:00:00Z' })]} />);
    expect(screen.queryByText('No power: it dries')).not.toBeInTheDocument();
  });

  it('draws every clock on one ribbon with its words', () => {
    show(
      <Ribbon
        now={NOW}
        clocks={[
          clock(),
          clock({ id: 'b', kind: 'BURST', method: 'BATH', tag: '33333', dueAt: '2026-03-02T09:55:00Z' }),
        ]}
      />,
    );
    expect(screen.getByText(/^4444F: soak at the port: C, until/)).toBeInTheDocument();
    expect(screen.getByText('33333: ultrasonic bath, burst: C, over since 5 min')).toBeInTheDocument();
  });
});

describe('the bench', () => {
  it('says what is advised on a head where the course of the visit leaves it open', async () => {
    const advised: Strip['next']['advised'] = {
      rule: 'NO_RECOVERY',
      act: 'WORK',
      method: 'PORT_SOAK',
      channels: ['C', 'M'],
    };
    pretendServer({
      'GET /api/bench': bench([strip({ next: { action: 'TREAT', advised } })]),
      'GET /api/drafts': [],
    });
    show(<BenchPage />);
    expect(
      await screen.findByRole('link', { name: '4444F, Mudlark, Vennick B3: Soak at the port: C, M' }),
    ).toBeInTheDocument();
  });

  it('says on its strip what keeps a head from power', async () => {
    pretendServer({
      'GET /api/bench': bench([
        strip({
          head: {
            site: 'IN_CARRIAGE',
            keptFrom: [{ reason: 'PAD_UNDER_HEAD', since: '2026-03-02T00:00:00Z' }],
            driesAt: '2026-03-02T09:00:00Z',
          },
        }),
      ]),
      'GET /api/drafts': [],
    });
    show(<BenchPage />);
    expect(await screen.findByText('No power: pad under the head.')).toBeInTheDocument();
    expect(screen.getByText('Uncapped: it dries.')).toBeInTheDocument();
  });

  it('says what a head came in for, and draws bars where they were read', async () => {
    pretendServer({
      'GET /api/bench': bench([
        strip({
          purpose: 'INK_CHANGE',
          reading: undefined,
          coarse: { kind: 'BARS', channels: { K: { level: 'BAR_PALE' }, C: {} } },
          last: { step: 'LAID_IN', at: '2026-03-02T09:00:00Z' },
        }),
      ]),
    });
    show(<BenchPage />);
    expect(await screen.findByText('Ink change')).toBeInTheDocument();
    expect(screen.getByRole('img', { name: 'Black: pale' })).toBeInTheDocument();
    expect(screen.getByRole('img', { name: 'Cyan: not looked at' })).toBeInTheDocument();
    expect(screen.getByText(/Last: Sheet, paper catch and lint-free pad laid in/)).toBeInTheDocument();
  });

  it('lists the heads and opens one by its number', async () => {
    pretendServer({
      'GET /api/bench': bench([
        strip(),
        strip({ id: 'visit-2', tag: '33333', customer: 'Dunlin', food: 'FOOD' }),
      ]),
      'GET /api/drafts': [],
    });
    const { where } = show(<BenchPage />);
    expect(
      await screen.findByRole('link', {
        name: '4444F, Mudlark, Vennick B3: Treat the channels that are out',
      }),
    ).toBeInTheDocument();
    expect(screen.getByText('Food head')).toBeInTheDocument();
    fireEvent.keyDown(document.body, { key: '2' });
    await waitFor(() => expect(where()).toBe('/visits/visit-2'));
  });

  it('invites to take in the first head, and goes on with a take-in begun', async () => {
    pretendServer({
      'GET /api/bench': bench([]),
      'GET /api/drafts': [
        { key: 'intake-abc', editedAt: '2026-03-02T08:00:00Z' },
        { key: 'check-x', editedAt: '2026-03-02T08:00:00Z' },
      ],
    });
    show(<BenchPage />);
    expect(await screen.findByText('No head is in the shop. Take the first one in.')).toBeInTheDocument();
    expect(await screen.findByRole('link', { name: /^Take-in of/ })).toHaveAttribute('href', '/take-in/abc');
  });

  it('says when a search finds nothing, and leads back', async () => {
    const sent = pretendServer({ 'GET /api/bench': bench([]) });
    show(<BenchPage />, { at: '/?search=nobody' });
    expect(await screen.findByText(/No tag, serial or customer has these words/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Whole bench' })).toHaveAttribute('href', '/');
    expect(sent[0].path).toBe('/api/bench?search=nobody');
  });

  it('says what went wrong and offers to try again', async () => {
    pretendServer({ 'GET /api/bench': problem(404, { detail: 'There is no bench.' }) });
    show(<BenchPage />);
    expect(await screen.findByText('There is no bench.')).toBeInTheDocument();
  });

  it('offers an observer no take-in', async () => {
    pretendServer({ 'GET /api/bench': bench([]) });
    show(<BenchPage />, { role: 'OBSERVER' });
    await screen.findByText(/No head is in the shop/);
    expect(screen.queryByRole('link', { name: /Take a head in/ })).not.toBeInTheDocument();
  });
});
