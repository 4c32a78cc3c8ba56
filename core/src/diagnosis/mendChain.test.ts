import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { diagnose } from './diagnose';
import { failedMends, mendMassG, mendsOf } from './mendChain';
import { MEND_COAT_MM, mendCoat } from './mendCoat';

const tacky = (afterH: number) => ({ afterH, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over' }], grade: 'mend' });
const mend = (atH: number, doneH: number | null, more: Record<string, unknown> = {}) => ({
  atH,
  doneH,
  kind: 'tacky',
  pattern: 'tacky-all-over',
  steps: [{ says: 'Coat it.', done: doneH !== null }],
  recheckAfterH: 24,
  ...more,
});
const piece = (checks: unknown[], mends: unknown[]) => soundBatch('house-coat-9', { checks, mends });

describe('the chain of mends', () => {
  it('tells what became of each by the first look after it', () => {
    expect(mendsOf(piece([tacky(24)], [mend(25, null)]))[0]).toMatchObject({
      outcome: 'in-progress',
      recheckAtH: null,
    });
    expect(mendsOf(piece([tacky(24)], [mend(25, 26)]))[0]).toMatchObject({ outcome: 'waiting', recheckAtH: 50 });
    expect(mendsOf(piece([tacky(24), { afterH: 50, symptoms: [], grade: 'second' }], [mend(25, 26)]))[0]!.outcome).toBe(
      'held',
    );
    const twice = piece([tacky(24), tacky(50), { afterH: 80, symptoms: [] }], [mend(51, 52), mend(25, 26)]);
    expect(mendsOf(twice).map((m) => [m.mend.atH, m.outcome])).toEqual([
      [25, 'failed'],
      [51, 'held'],
    ]);
    expect(failedMends(twice, 'tacky')).toBe(1);
    expect(failedMends(twice, 'soft')).toBe(0);
  });
  it('another fault after the mend is not this one failing', () => {
    expect(
      mendsOf(
        piece([tacky(24), { afterH: 50, symptoms: [{ kind: 'haze', pattern: 'unspecified' }] }], [mend(25, 26)]),
      )[0]!.outcome,
    ).toBe('held');
  });
  it('a coat that lifts is the mend failing in its own way, and the next begins with what lies bare', () => {
    const lifted = piece(
      [tacky(24), { afterH: 60, symptoms: [{ kind: 'delamination', pattern: 'unspecified' }] }],
      [mend(25, 26, { coat: { massG: 30 } })],
    );
    expect(mendsOf(lifted)[0]).toMatchObject({ outcome: 'failed', failedBy: 'delamination' });
    expect(failedMends(lifted, 'delamination')).toBe(1);
    const { steps } = diagnose(saltmarshCard('house-coat-9'), lifted).symptoms.at(-1)!.mend;
    expect(steps[0]).toMatch(/The coat has lifted: take off all of it that is loose/);
    // Without a coat there is nothing of the mend's own that could lift.
    const warmed = mend(25, 26, { steps: [{ says: 'Warm for a day.', done: true }] });
    const bare = piece(
      [tacky(24), { afterH: 60, symptoms: [{ kind: 'delamination', pattern: 'unspecified' }] }],
      [warmed],
    );
    expect(mendsOf(bare)[0]!.outcome).toBe('held');
  });
  it('mends areas in different states as one: each its step in the right order, one coat over all', () => {
    const area = (pattern: string, where: string, areaCM2: number) => ({
      kind: 'tacky',
      pattern,
      area: { where, areaCM2 },
    });
    const many = soundBatch('house-coat-9', {
      mix: { stirMin: 0.6, scrapedWalls: false },
      checks: [
        {
          afterH: 60,
          symptoms: [
            area('tacky-all-over', 'middle', 200),
            area('sticky-spots', 'left edge', 60),
            area('liquid', 'drip edge', 40),
          ],
        },
      ],
    });
    for (const { mend: found } of diagnose(saltmarshCard('house-coat-9'), many).symptoms) {
      const words = found.steps.join(' ');
      const order = ['drip edge: scrape off', 'left edge: sand', 'middle: leave'].map((w) => words.indexOf(w));
      expect(order.every((i) => i >= 0)).toBe(true);
      expect(order).toEqual([...order].sort((a, b) => a - b));
      expect(words).toContain('the whole area, 300 cm²');
      expect(words.match(/fresh, measured coat/g)).toHaveLength(1);
    }
  });
  it('goes back to sound resin once a mend has failed, and doubts the bottles after two', () => {
    const steps = (batch: ReturnType<typeof piece>) =>
      diagnose(saltmarshCard('house-coat-9'), batch).symptoms.at(-1)!.mend.steps.join(' ');
    expect(steps(piece([tacky(24)], []))).not.toContain('did not hold');
    expect(steps(piece([tacky(24), tacky(50)], [mend(25, 26)]))).toContain('Take the last coat off');
    expect(steps(piece([tacky(24), tacky(50), tacky(80)], [mend(25, 26), mend(51, 52)]))).toContain('new lot');
  });
  it('adds up the resin that mending took', () =>
    expect(
      mendMassG(
        piece([], [mend(25, 26, { coat: { massG: 30 } }), mend(51, 52, { coat: { massG: 12.5 } }), mend(60, 61)]),
      ),
    ).toBe(42.5));
});

describe('a mending coat', () => {
  it('covers the area in ratio, with what stays in the cup', () => {
    const card = saltmarshCard('house-coat-9');
    const { totalG, massAG, massBG } = mendCoat(card, 400, 1);
    expect(totalG).toBeGreaterThan(40 * (card.mixedDensityGPerML ?? 1.1));
    expect(massAG + massBG!).toBeCloseTo(totalG, 9);
    expect(massBG! / massAG).toBeCloseTo(0.86, 9);
    expect(mendCoat(card, 800, 1).totalG).toBeGreaterThan(totalG);
    expect(mendCoat(card, 400).totalG).toBe(mendCoat(card, 400, MEND_COAT_MM).totalG);
  });
  it('doses catalyst by the card, and one part is one part', () => {
    const tide = mendCoat(saltmarshCard('house-tide'), 300);
    expect((100 * tide.massBG!) / tide.massAG).toBeCloseTo(saltmarshCard('house-tide').ratio.catalyst!.typicalPct!, 9);
    expect(mendCoat(saltmarshCard('house-noon'), 50).massBG).toBeNull();
  });
  it('needs an area', () =>
    expect(() => mendCoat(saltmarshCard('house-coat-9'), 0)).toThrow(expect.objectContaining({ path: 'areaCM2' })));
});
