import { count } from '../words/words';

/** How long until a moment, or since it, the way a bench says it. */
export function away(ms: number): string {
  const seconds = Math.abs(Math.round(ms / 1000));
  if (seconds < 90) {
    return `${seconds} s`;
  }
  const minutes = Math.round(seconds / 60);
  if (minutes < 90) {
    return `${minutes} min`;
  }
  const hours = Math.floor(minutes / 60);
  return hours < 48
    ? `${hours} h ${String(minutes % 60).padStart(2, '0')} min`
    : count('DAYS', Math.round(hours / 24));
}

/** A running clock: h:mm:ss, or m:ss under an hour; behind zero with a plus, since hands are late. */
export function countdown(ms: number): string {
  const late = ms < 0;
  const seconds = Math.floor(Math.abs(ms) / 1000);
  const parts = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const shown = parts[0] > 0 ? parts : parts.slice(1);
  return (
    (late ? '+' : '') +
    shown.map((part, i) => (i === 0 ? String(part) : String(part).padStart(2, '0'))).join(':')
  );
}

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
const MOMENT = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
const HOUR = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

const WEEKDAY_AND_HOUR = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** A moment as it is said to a customer: "Thursday, 3 Dec, 15:00". */
export function weekdayAndHour(instant: string): string {
  return WEEKDAY_AND_HOUR.format(new Date(instant));
}

export function day(date: string): string {
  return DAY.format(new Date(date.length === 10 ? `${date}T12:00:00` : date));
}

export function moment(instant: string): string {
  return MOMENT.format(new Date(instant));
}

export function hour(instant: string): string {
  return HOUR.format(new Date(instant));
}

/** Whole days by which a promised day has passed: 0 on the day itself, below 0 before it. */
export function daysLate(promisedOn: string, now: number): number {
  const today = new Date(now);
  const promised = new Date(`${promisedOn}T00:00`);
  const midnight = new Date(today.getFullYear(), today.getMonth(), today.getDate());
  return Math.round((midnight.getTime() - promised.getTime()) / 86_400_000);
}

/** Today and later days as an input of type date wants them, in local time. */
export function dateInDays(days: number): string {
  const date = new Date();
  date.setDate(date.getDate() + days);
  return `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;
}

/**
 * Place of a moment on the ribbon, 0 to 1. Now stands at `nowAt`; what lies ahead is drawn by the square root of its
 * distance, so that the next minutes have room and a day still fits.
 */
export function onRibbon(aheadMs: number, spanMs: number, nowAt: number): number {
  const root = Math.sqrt(Math.min(Math.abs(aheadMs), spanMs) / spanMs);
  return aheadMs >= 0 ? nowAt + root * (1 - nowAt) : Math.max(0, nowAt - root * nowAt);
}
