import type { Strip } from '../api/types';
import { daysLate } from './time';

/** What of the bench is shown. */
export interface BenchFilter {
  mine: boolean;
  waiting: boolean;
  late: boolean;
  /** Empty for all. */
  customer: string;
}

/** As it stands in the address, so that a reload and a link keep it. */
export function filterOf(query: URLSearchParams): BenchFilter {
  return {
    mine: query.has('mine'),
    waiting: query.has('waiting'),
    late: query.has('late'),
    customer: query.get('customer') ?? '',
  };
}

/** A head that nothing is to be done with before a time. */
export function isWaiting(strip: Strip): boolean {
  return strip.next.action.startsWith('WAIT');
}

/** One that is late, or will be by its plan. */
export function isLate(strip: Strip, now: number): boolean {
  return !strip.closedAt && (daysLate(strip.promisedOn, now) > 0 || strip.promise !== 'HOLDS');
}

export function isShown(strip: Strip, filter: BenchFilter, person: string, now: number): boolean {
  return (
    (!filter.mine || strip.inHand === person) &&
    (!filter.waiting || isWaiting(strip)) &&
    (!filter.late || isLate(strip, now)) &&
    (filter.customer === '' || strip.customer === filter.customer)
  );
}
