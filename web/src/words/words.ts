import { IntlMessageFormat } from 'intl-messageformat';
import table from '../../../server/src/main/resources/words.json';

type Table = typeof table;

/** The word for a term of the handbook, as the screens and the report say it. */
export function word<T extends keyof Table>(kind: T, term: string): string {
  return (table[kind] as Record<string, string>)[term] ?? term;
}

/** All terms of a kind in the order of the table. */
export function terms<T extends keyof Table>(kind: T): (keyof Table[T] & string)[] {
  return Object.keys(table[kind]) as (keyof Table[T] & string)[];
}

/** What is put into a sentence, by name; a name that is missing shows as a question mark. */
export type Facts = Record<string, string | number | null | undefined>;

const formats = new Map<string, IntlMessageFormat>();

/** A word with facts put in, counts in the right number: `{N, plural, one {# cycle} other {# cycles}}`. */
export function wordWith<T extends keyof Table>(kind: T, term: string, facts: Facts): string {
  const message = word(kind, term);
  let format = formats.get(message);
  if (!format) {
    format = new IntlMessageFormat(message, 'en-GB');
    formats.set(message, format);
  }
  const known = Object.fromEntries(namesIn(message).map((name) => [name, facts[name] ?? '?']));
  return String(format.format(known));
}

function namesIn(message: string): string[] {
  return [...message.matchAll(/\{([A-Z_]+)[,}]/g)].map((match) => match[1]);
}

/** A count with its noun: "1 attempt", "3 attempts". */
export function count(noun: keyof Table['count'], n: number): string {
  return wordWith('count', noun, { N: n });
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
