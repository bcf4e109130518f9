import { word } from '../words/words';
import type { FluidKind, Lot, ProcedureStep, Procedure, Stage } from '../api/types';

/** What is typed for the sum of a whole-system flush, in the order in which it is asked. */
export const SYSTEM_ENTRIES = [
  { name: 'settlingMl', label: 'Reservoir of the settling ink', unit: 'mL', hint: '0 when there is none' },
  { name: 'fills', label: 'Filled with cleaner', unit: 'times' },
  { name: 'bottles', label: 'Bottles of colours', unit: '' },
  { name: 'bottleMl', label: 'Cleaner in each bottle', unit: 'mL' },
  { name: 'strongCycles', label: 'Strong cycles', unit: '', hint: '3 to 10' },
  { name: 'strongMl', label: 'A strong cycle draws', unit: 'mL' },
  { name: 'normalMl', label: 'A normal cycle draws', unit: 'mL' },
  { name: 'wipingMl', label: 'For wiping', unit: 'mL' },
  { name: 'lineMl', label: 'All lines together', unit: 'mL', hint: '0 when the cycles rinse them' },
  { name: 'residue', label: 'Ink that may stay in the lines', unit: 'share' },
  { name: 'reserve', label: 'To spare', unit: 'share' },
  { name: 'wasteMl', label: 'A waste bottle holds', unit: 'mL' },
] as const;

/** The same of an ink change. */
export const INK_ENTRIES = [
  { name: 'channelMl', label: 'Ink in one channel, its line included', unit: 'mL' },
  { name: 'residue', label: 'Old ink that may stay', unit: 'share', hint: '0.001 is one part in a thousand' },
  { name: 'reserve', label: 'To spare', unit: 'share' },
] as const;

export type SystemName = (typeof SYSTEM_ENTRIES)[number]['name'];
export type InkName = (typeof INK_ENTRIES)[number]['name'];

const CLEANERS: FluidKind[] = ['AQUEOUS_CLEANER', 'PIGMENT_FLUSH', 'FOOD_SAFE_CLEANER', 'DEIONISED_WATER'];

/** Bottles that such a work can draw from, the fullest first. */
export function cleaners(lots: Lot[], foodCare: boolean): Lot[] {
  return lots
    .filter((lot) => CLEANERS.includes(lot.kind) && lot.remainingMl > 0 && (!foodCare || lot.foodSafe))
    .sort((a, b) => b.remainingMl - a.remainingMl);
}

/** How much cleaner stands on the shelf, and how much is missing, mL. */
export function onShelf(lots: Lot[], needMl: number): { haveMl: number; shortMl: number } {
  const haveMl = lots.reduce((sum, lot) => sum + lot.remainingMl, 0);
  return { haveMl, shortMl: Math.max(0, needMl - haveMl) };
}

/** What was entered; a pad that was looked at is not yet a channel that is done. */
export function entryWords(act: Stage['act']): string {
  return act === 'PAD_SEEN' ? 'Fresh pad looked at' : word('step', act);
}

/** A volume as it is said: above a litre in litres. */
export function litres(ml: number): string {
  return ml >= 1000 ? `${(ml / 1000).toFixed(1)} L` : `${Number(ml.toFixed(1))} mL`;
}

/** Where the old ink is driven out of a channel. */
export function flushWay(visitId: string, row: Procedure['rows'][number] | undefined): string {
  if (!row || row.way === 'CYCLES') {
    return `/visits/${visitId}/attempt/cycle`;
  }
  const method = row.way === 'DRAW_BACK' ? '&method=DRAW_BACK' : '';
  return `/visits/${visitId}/attempt/flush?channels=${row.channel}${method}`;
}

/** What an entry of an act names. */
export function asksOf(act: Stage['act']): ('CHANNEL' | 'FLUID' | 'WASTE' | 'FINDING' | 'VESSEL' | 'TEXT')[] {
  switch (act) {
    case 'INK_SAVED':
    case 'INK_BACK':
      return ['VESSEL'];
    case 'STIRRER_WIPED':
    case 'FILLED':
    case 'REFILLED':
    case 'TOPPED_UP':
      return ['FLUID'];
    case 'SWAPPED':
      return ['CHANNEL', 'FLUID'];
    case 'RAN_CLEAR':
    case 'STRONG_CYCLE':
    case 'NORMAL_CYCLE':
      return ['WASTE'];
    case 'LINES_SEEN':
    case 'COMPARED':
      return ['FINDING'];
    case 'PAD_SEEN':
      return ['CHANNEL', 'FINDING'];
    case 'CARTRIDGE_OUT':
    case 'CARTRIDGE_IN':
      return ['CHANNEL'];
    case 'STORED':
      return ['TEXT'];
    default:
      return [];
  }
}

export const FINDINGS: Partial<Record<Stage['act'], NonNullable<ProcedureStep['finding']>[]>> = {
  LINES_SEEN: ['CLEAN', 'SLIGHT_STAIN', 'STILL_INK'],
  COMPARED: ['SAME_AS_FRESH', 'TINTED'],
  PAD_SEEN: ['NO_COLOUR', 'COLOUR', 'UNSURE'],
};

/** How much a step usually takes, mL; empty where nothing says so. */
export function usualMl(act: Stage['act'], need: Procedure['need']): string {
  const system = need?.system;
  if (!system) {
    return '';
  }
  const ml: Partial<Record<Stage['act'], number>> = {
    FILLED: system.settlingMl,
    REFILLED: system.settlingMl,
    STIRRER_WIPED: system.wipingMl,
    SWAPPED: system.bottleMl,
    STRONG_CYCLE: system.strongMl,
    NORMAL_CYCLE: system.normalMl,
    RAN_CLEAR: system.settlingMl,
  };
  return ml[act] ? String(ml[act]) : '';
}
