import type { BenchPlace, DayHead, DayWork, KeptDay } from '../api/types';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** The part of time that is shown, and where a moment stands in it. */
export interface Axis {
  from: number;
  until: number;
}

/** A date as it stands in addresses, in local time. */
export function dateOf(ms: number): string {
  const date = new Date(ms);
  return `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;
}

function works(day: KeptDay): DayWork[] {
  return day.heads.flatMap((head) => head.work);
}

/** Dates on which anybody does anything, the first of them that of the start. */
export function datesOf(day: KeptDay): string[] {
  const all = new Set([dateOf(Date.parse(day.start))]);
  works(day).forEach((work) => all.add(dateOf(Date.parse(work.from))));
  return [...all].sort();
}

/** A date of these: this one, else the next one after it, else the last. */
export function nearest(dates: string[], date: string): string {
  return dates.find((one) => one >= date) ?? dates[dates.length - 1];
}

/** From the first to the last hour at which somebody is there or does something on a date; whole hours. */
export function axisOf(day: KeptDay, date: string): Axis {
  const midnight = Date.parse(`${date}T00:00`);
  const next = new Date(midnight);
  next.setDate(next.getDate() + 1);
  const spans = [
    ...day.people.flatMap((person) => person.hours),
    ...works(day).map(({ from, until }) => ({ from, until })),
  ]
    .map((span) => ({ from: Date.parse(span.from), until: Date.parse(span.until) }))
    .filter((span) => span.until > midnight && span.from < next.getTime());
  if (spans.length === 0) {
    return { from: midnight + 8 * HOUR, until: midnight + 18 * HOUR };
  }
  const from = Math.max(midnight, Math.min(...spans.map((span) => span.from)));
  const until = Math.min(next.getTime(), Math.max(...spans.map((span) => span.until)));
  const first = Math.floor((from - midnight) / HOUR) * HOUR + midnight;
  return {
    from: first,
    until: Math.max(Math.ceil((until - midnight) / HOUR) * HOUR + midnight, first + 2 * HOUR),
  };
}

/** Share of the axis at which a moment stands, 0 to 1; what lies outside stands at its ends. */
export function placeOn(axis: Axis, ms: number): number {
  return Math.min(1, Math.max(0, (ms - axis.from) / (axis.until - axis.from)));
}

export function isOn(axis: Axis, from: number, until: number): boolean {
  return until > axis.from && from < axis.until;
}

/** Full hours of the axis, its end left out. */
export function hoursOf(axis: Axis): number[] {
  const hours: number[] = [];
  for (let at = axis.from; at < axis.until; at += HOUR) {
    hours.push(at);
  }
  return hours;
}

/** Moved by minutes, on to the next five. */
export function shifted(from: number, minutes: number): number {
  const five = 5 * MINUTE;
  return Math.round((from + minutes * MINUTE) / five) * five;
}

/** Something that stands at a place for a while. */
export interface Stay {
  head: DayHead;
  from: number;
  until: number;
  /** From here on it only stands there. */
  waitsFrom: number;
}

/** What stands at a place when: work, and what soaks there until the next work. */
export function staysAt(day: KeptDay, place: BenchPlace): Stay[] {
  return day.heads
    .flatMap((head) => {
      const stays: Stay[] = [];
      if (head.runsIn.includes(place) && head.work.length > 0) {
        const start = Date.parse(day.start);
        stays.push({ head, from: start, waitsFrom: start, until: Date.parse(head.work[0].from) });
      }
      head.work.forEach((work, i) => {
        if (work.places.includes(place)) {
          const until = Date.parse(work.until);
          const next = head.work[i + 1];
          stays.push({
            head,
            from: Date.parse(work.from),
            waitsFrom: until,
            until: work.kept && next ? Date.parse(next.from) : until,
          });
        }
      });
      return stays;
    })
    .sort((a, b) => a.from - b.from);
}

/** Deals stays out to so many lanes, each to the first that is free; where there are more than lanes, to one more. */
export function lanesOf(stays: Stay[], have: number): Stay[][] {
  const lanes: Stay[][] = Array.from({ length: have }, () => []);
  stays.forEach((stay) => {
    const free = lanes.find((lane) => lane.length === 0 || lane[lane.length - 1].until <= stay.from);
    if (free) {
      free.push(stay);
    } else {
      lanes.push([stay]);
    }
  });
  return lanes;
}
