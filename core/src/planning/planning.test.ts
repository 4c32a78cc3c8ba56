import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { cautionsFor } from './cautions';
import { nextCheck } from './nextCheck';

const codes = (slug: string, stage: Parameters<typeof cautionsFor>[1]) => cautionsFor(saltmarshCard(slug), stage).map((c) => c.code);

describe('cautionsFor', () => {
  it('warns of what the product is, where it is handled', () => {
    expect(codes('house-clear-6', 'weigh')).toEqual(['isocyanate']);
    expect(codes('house-coat-9', 'weigh')).toEqual(['skin']);
    expect(codes('house-tide', 'weigh')).toEqual(['peroxide', 'styrene']);
    expect(codes('house-chalk', 'weigh')).toEqual(['powder-dust']);
    expect(codes('house-noon', 'watch')).toEqual(['lamp']);
  });
  it('warns of the vessel only where the product may be pressed, of the chamber only where it is degassed', () => {
    expect(codes('house-clear-6', 'press')).toEqual(['pressure-vessel']);
    expect(codes('house-coat-9', 'press')).toEqual([]);
    expect(codes('house-mould-p', 'clear')).toEqual(['vacuum']);
    expect(codes('house-tide', 'clear')).toEqual([]);
  });
  it('warns of sanding dust for everything', () => {
    for (const card of SALTMARSH_CARDS) expect(codes(card.slug, 'check')).toEqual(['sanding']);
  });
});

describe('nextCheck', () => {
  const clear = saltmarshCard('house-clear-6');
  it.each([
    ['a fresh piece', {}, { afterH: 24, why: 'first look' }],
    ['a piece in its mould', { cure: { demouldedMin: null }, checks: [] }, null],
    ['a mended piece', { checks: [{ afterH: 30, grade: 'mend' }] }, { afterH: 54, why: 'after the mend' }],
    ['a piece looked at but not graded', { checks: [{ afterH: 30 }] }, { afterH: 54, why: 'not graded yet' }],
    ['a passed piece', { checks: [{ afterH: 30, grade: 'pass' }] }, null],
  ])('for %s', (_what, patch, due) => expect(nextCheck(clear, soundBatch('house-clear-6', patch))).toEqual(due));
  it('waits for a slow casting to be out', () => {
    expect(nextCheck(saltmarshCard('house-deep-40'), soundBatch('house-deep-40', { cure: { demouldedMin: 4000 } }))!.afterH).toBeCloseTo(4000 / 60, 9);
  });
});
