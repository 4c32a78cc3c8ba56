import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import type { Product } from '../formats/product';
import { cautionsFor, type Act } from './cautions';
import type { Stage } from '../formats/vocabulary';
import { dueCheck } from './checkSchedule';

const codes = (slug: string, stage: Parameters<typeof cautionsFor>[1]) =>
  cautionsFor(saltmarshCard(slug), stage).map((c) => c.code);

describe('cautionsFor', () => {
  const bare = (family: Product['family']): Product => ({
    format: 'warm-jar.product/1',
    slug: 'bare',
    revision: 1,
    name: 'Bare',
    family,
    ratio: { byWeight: { a: 1, b: 1 } },
  });
  const of = (family: Product['family'], stage: Stage, act: Act = {}) =>
    cautionsFor(bare(family), stage, act).map((c) => c.code);

  it.each<[Product['family'], Stage, string]>([
    ...(['weigh', 'mix', 'clear', 'pour', 'press', 'watch'] as const).map(
      (stage) => ['polyurethane', stage, 'isocyanate'] as [Product['family'], Stage, string],
    ),
    ['polyurethane', 'weigh', 'isocyanate-water'],
    ['epoxy', 'weigh', 'skin'],
    ['uv-acrylate', 'mix', 'skin'],
    ['polyester', 'weigh', 'peroxide'],
    ['polyester', 'mix', 'peroxide'],
    ['polyester', 'clear', 'styrene'],
    ['polyester', 'watch', 'styrene'],
    ['mineral-acrylic', 'weigh', 'powder-dust'],
    ['epoxy', 'mix', 'hot-cup'],
    ['epoxy', 'clear', 'hot-cup'],
    ['polyurethane', 'watch', 'hot-cup'],
    ['uv-acrylate', 'watch', 'lamp'],
    ['silicone', 'clear', 'vacuum'],
    ['epoxy', 'press', 'pressure-vessel'],
    ['epoxy', 'check', 'not-for-food'],
  ])('%s, %s: %s, though the card names no hazard', (family, stage, code) => {
    expect(of(family, stage)).toContain(code);
  });
  it('adds what is in the mix and what is done', () => {
    expect(of('epoxy', 'mix')).not.toContain('powder-dust');
    expect(of('epoxy', 'mix', { additives: [{ kind: 'mica' }] })).toContain('powder-dust');
    expect(of('epoxy', 'pour', { additives: [{ kind: 'solvent-ink' }] })).toContain('solvent');
    expect(of('epoxy', 'clear', { vacuumed: false })).not.toContain('vacuum');
    expect(of('epoxy', 'press', { pressed: false })).not.toContain('pressure-vessel');
  });
  it("adds the card's own hazards to the family's, and takes none away", () => {
    const odd: Product = { ...bare('silicone'), hazards: ['styrene'] };
    expect(cautionsFor(odd, 'pour').map((c) => c.code)).toContain('styrene');
    expect(codes('house-tide', 'weigh')).toEqual(expect.arrayContaining(['peroxide', 'styrene']));
  });
  it('warns of sanding dust for everything', () => {
    for (const card of SALTMARSH_CARDS) expect(codes(card.slug, 'check')).toContain('sanding');
  });
});

describe('dueCheck', () => {
  const clear = saltmarshCard('house-clear-6');
  it.each([
    ['a fresh piece', {}, { afterH: 24, why: 'first look' }],
    ['a piece in its mould', { cure: { demouldedMin: null }, checks: [] }, null],
    ['a mended piece', { checks: [{ afterH: 30, grade: 'mend' }] }, { afterH: 54, why: 'after the mend' }],
    ['a piece looked at but not graded', { checks: [{ afterH: 30 }] }, { afterH: 54, why: 'not graded yet' }],
    [
      'a passed piece of clear urethane, which ambers late',
      { checks: [{ afterH: 30, grade: 'pass' }] },
      { afterH: 168, name: 'a week' },
    ],
    [
      'the same after its week',
      {
        checks: [
          { afterH: 30, grade: 'pass' },
          { afterH: 150, grade: 'pass' },
        ],
      },
      { afterH: 720, name: 'a month' },
    ],
    [
      'a passed piece over a water-based layer',
      { layerBelow: { family: 'mineral-acrylic' }, checks: [{ afterH: 30, grade: 'pass' }] },
      { afterH: 72, name: 'three days' },
    ],
    ['a scrapped piece', { checks: [{ afterH: 30, grade: 'scrap' }] }, null],
    [
      'a mend whose wait is not over',
      {
        checks: [{ afterH: 30, grade: 'mend' }],
        mends: [{ atH: 31, doneH: 32, kind: 'tacky', pattern: 'liquid', steps: [], recheckAfterH: 24 }],
      },
      { afterH: 56, name: 'after the mend' },
    ],
  ])('for %s', (_what, patch, due) =>
    expect(dueCheck(clear, soundBatch('house-clear-6', patch))).toEqual(
      due === null ? null : expect.objectContaining(due),
    ),
  );
  it('waits for a slow casting to be out', () => {
    expect(
      dueCheck(saltmarshCard('house-deep-40'), soundBatch('house-deep-40', { cure: { demouldedMin: 4000 } }))!.afterH,
    ).toBeCloseTo(4000 / 60, 9);
  });
});
