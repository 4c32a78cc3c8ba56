import { describe, expect, it } from 'vitest';
import { planRequestSchema, planSchema, type PlanRequest } from '../formats/plan';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { mouldsOf, plan, quickPlan, withMoulds } from './plan';
import { mouldShares } from './severalMoulds';

const card = saltmarshCard('house-clear-6');
type Mould = Record<string, unknown>;
const finial: Mould = {
  code: 'M-12',
  cavities: 4,
  volumeML: 40,
  depthMm: 30,
  thinnestMm: 6,
  rubber: 'platinum-silicone',
  degassed: true,
};
const peg: Mould = {
  code: 'M-17',
  cavities: 2,
  volumeML: 60,
  depthMm: 20,
  thinnestMm: 4,
  rubber: 'tin-silicone',
  degassed: false,
};
const request = (moulds: Mould[], patch: Record<string, unknown> = {}, slug = 'house-clear-6'): PlanRequest =>
  planRequestSchema.parse({
    product: saltmarshCard(slug),
    want: { moulds, ...(patch['want'] as object) },
    conditions: { roomC: 22, humidityPct: 50, resinC: 23, ...(patch['conditions'] as object) },
    route: patch['route'] ?? 'pressure',
    gear: {
      scaleStepG: 0.1,
      vesselFreeL: 18,
      vesselRatedKPa: 400,
      compressorTankL: 6,
      compressorTankKPa: 800,
      freeAirLPerMin: 38,
    },
  });
const codes = (k: { warnings: readonly { code: string }[] } | undefined) => (k?.warnings ?? []).map((w) => w.code);

describe('a plan for several moulds from one cup', () => {
  it('mixes what they hold together, where nobody says how much', () => {
    const alone = plan(planRequestSchema.parse({ ...request([finial]), want: { volumeML: 280 }, mould: null }));
    const both = plan(request([finial, peg]));
    expect(both.mixedMassG).toBeCloseTo(alone.mixedMassG, 6);
    expect(planSchema.parse(JSON.parse(JSON.stringify(both)))).toEqual(both);
    const masses = both.castings!.map((k) => k.massG!);
    expect(masses[0]! / masses[1]!).toBeCloseTo(160 / 120, 6);
    expect(masses.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(both.totalMassG + 1e-9);
    expect(masses.reduce((a, b) => a + b, 0)).toBeCloseTo(280 * card.mixedDensityGPerML!, 0);
  });
  it('answers each by itself: rubber, degassed, depth, thinnest, worn, and what is cast in', () => {
    const deep = { ...finial, code: 'M-30', depthMm: 90, thinnestMm: 1, pullsLeft: 0, clean: false, inclusionMaxC: 25 };
    const { castings, warnings, verdict } = plan(request([finial, peg, deep]));
    const [first, second, third] = castings!;
    expect(codes(first)).toEqual([]);
    expect(codes(second)).toEqual(expect.arrayContaining(['mould-not-degassed', 'tin-mould']));
    expect(codes(third)).toEqual(
      expect.arrayContaining([
        'too-deep-at-once',
        'mould.thinnestMm:below',
        'mould-worn',
        'mould-not-clean',
        'inclusion-too-hot',
      ]),
    );
    // The one that fails is named; the others stand.
    expect(warnings.find((w) => w.code === 'too-deep-at-once')!.says).toMatch(/^M-30: It takes/);
    expect(warnings.filter((w) => w.says.startsWith('M-12'))).toEqual([]);
    expect(verdict).toBe('no-go');
    expect(plan(request([finial, peg])).verdict).not.toBe('no-go');
  });
  it('has a peak, pours and a time out for each: the deeper the hotter, and as when it is planned alone', () => {
    const shallow = { ...finial, code: 'S', depthMm: 8 };
    const { castings, peakC, pours } = plan(request([shallow, finial]));
    expect(castings![1]!.peakC!).toBeGreaterThan(castings![0]!.peakC!);
    expect(peakC).toBe(castings![1]!.peakC);
    expect(pours).toBe(1);
    const twice = plan(request([finial, { ...finial, code: 'again' }]));
    expect(twice.castings![0]!.peakC).toBeCloseTo(twice.castings![1]!.peakC!, 6);
    expect(twice.castings![0]!.demouldMin).not.toBeNull();
  });
  it('is told at once by the card, and by the slab a moment later', () => {
    const quick = quickPlan(request([finial, { ...peg, depthMm: 90 }]));
    expect(quick.plan.castings!.map((k) => [k.peakC, k.pours > 1])).toEqual([
      [null, false],
      [null, true],
    ]);
    const progress: number[] = [];
    const answers = mouldsOf(quick, (share) => progress.push(share));
    expect(answers).toHaveLength(2);
    expect(Math.max(...progress)).toBeGreaterThan(0.5);
    expect(Math.max(...progress)).toBeLessThanOrEqual(1);
    expect(withMoulds(quick, [])).toEqual(quick.plan);
    expect(withMoulds(quick, answers).castings!.every((k) => k.peakC !== null)).toBe(true);
  });
  it('doses one mix once, by the deepest of them', () => {
    const deep = plan(request([finial, { ...finial, code: 'deep', depthMm: 40 }], {}, 'house-tide'));
    const deepAlone = plan(request([{ ...finial, code: 'deep', depthMm: 40 }], {}, 'house-tide'));
    expect(deep.catalystPct).toBeCloseTo(deepAlone.catalystPct!, 1);
  });
  it('takes a mould that is colder than the dew point for what it is, and not the others', () => {
    const cold = { ...finial, code: 'cold', temperatureC: 8 };
    const { castings } = plan(request([finial, cold], { conditions: { humidityPct: 70 } }));
    expect(codes(castings![0])).not.toContain('near-dew-point');
    expect(codes(castings![1])).toContain('near-dew-point');
  });
  it('shares alike where a mould does not say what it holds, and leaves out one without a cavity', () => {
    const unsaid = { ...peg, volumeML: null };
    expect(mouldShares(request([finial, unsaid], { want: { volumeML: 300 } })).map((s) => s.share)).toEqual([0.5, 0.5]);
    expect(mouldShares(request([finial, { ...peg, cavities: 0 }])).map((s) => s.code)).toEqual(['M-12']);
    expect(plan(request([{ ...peg, cavities: 0 }], { want: { volumeML: 300 } })).castings).toBeUndefined();
  });
  it('asks how much where neither it nor every mould says', () => {
    const asked = planRequestSchema.safeParse({ product: card, want: { moulds: [finial, { code: 'x' }] } });
    expect(asked.error!.issues[0]!.message).toContain('Say how much is wanted');
  });
});
