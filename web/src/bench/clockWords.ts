import type { Clock } from '../api/types';
import { word } from '../words/words';

/** A clock by its thing: the work or what is waited for, and where. */
export function clockName(clock: Pick<Clock, 'kind' | 'method' | 'waiting' | 'channels'>): string {
  const thing = clock.method
    ? word('method', clock.method)
    : clock.waiting
      ? word('waitFor', clock.waiting)
      : word('waiting', clock.kind);
  const burst = clock.kind === 'BURST' ? ', burst' : '';
  return `${thing}${burst}${clock.channels.length > 0 && clock.channels.length < 4 ? `: ${clock.channels.join(', ')}` : ''}`;
}
