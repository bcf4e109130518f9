import { useRef } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { HeadEntry, HeadEntryRequest, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';

/** Taps about the head itself: each is sent under a key of its own, so that a lost answer does no harm. */
export function useHeadEntry(visit: Visit, done?: () => void) {
  const id = useRef(newId());
  const write = useWrite(
    (entry: HeadEntryRequest) =>
      answer(
        api.PUT('/api/visits/{visitId}/head-entries/{id}', {
          params: { path: { visitId: visit.id, id: id.current } },
          body: entry,
        }),
      ),
    () => {
      id.current = newId();
      done?.();
    },
  );
  return { ...write, tap: (entry: HeadEntry) => write.send({ entry }) };
}
