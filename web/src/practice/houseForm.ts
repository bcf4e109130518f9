import * as z from 'zod';
import type { Cause, House, HouseBook } from '../api/types';
import { readNumber } from '../app/fields';
import { typedNumber } from '../app/typed';
import { terms } from '../words/words';

type Limits = HouseBook['limits'][string];
type NumberLimit = 'pushKpa' | 'suctionKpa' | 'heatC';

/** The limits of a family as they are typed and chosen. */
export interface LimitsForm {
  pushKpa: string;
  suctionKpa: string;
  heatC: string;
  submerge: string;
  bath: string;
  rinse: string;
  steam: string;
  removable: string;
  household: string;
}

/** The house rules as they are typed: every family with its limits and per cents, also where it has none of its own. */
export interface HouseForm {
  answers: Record<string, string>;
  ratePerHour: string;
  riskShare: string;
  marginShare: string;
  taxShare: string;
  limits: Record<string, LimitsForm>;
  /** Families that have limits of their own. */
  ownLimits: Record<string, boolean>;
  priors: Record<string, Record<string, string>>;
  /** What a new part costs, by part; empty where the shop has not said. */
  partPrices: Record<string, string>;
  /** Ink that one cycle burns, mL, by family and strength. */
  cycleInkMl: Record<string, Record<string, string>>;
  why: string;
}

const number = typedNumber('Enter a number, such as 40 or 2.5.');

export const houseSchema = z.looseObject({
  ratePerHour: number,
  riskShare: number,
  marginShare: number,
  taxShare: number,
  limits: z.record(z.string(), z.looseObject({ pushKpa: number, suctionKpa: number, heatC: number })),
  priors: z.record(z.string(), z.record(z.string(), number)),
  partPrices: z.record(z.string(), number),
  cycleInkMl: z.record(z.string(), z.record(z.string(), number)),
});

export function limitsForm(limits: Limits): LimitsForm {
  return {
    pushKpa: String(limits.pushKpa ?? ''),
    suctionKpa: String(limits.suctionKpa ?? ''),
    heatC: String(limits.heatC),
    submerge: limits.submerge,
    bath: limits.bath,
    rinse: String(limits.rinse),
    steam: String(limits.steam),
    removable: limits.removable,
    household: String(limits.household),
  };
}

export function percentOf(share: number): string {
  return String(Number((100 * share).toFixed(1)));
}

export function houseForm(house: House): HouseForm {
  const { book } = house;
  return {
    answers: Object.fromEntries(
      house.questions.map(({ question, schools }) => [question, book.answers[question] ?? schools[0]]),
    ),
    ratePerHour: String(book.ratePerHour),
    riskShare: String(book.riskShare),
    marginShare: percentOf(book.marginShare ?? 0),
    taxShare: percentOf(book.taxShare ?? 0),
    limits: Object.fromEntries(
      house.families.map(({ code, usualLimits }) => [code, limitsForm(book.limits[code] ?? usualLimits)]),
    ),
    ownLimits: Object.fromEntries(house.families.map(({ code }) => [code, book.limits[code] !== undefined])),
    priors: Object.fromEntries(
      house.families.map(({ code }) => [
        code,
        Object.fromEntries(
          terms('cause').map((cause) => [
            cause,
            percentOf(book.priors[code]?.[cause] ?? house.startingPriors[cause] ?? 0),
          ]),
        ),
      ]),
    ),
    partPrices: Object.fromEntries(
      terms('part').map((part) => [part, String(book.partPrices?.[part] ?? '')]),
    ),
    cycleInkMl: Object.fromEntries(
      house.families.map(({ code }) => [
        code,
        Object.fromEntries(
          terms('strength').map((strength) => [strength, String(book.cycleInkMl?.[code]?.[strength] ?? '')]),
        ),
      ]),
    ),
    why: '',
  };
}

/** A number that was typed; what is none changes nothing, its entry says so. */
function typed(text: string, otherwise: number): number {
  const value = readNumber(text);
  return value === undefined || Number.isNaN(value) ? otherwise : value;
}

/** Per cent as they are typed, as a share; what is untouched stays to the last place. */
export function shareOf(text: string, before: number): number {
  return text === percentOf(before) ? before : typed(text, text.trim() === '' ? 0 : 100 * before) / 100;
}

function limitsOf(form: LimitsForm, before: Limits): Limits {
  const read = (name: NumberLimit) => {
    const value = readNumber(form[name]);
    return Number.isNaN(value) ? (before[name] ?? undefined) : value;
  };
  return {
    pushKpa: read('pushKpa') ?? (null as never),
    suctionKpa: read('suctionKpa') ?? (null as never),
    heatC: read('heatC') ?? 0,
    submerge: form.submerge as Limits['submerge'],
    bath: form.bath as Limits['bath'],
    rinse: form.rinse === 'true',
    steam: form.steam === 'true',
    removable: form.removable as Limits['removable'],
    household: form.household === 'true',
  };
}

/** The book that these entries make: only what differs from a new shop's beginning is kept in it. */
export function bookOf(form: HouseForm, house: House): HouseBook {
  const { book } = house;
  const answers: HouseBook['answers'] = { ...book.answers };
  house.questions.forEach(({ question, schools }) => {
    if (form.answers[question] !== (book.answers[question] ?? schools[0])) {
      answers[question] = form.answers[question];
    }
  });
  const limits: HouseBook['limits'] = {};
  const priors: HouseBook['priors'] = {};
  house.families.forEach(({ code, usualLimits }) => {
    const before = book.limits[code] ?? usualLimits;
    const now = form.limits[code];
    const isAs = (other: Limits) => JSON.stringify(now) === JSON.stringify(limitsForm(other));
    const isBackToUsual = !form.ownLimits[code] && isAs(usualLimits);
    if (!isBackToUsual && !isAs(before)) {
      limits[code] = limitsOf(now, before);
    } else if (!isBackToUsual && book.limits[code]) {
      limits[code] = before;
    }
    const own = ownPriors(form.priors[code], book.priors[code] ?? {}, house);
    if (Object.keys(own).length > 0 || book.priors[code] !== undefined) {
      priors[code] = own;
    }
  });
  return {
    answers,
    limits,
    priors,
    ratePerHour: typed(form.ratePerHour, form.ratePerHour.trim() === '' ? 0 : book.ratePerHour),
    riskShare: typed(form.riskShare, form.riskShare.trim() === '' ? 0 : book.riskShare),
    marginShare: shareOf(form.marginShare, book.marginShare ?? 0),
    taxShare: shareOf(form.taxShare, book.taxShare ?? 0),
    partPrices: said(form.partPrices, book.partPrices ?? {}),
    cycleInkMl: Object.fromEntries(
      Object.entries(form.cycleInkMl)
        .map(([code, ink]) => [code, said(ink, book.cycleInkMl?.[code] ?? {})] as const)
        .filter(([, ink]) => Object.keys(ink).length > 0),
    ),
  };
}

/** The numbers that were typed, by name; what is empty was not said, what is none stays as it was. */
function said(form: Record<string, string>, before: Record<string, number>): Record<string, number> {
  return Object.fromEntries(
    Object.entries(form).flatMap(([name, text]) => {
      const value = readNumber(text);
      const stands = Number.isNaN(value) ? before[name] : value;
      return stands === undefined ? [] : [[name, stands] as const];
    }),
  );
}

function ownPriors(
  form: Record<string, string>,
  before: Partial<Record<Cause, number>>,
  house: House,
): Record<string, number> {
  const own: Record<string, number> = {};
  terms('cause').forEach((cause) => {
    const start = house.startingPriors[cause] ?? 0;
    const stands = before[cause] ?? start;
    const value = readNumber(form[cause]);
    const isUntouched = form[cause] === percentOf(stands) || Number.isNaN(value);
    const share = isUntouched ? stands : value === undefined ? start : value / 100;
    if (Math.abs(share - start) >= 1e-9) {
      own[cause] = share;
    }
  });
  return own;
}
