import { answer, api } from '../api/http';
import type { OffPart, UsualPart, Visit } from '../api/types';
import { capital, word } from '../words/words';

interface Named {
  name: string;
  channel?: string | null;
  count: number;
}

/** How a thing is called in a sentence: "2 screws", "cartridge C". */
export function called(part: Named): string {
  return `${part.count > 1 ? `${part.count} ` : ''}${part.name}${part.channel ? ` ${part.channel}` : ''}`;
}

/** The same at the beginning of a line. */
export function partName(part: Named): string {
  return capital(called(part));
}

/** What of the usual list is not on the list of this visit yet. */
export function usualLeft(visit: Visit): UsualPart[] {
  const listed = visit.finish.parts.filter((p) => !p.withdrawn).map(keyOf);
  return visit.finish.usualParts.filter((usual) => !listed.includes(keyOf(usual)));
}

function keyOf(part: { kind: string; name: string; channel?: string | null }): string {
  return `${part.kind} ${part.name} ${part.channel ?? ''}`;
}

/** What is still off, last off first. */
export function stillOff(visit: Visit): OffPart[] {
  return visit.finish.back.flatMap((id) => visit.finish.parts.filter((p) => p.id === id));
}

/** Takes a thing off: the head itself leaves its place with it. */
export async function takeOff(
  visit: Visit,
  id: string,
  headKey: string,
  part: Pick<OffPart, 'kind' | 'name' | 'count'> & { channel?: string | null; note?: string },
): Promise<Visit> {
  if (part.kind === 'HEAD' && visit.head.site === 'IN_CARRIAGE') {
    await head(visit, headKey, 'HEAD_OUT');
  }
  return answer(
    api.PUT('/api/visits/{visitId}/parts/{id}', {
      params: { path: { visitId: visit.id, id } },
      body: {
        kind: part.kind,
        name: part.name,
        channel: part.channel ?? undefined,
        count: part.count,
        note: part.note,
      },
    }),
  );
}

export interface Back {
  count: number;
  light?: boolean;
  menu?: boolean;
  stays?: boolean;
  note?: string;
}

/** Puts a thing back: the head itself is back in its place with it. */
export async function putBack(visit: Visit, part: OffPart, headKey: string, back: Back): Promise<Visit> {
  if (part.kind === 'HEAD' && back.count > 0 && visit.head.site === 'ON_BENCH') {
    await head(visit, headKey, 'HEAD_IN');
  }
  return answer(
    api.PUT('/api/visits/{visitId}/parts/{id}/back', {
      params: { path: { visitId: visit.id, id: part.id } },
      body: back,
    }),
  );
}

function head(visit: Visit, id: string, entry: 'HEAD_OUT' | 'HEAD_IN') {
  return answer(
    api.PUT('/api/visits/{visitId}/head-entries/{id}', {
      params: { path: { visitId: visit.id, id } },
      body: { entry },
    }),
  );
}

/** How it stands with a thing, in words. */
export function partState(part: OffPart): string {
  if (part.withdrawn) {
    return 'taken back';
  }
  if (part.stays) {
    return `stays off: ${part.backNote}`;
  }
  const isIn = part.kind === 'LAID_IN';
  if (!part.open) {
    return `${isIn ? 'out again' : 'back'}${part.backNote ? `, ${part.backNote}` : ''}`;
  }
  if (part.inDispute) {
    return `light ${part.light ? 'shows' : 'does not show'} it, menu ${part.menu ? 'does' : 'does not'}`;
  }
  if (part.backCount) {
    return part.kind === 'CARTRIDGE'
      ? 'in, not seen by light and menu'
      : `${part.backCount} of ${part.count} back`;
  }
  return isIn ? 'still in' : 'still off';
}

export function kindName(kind: OffPart['kind']): string {
  return capital(word('offPart', kind));
}
