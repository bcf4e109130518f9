import { afterEach, describe, expect, it, vi } from 'vitest';
import { http, onSignedOut, Problem } from './http';

const answer = (status: number, body: unknown) =>
  new Response(body === undefined ? null : JSON.stringify(body), { status });

afterEach(() => vi.unstubAllGlobals());

function serverAnswers(...answers: Response[]) {
  const fetch = vi.fn();
  answers.forEach((a) => fetch.mockResolvedValueOnce(a));
  vi.stubGlobal('fetch', fetch);
  return fetch;
}

describe('calls to the server', () => {
  it('carries what is wrong to where it was typed', async () => {
    serverAnswers(
      answer(422, { type: 't', detail: 'd', errors: [{ field: 'serial', code: 'X', message: 'Enter it.' }] }),
    );
    const problem = await http.put('/api/x', {}).catch((p: Problem) => p);
    expect(problem).toBeInstanceOf(Problem);
    expect((problem as Problem).errors[0].message).toBe('Enter it.');
  });

  it('tells when the session ended, but not while signing in', async () => {
    const ended = vi.fn();
    const forget = onSignedOut(ended);
    serverAnswers(answer(401, {}), answer(401, {}));
    await http.get('/api/session').catch(() => undefined);
    expect(ended).not.toHaveBeenCalled();
    await http.get('/api/bench').catch(() => undefined);
    expect(ended).toHaveBeenCalledOnce();
    forget();
  });

  it('fetches a new token once when the page is older than the sign-in', async () => {
    const fetch = serverAnswers(
      answer(403, { type: 'urn:undoknot:problem:stale-page' }),
      answer(200, {}),
      answer(200, { ok: true }),
    );
    expect(await http.put('/api/x', {})).toEqual({ ok: true });
    expect(fetch.mock.calls.map(([path]) => path as string)).toEqual(['/api/x', '/api/session', '/api/x']);
  });

  it('says that a lost connection loses nothing', async () => {
    vi.stubGlobal('fetch', vi.fn().mockRejectedValue(new TypeError('network')));
    const problem = (await http.put('/api/x', {}).catch((p: Problem) => p)) as Problem;
    expect(problem.isOffline).toBe(true);
    expect(problem.message).toContain('Nothing is lost');
  });
});
