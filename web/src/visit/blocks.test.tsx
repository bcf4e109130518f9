import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { attempt, check, drying, NOW, pretendServer, problem, show, visit } from '../test/fixtures';
import { AttemptsBlock } from './AttemptsBlock';
import { ChecksBlock } from './ChecksBlock';
import { DiagnosesBlock } from './DiagnosesBlock';
import { FactsBlock } from './FactsBlock';
import { JustLogged } from './JustLogged';
import { PowerBanner } from './PowerBanner';

const flush = attempt({
  endedAt: '2026-03-02T09:31:00Z',
  knot: 'TIGHT',
  departureReason: 'last bottle',
  treatment: {
    kind: 'FLUSH',
    flush: {
      temperatureC: 22,
      strokes: [
        {
          channel: 'C',
          volumeMl: 2.5,
          seconds: 9,
          resistance: 'STIFF',
          effluent: 'TINTED',
          stream: 'DRIPS',
        },
      ],
    },
  },
});

describe('checks of a visit', () => {
  it('draws the last map and says its counts, runs and drive groups', () => {
    const grouped = check();
    (grouped.channels as NonNullable<typeof grouped.channels>).C = {
      ...grouped.channels!.C,
      filledGroups: { first: 2, count: 1, of: 4 },
    };
    show(<ChecksBlock visit={visit({ checks: [grouped] })} mayWrite />);
    expect(screen.getByRole('img', { name: 'Cyan: 2 out' })).toBeInTheDocument();
    expect(
      screen.getByText(/longest run 2 from nozzle 2; fills drive group 2 of 4 exactly/),
    ).toBeInTheDocument();
    expect(screen.queryByRole('link', { name: 'Before and after' })).not.toBeInTheDocument();
  });

  it('lists a check that was not possible, and compares from the second map on', () => {
    show(
      <ChecksBlock
        mayWrite={false}
        visit={visit({
          checks: [
            check({
              id: 'n',
              number: 1,
              reading: undefined,
              channels: undefined,
              acceptance: undefined,
              notPossible: 'head error',
            }),
            check({ number: 2 }),
            check({ id: 'c', number: 3 }),
          ],
        })}
      />,
    );
    expect(screen.getByText(/no check possible, head error/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Before and after' })).toBeInTheDocument();
    expect(screen.queryByRole('link', { name: /^Amend/ })).not.toBeInTheDocument();
  });

  it('unfolds acceptance into the counts of each channel', () => {
    show(<ChecksBlock visit={visit()} mayWrite />);
    fireEvent.click(screen.getByRole('button', { name: 'Acceptance not met' }));
    expect(screen.getByText('C: 2 out of 0 allowed, longest run 2; acceptance not met')).toBeInTheDocument();
  });
});

describe('attempts of a visit', () => {
  it('says dose, how it went and what the knot tells', () => {
    show(<AttemptsBlock visit={visit({ attempts: [flush] })} mayWrite />);
    expect(screen.getByText('C: 2.5 mL in 9 s at 22 °C; went in stiffly, tinted, drips')).toBeInTheDocument();
    expect(screen.getByRole('img', { name: 'nothing restored' })).toBeInTheDocument();
    expect(screen.getByText('Outside the usual limits, because: last bottle')).toBeInTheDocument();
  });

  it('takes an entry back with its reason, and says in place when the reason is missing', async () => {
    const sent = pretendServer({
      'PUT /api': problem(422, {
        errors: [{ field: 'reason', code: 'NotBlank', message: 'Say what was wrong with this entry.' }],
      }),
    });
    show(<AttemptsBlock visit={visit({ attempts: [flush] })} mayWrite />);
    fireEvent.click(screen.getByRole('button', { name: /^Take back flush/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    expect(await screen.findByText('Say what was wrong with this entry.')).toBeInTheDocument();
    expect(screen.getByText('Say where its fluid is: poured, or still in the bottle.')).toBeInTheDocument();
    expect(sent).toHaveLength(0);
    fireEvent.change(screen.getByLabelText('What was wrong with it'), { target: { value: 'other head' } });
    fireEvent.click(screen.getByRole('button', { name: 'Poured: it is waste' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0].body).toMatchObject({ reason: 'other head', poured: true });
    expect(sent[0].path).toBe('/api/visits/visit-1/attempts/attempt-1/withdrawal');
  });

  it('keeps what was taken back readable, without a knot and without a button', () => {
    show(
      <AttemptsBlock
        visit={visit({ attempts: [{ ...flush, knot: undefined, withdrawnReason: 'other head' }] })}
        mayWrite
      />,
    );
    expect(screen.getByText(/taken back: other head/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /^Take back/ })).not.toBeInTheDocument();
  });
});

describe('the rest of a visit', () => {
  it('strikes a dropped suspicion through and keeps it', () => {
    const diagnosis = {
      id: 'd',
      version: 1,
      cause: 'AIR' as const,
      channels: [],
      speaksFor: 'wanders',
      note: '',
      dropped: true,
      madeAt: '2026-03-02T08:00:00Z',
      madeBy: 'Wenna',
    };
    show(<DiagnosesBlock visit={visit({ diagnoses: [diagnosis] })} mayWrite />);
    expect(screen.getByText('Air in the channel: the head')).toHaveStyle('text-decoration: line-through');
    expect(screen.getByText(/no longer suspected/)).toBeInTheDocument();
  });

  it('shows only the facts that are known, and earlier visits first', () => {
    show(
      <FactsBlock
        mayWrite={false}
        visit={visit({
          earlierVisits: [{ id: 'v0', tag: '33333', openedAt: '2026-01-02T08:00:00Z', outcome: 'RECOVERED' }],
          intake: { ...visit().intake, idleDays: 0 },
        })}
      />,
    );
    expect(screen.getByRole('link', { name: '33333' })).toBeInTheDocument();
    expect(screen.getByText('0 days')).toBeInTheDocument();
    expect(screen.queryByText('Climate')).not.toBeInTheDocument();
  });

  it('lets nobody but a lead end a hold early, and takes a pad out with one tap', async () => {
    const sent = pretendServer({ 'PUT /api': visit() });
    const padded = drying('2026-03-02T12:00:00Z');
    padded.keptFrom = [{ reason: 'PAD_UNDER_HEAD', since: '2026-03-02T01:00:00Z' }, ...padded.keptFrom];
    show(<PowerBanner now={NOW} mayWrite visit={visit({ head: padded })} />);
    expect(screen.getByRole('alert')).toHaveTextContent('No power: pad under the head.');
    expect(screen.queryByRole('button', { name: 'End it early' })).not.toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Pad out' }));
    await waitFor(() => expect(sent[0]?.body).toEqual({ entry: 'PAD_OUT' }));
  });

  it('ends a hold early only after a reason was given', async () => {
    const sent = pretendServer({ 'PUT /api': visit() });
    show(<PowerBanner now={NOW} mayWrite visit={visit({ head: drying('2026-03-02T12:00:00Z') })} />, {
      role: 'LEAD',
    });
    expect(screen.getByRole('alert')).toHaveTextContent(/body, ports or contacts wet/);
    expect(screen.getByRole('alert')).toHaveTextContent('2:00:00');
    fireEvent.click(screen.getByRole('button', { name: 'End it early' }));
    fireEvent.change(screen.getByLabelText('Why power is safe now'), {
      target: { value: 'dry all through' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'End the hold' }));
    await waitFor(() => expect(sent[0]?.body).toEqual({ entry: 'HOLD_ENDED', note: 'dry all through' }));
  });
});

describe('what was just logged', () => {
  const open = (part: Partial<Parameters<typeof visit>[0]>, state: object, now = NOW) => {
    const { router } = show(<JustLogged visit={visit(part)} now={now} mayWrite />);
    return act(() => router.navigate('/', { state }));
  };

  it('stays in one line with the way back', async () => {
    await open({ attempts: [flush] }, { logged: 'attempt-1' }, Date.parse(flush.startedAt) + 60_000);
    expect(screen.getByRole('status')).toHaveTextContent(
      /^Flush logged: C; 1.5 mL of Cablecombe head cleaner/,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Take back what was just logged' }));
    expect(screen.getByRole('dialog', { name: 'Take this entry back' })).toBeInTheDocument();
  });

  it('goes when it was taken back, or after a while, and never comes for another', async () => {
    const soon = Date.parse(flush.startedAt) + 60_000;
    await open({ attempts: [{ ...flush, withdrawnReason: 'slip' }] }, { logged: 'attempt-1' }, soon);
    await open({ attempts: [flush] }, { logged: 'attempt-1' }, soon + 11 * 60_000);
    await open({ attempts: [flush] }, {}, soon);
    expect(screen.queryByRole('status')).not.toBeInTheDocument();
  });
});
