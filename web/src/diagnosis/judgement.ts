import type { Advice, Method, Observation, TreatmentKind, Visit } from '../api/types';
import { capital, word, wordWith } from '../words/words';

export function percent(share: number): string {
  const value = 100 * share;
  return value > 0 && value < 1 ? '< 1 %' : value > 99 && value < 100 ? '> 99 %' : `${Math.round(value)} %`;
}

/** Methods that are logged with doses and clocks of their own. */
const OWN_KIND: Partial<Record<Method, { kind: Exclude<TreatmentKind, 'HANDWORK'>; preset: string }>> = {
  CYCLE: { kind: 'CYCLE', preset: '' },
  CYCLE_STRONG: { kind: 'CYCLE', preset: 'strength=STRONG' },
  FLUSH: { kind: 'FLUSH', preset: '' },
  WARM: { kind: 'FLUSH', preset: '' },
  PORT_SOAK: { kind: 'SOAK', preset: 'place=PORT' },
  TRAY_SOAK: { kind: 'SOAK', preset: 'place=TRAY' },
  BATH: { kind: 'BATH', preset: '' },
};

/** How a method is logged. */
export function kindOf(method: Method): TreatmentKind {
  return OWN_KIND[method]?.kind ?? 'HANDWORK';
}

/** What was advised, as one term: a method, a look, or an act. */
export function advisedTerm(advice: Advice): string {
  return advice.method ?? advice.look ?? advice.act;
}

export function advisedWords(term: string): string {
  for (const table of ['method', 'look', 'act'] as const) {
    const said = word(table, term);
    if (said !== term) {
      return said;
    }
  }
  return term;
}

/** Work on the whole head or printer; its channels are all of them and need no naming. */
const WHOLE: string[] = ['STATION', 'UNDERSIDE', 'RESEAT', 'STRIP', 'ALIGN', 'REST', 'SYSTEM'];

/** What is to be done, in a line. */
export function adviceTitle(
  advice: Pick<Advice, 'rule' | 'act' | 'channels'> & { method?: string | null; look?: string | null },
): string {
  const where =
    advice.channels.length > 0 && !WHOLE.includes(advice.method ?? '')
      ? `: ${advice.channels.join(', ')}`
      : '';
  switch (advice.act) {
    case 'CHECK':
      return word('action', advice.rule === 'FIRST_CHECK' ? 'FIRST_CHECK' : 'CHECK_AGAIN');
    case 'LOOK':
      return `Look: ${word('look', advice.look ?? '')}${where}`;
    case 'WORK':
      return `${capital(word('method', advice.method ?? ''))}${where}`;
    default:
      return capital(word('act', advice.act));
  }
}

/** Why, in counts. */
export function adviceReason(advice: Advice): string {
  const facts = { ...advice.facts };
  if (facts.cause) {
    facts.cause = word('cause', facts.cause);
  }
  return wordWith('rule', advice.rule, facts).replace(/^1 attempts/, '1 attempt');
}

/** The shop's way of it, for the form that opens. */
function mannerQuery({ method, manner }: Advice): string[] {
  return [
    manner?.fluid ? `fluid=${manner.fluid}` : '',
    manner?.strokeMl ? `strokeMl=${manner.strokeMl}` : '',
    manner?.temperatureC ? `temperatureC=${manner.temperatureC}` : '',
    method === 'CYCLE' ? `strength=${manner?.strength ?? 'LIGHT'}` : '',
  ];
}

/** Where the advice is done. */
export function adviceWay(advice: Advice, visit: Visit): string {
  const channels = advice.channels.length > 0 ? `channels=${advice.channels.join(',')}` : '';
  const query = (...parts: string[]) => parts.filter((part) => part !== '').join('&');
  switch (advice.act) {
    case 'CHECK':
      return visit.standIn ? 'read' : 'check';
    case 'LOOK':
      return `ruleouts?${query(`look=${advice.look}`, advice.channels[0] ? `channel=${advice.channels[0]}` : '')}`;
    case 'WORK': {
      const own = OWN_KIND[advice.method!];
      const manner = mannerQuery(advice);
      return own
        ? `attempt/${own.kind.toLowerCase()}?${query(channels, own.preset, ...manner)}`
        : `attempt/handwork?${query(channels, `method=${advice.method}`, ...manner)}`;
    }
    default:
      return 'return';
  }
}

/** An observation in plain words with its counts. */
export function observationWords(o: Observation): string {
  return `${o.channel ? `${o.channel}: ` : ''}${wordWith('sign', o.sign, o.facts)}`;
}

/** Where an observation can be looked up; undefined for what was told. */
export function observationSource(o: Observation, visit: Visit): { to: string; label: string } | undefined {
  const check = visit.checks.find((c) => c.id === o.from);
  if (check) {
    return { to: `/visits/${visit.id}/check/${check.id}`, label: `Check ${check.number}` };
  }
  if (visit.attempts.some((a) => a.id === o.from)) {
    return { to: `/visits/${visit.id}#attempts`, label: 'Attempt' };
  }
  return o.from ? { to: `/visits/${visit.id}/ruleouts`, label: 'Finding' } : undefined;
}
