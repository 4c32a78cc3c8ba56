import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { additiveSchema } from '../formats/additiveCard';
import { gearSchema } from '../formats/gear';
import { inclusionSchema } from '../formats/inclusion';
import { lotSchema } from '../formats/lot';
import { mouldSchema } from '../formats/mould';
import { issuesFromZod } from '../formats/problem';
import { productSchema } from '../formats/product';
import { fromRow, toRow } from '../formats/table';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { overlay } from '../simulation/soundBatch';
import { wordsIn } from '../units/wording';
import { dropsPerG, dropsToG, mouldAmount } from './amounts';
import { cardConflicts, depthConflict, cardGaps, ratioContradictions, ratioDisagreementPct } from './cardGaps';
import { catalystCurve, hardnessCurves, potLifeCurves, viscosityCurve } from './curves';
import { dryingState } from './drying';
import { batchCost, lotWarnings, pricePerG } from './lotState';
import { inclusionWarnings } from './pairs';
import { vesselStop } from './vessel';

const say = wordsIn();
const clear = saltmarshCard('house-clear-6');
const lot = (patch: Record<string, unknown> = {}) =>
  lotSchema.parse({
    format: 'warm-jar.lot/1',
    code: 'B-31',
    productSlug: 'house-clear-6',
    part: 'B',
    openedOn: '2026-02-20',
    useBy: '2026-12-01',
    quantityG: 1000,
    price: 40,
    colour: 'clear',
    ...patch,
  });
const refusedAt = (schema: { safeParse: (v: unknown) => { success: boolean; error?: unknown } }, document: unknown) => {
  const r = schema.safeParse(document);
  return r.success ? [] : issuesFromZod(r.error as Parameters<typeof issuesFromZod>[0]).map((i) => i.path);
};

describe('lots', () => {
  const warned = (
    patch: Record<string, unknown>,
    leftG: number | null = 500,
    neededG: number | null = 100,
    day = '2026-03-14',
  ) => lotWarnings(clear, lot(patch), day, leftG, neededG, say).map((w) => w.code);
  it.each<[string, Record<string, unknown>, number | null, number | null, string[]]>([
    ['a sound lot', {}, 500, 100, []],
    ['one past its date', { useBy: '2026-03-01' }, 500, 100, ['past-use-by']],
    ['one open too long', { openedOn: '2025-11-01' }, 500, 100, ['open-too-long']],
    ['one without its opening', { openedOn: null }, 500, 100, ['not-opened-on']],
    ['one too small', {}, 80, 100, ['runs-low']],
    ['an empty one', {}, 0, null, ['empty']],
    ['a browned hardener', { colour: 'brown' }, 500, 100, ['dark']],
    ['a cloudy one', { colour: 'cloudy' }, null, null, ['cloudy']],
  ])('%s', (_what, patch, left, needed, codes) => expect(warned(patch, left, needed)).toEqual(codes));
  it('refuse dates in the wrong order at their field', () => {
    expect(refusedAt(lotSchema, { ...lot(), receivedOn: '2026-03-01' })).toEqual(['openedOn']);
    expect(refusedAt(lotSchema, { ...lot(), receivedOn: '2027-03-01', openedOn: null })).toEqual(['useBy']);
    expect(refusedAt(lotSchema, { ...lot(), quantityG: -5 })).toEqual(['quantityG']);
  });
  it('cost what was poured from them, in all and for a piece', () => {
    expect(pricePerG(lot())).toBe(0.04);
    const cost = batchCost(
      [
        { part: 'A', massG: 150, lot: lot({ price: 30 }) },
        { part: 'B', massG: 123, lot: lot() },
      ],
      3,
    );
    expect(cost.total).toBeCloseTo(150 * 0.03 + 123 * 0.04, 9);
    expect(cost.perPiece).toBeCloseTo(cost.total! / 3, 9);
  });
  it("say which part's cost is not known, rather than guess", () => {
    expect(
      batchCost(
        [
          { part: 'A', massG: 150, lot: lot({ price: null }) },
          { part: 'B', massG: 100, lot: lot() },
        ],
        3,
      ),
    ).toEqual({ total: null, known: 4, missing: ['A'], perPiece: null });
  });
});

describe('drying', () => {
  const at = (hours: number, massG: number) => ({
    at: new Date(Date.UTC(2026, 2, 1) + hours * 3_600_000).toISOString(),
    massG,
  });
  it.each([
    ['one weighing', [at(0, 100)], 'not-known'],
    ['two within the hour', [at(0, 100), at(1, 99.9)], 'not-known'],
    ['under half a per cent a day', [at(0, 100), at(24, 99.6)], 'dry'],
    ['just half a per cent a day', [at(0, 100), at(24, 99.5)], 'drying'],
    ['half a per cent in five hours, which is two a day', [at(0, 100), at(5, 99.6)], 'drying'],
    ['no loss on a scale that could not show it', [at(0, 100), at(6, 100)], 'too-coarse'],
    ['the same on a finer scale', [at(0, 100.02), at(6, 100.02)], 'dry'],
    ['two readings three hours apart', [at(0, 100.02), at(3, 99.02)], 'not-known'],
    ['still losing', [at(0, 100), at(24, 92)], 'drying'],
    ['taking up water', [at(0, 100), at(24, 102)], 'gaining'],
    ['a last reading too soon after a good pair', [at(0, 100), at(20, 90), at(25, 89.9), at(26, 89.9)], 'dry'],
  ] as const)('%s: %s', (_what, weighings, state) => expect(dryingState(weighings).state).toBe(state));
  it('goes by time, not by order', () => {
    expect(dryingState([at(24, 92), at(0, 100)])).toEqual(dryingState([at(0, 100), at(24, 92)]));
  });
});

describe('inclusions', () => {
  const wrack = (patch: Record<string, unknown> = {}) =>
    inclusionSchema.parse({
      format: 'warm-jar.inclusion/1',
      code: 'I-02',
      what: 'bladderwrack',
      kind: 'plant',
      ...patch,
    });
  const codes = (patch: Record<string, unknown>) => inclusionWarnings(wrack(patch), clear, say).map((w) => w.code);
  it('warn of a pair that went badly, and of a treated one that never met the product', () => {
    expect(
      codes({ pairs: [{ productSlug: 'house-clear-6', when: 'next-day', outcome: 'bad', note: 'went black' }] }),
    ).toEqual(['went-badly']);
    expect(codes({ treated: true })).toEqual(['never-met']);
    expect(
      codes({ treated: true, pairs: [{ productSlug: 'house-clear-6', when: 'at-once', outcome: 'good' }] }),
    ).toEqual([]);
    expect(
      codes({ treated: true, pairs: [{ productSlug: 'house-deep-40', when: 'at-once', outcome: 'good' }] }),
    ).toEqual(['never-met']);
  });
  it('warn of damp and of heat against the card', () => {
    expect(codes({ moisturePct: 11 })).toEqual(['too-damp']);
    expect(codes({ maxC: 60 })).toEqual(['heat']);
    expect(codes({ moisturePct: 7, maxC: 90 })).toEqual([]);
  });
});

describe('additives and moulds', () => {
  it("count drops by the studio's own weighing", () => {
    const dye = additiveSchema.parse({
      format: 'warm-jar.additive/1',
      code: 'C-01',
      name: 'amber',
      kind: 'dye',
      drops: { counted: 40, massG: 1.25 },
    });
    expect(dropsPerG(dye)).toBe(32);
    expect(dropsToG(dye, 16)).toBe(0.5);
    expect(dropsToG({ ...dye, drops: null }, 16)).toBeNull();
  });
  const mould = (patch: Record<string, unknown>) =>
    mouldSchema.parse({
      format: 'warm-jar.mould/1',
      code: 'M-17',
      cavities: [{ volumeML: 80 }, { volumeML: 120 }],
      ...patch,
    });
  it('fill all cavities, a quarter of them for a first hollow casting, then what earlier pulls took', () => {
    expect(mouldAmount(mould({}), 1.05, [])).toMatchObject({ volumeML: 200, massG: 210, from: 'cavities' });
    expect(mouldAmount(mould({ hollow: true }), 1, [])).toMatchObject({ volumeML: 50, from: 'first-guess' });
    const learned = mouldAmount(mould({ hollow: true }), 1.06, [60, 64, 62]);
    expect(learned).toMatchObject({ massG: 62, from: 'pulls', pulls: 3, spreadG: 2 });
    expect(mouldAmount(mould({ cavities: [{ volumeML: 80 }, {}] }), 1, []).from).toBe('not-known');
  });
});

describe('vessels', () => {
  const pot = gearSchema.parse({
    format: 'warm-jar.gear/1',
    kind: 'pressure-vessel',
    code: 'G-01',
    name: 'the pot',
    ratedKPa: 400,
    inspectionDue: '2026-06-30',
  });
  if (pot.kind !== 'pressure-vessel') throw new Error('not a vessel');
  it('stop above their rating, whatever else, and past their inspection', () => {
    expect(vesselStop(pot, 400, '2026-03-14', say)).toBeNull();
    expect(vesselStop(pot, 400.1, '2026-03-14', say)?.code).toBe('over-rating');
    expect(vesselStop(pot, 300, '2026-07-01', say)?.code).toBe('inspection-overdue');
    expect(vesselStop(pot, 0, '2026-07-01', say)).toBeNull();
  });
  it('must have a rating to be on the shelf at all', () => {
    expect(refusedAt(gearSchema, { ...pot, ratedKPa: 0 })).toEqual(['ratedKPa']);
    expect(
      refusedAt(gearSchema, {
        format: 'warm-jar.gear/1',
        kind: 'scale',
        code: 'G-2',
        name: 's',
        stepG: 5,
        capacityG: 2,
      }),
    ).toEqual(['stepG']);
  });
});

describe('cards', () => {
  it('of the demo studio contradict themselves nowhere', () => {
    for (const card of SALTMARSH_CARDS) {
      expect(cardConflicts(card), card.slug).toEqual([]);
      expect(depthConflict(card), card.slug).toBeNull();
    }
  });
  it('whose ratios contradict by the densities are flagged beyond 2 %', () => {
    const off = (b: number) =>
      productSchema.parse(overlay(saltmarshCard('house-deep-40'), { ratio: { byVolume: { a: 2, b } } }));
    expect(ratioDisagreementPct(off(1.1))).toBeCloseTo(10, 1);
    expect(cardConflicts(off(1.1)).map((c) => c.field)).toEqual(['ratio.byVolume.b']);
    expect(cardConflicts(off(1.01))).toEqual([]);
  });
  it('whose deepest pour runs hotter than their own limit are told so', () => {
    expect(
      depthConflict(productSchema.parse(overlay(saltmarshCard('house-deep-40'), { exothermMaxC: 30 })))?.field,
    ).toBe('exothermMaxC');
    expect(
      depthConflict(productSchema.parse(overlay(saltmarshCard('house-deep-40'), { exothermMaxC: null }))),
    ).toBeNull();
  });
  it('are refused only for ratios that contradict; the rest is told', () => {
    const odd = productSchema.parse(
      overlay(saltmarshCard('house-deep-40'), { ratio: { byVolume: { a: 2, b: 1.3 } }, demould: { minutes: 3 } }),
    );
    expect(ratioContradictions(odd).map((c) => c.field)).toEqual(['ratio.byVolume.b']);
    expect(cardConflicts(odd).map((c) => c.field)).toContain('demould.minutes');
  });
  it('with times in the wrong order, or a peak that cannot be, are flagged', () => {
    const patched = (patch: Record<string, unknown>) =>
      cardConflicts(productSchema.parse(overlay(clear, patch))).map((c) => c.field);
    expect(patched({ demould: { minutes: 30 } })).toEqual(['demould.minutes']);
    expect(patched({ exotherm: { peakC: 23.2 } })).toEqual(['exotherm.peakC']);
  });
  it('have gaps that name what they cost', () => {
    const fields = (patch: Record<string, unknown>) =>
      cardGaps(productSchema.parse(overlay(clear, patch))).map((g) => g.field);
    expect(fields({})).toEqual([]);
    expect(fields({ room: { maxHumidityPct: null }, potLife: { massG: null }, source: null })).toEqual([
      'potLife.massG',
      'room.maxHumidityPct',
      'source',
    ]);
    expect(fields({ ratio: { byWeight: null, byVolume: null } })).toContain('ratio.byWeight');
  });
  it('survive a table and back, all eleven, with nothing stated still not stated', () => {
    const withoutNulls = (v: unknown): unknown =>
      v !== null && typeof v === 'object' && !Array.isArray(v)
        ? Object.fromEntries(
            Object.entries(v)
              .filter(([, x]) => x != null)
              .map(([k, x]): [string, unknown] => [k, withoutNulls(x)])
              .filter(
                ([k, x]) =>
                  !(
                    typeof x === 'object' &&
                    x !== null &&
                    !Array.isArray(x) &&
                    Object.keys(x).length === 0 &&
                    k !== 'ratio'
                  ),
              ),
          )
        : v;
    for (const card of SALTMARSH_CARDS)
      expect(productSchema.parse(fromRow(toRow(card), { ratio: {} }))).toEqual(withoutNulls(card));
  });
  it('keep every number of a table to the last digit', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 1e5, noNaN: true }), (minutes) => {
        expect(fromRow(toRow({ potLife: { minutes } }))).toEqual({ potLife: { minutes } });
      }),
    );
  });
});

describe('curves', () => {
  it('show pot life shorter when warmer and when larger, and meet the card', () => {
    const curves = potLifeCurves(clear);
    expect(curves.map((c) => c.held)).toEqual([50, 150, 450]);
    const at = (i: number, t: number) => curves[i]!.points.find(([x]) => x === t)![1];
    expect(at(1, 23)).toBeCloseTo(6, 2);
    expect(at(0, 23)).toBeGreaterThan(at(2, 23));
    for (const { points } of curves) expect(points.every(([, y], i) => i === 0 || y < points[i - 1]![1])).toBe(true);
  });
  it('show thinner when warmer, harder when older and warmer', () => {
    const visc = viscosityCurve(clear);
    expect(visc.every(([, y], i) => i === 0 || y < visc[i - 1]![1])).toBe(true);
    const [cold, , warm] = hardnessCurves(clear);
    expect(cold!.points.every(([, y], i) => y <= warm!.points[i]![1])).toBe(true);
  });
  it('ask for less catalyst when warmer, and have none where there is none', () => {
    const asked = catalystCurve(saltmarshCard('house-tide'));
    expect(Math.max(...asked.map(([, y]) => y))).toBe(2.4);
    expect(Math.min(...asked.map(([, y]) => y))).toBe(0.8);
    expect(asked.every(([, y], i) => i === 0 || y <= asked[i - 1]![1])).toBe(true);
    expect([
      catalystCurve(clear),
      potLifeCurves(saltmarshCard('house-noon')),
      hardnessCurves({ ...clear, hardness: null }),
    ]).toEqual([[], [], []]);
  });
});
