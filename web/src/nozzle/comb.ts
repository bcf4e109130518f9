/** Letters of the compact text of a reading, one a nozzle. */
export type Letter = 'F' | 'W' | 'D' | 'M' | 'U';

export const LETTERS: Letter[] = ['F', 'W', 'D', 'M', 'U'];

export const STATE_OF: Record<Letter, string> = {
  F: 'FIRING',
  W: 'WEAK',
  D: 'DEFLECTED',
  M: 'MISSING',
  U: 'UNREAD',
};

/** A tooth as a path from its root at (x, y); `way` is 1 for hanging and -1 for standing teeth. */
export function tooth(
  letter: string,
  x: number,
  y: number,
  length: number,
  lean: number,
  way: 1 | -1,
): string {
  const end = y + way * (letter === 'W' ? length / 2 : length);
  return letter === 'M'
    ? ''
    : `M${round(x)} ${round(y)}L${round(x + (letter === 'D' ? lean : 0))} ${round(end)}`;
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

/** A channel as two paths, so that hundreds of teeth are two elements: whole ones, and the dotted unread ones. */
export function combPaths(reading: string, width: number, root: number, length: number, way: 1 | -1) {
  const pitch = width / reading.length;
  let whole = '';
  let dotted = '';
  for (let i = 0; i < reading.length; i++) {
    const path = tooth(reading[i], (i + 0.5) * pitch, root, length, Math.max(pitch * 0.8, 3), way);
    if (reading[i] === 'U') {
      dotted += path;
    } else {
      whole += path;
    }
  }
  return { whole, dotted, stroke: Math.min(3, pitch * 0.55) };
}

/** How many nozzles of each state a reading has. */
export function tally(reading: string): Record<Letter, number> {
  const counts: Record<Letter, number> = { F: 0, W: 0, D: 0, M: 0, U: 0 };
  for (const letter of reading) {
    counts[letter as Letter]++;
  }
  return counts;
}
