import { describe, expect, it } from 'vitest';
import type { Family } from '../api/types';
import { channels } from '../test/fixtures';
import {
  emptyIntake,
  fromIntake,
  fromLast,
  INTAKE_LABELS,
  intakeSchema,
  toIntake,
  usualPorts,
} from './intakeForm';

describe('a head that comes back', () => {
  it('brings who it is and what is at its ports, and nothing of what is told anew', () => {
    const before = toIntake({
      ...emptyIntake(),
      customerName: 'Dunlin Play Bills',
      serial: 'D-1',
      symptoms: ['SMEARS'],
      idleDays: '40',
      promisedOn: '2026-03-04',
      everNonFood: 'YES',
    });
    const again = { ...emptyIntake(), ...fromLast(before) };
    expect(again).toMatchObject({ customerName: 'Dunlin Play Bills', serial: 'D-1', everNonFood: 'YES' });
    expect(again).toMatchObject({ symptoms: [], idleDays: '', promisedOn: '' });
  });

  it('sends no symptom where none is asked, and places only of those that were chosen', () => {
    const typed = {
      ...emptyIntake(),
      symptoms: ['SMEARS'],
      symptomAt: [
        { symptom: 'SMEARS' as const, channels: ['K'] },
        { symptom: 'GAPS_SEVERAL' as const, channels: ['C'] },
      ],
    };
    expect(toIntake(typed).symptomAt).toEqual([{ symptom: 'SMEARS', channels: ['K'] }]);
    expect(toIntake({ ...typed, purpose: 'INK_CHANGE' }).symptoms).toEqual([]);
  });
});

describe('the take-in form', () => {
  it('leaves out what nobody knows and reads numbers as typed', () => {
    const intake = toIntake({
      ...emptyIntake(),
      idleDays: ' 34 ',
      printerPrice: '780,50',
      printer: '  ',
      climate: 'DAMP',
    });
    expect(intake.idleDays).toBe(34);
    expect(intake.printerPrice).toBe(780.5);
    expect(intake.printer).toBeUndefined();
    expect(intake.climate).toBe('DAMP');
    expect(intake.mainsPower).toBeUndefined();
    expect(intake.promisedOn).toBeUndefined();
  });

  it('comes back from what is stored as it was typed', () => {
    const form = {
      ...emptyIntake(),
      customerName: 'Mudlark',
      refills: '2',
      everNonFood: 'YES',
      promisedOn: '2026-03-04',
    };
    expect(fromIntake(toIntake(form))).toMatchObject({
      customerName: 'Mudlark',
      refills: '2',
      everNonFood: 'YES',
      idleDays: '',
    });
  });

  it('tells a number from words, and leaves the rules to the server', () => {
    const wrong = intakeSchema.safeParse({ ...emptyIntake(), idleDays: 'many' });
    expect(wrong.error?.issues.map((issue) => issue.path.join('.'))).toEqual(['idleDays']);
    expect(intakeSchema.safeParse({ ...emptyIntake(), idleDays: '-4' }).success).toBe(true);
  });

  it('fills the ports of a family in port order', () => {
    expect(
      usualPorts({ channels } as unknown as Family).map((port) => `${port.channel} ${port.inkInLine}`),
    ).toEqual(['K Black', 'C Cyan']);
  });

  it('has a label for everything that two people can change', () => {
    const keys = Object.keys(emptyIntake()).filter((key) => key !== 'customerId' && key !== 'headId');
    expect(keys.filter((key) => !(key in INTAKE_LABELS))).toEqual([]);
  });
});
