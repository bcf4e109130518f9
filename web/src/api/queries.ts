import { useQuery } from '@tanstack/react-query';
import { http } from './http';
import type { Bench, Comparison, DraftKey, Family, Lot, Visit } from './types';

/** Two people may be at it: what is on the screen is looked up again now and then. */
const LOOK_AGAIN_MS = 10_000;

export function useBench(search: string) {
  return useQuery({
    queryKey: ['bench', search],
    queryFn: () => http.get<Bench>(`/api/bench?search=${encodeURIComponent(search)}`),
    refetchInterval: LOOK_AGAIN_MS,
    placeholderData: (previous) => previous,
  });
}

export function useVisit(id: string) {
  return useQuery({
    queryKey: ['visit', id],
    queryFn: () => http.get<Visit>(`/api/visits/${id}`),
    refetchInterval: LOOK_AGAIN_MS,
  });
}

export function useFamilies() {
  return useQuery({
    queryKey: ['families'],
    queryFn: () => http.get<Family[]>('/api/families'),
    staleTime: Infinity,
  });
}

export function useLots() {
  return useQuery({ queryKey: ['lots'], queryFn: () => http.get<Lot[]>('/api/lots') });
}

export function useDraftKeys() {
  return useQuery({ queryKey: ['drafts'], queryFn: () => http.get<DraftKey[]>('/api/drafts') });
}

export function useComparison(visitId: string, before: string | undefined, now: string | undefined) {
  return useQuery({
    queryKey: ['comparison', visitId, before, now],
    queryFn: () => http.get<Comparison>(`/api/visits/${visitId}/comparison?before=${before}&now=${now}`),
    enabled: before !== undefined && now !== undefined,
  });
}
