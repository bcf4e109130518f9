import type { Attempt } from '../api/types';

/** Where the form of this work stands. */
function formWay(attempt: Attempt): string {
  const { kind, handwork } = attempt.treatment;
  return handwork?.method === 'RINSE' ? 'rinse' : `attempt/${kind.toLowerCase()}`;
}

/** Where an entry is put right: rounds in their own page, other work in its form, which then takes the place of the old entry. */
export function editWay(visitId: string, attempt: Attempt): string {
  if (attempt.rounds) {
    const page = attempt.treatment.handwork?.method === 'RINSE' ? 'rinse' : 'rounds';
    return `/visits/${visitId}/${page}/${attempt.id}`;
  }
  return `/visits/${visitId}/${formWay(attempt)}?edit=${attempt.id}`;
}

/** Where the same work is done once more: its channels and doses, never what was seen. */
export function againWay(attempt: Attempt): string {
  return `${formWay(attempt)}?again=${attempt.id}`;
}
