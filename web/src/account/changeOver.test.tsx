import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { pretendServer, problem, show } from '../test/fixtures';
import { ChangeOver } from './ChangeOver';
import { PinBlock } from './PinBlock';
import { SessionGate } from './SessionGate';

const PEOPLE = [
  { name: 'corin', displayName: 'Corin Bray' },
  { name: 'wenna', displayName: 'Wenna Tarvick' },
];

function tap(digits: string) {
  for (const digit of digits) {
    fireEvent.click(screen.getByRole('button', { name: digit }));
  }
}

describe('changing over at a tablet', () => {
  it('takes a tap on the name and four digits, and nothing more', async () => {
    const done = vi.fn();
    const sent = pretendServer({
      'GET /api/session/people': PEOPLE,
      'POST /api/session/pin': { name: 'corin' },
    });
    show(<ChangeOver done={done} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Corin Bray' }));
    tap('48');
    expect(screen.getByRole('status', { name: '2 of 4 digits' })).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Take the last digit back' }));
    fireEvent.keyDown(window, { key: '9' });
    tap('27');
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent.at(-1)?.body).toEqual({ name: 'corin', pin: '4927' });
  });

  it('says how many tries are left, and begins the digits anew', async () => {
    pretendServer({
      'GET /api/session/people': PEOPLE,
      'POST /api/session/pin': problem(422, {
        errors: [{ field: 'pin', code: 'WRONG', message: 'This is not the PIN. 5 tries are left.' }],
      }),
    });
    show(<ChangeOver done={() => undefined} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Wenna Tarvick' }));
    tap('1793');
    expect(await screen.findByRole('alert')).toHaveTextContent('5 tries are left');
    expect(screen.getByRole('status', { name: '0 of 4 digits' })).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Somebody else' }));
    expect(screen.getByRole('button', { name: 'Corin Bray' })).toBeInTheDocument();
  });

  it('is what a trusted tablet shows instead of the form, which is one tap away', async () => {
    pretendServer({
      'GET /api/session/people': PEOPLE,
      'GET /api/session': problem(401, { type: 'x', tablet: 'Bench 2' }),
    });
    show(<SessionGate>inside</SessionGate>);
    expect(await screen.findByText('Bench 2: who is here?')).toBeInTheDocument();
    expect(await screen.findByRole('button', { name: 'Corin Bray' })).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Sign in with a password' }));
    expect(await screen.findByLabelText('Password')).toBeInTheDocument();
  });
});

describe('the PIN of a person', () => {
  it('is four digits, chosen with the password', async () => {
    const sent = pretendServer({ 'PUT /api/session/pin': {} });
    show(<PinBlock />);
    fireEvent.change(screen.getByLabelText('Your password'), { target: { value: 'secret' } });
    fireEvent.change(screen.getByLabelText('PIN, four digits'), { target: { value: '48' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the PIN' }));
    expect(await screen.findByText('Take four digits.')).toBeInTheDocument();
    expect(sent).toHaveLength(0);
    fireEvent.change(screen.getByLabelText('PIN, four digits'), { target: { value: '4827' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the PIN' }));
    expect(await screen.findByText('The PIN stands from now on.')).toBeInTheDocument();
    expect(sent[0].body).toEqual({ present: 'secret', pin: '4827' });
  });
});
