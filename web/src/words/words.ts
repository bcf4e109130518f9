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

/** A word with facts put in: `{limitC}` becomes the fact of that name. */
export function wordWith<T extends keyof Table>(
  kind: T,
  term: string,
  facts: Record<string, string>,
): string {
  return word(kind, term).replace(/\{(\w+)\}/g, (_, name: string) => facts[name] ?? '?');
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
