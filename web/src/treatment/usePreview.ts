import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api } from '../api/http';
import type { Preview, PreviewEntry, TreatmentEntry, TreatmentKind } from '../api/types';

const ASK_AFTER_MS = 250;

/** What stands in the way of the attempt as entered so far, and which cautions go with it; asked as it is typed. */
export function usePreview(
  visitId: string,
  kind: TreatmentKind,
  lotId: string | undefined,
  entry: TreatmentEntry,
  isWhole: boolean,
  where: Partial<Pick<PreviewEntry, 'site' | 'wet' | 'cartridgesOff' | 'begunAt' | 'wasteId'>>,
): Preview | undefined {
  const body = JSON.stringify({
    kind,
    lotId,
    temperatureC:
      entry.flush?.temperatureC ?? entry.bath?.temperatureC ?? entry.soak?.temperatureC ?? undefined,
    ...where,
    treatment: isWhole ? entry : undefined,
  });
  const [asked, setAsked] = useState(body);
  useEffect(() => {
    const timer = window.setTimeout(() => setAsked(body), ASK_AFTER_MS);
    return () => window.clearTimeout(timer);
  }, [body]);
  const preview = useQuery({
    queryKey: ['preview', visitId, asked],
    queryFn: async () => {
      const whole = JSON.parse(asked) as PreviewEntry;
      const ask = (body: PreviewEntry) =>
        answer(api.POST('/api/visits/{visitId}/attempts/preview', { params: { path: { visitId } }, body }));
      try {
        return await ask(whole);
      } catch {
        // Half-entered doses are no fault yet: ask for the cautions alone.
        return ask({ ...whole, treatment: undefined });
      }
    },
    placeholderData: (previous) => previous,
  });
  return preview.data;
}
