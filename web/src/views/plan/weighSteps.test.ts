import { saltmarshCard, wordsIn, quickPlan, type Plan, type Product } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { bandOfB, weighLines } from './weighSteps';

const planOf = (product: Product, additives: { name: string; kind: 'dye'; pct: number }[] = []): Plan =>
  quickPlan({ product, want: { mixedMassG: 200, additives } }).plan;
const lines = (slug: string, additives?: Parameters<typeof planOf>[1]) =>
  weighLines(planOf(saltmarshCard(slug), additives), wordsIn());

describe('what is weighed', () => {
  it('stands in the order of the plan, under the names of the work', () => {
    expect(lines('house-clear-6').map((l) => l.name)).toEqual(['A', 'B']);
    expect(lines('house-tide').map((l) => l.name)).toEqual(['A', 'Catalyst']);
    expect(lines('house-chalk').map((l) => l.name)).toEqual(['Liquid', 'Powder']);
    expect(lines('house-noon').map((l) => l.name)).toEqual(['A']);
  });
  it('says a catalyst by per cent, by volume and by drops, as far as drops can be counted', () => {
    const [, catalyst] = lines('house-tide');
    expect(catalyst!.more).toMatch(/%/);
    expect(catalyst!.part).toBe('b');
    const large = planOf(saltmarshCard('house-tide'));
    const many = weighLines({ ...large, partB: { ...large.partB, drops: 121 } }, wordsIn())[1]!;
    expect(many.more).not.toContain('drops');
    const few = weighLines({ ...large, partB: { ...large.partB, drops: 40 } }, wordsIn())[1]!;
    expect(few.more).toContain('40 drops');
  });
  it('says a catalyst per 100 mL of resin beside its share', () => {
    const card = saltmarshCard('house-tide');
    const plan = planOf(card);
    const per100 = (100 * plan.partB.volumeML!) / plan.partA.volumeML!;
    expect(lines('house-tide')[1]!.more).toContain(`${per100.toFixed(2)} mL per 100 mL`);
    expect(lines('house-clear-6')[1]!.more).not.toContain('per 100');
  });
  it('tells the tolerance in grams: of the ratio, or of the band of catalyst; nothing where none is stated', () => {
    const clear = saltmarshCard('house-clear-6');
    const plan = planOf(clear);
    const { low, high } = bandOfB(clear, plan)!;
    expect([low, high]).toEqual([plan.partB.massG! * 0.96, plan.partB.massG! * 1.04]);
    const tide = saltmarshCard('house-tide');
    const dosed = bandOfB(tide, planOf(tide))!;
    expect(dosed.low / planOf(tide).partA.massG).toBeCloseTo(tide.ratio.catalyst!.minPct! / 100, 9);
    expect(bandOfB({ ...clear, ratio: { ...clear.ratio, tolerancePct: null } }, plan)).toBeNull();
    expect(bandOfB(clear, planOf(saltmarshCard('house-noon')))).toBeNull();
  });
  it('says a powder by weight alone', () => {
    expect(lines('house-chalk')[1]!.more).toBe('');
  });
  it('puts the additives after the parts, and says where their mass is not known', () => {
    const [, , dye] = lines('house-clear-6', [{ name: 'harbour blue', kind: 'dye', pct: 0.5 }]);
    expect(dye).toMatchObject({ name: 'harbour blue', part: 'additive', amount: '1 g' });
    const plan = planOf(saltmarshCard('house-clear-6'));
    expect(weighLines({ ...plan, order: ['amber'] }, wordsIn())[0]).toMatchObject({ amount: 'not known', more: '' });
  });
});
