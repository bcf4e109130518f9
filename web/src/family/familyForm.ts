import type { FamilyFile } from '../api/types';
import { readNumber } from '../app/fields';
import { limitsForm, type LimitsForm } from '../practice/houseForm';

export interface PortForm {
  code: string;
  colour: string;
  ink: string;
  port: string;
  fitting: string;
}

/** A family as it is typed: numbers as text, lists one line each. */
export interface FamilyForm {
  code: string;
  name: string;
  construction: string;
  channels: PortForm[];
  stairs: string;
  steps: string;
  driveGroups: string;
  boreUm: string;
  plateUm: string;
  freeCarriage: string;
  parts: string;
  removal: string;
  hasAlignment: boolean;
  positions: string;
  least: string;
  most: string;
  centre: string;
  recentres: boolean;
  lightMl: string;
  normalMl: string;
  strongMl: string;
  hasLimits: boolean;
  limits: LimitsForm;
  why: string;
}

const text = (value: number | null | undefined) =>
  value === undefined || value === null ? '' : String(value);

/** What a head of no own limits is offered to start from. */
const FIRST_LIMITS: LimitsForm = {
  pushKpa: '40',
  suctionKpa: '30',
  heatC: '50',
  submerge: 'NO',
  bath: 'NO',
  rinse: 'false',
  steam: 'false',
  removable: 'LEAD_ONLY',
  household: 'false',
};

export const EMPTY_FAMILY: FamilyFile = {
  code: '',
  name: '',
  construction: 'DESK_PIEZO',
  channels: [{ code: 'K', colour: 'Black', ink: '#22252b', port: '', fitting: 'TUBE' }],
  stairs: 12,
  steps: 10,
  driveGroups: 2,
  boreUm: 22,
  plateUm: 30,
  freeCarriage: [],
};

export function familyForm(family: FamilyFile): FamilyForm {
  const { machine, limits } = family;
  const alignment = machine?.alignment as FamilyMachine['alignment'];
  return {
    code: family.code,
    name: family.name,
    construction: family.construction,
    channels: family.channels.map((c) => ({ ...c })),
    stairs: text(family.stairs),
    steps: text(family.steps),
    driveGroups: text(family.driveGroups),
    boreUm: text(family.boreUm),
    plateUm: text(family.plateUm),
    freeCarriage: family.freeCarriage.join('\n'),
    parts: (machine?.parts ?? []).join('\n'),
    removal: machine?.removal ?? '',
    hasAlignment: Boolean(alignment),
    positions: text(alignment?.positions ?? 4),
    least: text(alignment?.least ?? 1),
    most: text(alignment?.most ?? 9),
    centre: text(alignment?.centre ?? 5),
    recentres: alignment?.recentres ?? false,
    lightMl: text(machine?.cycleInk?.lightMl),
    normalMl: text(machine?.cycleInk?.normalMl),
    strongMl: text(machine?.cycleInk?.strongMl),
    hasLimits: Boolean(limits),
    limits: limits ? limitsForm(limits) : FIRST_LIMITS,
    why: '',
  };
}

type FamilyMachine = {
  alignment?: { positions: number; least: number; most: number; centre: number; recentres: boolean } | null;
};

const lines = (typed: string) =>
  typed
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** What is typed as the server takes it; a number that is none is sent as it cannot be, and refused at its entry. */
export function familyOf(form: FamilyForm): FamilyFile {
  const number = (typed: string) => readNumber(typed) ?? 0;
  const optional = (typed: string) => readNumber(typed) ?? null;
  const yes = (typed: string) => typed === 'true';
  return {
    code: form.code.trim(),
    name: form.name.trim(),
    construction: form.construction,
    channels: form.channels,
    stairs: number(form.stairs),
    steps: number(form.steps),
    driveGroups: number(form.driveGroups),
    boreUm: number(form.boreUm),
    plateUm: number(form.plateUm),
    freeCarriage: lines(form.freeCarriage),
    limits: form.hasLimits
      ? {
          pushKpa: optional(form.limits.pushKpa),
          suctionKpa: optional(form.limits.suctionKpa),
          heatC: number(form.limits.heatC),
          submerge: form.limits.submerge,
          bath: form.limits.bath,
          rinse: yes(form.limits.rinse),
          steam: yes(form.limits.steam),
          removable: form.limits.removable,
          household: yes(form.limits.household),
        }
      : undefined,
    machine: {
      parts: lines(form.parts),
      removal: form.removal.trim(),
      alignment: form.hasAlignment
        ? {
            positions: number(form.positions),
            least: number(form.least),
            most: number(form.most),
            centre: number(form.centre),
            recentres: form.recentres,
          }
        : null,
      cycleInk: {
        lightMl: optional(form.lightMl),
        normalMl: optional(form.normalMl),
        strongMl: optional(form.strongMl),
      },
    },
  } as unknown as FamilyFile;
}
