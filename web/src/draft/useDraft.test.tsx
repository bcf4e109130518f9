import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/http';
import { newer, useDraft } from './useDraft';

const server = vi.mocked(api);

beforeEach(() => {
  (['GET', 'PUT', 'DELETE'] as const).forEach((method) =>
    vi.spyOn(api, method).mockResolvedValue({} as never),
  );
});

describe('a draft', () => {
  it('is here again after a reload, at once', () => {
    const first = renderHook(() => useDraft<string>('intake-1'));
    act(() => first.result.current.keep('half a name'));
    expect(renderHook(() => useDraft<string>('intake-1')).result.current.restored).toBe('half a name');
  });

  it('goes to the server when the page is left before its time', () => {
    const { result } = renderHook(() => useDraft<string>('intake-2'));
    act(() => result.current.keep('x'));
    act(() => void window.dispatchEvent(new Event('pagehide')));
    expect(server.PUT).toHaveBeenCalledWith(
      '/api/drafts/{key}',
      expect.objectContaining({
        params: { path: { key: 'intake-2' } },
        body: expect.objectContaining({ content: '"x"' }) as unknown,
        keepalive: true,
      }),
    );
  });

  it('takes the one that was edited last', async () => {
    localStorage.setItem(
      'undoknot::intake-3',
      JSON.stringify({ value: 'here', editedAt: '2026-01-01T10:00:00Z' }),
    );
    server.GET.mockResolvedValue({
      data: { content: '"other screen"', editedAt: '2026-01-01T11:00:00Z' },
    } as never);
    const { result } = renderHook(() => useDraft<string>('intake-3'));
    await waitFor(() => expect(result.current.isReady).toBe(true));
    expect(result.current.restored).toBe('other screen');
    expect(
      newer({ value: 1, editedAt: '2026-01-02T00:00:00Z' }, { value: 2, editedAt: '2026-01-01T00:00:00Z' })
        ?.value,
    ).toBe(1);
    expect(newer(undefined, undefined)).toBeUndefined();
  });

  it('is gone once its entry was logged, and nothing sends it again', () => {
    const { result, unmount } = renderHook(() => useDraft<string>('intake-4'));
    act(() => result.current.keep('x'));
    act(() => result.current.drop());
    unmount();
    expect(localStorage.getItem('undoknot::intake-4')).toBeNull();
    expect(server.PUT).not.toHaveBeenCalled();
    expect(server.DELETE).toHaveBeenCalledWith('/api/drafts/{key}', {
      params: { path: { key: 'intake-4' } },
      keepalive: true,
    });
  });

  it('does not come back when the server forgot it too late', async () => {
    const { result, unmount } = renderHook(() => useDraft<string>('check-5'));
    act(() => result.current.keep('the check before'));
    const sent = new Date().toISOString();
    act(() => result.current.drop());
    unmount();
    server.GET.mockResolvedValue({ data: { content: '"the check before"', editedAt: sent } } as never);
    const next = renderHook(() => useDraft<string>('check-5'));
    await waitFor(() => expect(next.result.current.isReady).toBe(true));
    expect(next.result.current.restored).toBeUndefined();
  });
});
