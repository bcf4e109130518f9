import { readNumber } from '../app/fields';
import type { SumView } from '../api/types';
import { digits, seenIn, type Units } from './units';

/** What was typed for a sum, and in which units. */
export interface TypedSum {
  values: Record<string, string>;
  units: Units;
}

type Asked = SumView['asked'][number];

/** A size of syringe is its name, whatever units a person sees. */
export function seenOf(asked: Asked, units: Units) {
  return seenIn(asked.term === 'SYRINGE' ? 'TIMES' : asked.unit, units);
}

/** Four digits in the units of the person: enough to come back to what was kept. */
function shown(si: number, asked: Asked, units: Units): string {
  const seen = seenOf(asked, units).to(si);
  return String(Number(seen.toPrecision(4)));
}

export function usualSum(sum: SumView, units: Units): TypedSum {
  return {
    units,
    values: Object.fromEntries(sum.asked.map((asked) => [asked.term, shown(asked.usual, asked, units)])),
  };
}

/** The same numbers in other units; what is no number stays as it was typed. */
export function inUnits(typed: TypedSum, sum: SumView, units: Units): TypedSum {
  const values = sum.asked.map((asked) => {
    const text = typed.values[asked.term] ?? '';
    const value = readNumber(text);
    if (value === undefined || Number.isNaN(value)) {
      return [asked.term, text];
    }
    const was = seenOf(asked, typed.units);
    const now = seenOf(asked, units);
    return [asked.term, was.unit === now.unit ? text : shown(was.from(value), asked, units)];
  });
  return { units, values: Object.fromEntries(values) as Record<string, string> };
}

/** What is wrong with an entry, in the units that it is typed in; undefined when it makes sense. */
export function wrongIn(text: string, asked: Asked, units: Units): string | undefined {
  const value = readNumber(text);
  if (value === undefined) {
    return 'Enter a number.';
  }
  const seen = seenOf(asked, units);
  const [low, high] = [seen.to(asked.low), seen.to(asked.high)];
  // Rounding to the other unit must not shut out the ends of the range.
  const slack = 1e-6 * Math.abs(high);
  if (Number.isNaN(value) || value < low - slack || value > high + slack) {
    return `Enter ${digits(low)} to ${digits(high)}${seen.unit ? ` ${seen.unit}` : ''}.`;
  }
  return undefined;
}

/** As the server takes it, °C, mL and kPa; undefined while an entry makes no sense. */
export function entered(typed: TypedSum, sum: SumView): Record<string, number> | undefined {
  const values: Record<string, number> = {};
  for (const asked of sum.asked) {
    const text = typed.values[asked.term] ?? '';
    if (wrongIn(text, asked, typed.units)) {
      return undefined;
    }
    const si = seenOf(asked, typed.units).from(readNumber(text)!);
    values[asked.term] = Math.min(asked.high, Math.max(asked.low, si));
  }
  return values;
}
