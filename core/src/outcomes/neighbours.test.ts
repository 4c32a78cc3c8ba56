import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis/diagnose';
import type { DiagnoseRequest } from '../formats/diagnosis';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { lnBeta, lnGamma } from '../numeric/lnGamma';
import { neighbourLikelihoodRatio } from './neighbourLikelihood';

const ratio = (k: number, n: number, others: number, ofOthers: number, effect?: number) =>
  neighbourLikelihoodRatio({ with: k, of: n, otherwise: others, ofOthers, effect });

describe('the likelihood ratio of neighbours', () => {
  it('is by the beta function, whose small values are known', () => {
    expect(lnGamma(5)).toBeCloseTo(Math.log(24), 10);
    expect(Math.exp(lnBeta(2, 3))).toBeCloseTo(1 / 12, 10);
    // One of one against nothing known: three in four against a half.
    expect(ratio(1, 1, 0, 0)).toBeCloseTo(1.5, 10);
    // Two of two: elsewhere, after one good one, 1·2/(3·4); at fault, at a rate of two in three with three tries.
    expect(ratio(2, 2, 0, 1)).toBeCloseTo((2 * 3) / (3 * 4) / ((1 * 2) / (3 * 4)), 10);
  });
  it('tells nothing without neighbours, little from one, much from three of three', () => {
    expect(ratio(0, 0, 3, 40)).toBe(1);
    expect(ratio(1, 1, 2, 40)).toBeLessThan(9);
    expect(ratio(3, 3, 2, 40)).toBeGreaterThan(100);
    expect(ratio(0, 12, 2, 40)).toBeLessThan(0.2);
  });
  it('rises with each one more that has it, and is less sure where castings are of one mix', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 200 }),
        (n, k, more) => {
          const others = k + more;
          const all = Array.from({ length: n + 1 }, (_, i) => ratio(i, n, k, others));
          for (let i = 1; i <= n; i += 1) expect(all[i]!).toBeGreaterThanOrEqual(all[i - 1]! * (1 - 1e-9));
          const plain = Math.abs(Math.log(ratio(n, n, 0, 40)));
          expect(Math.abs(Math.log(ratio(n, n, 0, 40, 3)))).toBeLessThan(plain + 1e-9);
        },
      ),
    ));
});

type Neighbours = NonNullable<NonNullable<DiagnoseRequest['history']>['neighbours']>;
const CARD = saltmarshCard('house-clear-6');
const told = (
  neighbours: Neighbours,
  id: string,
  patch: Record<string, unknown> = {},
  kind = 'soft',
  pattern = 'all-over',
) => {
  const batch = soundBatch('house-clear-6', { checks: [{ afterH: 48, symptoms: [{ kind, pattern }] }], ...patch });
  return diagnose(CARD, batch, { history: { neighbours } }).symptoms[0]!.causes.find((c) => c.id === id)!;
};
const lotB = (k: number, n: number): Neighbours => [
  { by: 'lotB', symptom: 'soft', with: k, of: n, otherwise: 2, ofOthers: 60, value: 'B-52' },
];

describe('neighbours as evidence', () => {
  it('speak for what they share, once, in one line', () => {
    const [alone, lot] = [told([], 'old-or-damp-lot'), told(lotB(4, 5), 'old-or-damp-lot')];
    expect(lot.share).toBeGreaterThan(2 * alone.share);
    const lines = lot.evidence.filter((e) => e.neighbours);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatchObject({ field: 'lotB.code', measured: 'B-52', neighbours: { by: 'lotB', value: 'B-52' } });
    expect(lines[0]!.says).toBe(
      'Of 5 other castings of lot B-52 of B, 4 showed this fault; of 60 others of this product, 2.',
    );
    expect(told(lotB(4, 5), 'thin-section').evidence.some((e) => e.neighbours)).toBe(false);
  });
  it('speak against it where they came out well', () => {
    const unknown = { lotA: null, lotB: { code: 'B-52', openedOn: null, useBy: null, colour: null } };
    const share = (n: Neighbours) => told(n, 'old-or-damp-lot', unknown).share;
    expect(share(lotB(0, 20))).toBeLessThan(share([]));
  });
  it('of several kinds count once, and never for another symptom', () => {
    const both: Neighbours = [...lotB(4, 5), { ...lotB(4, 5)[0]!, by: 'lotA', value: 'A-77' }];
    expect(told(both, 'old-or-damp-lot').share).toBeCloseTo(told(lotB(4, 5), 'old-or-damp-lot').share, 9);
    const other: Neighbours = [{ ...lotB(4, 5)[0]!, symptom: 'haze' }];
    expect(told(other, 'old-or-damp-lot').share).toBeCloseTo(told([], 'old-or-damp-lot').share, 9);
  });
  it('add nothing to what the record says itself', () => {
    const old = { lotB: { code: 'B-52', openedOn: '2024-01-01', useBy: '2025-01-01', colour: 'cloudy' } };
    const [alone, beside] = [told([], 'old-or-damp-lot', old), told(lotB(4, 5), 'old-or-damp-lot', old)];
    expect(beside.share - alone.share).toBeLessThan(0.01);
  });
  it('of a device speak by what it reads', () => {
    const gauge: Neighbours = [
      { by: 'device', symptom: 'bubbles', with: 5, of: 6, otherwise: 2, ofOthers: 60, value: 'GA-1' },
    ];
    const readings = [{ atMin: 8, what: 'gauge', value: 300, unit: 'kPa', device: 'GA-1' }];
    const share = (n: Neighbours) => told(n, 'pressure-low', { readings }, 'bubbles', 'micro-throughout').share;
    expect(share(gauge)).toBeGreaterThan(share([]));
    expect(told(gauge, 'pressure-low', { readings: [] }, 'bubbles', 'micro-throughout').share).toBeCloseTo(
      told([], 'pressure-low', { readings: [] }, 'bubbles', 'micro-throughout').share,
      9,
    );
  });
  it('that contradict themselves are left out', () => {
    expect(told([{ ...lotB(9, 5)[0]! }], 'old-or-damp-lot').evidence.some((e) => e.neighbours)).toBe(false);
  });
});
