import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { answer, api } from '../api/http';
import { pretendServer, problem, show } from '../test/fixtures';
import { SessionGate } from './SessionGate';
import SignInForm from './SignInForm';

const person = { name: 'wenna', displayName: 'Wenna Tarvick', role: 'TECHNICIAN' };

describe('signing in', () => {
  it('says what is missing at its entry', async () => {
    pretendServer({
      'POST /api/session': problem(422, {
        errors: [{ field: 'password', code: 'NotBlank', message: 'Enter your password.' }],
      }),
    });
    show(<SignInForm done={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    expect(await screen.findByText('Enter your password.')).toBeInTheDocument();
  });

  it('sends name and password and hands on who it is', async () => {
    const done = vi.fn();
    const sent = pretendServer({ 'POST /api/session': person });
    show(<SignInForm done={done} />);
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'wenna' } });
    fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'secret' } });
    fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(done.mock.calls[0]?.[0]).toEqual(person));
    expect(sent[0].body).toEqual({ name: 'wenna', password: 'secret' });
  });
});

describe('the session gate', () => {
  it('shows the accounts of the demo and fills them in by one tap', async () => {
    pretendServer({ 'GET /api/session': problem(401, { type: 'x', demoAccounts: ['wenna', 'oswin'] }) });
    show(<SessionGate>inside</SessionGate>);
    fireEvent.click(await screen.findByRole('button', { name: 'oswin' }));
    expect(screen.getByLabelText('Name')).toHaveValue('oswin');
    expect(screen.getByLabelText('Password')).not.toHaveValue('');
    expect(screen.queryByText('inside')).not.toBeInTheDocument();
  });

  it('keeps the page when the session ends at work, and asks for the password over it', async () => {
    pretendServer({
      'GET /api/session': person,
      'GET /api/bench': problem(401, {}),
      'POST /api/session': person,
    });
    show(
      <SessionGate>
        <input aria-label="typed" defaultValue="half a word" />
      </SessionGate>,
    );
    await screen.findByLabelText('typed');
    await answer(api.GET('/api/bench')).catch(() => undefined);
    expect(await screen.findByText('Your session has ended')).toBeInTheDocument();
    expect(await screen.findByLabelText('Name')).toHaveValue('wenna');
    fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'secret' } });
    fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(screen.queryByText('Your session has ended')).not.toBeInTheDocument());
    expect(screen.getByLabelText('typed')).toHaveValue('half a word');
  });

  it('does not take a slow answer from before signing in for another end', async () => {
    let late: () => void = () => undefined;
    const gone = problem(401, {});
    pretendServer({
      'GET /api/session': person,
      'GET /api/bench': gone,
      'GET /api/lots': () => new Promise((resolve) => (late = () => resolve(gone))),
      'POST /api/session': person,
    });
    show(<SessionGate>inside</SessionGate>);
    await screen.findByText('inside');
    const slow = answer(api.GET('/api/lots')).catch((e: unknown) => e);
    await answer(api.GET('/api/bench')).catch(() => undefined);
    fireEvent.change(await screen.findByLabelText('Password'), { target: { value: 'secret' } });
    fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(screen.queryByText('Your session has ended')).not.toBeInTheDocument());
    await act(async () => {
      late();
      expect(await slow).toMatchObject({ status: 401 });
    });
    expect(screen.queryByText('Your session has ended')).not.toBeInTheDocument();
    // What is asked since then is taken at its word.
    await answer(api.GET('/api/bench')).catch(() => undefined);
    expect(await screen.findByText('Your session has ended')).toBeInTheDocument();
  });

  it('does not take a lost connection for an ended session', async () => {
    pretendServer({ 'GET /api/session': problem(500, { detail: 'The server could not do this.' }) });
    show(<SessionGate>inside</SessionGate>);
    expect(await screen.findByText('The server could not do this.')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Try again' })).toBeInTheDocument();
  });
});
