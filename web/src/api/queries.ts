import { queryOptions, useQuery } from '@tanstack/react-query';
import { lookAgainMs } from './changes';
import { answer, api, type Problem } from './http';
import type { ShopView } from './types';

export function useBench(search: string) {
  return useQuery({
    queryKey: ['bench', search],
    queryFn: () => answer(api.GET('/api/bench', { params: { query: { search } } })),
    refetchInterval: lookAgainMs,
    placeholderData: (previous) => previous,
  });
}

/** Clocks of all open visits, for the strip on every page. */
export function useClocks() {
  return useQuery({
    queryKey: ['clocks'],
    queryFn: () => answer(api.GET('/api/clocks')),
    refetchInterval: lookAgainMs,
    placeholderData: (previous) => previous,
  });
}

function visitQuery(id: string) {
  return queryOptions({
    queryKey: ['visit', id],
    queryFn: () => answer(api.GET('/api/visits/{id}', { params: { path: { id } } })),
    refetchInterval: lookAgainMs,
  });
}

export function useVisit(id: string) {
  return useQuery(visitQuery(id));
}

/** What is likely wrong, what to look at, what to do: it comes with the visit, so that the two never disagree. */
export function useJudgement(id: string) {
  return useQuery({ ...visitQuery(id), select: (visit) => visit.judgement });
}

export function useHouse() {
  return useQuery({ queryKey: ['house'], queryFn: () => answer(api.GET('/api/house-rules')) });
}

export function useShop() {
  return useQuery<ShopView, Problem>({ queryKey: ['shop'], queryFn: () => answer(api.GET('/api/shop')) });
}

export function useFamilies() {
  return useQuery({
    queryKey: ['families'],
    queryFn: () => answer(api.GET('/api/families')),
    staleTime: Infinity,
  });
}

export function useLots() {
  return useQuery({ queryKey: ['lots'], queryFn: () => answer(api.GET('/api/lots')) });
}

export function useWaste() {
  return useQuery({ queryKey: ['waste'], queryFn: () => answer(api.GET('/api/waste')) });
}

export function useDraftKeys() {
  return useQuery({ queryKey: ['drafts'], queryFn: () => answer(api.GET('/api/drafts')) });
}

export function useComparison(visitId: string, before: string | undefined, now: string | undefined) {
  return useQuery({
    queryKey: ['comparison', visitId, before, now],
    queryFn: () =>
      answer(
        api.GET('/api/visits/{visitId}/comparison', {
          params: { path: { visitId }, query: { before: before!, now: now! } },
        }),
      ),
    enabled: before !== undefined && now !== undefined,
  });
}

export function useCoarseComparison(visitId: string, before: string | undefined, now: string | undefined) {
  return useQuery({
    queryKey: ['coarse-comparison', visitId, before, now],
    queryFn: () =>
      answer(
        api.GET('/api/visits/{visitId}/coarse-comparison', {
          params: { path: { visitId }, query: { before: before!, now: now! } },
        }),
      ),
    enabled: before !== undefined && now !== undefined,
  });
}

export function useMovements(visitId: string) {
  return useQuery({
    queryKey: ['movements', visitId],
    queryFn: () => answer(api.GET('/api/visits/{visitId}/movements', { params: { path: { visitId } } })),
  });
}

export function useLayouts(family: string | undefined) {
  return useQuery({
    queryKey: ['layouts', family],
    queryFn: () => answer(api.GET('/api/layouts', { params: { query: { family: family! } } })),
    enabled: family !== undefined,
  });
}

export function useScan(visitId: string, scanId: string | undefined) {
  return useQuery({
    queryKey: ['scan', visitId, scanId],
    queryFn: () =>
      answer(api.GET('/api/visits/{visitId}/scans/{id}', { params: { path: { visitId, id: scanId! } } })),
    enabled: scanId !== undefined,
    staleTime: Infinity,
  });
}

export function useCoarseKinds() {
  return useQuery({
    queryKey: ['coarse-kinds'],
    queryFn: () => answer(api.GET('/api/coarse-kinds')),
    staleTime: Infinity,
  });
}
