import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { pretendServer, problem, show } from '../test/fixtures';
import FamiliesPage from './FamiliesPage';
import { EMPTY_FAMILY, familyForm, familyOf } from './familyForm';

const FAMILY = {
  code: 'TARROW-T4',
  name: 'Tarrow T4',
  construction: 'THERMAL_OPEN',
  channels: [
    { code: 'K', colour: 'Black', ink: '#22252b', port: 'screen inlet', fitting: 'DROPS_ONLY' },
    { code: 'C', colour: 'Cyan', ink: '#0092c4', port: 'screen inlet', fitting: 'DROPS_ONLY' },
  ],
  stairs: 12,
  steps: 16,
  driveGroups: 4,
  boreUm: 20,
  plateUm: 28,
  freeCarriage: ['cover open'],
  machine: { parts: ['lever', 'head'], removal: '', alignment: null, cycleInk: { lightMl: 1.2 } },
};

const whole = { version: 2, family: FAMILY, inUse: true, changes: [] };

function open(at: string, role: 'LEAD' | 'TECHNICIAN', answers: Record<string, unknown> = {}) {
  const sent = pretendServer({
    ...answers,
    'GET /api/families/TARROW-T4': whole,
    'GET /api/families': [{ ...FAMILY, limits: {} }],
  });
  show(<FamiliesPage />, { at, path: '/families/:code?', role });
  return () => sent.filter((s) => s.method === 'PUT' && s.path.startsWith('/api/families'));
}

describe('families', () => {
  it('are listed for all and changed by a lead alone', async () => {
    open('/families', 'TECHNICIAN');
    expect(await screen.findByText('Tarrow T4')).toBeInTheDocument();
    expect(screen.getByText(/192 nozzles a channel in 4 drive groups/)).toBeInTheDocument();
    expect(screen.queryByRole('link', { name: 'Copy' })).not.toBeInTheDocument();
  });

  it('are copied with a channel away, under a code of their own', async () => {
    const puts = open('/families/new?from=TARROW-T4', 'LEAD', { 'PUT /api/families/': whole });
    fireEvent.click(await screen.findByRole('button', { name: 'Take channel C away' }));
    fireEvent.change(screen.getByLabelText(/^Short code/), { target: { value: 'COPY-1' } });
    fireEvent.change(screen.getByLabelText(/^Why/), { target: { value: 'three ports' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep this family' }));
    await waitFor(() => expect(puts()).toHaveLength(1));
    expect(puts()[0].path).toBe('/api/families/COPY-1');
    expect(puts()[0].body).toMatchObject({ why: 'three ports', family: { code: 'COPY-1', driveGroups: 4 } });
    expect((puts()[0].body as { family: typeof FAMILY }).family.channels).toHaveLength(1);
    expect(puts()[0].body).not.toHaveProperty('version');
  });

  it('says at its entry what is wrong, and keeps what was typed', async () => {
    open('/families/TARROW-T4', 'LEAD', {
      'PUT /api/families/': problem(422, {
        errors: [{ field: 'family.driveGroups', code: 'RANGE', message: '192 nozzles do not part into 5.' }],
      }),
    });
    fireEvent.change(await screen.findByLabelText(/^Drive groups/), { target: { value: '5' } });
    fireEvent.change(screen.getByLabelText(/^Why/), { target: { value: 'x' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep this family' }));
    expect(await screen.findByText('192 nozzles do not part into 5.')).toBeInTheDocument();
    expect(screen.getByLabelText(/^Drive groups/)).toHaveValue('5');
  });

  it('come back out of the form as they went in', () => {
    expect(familyOf(familyForm(FAMILY as never))).toEqual({
      ...FAMILY,
      limits: undefined,
      machine: {
        parts: ['lever', 'head'],
        removal: '',
        alignment: null,
        cycleInk: { lightMl: 1.2, normalMl: null, strongMl: null },
      },
    });
    expect(familyForm(EMPTY_FAMILY).hasLimits).toBe(false);
  });
});
