import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { advice, check, judgement, likely, pretendServer, problem, show, visit } from '../test/fixtures';
import CausesPage from './CausesPage';
import RuleoutsPage from '../observation/RuleoutsPage';
import WorthPage from '../outcome/WorthPage';
import { percent } from './judgement';

const look = (name: string, part: object = {}) => ({
  look: name,
  minutes: 2,
  scope: 'HEAD',
  needs: 'NOTHING',
  tools: ['LAMP'],
  risk: 'NONE',
  findings: ['STATION_CLEAN', 'STATION_CRUSTED'],
  needless: false,
  bits: 0,
  bitsPerMinute: 0,
  proposed: false,
  ...part,
});
const air = look('AIR', {
  scope: 'CHANNEL',
  findings: ['DAMPER_FULL', 'DAMPER_EMPTY'],
  channel: 'C',
  proposed: true,
  separates: 'AIR',
  from: 'DRIED_INK',
  bits: 0.41,
});

function open(
  page: 'causes' | 'ruleouts' | 'worth',
  part: object = {},
  more: Record<string, unknown> = {},
  role = 'TECHNICIAN',
) {
  const sent = pretendServer({
    ...more,
    'PUT /api/visits/visit-1/findings/': visit(),
    'GET /api/visits/visit-1': visit({
      judgement: judgement(advice(), { looks: [air, look('STATION')], ...part }),
    }),
  });
  const Content = { causes: CausesPage, ruleouts: RuleoutsPage, worth: WorthPage }[page];
  show(<Content />, { at: `/visits/visit-1/${page}`, path: `/visits/:id/${page}`, role: role as 'LEAD' });
  return sent;
}

it.each([
  [0, '0 %'],
  [0.004, '< 1 %'],
  [0.125, '13 %'],
  [0.996, '> 99 %'],
  [1, '100 %'],
])('says %s as %s', (share, said) => expect(percent(share)).toBe(said));

describe('what is wrong', () => {
  const reason = (sign: string, weight: string, part: object = {}) => ({
    observation: { sign, facts: {}, ...part },
    weight,
  });
  const causes = [
    likely('AIR', 0.83, {
      channel: 'C',
      prior: 0.12,
      reasons: [
        reason('LONG_RUN', 'STRONG', {
          channel: 'C',
          facts: { OUT: 59, OF: 200, RUN: 59 },
          from: 'check-1',
        }),
        reason('SCATTERED', 'AGAINST', { channel: 'C', facts: { OUT: 9, OF: 200 } }),
      ],
    }),
    likely('DRIED_INK', 0.04),
  ];

  it('unfolds a cause to its reasons for and against, with counts and the check they came from', async () => {
    open('causes', { causes });
    fireEvent.click(await screen.findByRole('button', { name: 'Air in the channel' }));
    expect(await screen.findByText(/59 of 200 out, 59 of them in one run/)).toHaveTextContent(
      '(strongly for)',
    );
    expect(screen.getByText(/9 of 200 out, scattered/)).toHaveTextContent('(against)');
    expect(screen.getByText(/12 % come in with this. Likeliest in C. 1 for, 1 against/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Check 1' })).toHaveAttribute(
      'href',
      `/visits/visit-1/check/${check().id}`,
    );
  });

  it('shows one channel by itself, and what was not looked at', async () => {
    open('causes', { causes, channels: { C: [likely('CARTRIDGE_FAULT', 0.5)] } });
    fireEvent.click(await screen.findByRole('button', { name: 'C' }));
    expect(screen.getByRole('button', { name: 'Cartridge fault' })).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Air in the channel' })).not.toBeInTheDocument();
    expect(screen.getByText(/not the same as fine: air, service station/)).toBeInTheDocument();
  });

  it('names two observations that can hardly both hold', async () => {
    open('causes', {
      contradictions: [
        {
          one: { sign: 'DROPS_THROUGH', channel: 'C', facts: {} },
          other: { sign: 'FLOW_NONE', channel: 'C', facts: {} },
        },
      ],
    });
    expect(await screen.findByText(/can hardly both hold/)).toHaveTextContent(
      'C: the port would not take fluid',
    );
  });

  it('lets a lead move an old visit to the rules of today', async () => {
    const sent = open(
      'causes',
      { houseRules: 1, houseRulesNow: 3 },
      { 'PUT /api/visits/visit-1/house-rules': visit() },
      'LEAD',
    );
    fireEvent.click(await screen.findByRole('button', { name: 'Judge by the rules of today' }));
    await waitFor(() =>
      expect(sent.some((s) => s.method === 'PUT' && s.path.endsWith('/house-rules'))).toBe(true),
    );
  });
});

describe('rule-outs', () => {
  it('puts the proposed look first and logs a finding by one tap', async () => {
    const sent = open('ruleouts');
    const [first] = await screen.findAllByRole('region');
    expect(first).toHaveAccessibleName('Check this: Air');
    expect(first).toHaveTextContent('2 min of hands; lamp; hurts nothing');
    expect(first).toHaveTextContent('separates air in the channel from dried ink in the nozzles in C');
    fireEvent.click(screen.getByRole('button', { name: 'Little or no ink in damper or sub-tank' }));
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(1));
    expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ sign: 'DAMPER_EMPTY', channel: 'C' });
  });

  it('gives each port buttons of its own, so that a double tap does not answer for the next one', async () => {
    open(
      'ruleouts',
      { looks: [look('AIR', { ...air, byPort: true })] },
      { 'GET /api/visits/visit-1/also-found': [] },
    );
    const card = within(await screen.findByRole('region', { name: 'Check this: Air' }));
    const ofCyan = card.getByRole('button', { name: 'Little or no ink in damper or sub-tank' });
    fireEvent.click(card.getByRole('button', { name: 'K' }));
    expect(ofCyan).not.toBeInTheDocument();
    expect(card.getByRole('button', { name: 'Little or no ink in damper or sub-tank' })).toBeEnabled();
  });

  it('says when nothing is worth looking at, and what the last finding changed', async () => {
    open('ruleouts', {
      looks: [look('STATION')],
      findings: [
        {
          id: 'f1',
          sign: 'STATION_CRUSTED',
          look: 'STATION',
          note: '',
          foundAt: '2026-03-02T09:00:00Z',
          foundBy: 'Wenna',
          withdrawn: false,
          stands: true,
          hasPhoto: false,
          against: [],
        },
      ],
      lastChange: [{ cause: 'SERVICE_STATION', before: 0.4, now: 0.9 }],
    });
    expect(await screen.findByText(/Nothing is worth looking at any more/)).toBeInTheDocument();
    expect(screen.getByRole('status', { name: 'What the last finding changed' })).toHaveTextContent(
      '40 % → 90 %',
    );
  });
});

describe('worth it', () => {
  const money = {
    method: 'FLUSH',
    number: 2,
    mean: 0.3,
    low: 0.1,
    high: 0.6,
    odds: {
      cellTried: 0,
      cellReached: 0,
      familyTried: 2,
      familyReached: 1,
      allTried: 0,
      allReached: 0,
      start: 0.35,
    },
    terms: {},
    usual: { value: 200, harmChance: 0.03, harmCost: 100, minutes: 19, fluids: 0.5 },
    spent: 24,
    priceLimit: 140,
    worth: {
      value: 200,
      harmChance: 0.03,
      harmCost: 100,
      cost: 12,
      gain: 45,
      breakEven: 0.075,
      verdict: 'GO_ON',
    },
  };

  it('shows the sum, the cases behind it and where to stop', async () => {
    open('worth', { money });
    expect(
      await screen.findByText(
        /Chance 30 % × worth 200.00 − damage 3 % × its cost 100.00 − hands and fluids 12.00 =/,
      ),
    ).toHaveTextContent('45.00');
    expect(screen.getByText(/1 of 2 more in the family/)).toBeInTheDocument();
    expect(screen.getByRole('img', { name: /stopping advised below 8 %/ })).toBeInTheDocument();
  });

  it('refuses what is no number in its place, and keeps what the server refuses there too', async () => {
    const sent = open(
      'worth',
      { money },
      {
        'PUT /api/visits/visit-1/worth': problem(422, {
          errors: [{ field: 'value', message: 'Enter 0 or more.' }],
        }),
      },
    );
    const field = await screen.findByLabelText('Worth of a recovered head');
    fireEvent.change(field, { target: { value: 'much' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep these terms' }));
    expect(await screen.findByText(/Enter a number, such as 120/)).toBeInTheDocument();
    expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(0);
    fireEvent.change(field, { target: { value: '-3' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep these terms' }));
    expect(await screen.findByText('Enter 0 or more.')).toBeInTheDocument();
    expect(field).toHaveValue('-3');
  });

  it('says so when no attempt would be next', async () => {
    open('worth');
    expect(await screen.findByText(/Odds and money are about the next attempt/)).toBeInTheDocument();
  });
});
