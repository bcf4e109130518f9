/** An answer that says when it was given. */
interface Answer {
  serverTime: string;
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d[\d:.]*Z$/;
/** The server is asked a little after the moment, so that it has passed there too. */
const AFTER_MS = 400;

const found = new WeakMap<object, number[]>();

function collect(value: unknown, into: Set<number>) {
  if (typeof value === 'string') {
    if (INSTANT.test(value)) into.add(Date.parse(value));
  } else if (value !== null && typeof value === 'object') {
    Object.values(value).forEach((part) => collect(part, into));
  }
}

/** All instants that an answer names, the earliest first. */
function momentsIn(answer: object): number[] {
  let moments = found.get(answer);
  if (!moments) {
    const all = new Set<number>();
    collect(answer, all);
    moments = [...all].sort((a, b) => a - b);
    found.set(answer, moments);
  }
  return moments;
}

/**
 * How long until the next moment that an answer names itself (a clock that runs out, the hour from which something may miss its promise):
 * until then it changes only when somebody changes it.
 *
 * @param cameAt when the answer came, by this screen's clock, which may be wrong
 * @param now by the same clock
 * @returns milliseconds; undefined when nothing is to come
 */
export function untilNextMoment(answer: unknown, cameAt: number, now = Date.now()): number | undefined {
  if (answer === null || typeof answer !== 'object') {
    return undefined;
  }
  const { serverTime } = answer as Partial<Answer>;
  const answeredAt = serverTime === undefined ? cameAt : Date.parse(serverTime);
  const serverNow = answeredAt + (now - cameAt);
  const next = momentsIn(answer).find((moment) => moment > answeredAt && moment + AFTER_MS > serverNow);
  return next === undefined ? undefined : next + AFTER_MS - serverNow;
}

/** What time alone changes without naming its moment (a promise that grows tight) is this old at most. */
const OLDEST_MS = 300_000;

/** How long an answer stands while its page is told of changes. */
export function standsForMs({ data, dataUpdatedAt }: { data?: unknown; dataUpdatedAt: number }): number {
  return Math.min(OLDEST_MS, untilNextMoment(data, dataUpdatedAt) ?? OLDEST_MS);
}
