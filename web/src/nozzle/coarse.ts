import type { Coarse } from '../api/types';
import { word } from '../words/words';

export function lineWords(line: { level?: string; where?: string } | undefined): string {
  if (!line?.level) {
    return 'not looked at';
  }
  return word('coarseLevel', line.level) + (line.where ? ` ${word('coarseWhere', line.where)}` : '');
}

/** A coarse reading in words: its kind, and what was seen in each channel that was looked at. */
export function coarseWords(coarse: Coarse): string {
  const seen = Object.entries(coarse.channels)
    .filter(([, line]) => line.level)
    .map(([code, line]) => `${code} ${lineWords(line)}`);
  return `${word('coarseKind', coarse.kind)}: ${seen.join(', ') || 'nothing yet'}`;
}
