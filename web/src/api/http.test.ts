import { describe, expect, it, vi } from 'vitest';
import { answer, api, onSignedOut, Problem } from './http';

const replies = (status: number, body: unknown) =>
  new Response(body === undefined ? null : JSON.stringify(body), { status });

const PATH = '/api/drafts/x';
const write = () =>
  answer(
    api.PUT('/api/drafts/{key}', {
      params: { path: { key: 'x' } },
      body: { content: '', editedAt: '2026-01-01T00:00:00Z' },
    }),
  );

function serverAnswers(...answers: Response[]) {
  const fetch = vi.fn();
  answers.forEach((a) => fetch.mockResolvedValueOnce(a));
  vi.stubGlobal('fetch', fetch);
  return fetch;
}

describe('calls to the server', () => {
  it('carries what is wrong to where it was typed', async () => {
    serverAnswers(
      replies(422, {
        type: 't',
        detail: 'd',
        errors: [{ field: 'serial', code: 'X', message: 'Enter it.' }],
      }),
    );
    const problem = await write().catch((p: Problem) => p);
    expect(problem).toBeInstanceOf(Problem);
    expect((problem as Problem).errors[0].message).toBe('Enter it.');
  });

  it('tells when the session ended, but not while signing in', async () => {
    const ended = vi.fn();
    const forget = onSignedOut(ended);
    serverAnswers(replies(401, {}), replies(401, {}));
    await answer(api.GET('/api/session')).catch(() => undefined);
    expect(ended).not.toHaveBeenCalled();
    await answer(api.GET('/api/bench')).catch(() => undefined);
    expect(ended).toHaveBeenCalledOnce();
    forget();
  });

  it('fetches a new token once when the page is older than the sign-in', async () => {
    const fetch = serverAnswers(
      replies(403, { type: 'urn:undoknot:problem:stale-page' }),
      replies(200, {}),
      replies(200, { ok: true }),
    );
    expect(await write()).toEqual({ ok: true });
    expect(fetch.mock.calls.map(([request]) => new URL((request as Request).url).pathname)).toEqual([
      PATH,
      '/api/session',
      PATH,
    ]);
  });

  it('says that a lost connection loses nothing', async () => {
    vi.stubGlobal('fetch', vi.fn().mockRejectedValue(new TypeError('network')));
    const problem = (await write().catch((p: Problem) => p)) as Problem;
    expect(problem.isOffline).toBe(true);
    expect(problem.message).toContain('Nothing is lost');
  });
});
