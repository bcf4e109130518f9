import type { HouseBook } from '../api/types';
import { capital, word } from '../words/words';

type Numbers = Record<string, number> | undefined;
type Limits = HouseBook['limits'][string];

/** What differs between two books, a line each. Without an earlier book everything that was set is new. */
export function changes(before: HouseBook | undefined, now: HouseBook): string[] {
  const lines: string[] = [];
  const say = (what: string, was: unknown, is: unknown) => {
    if ((was ?? null) !== (is ?? null)) {
      lines.push(`${what}: ${was ?? 'default'} → ${is ?? 'default'}`);
    }
  };
  const answers = { ...before?.answers, ...now.answers } as Record<string, string>;
  for (const question of Object.keys(answers)) {
    const said = (book: HouseBook | undefined) => {
      const school = (book?.answers as Record<string, string> | undefined)?.[question];
      return school && word('houseSchool', `${question}.${school}`);
    };
    say(capital(word('houseQuestion', question)), said(before), said(now));
  }
  say('Rate an hour', before?.ratePerHour, now.ratePerHour);
  say('Printer at risk, share', before?.riskShare, now.riskShare);
  say('Margin on fluids and parts', share(before?.marginShare ?? 0), share(now.marginShare ?? 0));
  say('Tax', share(before?.taxShare ?? 0), share(now.taxShare ?? 0));
  for (const part of keys(before?.partPrices, now.partPrices)) {
    say(
      `Price of a new ${word('part', part)}`,
      (before?.partPrices as Numbers)?.[part],
      (now.partPrices as Numbers)?.[part],
    );
  }
  for (const family of keys(before?.cycleInkMl, now.cycleInkMl)) {
    const [was, is] = [before?.cycleInkMl?.[family] as Numbers, now.cycleInkMl?.[family] as Numbers];
    for (const strength of keys(was, is)) {
      say(`${family}, ink of a ${word('strength', strength)} cycle, mL`, was?.[strength], is?.[strength]);
    }
  }
  for (const family of keys(before?.priors, now.priors)) {
    for (const cause of keys(before?.priors[family], now.priors[family])) {
      say(
        `${family}, ${word('cause', cause)} at take-in`,
        share(before?.priors[family]?.[cause]),
        share(now.priors[family]?.[cause]),
      );
    }
  }
  for (const family of keys(before?.limits, now.limits)) {
    for (const limit of [
      'pushKpa',
      'suctionKpa',
      'heatC',
      'submerge',
      'bath',
      'rinse',
      'steam',
      'removable',
      'household',
    ] as const) {
      say(
        `${family}, ${LIMIT_WORDS[limit]}`,
        limitOf(before?.limits[family], limit),
        limitOf(now.limits[family], limit),
      );
    }
  }
  return lines;
}

export const LIMIT_WORDS = {
  pushKpa: 'push limit, kPa',
  suctionKpa: 'suction limit, kPa',
  heatC: 'heat limit, °C',
  submerge: 'submerge',
  bath: 'bath',
  rinse: 'rinse',
  steam: 'steam',
  removable: 'taking the head out',
  household: 'household cleaners inside',
};

function limitOf(limits: Limits | undefined, limit: keyof Limits): unknown {
  const value = limits?.[limit];
  return limits && (value === undefined || value === null) ? 'not at all' : value;
}

function share(value: number | undefined): string | undefined {
  return value === undefined ? undefined : `${Number((100 * value).toFixed(1))} %`;
}

function keys(a: object | null | undefined, b: object | null | undefined): string[] {
  return [...new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})])];
}
