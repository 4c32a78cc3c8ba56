import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Batch } from '../formats/batch';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { benchSteps, currentStep } from './benchSteps';
import { canMakeMore, makeMore, targetTotalG, toppingUpG } from './makeMore';
import { splitCups, tookAlong, withColour } from './splitCups';

const card = saltmarshCard('house-clear-6');
const run = (over: Partial<Batch> = {}): Batch => ({
  format: 'warm-jar.batch/1',
  product: { slug: card.slug, revision: 1 },
  room: { temperatureC: 21 },
  resin: { temperatureAC: 21, temperatureBC: 21 },
  ...over,
});
const EMPTY = { aG: 0, bG: 0 };
/** A run with so much planned, as the last thing made more. */
const planned = (totalG: number, over: Partial<Batch> = {}): Batch =>
  run({ bench: { more: [{ massAG: totalG * (100 / 182), massBG: totalG * (82 / 182), totalG }] }, ...over });

describe('making a mix more while it is weighed', () => {
  it('doubles both parts in the card’s ratio, and tells the shorter pot life', () => {
    const told = makeMore(card, planned(182), 364, EMPTY, 500);
    expect([told.massAG, told.massBG]).toEqual([expect.closeTo(200, 6), expect.closeTo(164, 6)]);
    expect(told.potLifeMin!).toBeLessThan(told.potLifeBeforeMin!);
    expect(told.cup).toBe('fits');
  });
  it('asks whether the cup holds it: with room to stir, to the brim, or not at all', () => {
    const cup = (cupML: number | null) => makeMore(card, planned(182), 364, EMPTY, cupML).cup;
    const liquidML = 364 / card.mixedDensityGPerML!;
    expect([cup(liquidML * 3), cup(liquidML * 1.01), cup(liquidML * 0.99), cup(null)]).toEqual([
      'fits',
      'no-headroom',
      'too-small',
      'not-known',
    ]);
  });
  it('goes from what is in, takes nothing out, and keeps the ratio: every card, every amount', () => {
    const amount = fc.double({ min: 0, max: 400, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...SALTMARSH_CARDS),
        amount,
        amount,
        fc.double({ min: 1, max: 500, noNaN: true }),
        (product, aG, bG, moreG) => {
          const base = { ...planned(100), product: { slug: product.slug, revision: 1 } };
          const told = makeMore(product, base, 100 + moreG, { aG, bG }, null);
          expect(told.massAG).toBeGreaterThanOrEqual(aG - 1e-9);
          expect(told.totalG).toBeGreaterThanOrEqual(100 + moreG - 1e-9);
          expect(told.addAG).toBeCloseTo(told.massAG - Math.min(aG, told.massAG), 6);
          if (told.massBG === null || told.massBG === 0) return;
          expect(told.massBG).toBeGreaterThanOrEqual(bG - 1e-9);
          expect(told.massAG + told.massBG).toBeCloseTo(told.totalG, 6);
          const alone = makeMore(product, base, 100 + moreG, EMPTY, null);
          expect(told.massBG / told.massAG).toBeCloseTo(alone.massBG! / alone.massAG, 9);
        },
      ),
      { numRuns: 120 },
    );
  });
  it('is refused where it would be no more', () => {
    expect(() => makeMore(card, planned(182), 182, EMPTY, null)).toThrow(/how much more/);
    expect(() => makeMore(card, planned(182), Number.NaN, EMPTY, null)).toThrow(/how much more/);
  });
  it('is possible until stirring begins', () => {
    expect(canMakeMore(run({ mix: { amountA: 10, amountB: 8 } }))).toBe(true);
    expect(canMakeMore(run({ bench: { stirFromMin: 1 } }))).toBe(false);
    expect(canMakeMore(run({ mix: { stirMin: 2 } }))).toBe(false);
    expect(targetTotalG(run())).toBeNull();
    expect(targetTotalG(planned(300))).toBe(300);
  });
  it('asks for both parts again, A before B, and is no ratio error meanwhile', () => {
    const more = [{ massAG: 200, massBG: 164, totalG: 364, fromAG: 100, fromBG: 82 }];
    const start = run({ mix: { amountA: 100, amountB: 82 }, bench: { more } });
    expect(currentStep(card, start)).toBe('weigh-a');
    expect(toppingUpG(start, 'A')).toBe(100);
    const topped = { ...start, mix: { amountA: 200, amountB: 82 } };
    expect(currentStep(card, topped)).toBe('weigh-b');
    expect(benchSteps(card, topped).map((s) => s.step)).not.toContain('bring-back');
    const whole = { ...start, mix: { amountA: 200, amountB: 164 } };
    expect(currentStep(card, whole)).toBe('stir');
    expect(benchSteps(card, { ...start, mix: { amountA: 200, amountB: 120 } }).map((s) => s.step)).toContain(
      'bring-back',
    );
  });
});

describe('splitting a stirred mix', () => {
  const mixed = soundBatch('house-clear-6', {
    mix: { amountA: 150, amountB: 123, unit: 'g', stirMin: 2 },
    additives: [
      { name: 'amber dye', kind: 'dye', massG: 2.73 },
      { name: 'talc', kind: 'powder', massG: 5, applied: 'dusted' },
    ],
  });
  it('gives each cup its amount and its moment, and no more than was mixed', () => {
    expect(splitCups(card, mixed, [180, 90], 2.4)).toEqual([
      { id: 'c1', massG: 180, splitMin: 2.4 },
      { id: 'c2', massG: 90, splitMin: 2.4 },
    ]);
    expect(splitCups(card, mixed, [180], null)).toEqual([{ id: 'c1', massG: 180 }]);
    expect(() => splitCups(card, mixed, [180, 180], 2)).toThrow(/276 g were mixed/);
    expect(() => splitCups(card, mixed, [180, 0], 2)).toThrow(/in cup 2/);
  });
  it('takes what was in the mix along by its share, and nothing of what lay in the mould', () => {
    const [cup] = splitCups(card, mixed, [275.73 / 3], 2);
    expect(tookAlong(card, mixed, cup!)).toEqual([
      expect.objectContaining({ name: 'amber dye', massG: expect.closeTo(0.91, 2) as number }),
    ]);
    expect(tookAlong(card, mixed, { id: 'c1' })[0]!.massG).toBeNull();
  });
  it('counts a colour into what is there of it', () => {
    const cup = { id: 'c1', massG: 90 };
    const green = { name: 'green', kind: 'pigment-paste' as const, massG: 0.06, drops: 1 };
    const once = withColour(card, mixed, cup, green);
    const twice = withColour(card, mixed, { ...cup, additives: once }, green);
    expect(once.map((a) => a.name)).toEqual(['amber dye', 'green']);
    expect(twice.at(-1)).toMatchObject({ massG: 0.12, drops: 2 });
  });
});
