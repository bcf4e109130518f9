import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { AlignPass, OffPart, Visit } from '../api/types';
import VisitPage from '../visit/VisitPage';
import { FINISH, head, pretendServer, problem, show, visit } from '../test/fixtures';
import AlignPage from './AlignPage';
import { partName, partState, usualLeft } from './parts';
import PartsPage from './PartsPage';
import { Returned } from './Returned';
import ReturnPage from './ReturnPage';
import { pressed } from '../test/pressed';

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const key = (name: string) => fireEvent.keyDown(document.body, { key: name });

function part(more: Partial<OffPart> = {}): OffPart {
  return {
    id: 'p1',
    kind: 'SCREW',
    name: 'screws',
    count: 4,
    note: '',
    offAt: '2026-03-02T09:00:00Z',
    offBy: 'Wenna Tarvick',
    stays: false,
    backNote: '',
    open: true,
    inDispute: false,
    withdrawn: false,
    hasPhoto: false,
    ...more,
  };
}

function finish(more: Partial<Visit['finish']>, parts: OffPart[] = []): Visit['finish'] {
  const back = parts
    .filter((p) => p.open)
    .map((p) => p.id)
    .reverse();
  return { ...FINISH, parts, back, ...more };
}

function open(of: Visit, page: 'parts' | 'align' | 'return', answers: Record<string, unknown> = {}) {
  const sent = pretendServer({ ...answers, 'GET /api/visits/visit-1': of });
  const views = { parts: <PartsPage />, align: <AlignPage />, return: <ReturnPage /> };
  show(views[page], { at: `/visits/visit-1/${page}`, path: `/visits/:id/${page}` });
  return () => sent.filter((s) => s.method === 'PUT');
}

describe('what comes off', () => {
  const usualParts: Visit['finish']['usualParts'] = [
    { kind: 'CARTRIDGE', name: 'cartridge', channel: 'C', count: 1 },
    { kind: 'SCREW', name: 'screws', count: 2 },
    { kind: 'HEAD', name: 'head', count: 1 },
  ];

  it('offers what is not on the list yet, and none of what was taken back counts', () => {
    const listed = [
      part({ name: 'screws', withdrawn: true }),
      part({ kind: 'HEAD', name: 'head', count: 1 }),
    ];
    expect(usualLeft(visit({ finish: finish({ usualParts }, listed) })).map(partName)).toEqual([
      'Cartridge C',
      '2 screws',
    ]);
  });

  it('notes the whole list in order, and the head leaves its place with it', async () => {
    const puts = open(visit({ finish: finish({ usualParts }) }), 'parts', {
      'PUT /api/visits/visit-1/parts/': visit(),
      'PUT /api/visits/visit-1/head-entries/': visit(),
    });
    expect(await screen.findByRole('heading', { name: 'Cartridge C' })).toBeInTheDocument();
    tap('All 3, in this order');
    await waitFor(() => expect(puts()).toHaveLength(4));
    expect(puts().map((p) => (p.body as { name?: string; entry?: string }).name ?? 'HEAD_OUT')).toEqual([
      'cartridge',
      'screws',
      'HEAD_OUT',
      'head',
    ]);
  });

  it('leaves out what this machine has not', async () => {
    open(visit({ finish: finish({ usualParts }) }), 'parts');
    await screen.findByRole('heading', { name: 'Cartridge C' });
    const ofCartridge = screen.getByRole('button', { name: 'Not on this one' });
    tap('Not on this one');
    expect(screen.getByRole('heading', { name: '2 screws' })).toBeInTheDocument();
    // The screws have a button of their own, which a double tap on the cartridge's does not press.
    expect(ofCartridge).not.toBeInTheDocument();
  });

  it('says at the entry what is wrong with something else', async () => {
    open(visit({ finish: finish({}) }), 'parts', {
      'PUT /api/visits/visit-1/parts/': problem(422, {
        errors: [{ field: 'count', code: 'RANGE', message: 'Enter 1 to 99.' }],
      }),
    });
    fireEvent.change(await screen.findByLabelText('How many'), { target: { value: '120' } });
    tap('It is off');
    expect(await screen.findByText('Enter 1 to 99.')).toBeInTheDocument();
    expect(screen.getByLabelText('How many')).toHaveValue('120');
  });
});

describe('what goes back', () => {
  const refit = (parts: OffPart[]) =>
    visit({
      finish: finish({}, parts),
      next: { action: 'REFIT' } as Visit['next'],
      head: head({ site: 'ON_BENCH' }),
    });

  it('ticks the last off first, by key, all of its screws', async () => {
    const puts = open(refit([part(), part({ id: 'p2', kind: 'PART', name: 'cover', count: 1 })]), 'parts', {
      'PUT /api/visits/visit-1/parts/p2/back': visit({ finish: finish({}, [part()]) }),
    });
    expect(await screen.findByRole('heading', { name: 'Cover' })).toBeInTheDocument();
    await pressed('Enter');
    await waitFor(() => expect(puts()[0]?.body).toEqual({ count: 1 }));
    expect(await screen.findByRole('heading', { name: '4 screws' })).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /^Only 3/ })).toBeInTheDocument();
  });

  it('takes a cartridge for in only where the eyes have said so: no key ticks it', async () => {
    const cartridge = part({ kind: 'CARTRIDGE', name: 'cartridge', channel: 'C', count: 1 });
    const puts = open(refit([cartridge]), 'parts', { 'PUT /api/visits/visit-1/parts/p1/back': visit() });
    await screen.findByRole('heading', { name: 'Cartridge C' });
    await pressed('Enter');
    tap('Only the light');
    await waitFor(() => expect(puts()).toHaveLength(1));
    expect(puts()[0].body).toEqual({ count: 1, light: true, menu: false });
  });

  it('names light and menu that disagree, and what stays off asks why', async () => {
    const cartridge = part({
      kind: 'CARTRIDGE',
      name: 'cartridge',
      channel: 'C',
      count: 1,
      inDispute: true,
      light: true,
      menu: false,
    });
    const puts = open(refit([cartridge]), 'parts', { 'PUT /api/visits/visit-1/parts/p1/back': visit() });
    expect(await screen.findByText(/The light shows it, the menu does not/)).toBeInTheDocument();
    tap('It does not go back');
    fireEvent.change(screen.getByLabelText(/^Why/), { target: { value: 'a new one is in' } });
    tap('It stays off');
    await waitFor(() => expect(puts()[0]?.body).toEqual({ count: 0, stays: true, note: 'a new one is in' }));
  });

  it.each([
    [{ open: false }, 'back'],
    [{ open: false, kind: 'LAID_IN' as const }, 'out again'],
    [{ kind: 'LAID_IN' as const }, 'still in'],
    [{ backCount: 3 }, '3 of 4 back'],
    [{ kind: 'CARTRIDGE' as const, backCount: 1 }, 'in, not seen by light and menu'],
    [{ stays: true, open: false, backNote: 'lost' }, 'stays off: lost'],
    [{ withdrawn: true }, 'taken back'],
    [{}, 'still off'],
  ])('says how it stands with a thing: %j', (more, words) => {
    expect(partState(part(more))).toBe(words);
  });
});

describe('aligning', () => {
  const scale = { positions: 3, least: 1, most: 9, centre: 5, recentres: false };
  const pass = (best: number[], moved?: number[]): AlignPass => ({
    id: `a${best.join('')}`,
    at: '2026-03-02T09:00:00Z',
    by: 'Wenna Tarvick',
    scale,
    best,
    moved,
    accepted: false,
    note: '',
  });
  const aligning = (
    state: Visit['finish']['alignment']['state'],
    passes: AlignPass[],
    more: Partial<Visit['finish']['alignment']> = {},
  ) => visit({ finish: finish({ alignment: { state, passes, strip: false, earlier: [], scale, ...more } }) });

  it('fills nothing in, takes a digit a position, and sends the pass', async () => {
    const puts = open(aligning('FIRST_PASS', []), 'align', {
      'PUT /api/visits/visit-1/attempts/': aligning('NEXT_PASS', [pass([4, 5, 9])]),
    });
    const first = await screen.findByRole('group', { name: 'Position 1' });
    expect(within(first).queryByRole('button', { pressed: true })).toBeNull();
    expect(screen.getByRole('button', { name: /^Enter pass 1/ })).toBeDisabled();
    fireEvent.click(within(first).getByRole('button', { name: '4' }));
    fireEvent.click(
      within(screen.getByRole('group', { name: 'Position 2' })).getByRole('button', { name: '5' }),
    );
    key('9');
    await waitFor(() => expect(screen.getByRole('button', { name: /^Enter pass 1/ })).toBeEnabled());
    tap(/^Enter pass 1/);
    await waitFor(() =>
      expect((puts()[0]?.body as { noted: object }).noted).toEqual({ pass: { scale, best: [4, 5, 9] } }),
    );
    expect(await screen.findByText(/Not settled yet/)).toBeInTheDocument();
  });

  it('says what the printer is set to before the next pass, and draws the passes', async () => {
    open(aligning('NEXT_PASS', [pass([4, 5, 9])], { proposed: [4, 5, 9] }), 'align');
    expect(await screen.findByText(/Set the printer to 4, 5, 9 first/)).toBeInTheDocument();
    expect(screen.getByRole('img', { name: 'Passes: pass 1, 4 5 9' })).toBeInTheDocument();
  });

  it('leads to the strip after two passes, and lets the last stand with a note only', async () => {
    open(aligning('CLEAN_STRIP', [pass([4, 5, 9]), pass([4, 5, 6], [0, 0, -3])]), 'align');
    expect(await screen.findByRole('link', { name: 'Clean the encoder strip' })).toHaveAttribute(
      'href',
      '/visits/visit-1/attempt/handwork?method=STRIP',
    );
    expect(screen.getByText(/moved 0 0 -3/)).toBeInTheDocument();
  });

  it('keeps the last pass as it was where it is let stand', async () => {
    const puts = open(aligning('NOTE_OR_ELSEWHERE', [pass([4, 5, 6])], { strip: true }), 'align', {
      'PUT /api/visits/visit-1/attempts/': aligning('ACCEPTED', [pass([4, 5, 6])]),
    });
    fireEvent.change(await screen.findByLabelText('Why it may stand'), { target: { value: 'one way' } });
    tap('Let it stand');
    await waitFor(() =>
      expect(puts()[0]?.body).toMatchObject({
        replaces: 'a456',
        note: 'one way',
        noted: { pass: { best: [4, 5, 6], accepted: true } },
      }),
    );
  });

  it('asks for the scale where nobody knows it, and for nothing else', async () => {
    open(aligning('FIRST_PASS', [], { scale: undefined }), 'align');
    fireEvent.change(await screen.findByLabelText('Positions'), { target: { value: '2' } });
    fireEvent.change(screen.getByLabelText('First step'), { target: { value: '-20' } });
    fireEvent.change(screen.getByLabelText('Last step'), { target: { value: '20' } });
    expect(screen.getByRole('button', { name: 'Use this scale' })).toBeDisabled();
    fireEvent.change(screen.getByLabelText('Centre'), { target: { value: '0' } });
    tap('Use this scale');
    fireEvent.change(screen.getByLabelText('Position 1, step'), { target: { value: '25' } });
    expect(screen.getByText('Enter -20 to 20.')).toBeInTheDocument();
  });
});

describe('what is still open, and what it costs', () => {
  it('names each thing with the way to it', async () => {
    open(
      visit({
        finish: finish({ unchecked: ['FLUSH'], proofs: [{ look: 'CLEAN_PAGE', state: 'FAILED' }] }, [
          part({ name: 'cover', kind: 'PART', count: 1 }),
        ]),
      }),
      'return',
    );
    const region = await screen.findByRole('region', { name: 'Still open' });
    expect(within(region).getByText(/1 thing still off: cover/)).toBeInTheDocument();
    expect(within(region).getByText(/No check has followed yet: flush/)).toBeInTheDocument();
    expect(within(region).getByText(/It failed again/)).toBeInTheDocument();
    expect(within(region).getByRole('link', { name: 'Put it back' })).toHaveAttribute(
      'href',
      '/visits/visit-1/parts',
    );
  });

  it.each([
    ['FOUND_LEFT', 'Rule-outs', 'ruleouts'],
    ['STATION_LEFT', 'Clean the station', 'attempt/handwork?method=STATION'],
    ['PAGE_LEFT', 'Print a page', 'attempt/handwork?method=PAGE'],
  ] as const)('leads from %s to what is still to do', async (left, link, to) => {
    open(visit({ finish: finish({ open: [left] }) }), 'return');
    const region = await screen.findByRole('region', { name: 'Still open' });
    expect(within(region).getAllByRole('link')).toHaveLength(1);
    expect(within(region).getByRole('link', { name: link })).toHaveAttribute('href', `/visits/visit-1/${to}`);
  });

  it('sends with the word the doubt that was read, and none before', async () => {
    const puts = open(visit({ finish: finish({ proposed: 'RECOVERED' }) }), 'return', {
      'PUT /api/visits/visit-1/return': problem(422, {
        detail: 'no page',
        errors: [{ field: 'reason', code: 'PAGE_LEFT', message: 'Print a full page, or say why.' }],
      }),
    });
    fireEvent.change(await screen.findByLabelText('A word to the customer'), {
      target: { value: 'Print it every week.' },
    });
    tap('Sign off and return');
    expect(await screen.findByText('Print a full page, or say why.')).toBeInTheDocument();
    tap('Sign off and return');
    const despite = () =>
      puts()
        .filter((sent) => sent.path.endsWith('/return'))
        .map((sent) => (sent.body as { despite: string[] }).despite);
    await waitFor(() => expect(despite()).toEqual([[], ['PAGE_LEFT']]));
  });

  it('shows of a returned head what was overruled and the word that answers it', async () => {
    const closed = visit({
      closedAt: '2026-03-02T12:00:00Z',
      outcome: 'RECOVERED',
      outcomeReason: 'the customer was in a hurry',
      finish: finish({ overruled: ['WORK_UNCHECKED', 'PAGE_LEFT'] }),
    });
    show(<Returned visit={closed} mayWrite={false} />, { at: '/', path: '/' });
    expect((await screen.findAllByText(/^Signed off although/)).map((line) => line.textContent)).toEqual([
      'Signed off although no check followed the last work.',
      'Signed off although nobody has seen it hold after a page of full colour.',
    ]);
    expect(screen.getByText('the customer was in a hurry')).toBeInTheDocument();
  });

  it('asks that the customer was told where no print has shown it', async () => {
    const puts = open(visit({ finish: finish({ proposed: 'READY_TO_REFIT' }) }), 'return', {
      'PUT /api/visits/visit-1/return': visit(),
    });
    fireEvent.click(await screen.findByLabelText(/told that no print has shown this head/));
    tap('Sign off and return');
    await waitFor(() => expect(puts()[0]?.body).toMatchObject({ told: 'NOT_PROVEN_BY_PRINT' }));
  });

  it('reckons with the minutes that were really spent and says when it goes over the limit', async () => {
    const bill = {
      ...FINISH.bill,
      minutes: 50,
      hands: 30,
      net: 30,
      total: 30,
      limit: 25,
      overLimit: 5,
      unpriced: [{ part: 'DAMPER' as const }],
    };
    const puts = open(visit({ finish: finish({ bill }) }), 'return', {
      'PUT /api/visits/visit-1/bill': visit(),
    });
    expect(await screen.findByText(/Over the limit of 25.00 EUR by 5.00 EUR/)).toBeInTheDocument();
    expect(screen.getByText(/Without a price, and in no sum: new damper/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('Minutes of hands'), { target: { value: 'half' } });
    expect(screen.getByRole('button', { name: 'Reckon it up' })).toBeDisabled();
    fireEvent.change(screen.getByLabelText('Minutes of hands'), { target: { value: '40' } });
    tap('Reckon it up');
    await waitFor(() => expect(puts()[0]?.body).toEqual({ minutes: 40 }));
  });
});

describe('a head that was handed back', () => {
  const openVisit = (of: Visit, answers: Record<string, unknown> = {}) => {
    const sent = pretendServer({ ...answers, 'GET /api/visits/visit-1': of });
    show(<VisitPage />, { at: '/visits/visit-1', path: '/visits/:id' });
    return () => sent.filter((s) => s.method === 'PUT');
  };

  it('gives report and calendar, and is taken back with a reason', async () => {
    const returned = visit({ closedAt: '2026-03-02T09:00:00Z', closedBy: 'Wenna', outcome: 'RECOVERED' });
    const puts = openVisit(returned, {
      'PUT /api/visits/visit-1/return/reopening': problem(422, {
        errors: [{ field: 'why', code: 'MISSING', message: 'Say why the return is taken back.' }],
      }),
    });
    expect(await screen.findByRole('link', { name: 'Aftercare for the calendar' })).toHaveAttribute(
      'href',
      '/api/visits/visit-1/aftercare.ics',
    );
    tap('Take the return back');
    tap('Take it back');
    expect((await screen.findAllByText('Say why the return is taken back.')).length).toBeGreaterThan(0);
    expect(puts()[0].body).toEqual({ version: 3, why: '' });
  });

  it('that comes back soon opens with what was done before', async () => {
    openVisit(
      visit({
        followUp: {
          id: 'old',
          tag: '4444F',
          closedAt: '2026-02-20T09:00:00Z',
          days: 10,
          outcome: 'RECOVERED',
          causes: ['DRIED_INK'],
          work: [{ method: 'FLUSH', channels: ['C'], fluid: 'Head cleaner' }],
        },
      }),
    );
    const block = await screen.findByRole('region', { name: 'Back after 10 days' });
    expect(block).toHaveTextContent('flush C with Head cleaner');
    expect(block).toHaveTextContent('dried ink');
  });
});
