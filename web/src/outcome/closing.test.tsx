import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import DiagnosisPage from '../diagnosis/DiagnosisPage';
import ShelfPage from '../fluid/ShelfPage';
import HistoryPage from '../history/HistoryPage';
import { check, drying, FINISH, pretendServer, problem, show, visit } from '../test/fixtures';
import ReturnPage from '../finish/ReturnPage';

const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('returning a head', () => {
  const open = (answers: Record<string, unknown>, of = visit()) => {
    const sent = pretendServer({ ...answers, 'GET /api/visits/visit-1': of });
    show(<ReturnPage />, { at: '/visits/visit-1/return', path: '/visits/:id/return' });
    return () => sent.filter((s) => s.method === 'PUT' && s.path.endsWith('/return'));
  };

  it('signs with the name of who is at the screen and the version that was seen', async () => {
    const puts = open({ 'PUT /api/visits/visit-1/return': visit() });
    expect(await screen.findByLabelText('Signed off by')).toHaveValue('Wenna Tarvick');
    tap('Stopped for cost');
    tap('Sign off and return');
    await waitFor(() =>
      expect(puts()[0]?.body).toEqual({
        version: 3,
        outcome: 'STOPPED_FOR_COST',
        reason: '',
        signedBy: 'Wenna Tarvick',
        despite: [],
      }),
    );
  });

  it('proposes recovered only when acceptance is met', async () => {
    open(
      {},
      visit({
        checks: [check({ acceptance: { jobClass: 'GENERAL', verdict: 'MET', channels: {} } })],
        finish: { ...FINISH, proposed: 'RECOVERED' },
      }),
    );
    expect(await screen.findByRole('button', { name: 'Recovered' })).toHaveAttribute('aria-pressed', 'true');
  });

  it('says at the reason why the claim is doubted', async () => {
    open({
      'PUT /api/visits/visit-1/return': problem(422, {
        errors: [
          { field: 'reason', code: 'NOT_ACCEPTED', message: 'The last check does not meet acceptance.' },
        ],
      }),
    });
    await screen.findByLabelText('Signed off by');
    tap('Recovered');
    tap('Sign off and return');
    expect(await screen.findByText('The last check does not meet acceptance.')).toBeInTheDocument();
  });

  it('warns of a hold', async () => {
    open({}, visit({ head: drying('2026-03-02T12:00:00Z') }));
    expect(await screen.findByText(/No power until 2 Mar/)).toBeInTheDocument();
  });
});

describe('a suspected cause', () => {
  const known = {
    id: 'd',
    version: 2,
    cause: 'AIR' as const,
    channels: ['C'],
    speaksFor: 'wanders',
    note: '',
    dropped: false,
    madeAt: '2026-03-02T08:00:00Z',
    madeBy: 'Wenna',
  };

  it('starts with the channels that are out', async () => {
    const sent = pretendServer({
      'PUT /api/visits/visit-1/diagnoses/': visit(),
      'GET /api/visits/visit-1': visit(),
    });
    show(<DiagnosisPage />, { at: '/visits/visit-1/diagnosis', path: '/visits/:id/diagnosis/:diagnosisId?' });
    fireEvent.click(await screen.findByRole('button', { name: 'Service station' }));
    fireEvent.change(screen.getByLabelText('What speaks for it'), { target: { value: 'crust' } });
    tap('Keep this cause');
    await waitFor(() =>
      expect(sent.find((s) => s.path.includes('/diagnoses/'))?.body).toMatchObject({
        cause: 'SERVICE_STATION',
        channels: ['C'],
        speaksFor: 'crust',
        dropped: false,
      }),
    );
  });

  it('is dropped by one tap, from the version that was seen', async () => {
    const sent = pretendServer({
      'PUT /api/visits/visit-1/diagnoses/': visit(),
      'GET /api/visits/visit-1': visit({ diagnoses: [known] }),
    });
    show(<DiagnosisPage />, {
      at: '/visits/visit-1/diagnosis/d',
      path: '/visits/:id/diagnosis/:diagnosisId?',
    });
    fireEvent.click(await screen.findByRole('button', { name: 'No longer suspected' }));
    await waitFor(() =>
      expect(sent.find((s) => s.path.includes('/diagnoses/d'))?.body).toMatchObject({
        version: 2,
        dropped: true,
      }),
    );
  });
});

describe('every change', () => {
  it('tells who, when, before and after in words', async () => {
    pretendServer({
      'GET /api/visits/visit-1/history': [
        {
          at: '2026-03-02T09:00:00Z',
          by: 'Oswin Pell',
          what: 'CHECK',
          id: 'c',
          isNew: false,
          fields: [{ name: 'reading', before: '{"C":"FMMF"}', after: '{"C":"FMFF"}' }],
        },
        {
          at: '2026-03-02T08:00:00Z',
          by: 'Wenna',
          what: 'ATTEMPT',
          id: 'a',
          isNew: true,
          fields: [{ name: 'details', after: '{"kind":"CYCLE","cycle":{"channels":["K","C"],"count":2}}' }],
        },
      ],
      'GET /api/visits/visit-1': visit(),
    });
    show(<HistoryPage />, { at: '/visits/visit-1/history', path: '/visits/:id/history' });
    expect(await screen.findByText(/Oswin Pell: nozzle check changed/)).toBeInTheDocument();
    expect(screen.getByText('C 2 out')).toBeInTheDocument();
    expect(screen.getByText(/→ C 1 out/)).toBeInTheDocument();
    expect(screen.getByText('kind: printer cycle; cycle: channels: K, C; count: 2')).toBeInTheDocument();
  });
});

describe('the shelf', () => {
  const lot = {
    id: 'l',
    version: 1,
    name: 'Cablecombe head cleaner',
    kind: 'AQUEOUS_CLEANER',
    maker: 'Brackwater',
    lotCode: 'HC-1',
    foodSafe: true,
    bottleMl: 100,
    remainingMl: 40,
    price: 9,
    hazards: '',
    expiresOn: '2001-01-01',
  };

  it('shows levels and what has expired; only a lead corrects', async () => {
    pretendServer({ 'GET /api/lots': [lot], 'GET /api/waste': [] });
    show(<ShelfPage />);
    expect(await screen.findByText('40 mL')).toBeInTheDocument();
    expect(screen.getByText(/^expired/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /^Correct/ })).not.toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Put a bottle on the shelf' })).toBeInTheDocument();
  });

  it('corrects a level, and sends no level that is no number', async () => {
    const sent = pretendServer({ 'PUT /api/lots/l': lot, 'GET /api/lots': [lot] });
    show(<ShelfPage />, { role: 'LEAD' });
    fireEvent.click(await screen.findByRole('button', { name: 'Correct HC-1' }));
    fireEvent.change(screen.getByLabelText('In it now'), { target: { value: 'half' } });
    tap('Save the correction');
    expect(await screen.findByText('Enter a number, such as 500.')).toBeInTheDocument();
    expect(sent.some((s) => s.method === 'PUT')).toBe(false);
    fireEvent.change(screen.getByLabelText('In it now'), { target: { value: '35,5' } });
    tap('Save the correction');
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
        version: 1,
        remainingMl: 35.5,
        lotCode: 'HC-1',
      }),
    );
  });
});
