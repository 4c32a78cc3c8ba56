import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { cautionsFor } from './cautions';
import { dueCheck } from './checkSchedule';

const codes = (slug: string, stage: Parameters<typeof cautionsFor>[1]) =>
  cautionsFor(saltmarshCard(slug), stage).map((c) => c.code);

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
