import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Scan } from '../api/types';
import { pretendServer, show, visit } from '../test/fixtures';
import ReadPage from './ReadPage';

const block = {
  stairs: 2,
  steps: 4,
  direction: 'ACROSS' as const,
  stairsReversed: false,
  stepsReversed: false,
  dashMm: 4,
  pitchMm: 1,
  xMm: 20,
  widthMm: 34,
  heightMm: 4,
  paper: 'WHITE' as const,
};

type Doubts = Scan['result']['channels'][string]['doubts'];

function channel(states: string, doubts: Doubts = {}) {
  return {
    states,
    leaning: states.replaceAll('U', 'W'),
    confidence: states.split('').map((s) => (s === 'U' ? 61 : 99)),
    offsets: states.split('').map(() => 0.04),
    densities: states.split('').map((s) => (s === 'M' ? 0 : 90)),
    doubts,
    usualFromOthers: false,
    foreign: 0,
  };
}

function scan(part: Partial<Scan> = {}): Scan {
  return {
    id: 'scan-1',
    layoutId: 'layout-1',
    fileName: 'check.jpg',
    widthPx: 800,
    heightPx: 600,
    simulated: false,
    addedAt: '2026-03-02T09:00:00Z',
    addedBy: 'Wenna',
    sheetPerMm: 8,
    layout: {
      name: 'Small check',
      family: 'SMALL',
      widthMm: 100,
      heightMm: 80,
      blocks: [
        { ...block, channel: 'K', yMm: 20, ink: '#22252b' },
        { ...block, channel: 'C', yMm: 40, ink: '#0092c4' },
      ],
    },
    result: {
      fit: { how: 'MARKS', residualMm: 0.012, corners: [], pixelsPerMm: 8, cover: 0.97, grey: false },
      channels: {
        K: channel('FFFFFFFU', { 8: 'RUNS_THROUGH' }),
        C: channel('FUMFFFFF', { 2: 'HARDLY_PALE' }),
      },
    },
    pages: 1,
    page: 1,
    lookFirst: [],
    ...part,
  } as Scan;
}

const AT = { at: '/visits/visit-1/read/scan-1', path: '/visits/:id/read/:scanId?' };

describe('reading a scan', () => {
  it('steps through the unsure nozzles by one key each and sends the reading with its scan', async () => {
    const sent = pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': scan(),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    expect(await screen.findByRole('heading', { name: 'Unsure nozzles: 2 of 2 open' })).toBeVisible();
    expect(screen.getByText(/something runs through it and on; most likely weak, 61 %/i)).toBeVisible();
    await userEvent.keyboard('f');
    expect(await screen.findByRole('heading', { name: 'Unsure nozzles: 1 of 2 open' })).toBeVisible();
    expect(screen.getByText(/C nozzle 2 \(2 of 2\): unread/)).toBeVisible();
    await userEvent.keyboard('w');
    expect(await screen.findByRole('heading', { name: 'Unsure nozzles: 0 of 2 open' })).toBeVisible();
    expect(screen.getByText(/Every nozzle is read. 2 corrected by hand/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Accept as check 1/ }));
    await waitFor(() => {
      const write = sent.find((s) => s.method === 'PUT' && s.path.includes('/checks/'));
      expect(write?.body).toMatchObject({
        scanId: 'scan-1',
        reading: { K: 'FFFFFFFF', C: 'FWMFFFFF' },
      });
    });
  });

  it('shows the block of a channel that reads wholly missing, and takes it only once somebody looked', async () => {
    const sent = pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': scan({ lookFirst: ['C', 'SHEET'] }),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    const accept = await screen.findByRole('button', { name: /Accept as check 1/ });
    expect(accept).toBeDisabled();
    expect(screen.getByRole('img', { name: 'Block C as it was scanned' })).toBeInTheDocument();
    await userEvent.keyboard('{Enter}');
    expect(sent.filter((s) => s.method === 'PUT' && s.path.includes('/checks/'))).toHaveLength(0);
    await userEvent.click(screen.getByRole('checkbox', { name: /block C is blank/ }));
    expect(accept).toBeDisabled();
    await userEvent.click(screen.getByRole('checkbox', { name: /looked at the sheet/ }));
    await userEvent.click(accept);
    await waitFor(() => {
      const write = sent.find((s) => s.method === 'PUT' && s.path.includes('/checks/'));
      expect(write?.body).toMatchObject({ looked: ['C', 'SHEET'] });
    });
  });

  it('asks anew when another page of the file is read', async () => {
    pretendServer({
      'PUT /api/visits/visit-1/scans/scan-1/page': scan({ pages: 2, page: 2, lookFirst: ['C'] }),
      'GET /api/visits/visit-1/scans/scan-1': scan({ pages: 2, lookFirst: ['C'] }),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    await userEvent.click(await screen.findByRole('checkbox', { name: /block C is blank/ }));
    expect(screen.getByRole('checkbox', { name: /block C is blank/ })).toBeChecked();
    await userEvent.click(screen.getByRole('combobox', { name: 'Page' }));
    await userEvent.click(screen.getByRole('option', { name: '2 of 2' }));
    await waitFor(() => expect(screen.getByRole('checkbox', { name: /block C is blank/ })).not.toBeChecked());
    expect(screen.getByRole('button', { name: /Accept as check 1/ })).toBeDisabled();
  });

  it('says that a scan has no colour, and that another colour is no dead channel', async () => {
    const read = scan();
    pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': scan({
        result: {
          ...read.result,
          fit: { ...read.result.fit!, grey: true },
          channels: {
            ...read.result.channels,
            C: { ...read.result.channels.C, states: 'UUUUUUUU', foreign: 8, printsAs: 'K' },
          },
        },
      }),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    expect(await screen.findByText(/Scanned in grey/)).toBeVisible();
    expect(screen.getByText(/another colour printing here \(as K\): no dead channel/)).toBeVisible();
  });

  it('reads another page of a file', async () => {
    const sent = pretendServer({
      'PUT /api/visits/visit-1/scans/scan-1/page': scan({ pages: 3, page: 2 }),
      'GET /api/visits/visit-1/scans/scan-1': scan({ pages: 3 }),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    await userEvent.click(await screen.findByRole('combobox', { name: 'Page' }));
    await userEvent.click(screen.getByRole('option', { name: '2 of 3' }));
    await waitFor(() => expect(sent.find((s) => s.path.endsWith('/page'))?.body).toMatchObject({ page: 2 }));
    expect(await screen.findByText('2 of 3')).toBeVisible();
  });

  it('walks every nozzle by the arrow keys, so that one that was read for sure can be corrected', async () => {
    pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': scan(),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    expect(await screen.findByText(/K nozzle 8 \(1 of 2\): unread/)).toBeVisible();
    await userEvent.keyboard('{ArrowDown}');
    expect(await screen.findByText(/C nozzle 1: firing/)).toBeVisible();
    await userEvent.keyboard('m');
    expect(await screen.findByText(/C nozzle 1: missing/)).toBeVisible();
    expect(screen.getByText(/1 corrected by hand/)).toBeVisible();
    await userEvent.keyboard('{ArrowUp}');
    expect(await screen.findByText(/K nozzle 8/)).toBeVisible();
  });

  it('lets an observer look at what was read, but send nothing', async () => {
    pretendServer({ 'GET /api/visits/visit-1': visit({ checks: [] }) });
    show(<ReadPage />, { at: '/visits/visit-1/read', path: '/visits/:id/read/:scanId?', role: 'OBSERVER' });
    expect(await screen.findByText(/Only technicians and leads read checks/)).toBeVisible();
    expect(screen.queryByLabelText('Scan file')).toBeNull();
  });

  it('asks for corners when the sheet was not found, and says why', async () => {
    pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': scan({
        result: { notFound: 'AMBIGUOUS', detail: 'a lead of 0.4 %', channels: {} },
      }),
      'PUT /api/visits/visit-1/scans/scan-1/corners': scan({ byHand: { sheet: [], blocks: {} } }),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    expect(await screen.findByRole('alert')).toHaveTextContent(
      /one nozzle or one block further.*a lead of 0.4 %/,
    );
    const corner = screen.getByRole('slider', { name: 'Top left corner' });
    expect(corner).toHaveAttribute('aria-valuetext', '32, 24 pixels');
    corner.focus();
    await userEvent.keyboard('{ArrowRight}{Shift>}{ArrowDown}{/Shift}');
    expect(corner).toHaveAttribute('aria-valuetext', '33, 32 pixels');
    await userEvent.click(screen.getByRole('button', { name: 'Read with these corners' }));
    expect(await screen.findByRole('heading', { name: 'Totals' })).toBeVisible();
  });

  it('lets one block be placed by its own corners', async () => {
    const calls = pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': scan(),
      'PUT /api/visits/visit-1/scans/scan-1/corners': scan(),
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    await userEvent.click(await screen.findByRole('button', { name: 'Place the corners by hand' }));
    await userEvent.click(screen.getByRole('button', { name: 'C' }));
    expect(screen.getByText(/Put the frame around the dashes of C/)).toBeVisible();
    screen.getByRole('slider', { name: 'Bottom left corner' }).focus();
    await userEvent.keyboard('{ArrowLeft}');
    expect(screen.getByRole('button', { name: 'C, placed' })).toHaveAttribute('aria-pressed', 'true');
    await userEvent.click(screen.getByRole('button', { name: 'Read with these corners' }));
    await screen.findByRole('heading', { name: 'Totals' });
    const sent = calls.find((call) => call.method === 'PUT')?.body as { blocks: Record<string, object[]> };
    expect(Object.keys(sent.blocks)).toEqual(['C']);
    expect(sent.blocks.C).toHaveLength(4);
  });

  it('says what a channel could not tell by itself', async () => {
    const weak = scan();
    weak.result.channels.C = { ...channel('MMMMMMMM'), usualFromOthers: true, foreign: 3 };
    pretendServer({
      'GET /api/visits/visit-1/scans/scan-1': weak,
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, AT);
    const totals = await screen.findByRole('region', { name: 'Totals' });
    expect(within(totals).getByText(/another ink at 3 nozzles; hardly a dash of its own/)).toBeVisible();
  });

  it('refuses a file that is too large before it is sent', async () => {
    pretendServer({
      'GET /api/layouts?family=ORSEL-D6': [{ id: 'layout-1', layout: scan().layout }],
      [`GET /api/layouts?family=${visit().family.code}`]: [{ id: 'layout-1', layout: scan().layout }],
      'GET /api/visits/visit-1': visit({ checks: [] }),
    });
    show(<ReadPage />, { at: '/visits/visit-1/read', path: '/visits/:id/read/:scanId?' });
    const input = await screen.findByLabelText('Scan file');
    const large = new File(['x'], 'large.png', { type: 'image/png' });
    Object.defineProperty(large, 'size', { value: 41 * 1024 * 1024 });
    await userEvent.upload(input, large);
    expect(await screen.findByRole('alert')).toHaveTextContent('more than 40 MB');
  });
});
