import { describe, expect, it } from 'vitest';
import type { House } from '../api/types';
import { bookOf, houseForm, limitsForm } from './houseForm';

const limits = {
  pushKpa: 40,
  suctionKpa: null,
  submerge: 'NO',
  bath: 'NO',
  rinse: false,
  steam: false,
  heatC: 50,
};

function house(book: object = {}): House {
  return {
    number: 0,
    book: {
      answers: {},
      priors: {},
      limits: {},
      ratePerHour: 36,
      riskShare: 0.2,
      marginShare: 0.2,
      taxShare: 0.19,
      partPrices: {},
      cycleInkMl: {},
      ...book,
    },
    questions: [{ question: 'DOSE', schools: ['SMALL_WITH_SOAK', 'LONG_PULSING'] }],
    startingPriors: { DRIED_INK: 0.35, AIR: 0.12 },
    families: [{ code: 'W8', name: 'Hulver W8', usualLimits: limits }],
    changes: [],
  } as unknown as House;
}

describe('the book that the entries make', () => {
  it('is the one that stands as long as nothing was typed', () => {
    const own = house({ limits: { W8: { ...limits, heatC: 45 } }, priors: { W8: { AIR: 0.2 } } });
    expect(bookOf(houseForm(own), own)).toEqual(own.book);
    expect(bookOf(houseForm(house()), house())).toEqual(house().book);
  });

  it('holds only what differs from the beginning', () => {
    const form = houseForm(house());
    form.answers.DOSE = 'LONG_PULSING';
    form.limits.W8.pushKpa = '30,5';
    form.priors.W8.AIR = '20';
    expect(bookOf(form, house())).toMatchObject({
      answers: { DOSE: 'LONG_PULSING' },
      limits: { W8: { ...limits, pushKpa: 30.5 } },
      priors: { W8: { AIR: 0.2 } },
    });
  });

  it('takes an empty pressure as forbidden, and nothing from what is no number', () => {
    const form = houseForm(house());
    form.limits.W8.pushKpa = '';
    form.limits.W8.heatC = 'hot';
    form.ratePerHour = 'much';
    const book = bookOf(form, house());
    expect(book.limits.W8).toMatchObject({ pushKpa: null, heatC: 50 });
    expect(book.ratePerHour).toBe(36);
  });

  it('takes margin and tax as per cent and keeps them as shares', () => {
    const form = houseForm(house());
    expect([form.marginShare, form.taxShare]).toEqual(['20', '19']);
    const book = bookOf({ ...form, marginShare: '12,5', taxShare: '' }, house());
    expect([book.marginShare, book.taxShare]).toEqual([0.125, 0]);
  });

  it('keeps what parts cost and what a cycle burns, and forgets what is emptied', () => {
    const own = house({ partPrices: { DAMPER: 14, WIPER: 3 }, cycleInkMl: { W8: { STRONG: 20 } } });
    expect(bookOf(houseForm(own), own)).toEqual(own.book);
    const form = houseForm(own);
    form.partPrices.WIPER = '';
    form.partPrices.SEAL = '0,5';
    form.partPrices.DAMPER = 'dear';
    form.cycleInkMl.W8.LIGHT = '4';
    expect(bookOf(form, own)).toMatchObject({
      partPrices: { DAMPER: 14, SEAL: 0.5 },
      cycleInkMl: { W8: { LIGHT: 4, STRONG: 20 } },
    });
    expect(bookOf(form, own).partPrices).not.toHaveProperty('WIPER');
  });

  it('goes back to the limits of the construction', () => {
    const own = house({ limits: { W8: { ...limits, heatC: 45 } } });
    const form = houseForm(own);
    form.limits.W8 = limitsForm(own.families[0].usualLimits);
    form.ownLimits.W8 = false;
    expect(bookOf(form, own).limits).toEqual({});
  });
});
