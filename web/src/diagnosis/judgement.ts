import type { Money } from '../account/money';
import type { Advice, Method, Observation, Visit } from '../api/types';
import { capital, word, wordWith } from '../words/words';

export function percent(share: number): string {
  const value = 100 * share;
  return value > 0 && value < 1 ? '< 1 %' : value > 99 && value < 100 ? '> 99 %' : `${Math.round(value)} %`;
}

/** What the form of a method opens with, where the kind of its log leaves it open. */
const PRESET: Partial<Record<Method, string>> = {
  CYCLE_STRONG: 'strength=STRONG',
  PORT_SOAK: 'place=PORT',
  TRAY_SOAK: 'place=TRAY',
};

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
const WHOLE: string[] = ['STATION', 'PARTS', 'UNDERSIDE', 'RESEAT', 'STRIP', 'ALIGN', 'REST', 'SYSTEM'];

/** What is to be done, in a line. */
export function adviceTitle(
  advice: Pick<Advice, 'rule' | 'act' | 'channels'> & {
    method?: string | null;
    look?: string | null;
    style?: Advice['style'];
  },
): string {
  const where =
    advice.channels.length > 0 && !WHOLE.includes(advice.method ?? '')
      ? `: ${advice.channels.join(', ')}`
      : '';
  switch (advice.act) {
    case 'CHECK':
      return word('action', advice.rule === 'FIRST_CHECK' ? 'FIRST_CHECK' : 'CHECK_AGAIN');
    case 'LOOK':
      return `Check this: ${word('look', advice.look ?? '')}${where}`;
    case 'WORK':
      return `${capital(advice.style?.act === 'REPLACED' ? `a new ${word('part', advice.method ?? '')}` : word('method', advice.method ?? ''))}${where}`;
    default:
      return capital(word('act', advice.act));
  }
}

/** Why, in counts. */
export function adviceReason(advice: Advice, { amount }: Money): string {
  return wordWith('rule', advice.rule, {
    ...advice.facts,
    CAUSE: advice.cause && word('cause', advice.cause),
    ...(advice.money && {
      CHANCE: advice.money.percent,
      COST: amount(advice.money.cost),
      GAIN: amount(advice.money.gain),
    }),
  });
}

/** The shop's way of it, for the form that opens. */
function styleQuery({ method, style }: Advice): string[] {
  return [
    style?.fluid ? `fluid=${style.fluid}` : '',
    style?.site ? `site=${style.site}` : '',
    style?.strokeMl ? `strokeMl=${style.strokeMl}` : '',
    style?.plannedMinutes ? `minutes=${style.plannedMinutes}` : '',
    style?.act === 'REPLACED' ? `act=${style.act}` : '',
    style?.temperatureC ? `temperatureC=${style.temperatureC}` : '',
    method === 'CYCLE' ? `strength=${style?.strength ?? 'LIGHT'}` : '',
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
      const method = advice.method!;
      if (method === 'RINSE') {
        return 'rinse';
      }
      if (method === 'ALIGN') {
        return 'align';
      }
      // A new damper is fitted, not pulled through.
      const isFitted = advice.style?.act === 'REPLACED';
      const kind = isFitted ? 'handwork' : visit.usual.kinds[method].toLowerCase();
      const isNamed = kind === 'handwork' || (kind === 'flush' && method !== 'FLUSH' && method !== 'WARM');
      const own = isNamed ? `method=${method}` : (PRESET[method] ?? '');
      return `attempt/${kind}?${query(channels, own, ...styleQuery(advice))}`;
    }
    case 'STEP':
      return 'steps';
    case 'ASK_CUSTOMER':
      return 'facts';
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
