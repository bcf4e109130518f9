import * as z from 'zod';
import type { Family, Intake, Purpose } from '../api/types';
import { readNumber } from '../app/fields';
import { typedNumber } from '../app/typed';
import { newId } from '../api/newId';

/** What the take-in form holds: numbers as they are typed. */
export interface IntakeForm {
  customerId: string;
  customerName: string;
  contact: string;
  familyCode: string;
  headId: string;
  serial: string;
  printer: string;
  printerPrice: string;
  ports: Intake['ports'];
  inkAgeMonths: string;
  lastShaken: string;
  idleDays: string;
  climate: string | null;
  mainsPower: string | null;
  printingWhenFailed: string;
  symptoms: string[];
  errorShown: string;
  cyclesBefore: string;
  pouredIn: string;
  cartridges: string;
  refills: string;
  leftOut: string | null;
  setupCartridges: string | null;
  damperAgeMonths: string;
  dampersCleaned: string;
  printedEmpty: string | null;
  everNonFood: string | null;
  jobClass: string | null;
  promisedOn: string;
  priceLimit: string;
  accessories: string;
  screwsAndClips: string;
  purpose: Purpose;
  lastShakenOn: string;
  symptomAt: SymptomAt[];
}

/** A symptom more closely: the channels that show it, and where on the sheet. */
export type SymptomAt = NonNullable<Intake['symptomAt']>[number];

const NUMBERS = [
  'printerPrice',
  'inkAgeMonths',
  'idleDays',
  'cyclesBefore',
  'refills',
  'damperAgeMonths',
  'dampersCleaned',
  'priceLimit',
  'screwsAndClips',
] as const;

const TEXTS = [
  'printer',
  'lastShaken',
  'printingWhenFailed',
  'errorShown',
  'pouredIn',
  'cartridges',
  'accessories',
] as const;
const CHOICES = ['climate', 'mainsPower', 'leftOut', 'setupCartridges', 'printedEmpty'] as const;

/** Only what the server cannot tell: whether a number was typed. All other rules are the server's. */
export const intakeSchema = z.looseObject(
  Object.fromEntries(NUMBERS.map((name) => [name, typedNumber('Enter a number, such as 12 or 12.5.')])),
);

/** The entry of a field that the server names. */
export const withoutIntake = (field: string) => field.replace(/^intake\./, '');

export function emptyIntake(): IntakeForm {
  return {
    customerId: newId(),
    customerName: '',
    contact: '',
    familyCode: '',
    headId: newId(),
    serial: '',
    printer: '',
    printerPrice: '',
    ports: [],
    inkAgeMonths: '',
    lastShaken: '',
    idleDays: '',
    climate: null,
    mainsPower: null,
    printingWhenFailed: '',
    symptoms: [],
    errorShown: '',
    cyclesBefore: '',
    pouredIn: '',
    cartridges: '',
    refills: '',
    leftOut: null,
    setupCartridges: null,
    damperAgeMonths: '',
    dampersCleaned: '',
    printedEmpty: null,
    everNonFood: null,
    jobClass: 'GENERAL',
    promisedOn: '',
    priceLimit: '',
    accessories: '',
    screwsAndClips: '',
    purpose: 'REPAIR',
    lastShakenOn: '',
    symptomAt: [],
  };
}

/** The ports of a family as they usually are: what the label says, dye, the maker's own. */
export function usualPorts(family: Family): Intake['ports'] {
  return family.channels.map((channel) => ({
    channel: channel.code,
    inkInLine: channel.colour,
    chemistry: 'DYE',
    makersOwn: true,
  }));
}

export function toIntake(form: IntakeForm): Intake {
  const intake: Record<string, unknown> = { ...form };
  NUMBERS.forEach((name) => (intake[name] = readNumber(form[name])));
  TEXTS.forEach((name) => (intake[name] = form[name].trim() || undefined));
  CHOICES.forEach((name) => (intake[name] = form[name] ?? undefined));
  intake.symptoms = form.purpose === 'REPAIR' ? form.symptoms : [];
  intake.symptomAt = form.symptomAt.filter(
    (at) => form.symptoms.includes(at.symptom) && (at.channels.length > 0 || at.place),
  );
  intake.lastShakenOn = form.lastShakenOn || undefined;
  intake.promisedOn = form.promisedOn || undefined;
  intake.everNonFood = form.everNonFood ?? undefined;
  intake.jobClass = form.jobClass ?? undefined;
  return intake as unknown as Intake;
}

export function fromIntake(intake: Intake): IntakeForm {
  const form: Record<string, unknown> = { ...emptyIntake(), ...intake };
  TEXTS.forEach((name) => (form[name] = intake[name] ?? ''));
  form.lastShakenOn = intake.lastShakenOn ?? '';
  form.symptoms = intake.symptoms ?? [];
  form.symptomAt = intake.symptomAt ?? [];
  NUMBERS.forEach(
    (name) => (form[name] = intake[name] === undefined || intake[name] === null ? '' : String(intake[name])),
  );
  return form as unknown as IntakeForm;
}

/** What a head that comes back brings along: who, which printer, what is at its ports. What is told anew stays empty. */
export function fromLast(last: Intake): Partial<IntakeForm> {
  const before = fromIntake(last);
  return {
    customerId: before.customerId,
    customerName: before.customerName,
    contact: before.contact,
    familyCode: before.familyCode,
    serial: before.serial,
    printer: before.printer,
    printerPrice: before.printerPrice,
    ports: before.ports,
    everNonFood: before.everNonFood,
    jobClass: before.jobClass,
  };
}

export const INTAKE_LABELS: Partial<Record<keyof IntakeForm, string>> = {
  customerName: 'Customer',
  contact: 'Contact',
  familyCode: 'Family',
  serial: 'Serial',
  printer: 'Printer',
  printerPrice: 'A whole new printer costs',
  ports: 'Ink at the ports',
  inkAgeMonths: 'Age of the ink',
  lastShaken: 'Last shaken, in words',
  idleDays: 'Idle',
  climate: 'Climate',
  mainsPower: 'On mains power meanwhile',
  printingWhenFailed: 'Printing when it failed',
  symptoms: 'Symptoms',
  errorShown: 'Error shown',
  cyclesBefore: 'Printer cycles already',
  pouredIn: 'Already poured in, and when',
  cartridges: 'Cartridge levels, by chip and by eye',
  refills: 'Refills',
  leftOut: 'Cartridges left out of the machine',
  setupCartridges: 'Setup cartridges still in',
  damperAgeMonths: 'Age of the dampers',
  dampersCleaned: 'Dampers cleaned',
  printedEmpty: 'Printed with an empty channel',
  everNonFood: 'Ever carried ink that is not for food',
  jobClass: 'Must be good for',
  promisedOn: 'Promised for',
  priceLimit: 'Price limit',
  accessories: 'Came with it',
  screwsAndClips: 'Screws and clips',
  purpose: 'Came in for',
  lastShakenOn: 'Last shaken on',
  symptomAt: 'Where the symptoms show',
};
