import type { Clock } from '../api/types';
import { word } from '../words/words';

/** What a head is kept from power by, as a thing that is over one day. */
const KEPT: Record<string, string> = {
  HOLD: 'dry hold',
  EVAPORATING: 'evaporating',
  COVERS_OPEN: 'airing, covers open',
};

/** A clock by its thing: the work or what is waited for, and where. */
export function clockName(clock: Pick<Clock, 'kind' | 'method' | 'waiting' | 'keptBy' | 'channels'>): string {
  const thing = clock.keptBy
    ? KEPT[clock.keptBy]
    : clock.method
      ? word('method', clock.method)
      : clock.waiting
        ? word('waitFor', clock.waiting)
        : word('waiting', clock.kind);
  const burst = clock.kind === 'BURST' ? ', burst' : '';
  return `${thing}${burst}${clock.channels.length > 0 && clock.channels.length < 4 ? `: ${clock.channels.join(', ')}` : ''}`;
}

/** A pad that lies under connected cartridges has done so for as long as it may. */
export function isSiphoning(clock: Pick<Clock, 'warnAt'>, now: number): boolean {
  return clock.warnAt !== undefined && clock.warnAt !== null && Date.parse(clock.warnAt) <= now;
}

export const SIPHONS = 'two hours over a pad: look at the cartridges';
