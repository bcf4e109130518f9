import type { Advice, PlannedAttempt, PlanWork, Visit } from '../api/types';
import { adviceWay } from '../diagnosis/judgement';

/** Where an attempt of a plan is done, with what somebody changed of its doses. */
export function attemptWay(attempt: PlannedAttempt, work: PlanWork | undefined, visit: Visit): string {
  const style = attempt.style && {
    ...attempt.style,
    strokeMl: work?.ml ?? attempt.style.strokeMl,
    plannedMinutes: work?.minutes ?? attempt.style.plannedMinutes,
    temperatureC: work?.temperatureC ?? attempt.style.temperatureC,
  };
  const advice = {
    rule: 'FIRST_REMEDY',
    act: 'WORK',
    method: attempt.method,
    channels: attempt.channels,
    style,
  } as unknown as Advice;
  return adviceWay(advice, visit);
}

/** An entry moved by one place; the same list when there is no place to go. */
export function moved<T>(list: T[], from: number, by: number): T[] {
  const to = from + by;
  if (to < 0 || to >= list.length) {
    return list;
  }
  const next = [...list];
  next.splice(to, 0, ...next.splice(from, 1));
  return next;
}
