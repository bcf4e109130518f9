import type { DayPersonEntry, DayPlaces, DaySetup } from '../api/types';
import { terms } from '../words/words';

type Weekday = DaySetup['people'][number]['hours']['days'][number];

export const WEEKDAYS = terms('weekday') as Weekday[];

/** Hours, people and places as they are typed. */
export interface SetupForm {
  places: Record<keyof DayPlaces, string>;
  people: {
    id: string;
    name: string;
    works: boolean;
    opens: string;
    closes: string;
    days: Weekday[];
    own: boolean;
    away: string[];
  }[];
}

export function formOf(setup: DaySetup): SetupForm {
  const { places } = setup;
  return {
    places: {
      baths: String(places.baths),
      trays: String(places.trays),
      printers: String(places.printers),
      testSlots: String(places.testSlots),
    },
    people: setup.people.map(({ id, name, works, hours, own, off }) => ({
      id,
      name,
      works,
      own,
      opens: hours.opens.slice(0, 5),
      closes: hours.closes.slice(0, 5),
      days: hours.days,
      away: off,
    })),
  };
}

export function placesOf(form: SetupForm): DayPlaces {
  const { baths, trays, printers, testSlots } = form.places;
  return {
    baths: Number(baths),
    trays: Number(trays),
    printers: Number(printers),
    testSlots: Number(testSlots),
  };
}

type Person = SetupForm['people'][number];

/** Hours that are those of the shop are not sent as a person's own. */
export function personOf(person: Person): DayPersonEntry {
  return {
    works: person.works,
    own: person.own ? { opens: person.opens, closes: person.closes, days: person.days } : undefined,
    off: person.away,
  };
}

export function peopleOf(form: SetupForm): Record<string, DayPersonEntry> {
  return Object.fromEntries(form.people.map((person) => [person.id, personOf(person)]));
}

/** A day away more or less. */
export function toggled(days: string[], date: string): string[] {
  return days.includes(date) ? days.filter((day) => day !== date) : [...days, date].sort();
}
