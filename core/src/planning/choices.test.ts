import { describe, expect, it } from 'vitest';
import { planRequestSchema, type PlanRequest } from '../formats/plan';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { overlay } from '../simulation/soundBatch';
import { lightPlan } from './lightPlan';
import { oneCup } from './oneCup';
import { productFits, type FitRequest } from './productFit';
import { compareRoutes } from './routes';
import { plan, quickPlan } from './plan';
import { warmOrNot, warmingTimes } from './warmOrNot';

const bench = {
  scaleStepG: 0.1,
  vesselFreeL: 18,
  vesselRatedKPa: 400,
  compressorTankL: 6,
  compressorTankKPa: 800,
  freeAirLPerMin: 38,
  vacuumKPaAbs: 1.5,
};
const request = (slug: string, patch: Record<string, unknown> = {}): PlanRequest =>
  planRequestSchema.parse(
    overlay(
      {
        product: saltmarshCard(slug),
        want: { volumeML: 200 },
        conditions: { roomC: 22, humidityPct: 50, resinC: 23 },
        gear: bench,
        mould: { depthMm: 20 },
      },
      patch,
    ),
  );

describe('compareRoutes', () => {
  const routes = new Map(compareRoutes(request('house-clear-6')).map((r) => [r.route, r]));
  it("gives each way its minutes, its bubbles and its cautions, and marks the card's own", () => {
    expect([...routes.keys()]).toEqual(['none', 'warm-and-rest', 'vacuum', 'pressure', 'vacuum-then-pressure']);
    expect(routes.get('pressure')!.byCard).toBe(true);
    expect(routes.get('none')!.usedMin).toBeLessThan(routes.get('vacuum-then-pressure')!.usedMin);
    expect(routes.get('vacuum')!.cautions[0]).toContain('implode');
    expect(routes.get('pressure')!.cautions[0]).toContain('rated vessel');
  });
  it('clears smaller bubbles under vacuum than without, and leaves less once pressed', () => {
    const inDeepMould = new Map(
      compareRoutes(request('house-clear-6', { mould: { depthMm: 45 } })).map((r) => [r.route, r]),
    );
    expect(inDeepMould.get('vacuum')!.air.clearedMm!).toBeLessThan(inDeepMould.get('none')!.air.clearedMm!);
    expect(routes.get('pressure')!.air.leftMm!).toBeLessThan(routes.get('none')!.air.leftMm!);
    expect(routes.get('none')!.air.dissolvedMm).toBeNull();
    expect(routes.get('vacuum-then-pressure')!.air.leftMm).toBe(0);
  });
  it('rests as long as can be where the card names no rest, with some pot life kept back', () => {
    const rest = routes.get('warm-and-rest')!;
    expect(rest.clearMin).toBeGreaterThan(1);
    expect(rest.spareMin!).toBeGreaterThan(0.5);
    expect(compareRoutes(request('house-coat-9')).find((r) => r.route === 'warm-and-rest')!.clearMin).toBe(5);
  });
  it('does not allow what card or gear forbid', () => {
    const allowed = (r: PlanRequest) =>
      compareRoutes(r)
        .filter((x) => x.allowed)
        .map((x) => x.route);
    expect(allowed(request('house-tide'))).toEqual(['none', 'warm-and-rest', 'pressure']);
    expect(allowed(request('house-coat-9'))).toEqual(['none', 'warm-and-rest', 'vacuum']);
    expect(allowed(request('house-clear-6', { gear: { vesselRatedKPa: 200 } }))).toEqual([
      'none',
      'warm-and-rest',
      'vacuum',
    ]);
  });
});

describe('warmOrNot', () => {
  const answer = warmOrNot(request('house-coat-9', { mould: { depthMm: 3 } }))!;
  it('shortens pot life with warmth and clears smaller bubbles in the same rest, until the rest no longer fits', () => {
    const potLives = answer.points.map((p) => p.potLifeMin);
    expect([...potLives].sort((a, b) => b - a)).toEqual(potLives);
    const rested = answer.points.filter((p) => p.spareMin > 5).map((p) => p.restedMm!);
    expect([...rested].sort((a, b) => b - a)).toEqual(rested);
  });
  it("finds the best inside the card's limits, with time to spare", () => {
    expect(answer.best!.resinC).toBeLessThanOrEqual(32);
    expect(answer.best!.resinC).toBeGreaterThan(28);
    expect(answer.best!.spareMin).toBeGreaterThanOrEqual(0);
    expect(
      Math.min(
        ...answer.points.filter((p) => p.resinC >= 21 && p.resinC <= 32 && p.spareMin >= 0).map((p) => p.restedMm!),
      ),
    ).toBe(answer.best!.restedMm);
  });
  it('has an inner optimum where the rest is long: warmer no longer leaves the time', () => {
    const long = warmOrNot(
      request('house-clear-6', { route: 'warm-and-rest', handling: { restMin: 4, pourMin: 0.5 } }),
    )!;
    const best = long.points.reduce((a, b) => ((b.restedMm ?? 9) < (a.restedMm ?? 9) ? b : a));
    expect(best.resinC).toBeGreaterThan(long.points[0]!.resinC);
    expect(best.resinC).toBeLessThan(long.points.at(-1)!.resinC);
  });
  it("tells the same bubble as the plan and as Air, at the plan's own temperature", () => {
    const asked = request('house-coat-9', { mould: { depthMm: 3 }, conditions: { resinC: 23, roomC: 21 } });
    const own = warmOrNot(asked)!.points.find((p) => p.resinC === 23)!.clearedMm!;
    expect(plan(asked).smallestClearedMm).toBeCloseTo(own, 12);
    const route = compareRoutes(asked).find((r) => r.route === (asked.route ?? 'warm-and-rest'))!;
    expect(route.air.clearedMm).toBeCloseTo(own, 12);
  });
  it('never makes doing nothing look best: the same minutes spent before the pour are worth as much or more', () => {
    for (const card of SALTMARSH_CARDS.filter((c) => c.potLife?.minutes != null)) {
      for (const depthMm of [2, 8, 20, 45]) {
        const routes = compareRoutes(request(card.slug, { mould: { depthMm } })).filter((r) => (r.spareMin ?? -1) >= 0);
        const left = (name: string) => routes.find((r) => r.route === name)?.air.leftMm ?? null;
        const nothing = left('none');
        if (nothing === null) continue;
        for (const name of ['warm-and-rest', 'vacuum', 'pressure', 'vacuum-then-pressure']) {
          const other = left(name);
          if (other !== null && Number.isFinite(other))
            expect(other, `${card.slug} ${depthMm} ${name}`).toBeLessThanOrEqual(nothing * 1.001);
        }
      }
    }
  });
  it('is nothing for a product whose pot life the model does not know', () =>
    expect(warmOrNot(request('house-chalk'))).toBeNull());
  it('times each way of warming; the hot box no warmer than it gets', () => {
    const times = warmingTimes({ massG: 500, fromC: 16, toC: 26, maxC: 32, hotBoxMaxC: 30 });
    expect(times.map((t) => t.way)).toEqual(['bath', 'hot-box', 'mat']);
    expect(times[1]!.aroundC).toBe(30);
    expect(times[0]!.minutes).toBeLessThan(times[1]!.minutes);
  });
});

describe('oneCup', () => {
  const coat = (gPerMin: number, volumeML = 3000) => oneCup(request('house-coat-9', { want: { volumeML } }), gPerMin);
  it('mixes it all at once where it is used up in time, in several cups where not', () => {
    expect(coat(500)!.mixes).toBe(1);
    const slow = coat(60)!;
    expect(slow.mixes).toBeGreaterThan(1);
    expect(slow.eachG * slow.mixes).toBeCloseTo(
      quickPlan(request('house-coat-9', { want: { volumeML: 3000 } })).plan.mixedMassG,
      6,
    );
    expect(3 + 5 + slow.useMin).toBeLessThanOrEqual(0.9 * slow.potLifeMin + 1e-6);
  });
  it('counts a catalysed coat by the dose of the whole, not by what the scale can weigh of a gram', () => {
    const tide = oneCup(
      request('house-tide', { want: { volumeML: 1000 }, conditions: { roomC: 26, resinC: 26 } }),
      50,
    )!;
    expect(tide.mixes).toBeGreaterThan(1);
    expect(tide.eachG).toBeGreaterThan(300);
  });
  it('is nothing where even a gram sets before it is used', () =>
    expect(oneCup(request('house-bone-3', { handling: { stirMin: 5 } }), 100)).toBeNull());
});

describe('lightPlan', () => {
  const [noon, white, clear] = ['house-noon', 'house-noon-white', 'house-clear-6'].map(saltmarshCard);
  it("builds up layers no deeper than the card and the light allow, with the lamp's minutes", () => {
    const one = lightPlan(noon!, 8, 18, null)!;
    expect(one).toMatchObject({ layers: 1, base: null });
    expect(one.lampMin!).toBeCloseTo(1200 / 18 / 60, 9);
    expect(lightPlan(noon!, 30, 18, null)!.layers).toBe(3);
    // The pigmented one: 0.6 · 0.35 · ln(1800/20) is 0.94 mm, less than its card's 1.5 mm.
    expect(lightPlan(white!, 3, 18, null)!.layerMaxMm).toBeCloseTo(0.945, 2);
    expect(lightPlan(white!, 3, 18, null)!.layers).toBe(4);
  });
  it('says what the same light does to a base that is not light-proof, and sums it over the layers', () => {
    const on = lightPlan(noon!, 4, 18, clear!)!;
    expect(on.base).toContain('not light-proof');
    expect(on.baseDoseMJPerCM2).toBeCloseTo(1200 * Math.exp(-1), 6);
    expect(lightPlan(noon!, 24, 18, clear!)!.baseDoseMJPerCM2).toBeCloseTo(
      1200 * (Math.exp(-2) + Math.exp(-4) + Math.exp(-6)),
      6,
    );
    expect(lightPlan(noon!, 4, 18, saltmarshCard('house-chalk'))!.base).toContain('light-proof by its card');
  });
  it('is nothing for a card without light figures', () => expect(lightPlan(clear!, 4, 18, null)).toBeNull());
});

describe('productFits', () => {
  const wish: FitRequest = {
    depthMm: 28,
    thinnestMm: 28,
    volumeML: 1260,
    roomC: 21,
    humidityPct: 55,
    clarity: 'clear',
    hollow: false,
    rubber: 'platinum-silicone',
    sun: false,
    waitH: null,
    leastShoreD: null,
    vesselRatedKPa: 400,
    vacuumKPaAbs: 1.5,
    lampMWPerCM2: 18,
    inclusionMoisturePct: null,
    inclusionMaxC: null,
    pricePerG: new Map([['house-deep-40', 0.018]]),
  };
  const fits = (patch: Partial<FitRequest> = {}) =>
    new Map(productFits(SALTMARSH_CARDS, { ...wish, ...patch }).map((f) => [f.product.slug, f]));
  const why = (slug: string, patch: Partial<FitRequest>) =>
    fits(patch)
      .get(slug)!
      .reasons.filter((r) => r.tells === 'against')
      .map((r) => r.says)
      .join(' ');

  it('puts what fits first, each with a reason, and prices it', () => {
    const found = [...fits().values()];
    expect(found[0]!.verdict).toBe('fits');
    expect(found.map((f) => f.verdict)).toEqual(
      [...found.map((f) => f.verdict)].sort(
        (a, b) => ['fits', 'layers', 'does-not'].indexOf(a) - ['fits', 'layers', 'does-not'].indexOf(b),
      ),
    );
    for (const f of found) expect(f.reasons.length).toBeGreaterThan(0);
    expect(fits().get('house-deep-40')).toMatchObject({ verdict: 'fits', pours: 1 });
    expect(fits().get('house-deep-40')!.cost!).toBeCloseTo(0.018 * 1260 * 1.08, 6);
    expect(fits().get('house-noon')!.verdict).toBe('layers');
  });
  it.each<[string, string, Partial<FitRequest>]>([
    ['house-bone-3', 'clear is wanted', {}],
    ['house-clear-6', 'there is no rated vessel', { vesselRatedKPa: null }],
    ['house-clear-6', 'damp is over', { humidityPct: 78 }],
    ['house-noon', 'there is none', { lampMWPerCM2: null }],
    ['house-deep-40', 'yellows in the sun', { sun: true }],
    ['house-deep-40', 'are allowed', { waitH: 12 }],
    ['house-deep-40', 'it needs 18 °C', { roomC: 15 }],
    ['house-deep-40', 'to cure through', { thinnestMm: 4 }],
    ['house-deep-40', 'D 85 is wanted', { leastShoreD: 85 }],
    ['house-tide', 'of water', { inclusionMoisturePct: 9 }],
    ['house-mould-p', 'mould rubber', {}],
    ['house-coat-9', 'It is a coating', {}],
  ])('%s does not where %s', (slug, words, patch) => {
    expect(fits(patch).get(slug)!.verdict).toBe('does-not');
    expect(why(slug, patch)).toContain(words);
  });
  it('counts the waits of all pours', () => {
    const deep = fits({ depthMm: 150 }).get('house-deep-40')!;
    expect(deep.verdict).toBe('layers');
    expect(deep.readyH!).toBeGreaterThan(fits().get('house-deep-40')!.readyH! + (deep.pours - 1) * 12);
  });
});
