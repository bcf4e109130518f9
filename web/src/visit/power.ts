import type { HeadBrief } from '../api/types';
import { moment } from '../bench/time';
import { word } from '../words/words';

type Kept = HeadBrief['keptFrom'][number];

/** What keeps the head from power at this moment; what ends by itself is gone when its time is up. */
export function keptFrom(head: Pick<HeadBrief, 'keptFrom'>, now: number): Kept[] {
  return head.keptFrom.filter((kept) => !kept.until || Date.parse(kept.until) > now);
}

/** When the last wait that ends by itself ends; undefined while hands, or work that still runs, decide. */
export function powerAt(kept: Kept[]): number | undefined {
  if (kept.length === 0 || kept.some((k) => !k.until)) {
    return undefined;
  }
  return Math.max(...kept.map((k) => Date.parse(k.until!)));
}

/** One line that says it, in the words of label, report and the page behind the tag. */
export function powerWords(kept: Kept[]): string {
  const at = powerAt(kept);
  return at === undefined
    ? `No power: ${word('noPower', kept[0].reason)}.`
    : `No power until ${moment(new Date(at).toISOString())}.`;
}
