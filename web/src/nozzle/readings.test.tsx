import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { ChannelCounts, Check } from '../api/types';
import { check, problem, pretendServer, show, visit } from '../test/fixtures';
import CheckPage from './CheckPage';
import { coarseWords, lineWords } from './coarse';
import ComparePage from './ComparePage';
import { groupWords } from './features';
import { FlipScans } from './FlipScans';
import { MapFromFile } from './MapFromFile';

const KINDS = [
  {
    kind: 'BARS',
    levels: [
      { level: 'BAR_FULL', asksWhere: false },
      { level: 'BAR_STREAKED', asksWhere: true },
    ],
    cannotTell: ['WHICH_NOZZLES', 'DEFLECTION'],
  },
  { kind: 'STREAM', levels: [{ level: 'STREAM_DRIPS', asksWhere: false }], cannotTell: ['HOW_IT_PRINTS'] },
];

function bars(id: string, number: number, level: string, where?: string): Check {
  return {
    ...check({ id, number }),
    reading: undefined,
    channels: undefined,
    acceptance: undefined,
    coarse: { kind: 'BARS', channels: { K: { level, where }, C: {} } },
  } as Check;
}

describe('a coarse reading', () => {
  it('is entered by one tap a channel, says what it cannot tell, and is sent', async () => {
    const sent = pretendServer({
      'GET /api/coarse-kinds': KINDS,
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<CheckPage />, { at: '/visits/visit-1/check', path: '/visits/:id/check' });
    await userEvent.click(await screen.findByRole('button', { name: 'Bars, stream or pad' }));
    expect(await screen.findByText('It cannot tell which nozzles are out; deflected dashes.')).toBeVisible();
    await userEvent.click(screen.getAllByRole('button', { name: 'streaked' })[0]);
    await userEvent.click(screen.getByRole('button', { name: 'at the end' }));
    await userEvent.click(screen.getByRole('button', { name: 'Keep this check' }));
    await waitFor(() => {
      const write = sent.find((s) => s.method === 'PUT' && s.path.includes('/checks/'));
      expect(write?.body).toMatchObject({
        coarse: { kind: 'BARS', channels: { K: { level: 'BAR_STREAKED', where: 'END' } } },
      });
      expect(write?.body).not.toHaveProperty('reading');
    });
  });

  it('begins anew when the kind changes', async () => {
    pretendServer({
      'GET /api/coarse-kinds': KINDS,
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<CheckPage />, { at: '/visits/visit-1/check', path: '/visits/:id/check' });
    await userEvent.click(await screen.findByRole('button', { name: 'Bars, stream or pad' }));
    await userEvent.click((await screen.findAllByRole('button', { name: 'full' }))[0]);
    await userEvent.click(screen.getByRole('button', { name: 'Stream at the face' }));
    expect(screen.getByText('It cannot tell how it prints.')).toBeVisible();
    expect(screen.getAllByRole('button', { name: 'drips' })[0]).toHaveAttribute('aria-pressed', 'false');
  });

  it('is said in words', () => {
    const coarse = {
      kind: 'BARS' as const,
      channels: { K: { level: 'BAR_STREAKED' as const, where: 'END' as const }, C: {} },
    };
    expect(coarseWords(coarse)).toBe('solid bars: K streaked at the end');
    expect(lineWords(coarse.channels.C)).toBe('not looked at');
  });

  it('is compared with one of its kind only', async () => {
    pretendServer({
      'GET /api/visits/visit-1/coarse-comparison': { changes: { K: 'BETTER', C: 'NOT_LOOKED' } },
      'GET /api/visits/visit-1/movements': [],
      'GET /api/visits/visit-1': visit({
        checks: [
          bars('a', 1, 'BAR_STREAKED', 'END'),
          bars('b', 2, 'BAR_FULL'),
          check({ id: 'c', number: 3 }),
        ],
      }),
    });
    const path = '/visits/:id/compare';
    const { unmount } = show(<ComparePage />, { at: '/visits/visit-1/compare?before=a&now=b', path });
    expect(await screen.findByText(/better \(streaked at the end, now full\)/)).toBeVisible();
    unmount();
    show(<ComparePage />, { at: '/visits/visit-1/compare?before=a&now=c', path });
    expect(await screen.findByText(/They are of different kinds/)).toBeVisible();
  });
});

describe('a map from a file', () => {
  it('goes to the editor when it is right', async () => {
    pretendServer({ 'POST /api/visits/visit-1/maps/read': { reading: { K: 'FM', C: 'FF' } } });
    const take = vi.fn();
    show(<MapFromFile visitId="visit-1" take={take} />);
    await userEvent.upload(
      screen.getByLabelText('Nozzle map file'),
      new File(['x'], 'm.csv', { type: 'text/csv' }),
    );
    await waitFor(() => expect(take).toHaveBeenCalledWith({ K: 'FM', C: 'FF' }));
  });

  it('is refused whole, line by line, when it is not', async () => {
    pretendServer({
      'POST /api/visits/visit-1/maps/read': problem(422, {
        errors: [
          { field: 'line 3, state', code: 'LINE', message: 'Line 3, state: not "gone".' },
          { field: 'line 9, nozzle', code: 'LINE', message: 'Line 9, nozzle: 1 to 208.' },
        ],
      }),
    });
    const take = vi.fn();
    show(<MapFromFile visitId="visit-1" take={take} />);
    await userEvent.upload(
      screen.getByLabelText('Nozzle map file'),
      new File(['x'], 'm.csv', { type: 'text/csv' }),
    );
    const alert = await screen.findByRole('alert');
    expect(alert).toHaveTextContent('Nothing was taken from the file.');
    expect(alert).toHaveTextContent('Line 9, nozzle: 1 to 208.');
    expect(take).not.toHaveBeenCalled();
  });
});

describe('what looks like wiring', () => {
  const counts = (part: Partial<ChannelCounts>) =>
    ({ densitySteps: [], ...part }) as unknown as ChannelCounts;

  it('is pointed out in words', () => {
    expect(groupWords(counts({ filledGroups: { first: 2, count: 1, of: 4 } }))).toEqual([
      'fills drive group 2 of 4 exactly',
    ]);
    expect(groupWords(counts({ filledGroups: { first: 2, count: 2, of: 4 } }))).toEqual([
      'fills drive groups 2 to 3 of 4 exactly',
    ]);
    expect(groupWords(counts({ densitySteps: [{ group: 1, of: 2, before: 1, after: 0.5 }] }))).toEqual([
      'turns weaker at the border of drive groups 1 and 2 of 2',
    ]);
    expect(groupWords(undefined)).toEqual([]);
  });
});

describe('the flip', () => {
  it('shows one scan and then the other at a key', async () => {
    const block = {
      channel: 'K',
      stairs: 2,
      steps: 4,
      direction: 'ACROSS',
      dashMm: 4,
      pitchMm: 1,
      xMm: 2,
      yMm: 2,
      widthMm: 34,
      heightMm: 4,
      ink: '#111111',
      paper: 'WHITE',
    };
    pretendServer({
      'GET /api/visits/visit-1/scans/': {
        layout: { widthMm: 60, heightMm: 40, blocks: [block] },
        result: { channels: {} },
      },
    });
    show(
      <FlipScans
        visitId="visit-1"
        before={check({ scanId: 'scan-1' })}
        now={check({ id: 'check-2', number: 2, scanId: 'scan-2' })}
        channels={visit().family.channels}
      />,
    );
    expect(await screen.findByText('Now: check 2')).toBeVisible();
    await userEvent.keyboard(' ');
    expect(await screen.findByText('Before: check 1')).toBeVisible();
    expect(screen.getByRole('img', { name: 'Scan of check 1, block K' })).toBeVisible();
  });
});
