import { createContext, useContext } from 'react';
import { useMoney } from '../account/money';
import { SessionContext } from '../account/session';
import type { SignedIn, UnitOf } from '../api/types';
import { count, word } from '../words/words';

export type Units = SignedIn['units'];

export const USUAL_UNITS: Units = { temperature: 'C', volume: 'ML', pressure: 'KPA' };

/** Units that stand for the whole of a page instead of the person's own, for a test or a paper. */
export const UnitsContext = createContext<Units | undefined>(undefined);

const ML_PER_FL_OZ = 29.5735295625;
const KPA_PER_PSI = 6.894757293168;

interface Seen {
  unit: string;
  to: (si: number) => number;
  from: (seen: number) => number;
}

function times(factor: number, unit: string): Seen {
  return { unit, to: (si) => si * factor, from: (seen) => seen / factor };
}

/** How a value that is kept in °C, mL and kPa is seen. */
export function seenIn(unit: UnitOf, units: Units): Seen {
  const ounces = units.volume === 'FL_OZ';
  switch (unit) {
    case 'C':
      return units.temperature === 'F'
        ? { unit: '°F', to: (si) => (si * 9) / 5 + 32, from: (seen) => ((seen - 32) * 5) / 9 }
        : times(1, '°C');
    case 'ML':
      return ounces ? times(1 / ML_PER_FL_OZ, 'fl oz') : times(1, 'mL');
    case 'ML_PER_S':
      return ounces ? times(1 / ML_PER_FL_OZ, 'fl oz/s') : times(1, 'mL/s');
    case 'KPA':
      return units.pressure === 'PSI' ? times(1 / KPA_PER_PSI, 'psi') : times(1, 'kPa');
    case 'SHARE':
      return times(100, '%');
    case 'TIMES':
      return times(1, '');
    default:
      return times(1, word('unit', unit));
  }
}

/** Three digits that matter, and no zeros behind them. */
export function digits(value: number): string {
  if (value === 0) {
    return '0';
  }
  const magnitude = Math.abs(value);
  const places = magnitude >= 100 ? 0 : magnitude >= 10 ? 1 : magnitude >= 1 ? 2 : 3;
  const rounded = Number(value.toFixed(places));
  return rounded === 0 ? String(Number(value.toPrecision(2))) : String(rounded);
}

const HOUR = 60;
const DAY = 24 * HOUR;

/** Minutes as a clock would say them: 25 min, 3 h, 12.5 h. */
export function minutesWords(minutes: number): string {
  if (minutes < 1 && minutes > 0) {
    return `${Math.round(minutes * 60)} s`;
  }
  if (minutes < 2 * HOUR) {
    return `${Math.round(minutes)} min`;
  }
  return minutes < 2 * DAY
    ? `${Number((minutes / HOUR).toFixed(1))} h`
    : count('DAYS', Number((minutes / DAY).toFixed(1)));
}

/** Values in the units that the person at the screen wants to see. */
export function useUnits() {
  const here = useContext(UnitsContext);
  const session = useContext(SessionContext);
  const { amount } = useMoney();
  const units = here ?? session?.person.units ?? USUAL_UNITS;
  return {
    units,
    seen: (unit: UnitOf) => seenIn(unit, units),
    /** A value with its unit behind it. */
    say: (value: number, unit: UnitOf): string => {
      if (unit === 'MONEY' || unit === 'MONEY_PER_H') {
        return unit === 'MONEY' ? amount(value) : `${amount(value)} an hour`;
      }
      if (unit === 'MIN') {
        return minutesWords(value);
      }
      const seen = seenIn(unit, units);
      return `${digits(seen.to(value))}${seen.unit ? ` ${seen.unit}` : ''}`;
    },
  };
}
