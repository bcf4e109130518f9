import type { Attempt, HeadEntry, LedStep, Run, Visit } from '../api/types';
import { word } from '../words/words';
import { editWay } from '../visit/ways';

/** A step in words. */
export function stepTitle(visit: Visit, step: LedStep): string {
  const { doing, look, channels } = step.step;
  const what = look ? `Check this: ${word('look', look)}` : word('doing', doing);
  const all = visit.family.channels.length;
  return channels.length > 0 && channels.length < all ? `${what}: ${channels.join(', ')}` : what;
}

/** The ports that a step is about; of strokes the one whose turn it is. */
export function litPorts(visit: Visit, run: Run, step: LedStep, work: Attempt | undefined): string[] {
  if (step.doneBy !== 'STROKES') {
    return step.step.channels.length > 0 ? step.step.channels : [];
  }
  const rows = work?.rounds?.open ? work.rounds.rows.filter((row) => row.next !== 'DONE') : undefined;
  if (!rows) {
    const first = visit.usual.lightFirst.find((code) => run.channels.includes(code));
    return first ? [first] : [];
  }
  return [...rows]
    .sort((a, b) => a.rounds - b.rounds)
    .slice(0, 1)
    .map((row) => row.channel);
}

const ENTRIES: Partial<Record<LedStep['doneBy'], HeadEntry[]>> = {
  HEAD_OUT: ['HEAD_OUT'],
  HEAD_IN: ['HEAD_IN'],
  PAD_OUT: ['PAD_OUT'],
  LOOKED_DRY: ['SEEN_DRY', 'CONTACTS_DAMP', 'BOARD_DAMP'],
};

/** Where going back leads: a tap or an entry about the head is taken back, logged work is put right in its own place. */
export function backOf(
  visit: Visit,
  run: Run,
  now: LedStep,
): { step: number; entry?: string; to?: string } | undefined {
  const last = run.steps.filter((step) => step.number < now.number && step.state === 'DONE').at(-1);
  if (!last) {
    return undefined;
  }
  if (!['TAP', 'TIME', 'POWER'].includes(last.doneBy)) {
    const wanted = ENTRIES[last.doneBy];
    const entry = visit.head.entries.find(
      (one) => wanted?.includes(one.entry) && !one.withdrawn && one.at >= run.begunAt,
    );
    const work = visit.attempts.find((a) => a.id === run.workId);
    return entry
      ? { step: last.number, entry: entry.id }
      : work && { step: last.number, to: editWay(visit.id, work) };
  }
  return { step: last.number };
}
