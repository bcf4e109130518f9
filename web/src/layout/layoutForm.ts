import type { Block, CheckLayout, Family } from '../api/types';

/** What all blocks of a new layout share, as a lead states it. */
export interface Pattern {
  stairs: number;
  steps: number;
  direction: 'ACROSS' | 'DOWN';
  stairsReversed: boolean;
  stepsReversed: boolean;
  dashMm: number;
  pitchMm: number;
}

export function patternOf(layout: CheckLayout): Pattern {
  const { stairs, steps, direction, stairsReversed, stepsReversed, dashMm, pitchMm } = layout.blocks[0];
  return { stairs, steps, direction, stairsReversed, stepsReversed, dashMm, pitchMm };
}

/** The layout with the pattern in every block. */
export function withPattern(layout: CheckLayout, pattern: Pattern): CheckLayout {
  return { ...layout, blocks: layout.blocks.map((block) => ({ ...block, ...pattern })) };
}

/** A layout to begin with: the family's blocks below one another, to be pulled onto a scan. */
export function emptyLayout(family: Family): CheckLayout {
  const pitchMm = 0.9;
  const across = family.channels.length > 4 ? 2 : 1;
  const widthMm = across === 2 ? 82 : 120;
  return {
    name: '',
    family: family.code,
    widthMm: 210,
    heightMm: 297,
    blocks: family.channels.map((channel, i) => ({
      channel: channel.code,
      stairs: family.stairs,
      steps: family.steps,
      direction: 'ACROSS',
      stairsReversed: false,
      stepsReversed: false,
      dashMm: Math.round((widthMm / family.stairs) * 0.6 * 10) / 10,
      pitchMm,
      xMm: 17 + (i % across) * (widthMm + 10),
      yMm: 30 + Math.floor(i / across) * (family.steps * pitchMm + 12),
      widthMm,
      heightMm: Math.round(family.steps * pitchMm * 10) / 10,
      ink: channel.ink,
      paper: 'WHITE',
    })),
  };
}

export function changeBlock(layout: CheckLayout, code: string, change: Partial<Block>): CheckLayout {
  return {
    ...layout,
    blocks: layout.blocks.map((block) => (block.channel === code ? { ...block, ...change } : block)),
  };
}

/** Tenths of a millimetre are as fine as a hand places. */
export function tenth(mm: number): number {
  return Math.round(mm * 10) / 10;
}
