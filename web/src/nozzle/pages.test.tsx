import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { check, pretendServer, problem, show, visit } from '../test/fixtures';
import CheckPage from './CheckPage';
import ComparePage from './ComparePage';

function openCheck(answers: Record<string, unknown>, checkId = '') {
  const sent = pretendServer({ ...answers, 'GET /api/visits/visit-1': visit() });
  const view = show(<CheckPage />, {
    at: `/visits/visit-1/check/${checkId}`,
    path: '/visits/:id/check/:checkId?',
  });
  return { ...view, puts: () => sent.filter((s) => s.method === 'PUT' && s.path.includes('/checks/')) };
}

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('a check by hand', () => {
  it('begins unread, takes what is said, and is sent as one text a channel', async () => {
    const { puts } = openCheck({
      'POST /api/nozzles/spoken': { nozzles: [2, 3], said: '2-3', problems: [] },
      'PUT /api/visits/visit-1/checks/': visit(),
    });
    expect(await screen.findByText('Black: 8 unread')).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('Missing in black'), { target: { value: '2-3' } });
    tap('Set');
    expect(await screen.findByText('Black: 2 out')).toBeInTheDocument();
    tap('Keep this check');
    await waitFor(() => expect(puts()[0]?.body).toMatchObject({ reading: { K: 'FMMFFFFF', C: 'UUUUUUUU' } }));
  });

  it('says which part it cannot read and keeps the words', async () => {
    openCheck({
      'POST /api/nozzles/spoken': {
        nozzles: [],
        said: 'none',
        problems: [{ part: '999', fault: 'OUTSIDE_CHANNEL', lastNozzle: 8 }],
      },
    });
    fireEvent.change(await screen.findByLabelText('Missing in black'), { target: { value: '999' } });
    tap('Set');
    expect(
      await screen.findByText('“999” lies outside: this channel has nozzles 1 to 8.'),
    ).toBeInTheDocument();
    expect(screen.getByLabelText('Missing in black')).toHaveValue('999');
  });

  it('fills, starts from the last check, and takes both back', async () => {
    openCheck({});
    await screen.findByText('Black: 8 unread');
    tap('All channels fire');
    expect(screen.getByText('Black: all 8 firing')).toBeInTheDocument();
    tap('Start from the last check');
    fireEvent.click(screen.getByRole('tab', { name: /Cyan/ }));
    expect(screen.getByText('Cyan: 2 out')).toBeInTheDocument();
    tap('Whole cyan missing');
    expect(screen.getByText('Cyan: 8 out')).toBeInTheDocument();
    tap('Undo');
    tap('Undo');
    expect(screen.getByText('Cyan: all 8 firing')).toBeInTheDocument();
    tap('Redo');
    expect(screen.getByText('Cyan: 2 out')).toBeInTheDocument();
  });

  it('records why no check was possible', async () => {
    const { puts } = openCheck({ 'PUT /api/visits/visit-1/checks/': visit() });
    fireEvent.click(await screen.findByRole('button', { name: 'No check possible' }));
    fireEvent.change(screen.getByLabelText('Why not'), { target: { value: 'head error' } });
    tap('Keep this check');
    await waitFor(() => expect(puts()[0]?.body).toMatchObject({ notPossible: 'head error' }));
    expect(puts()[0].body).not.toHaveProperty('reading');
  });

  it('is amended from the version that was seen, and settles with who was faster', async () => {
    const current = { version: 5, reading: { K: 'MFFFFFFF', C: 'FMMFFFFF' }, note: 'theirs' };
    const { puts } = openCheck(
      {
        'PUT /api/visits/visit-1/checks/check-1': problem(409, {
          type: 'urn:undoknot:problem:changed-meanwhile',
          current,
        }),
      },
      'check-1',
    );
    fireEvent.change(await screen.findByLabelText('Note: paper, rest, light'), { target: { value: 'mine' } });
    tap('Save the amended check');
    expect(await screen.findByText('Somebody changed this while you were at it')).toBeInTheDocument();
    expect(puts()[0].body).toMatchObject({ version: 0, note: 'mine' });
    tap(/^Theirs: K 1 out/);
    tap('Take this choice');
    expect(await screen.findByText('Black: 1 out')).toBeInTheDocument();
    tap('Save the amended check');
    await waitFor(() =>
      expect(puts()[1]?.body).toMatchObject({ version: 5, note: 'mine', reading: current.reading }),
    );
  });
});

describe('before and after', () => {
  const counts = (part: object) => ({
    readInBoth: 8,
    leftOut: 0,
    outBefore: 0,
    outNow: 0,
    restored: 0,
    stillOut: 0,
    newlyOut: 0,
    deflectedBefore: 0,
    deflectedNow: 0,
    weakBefore: 0,
    weakNow: 0,
    wander: 0,
    movement: 'NOTHING_OUT',
    ...part,
  });
  const comparison = {
    before: check(),
    now: check({ id: 'check-2', number: 2, reading: { K: 'FFFFFFFU', C: 'FFMFFFFF' } }),
    total: counts({
      restored: 1,
      stillOut: 1,
      outBefore: 2,
      outNow: 1,
      recovery: 0.5,
      leftOut: 1,
      movement: 'FIXED',
    }),
    channels: {
      K: counts({ leftOut: 1 }),
      C: counts({ restored: 1, stillOut: 1, outBefore: 2, outNow: 1, recovery: 0.5, movement: 'FIXED' }),
    },
    fates: { K: '.......U', C: '.RS.....' },
  };

  it('says the counts with their words, channels with gaps first', async () => {
    pretendServer({
      'GET /api/visits/visit-1/comparison': comparison,
      'GET /api/visits/visit-1': visit({ checks: [check(), check({ id: 'check-2', number: 2 })] }),
    });
    show(<ComparePage />, { at: '/visits/visit-1/compare', path: '/visits/:id/compare' });
    expect(await screen.findByRole('region', { name: 'The whole head' })).toHaveTextContent(
      'fixed gaps: 1 restored, 1 still out, 0 newly out, 0 deflected (before 0), 1 unread and left out. Recovery 1 of 2, 50 %; gaps that moved 0 of 1, 0 %.',
    );
    expect(screen.getAllByRole('img').map((img) => img.getAttribute('aria-label'))).toEqual([
      'Cyan: 1 restored, 1 still out, 0 newly out, 0 left out',
      'Black: 0 restored, 0 still out, 0 newly out, 1 left out',
    ]);
  });

  it('sets the first check against what the customer kept', async () => {
    const sent = pretendServer({
      'GET /api/visits/visit-1/comparison': comparison,
      'GET /api/visits/visit-1': visit({
        checks: [check()],
        keptChecks: [check({ id: 'kept-1', number: 0, toldOn: '2026-03-01' })],
      }),
    });
    show(<ComparePage />, { at: '/visits/visit-1/compare', path: '/visits/:id/compare' });
    expect(await screen.findByRole('region', { name: 'The whole head' })).toBeVisible();
    expect(sent.find(({ path }) => path.includes('/comparison'))?.path).toContain(
      'before=kept-1&now=check-1',
    );
  });

  it('waits for a second map', async () => {
    pretendServer({ 'GET /api/visits/visit-1': visit() });
    show(<ComparePage />, { at: '/visits/visit-1/compare', path: '/visits/:id/compare' });
    expect(await screen.findByText(/There is one reading or none yet/)).toBeInTheDocument();
  });
});
