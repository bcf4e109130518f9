import { useQuery, useQueryClient } from '@tanstack/react-query';
import { http } from './http';
import type {
  Bench,
  CoarseComparison,
  CoarseKindView,
  Comparison,
  DraftKey,
  Family,
  House,
  Judgement,
  LayoutRow,
  Lot,
  Movement,
  Scan,
  Visit,
} from './types';

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

/** What is likely wrong, what to look at, what to do. */
export function useJudgement(id: string) {
  const queries = useQueryClient();
  const query = useQuery({
    queryKey: ['judgement', id],
    queryFn: () => http.get<Judgement>(`/api/visits/${id}/judgement`),
    refetchInterval: LOOK_AGAIN_MS,
  });
  // After a write, until the new one is there: what was advised may be done already.
  return { ...query, isOutdated: queries.getQueryState(['judgement', id])?.isInvalidated === true };
}

export function useHouse() {
  return useQuery({ queryKey: ['house'], queryFn: () => http.get<House>('/api/house-rules') });
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

export function useCoarseComparison(visitId: string, before: string | undefined, now: string | undefined) {
  return useQuery({
    queryKey: ['coarse-comparison', visitId, before, now],
    queryFn: () =>
      http.get<CoarseComparison>(`/api/visits/${visitId}/coarse-comparison?before=${before}&now=${now}`),
    enabled: before !== undefined && now !== undefined,
  });
}

export function useMovements(visitId: string) {
  return useQuery({
    queryKey: ['movements', visitId],
    queryFn: () => http.get<Movement[]>(`/api/visits/${visitId}/movements`),
  });
}

export function useLayouts(family: string | undefined) {
  return useQuery({
    queryKey: ['layouts', family],
    queryFn: () => http.get<LayoutRow[]>(`/api/layouts?family=${family}`),
    enabled: family !== undefined,
  });
}

export function useScan(visitId: string, scanId: string | undefined) {
  return useQuery({
    queryKey: ['scan', visitId, scanId],
    queryFn: () => http.get<Scan>(`/api/visits/${visitId}/scans/${scanId}`),
    enabled: scanId !== undefined,
    staleTime: Infinity,
  });
}

export function useCoarseKinds() {
  return useQuery({
    queryKey: ['coarse-kinds'],
    queryFn: () => http.get<CoarseKindView[]>('/api/coarse-kinds'),
    staleTime: Infinity,
  });
}
