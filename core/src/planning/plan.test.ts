import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../formats/errors';
import { planRequestSchema, planSchema, type PlanRequest } from '../formats/plan';
import { productSchema } from '../formats/product';
import { issuesFromZod } from '../formats/problem';
import { ratioErrorPct } from '../mixing/ratio';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { overlay } from '../simulation/soundBatch';
import { forbiddenBy, plan, quickPlan, reasonsNeeded } from './plan';

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
      },
      patch,
    ),
  );
const codes = (r: PlanRequest) => plan(r).warnings.map((w) => w.code);

describe('plan', () => {
  it.each(SALTMARSH_CARDS.map((c) => [c.slug] as const))(
    '%s: is a whole document of its format, in ratio, and enough to fill what is wanted',
    (slug) => {
      const answer = plan(request(slug, { mould: { depthMm: 8 } }));
      expect(planSchema.parse(JSON.parse(JSON.stringify(answer)))).toEqual(answer);
      const card = saltmarshCard(slug);
      expect(answer.totalMassG).toBeGreaterThanOrEqual(200 * card.mixedDensityGPerML!);
      if (answer.partB.massG !== null && !card.ratio.catalyst)
        expect(Math.abs(ratioErrorPct(card, answer.partA.massG, answer.partB.massG))).toBeLessThan(0.5);
      expect(answer.timeline[0]).toMatchObject({ fromMin: 0 });
      answer.timeline.slice(1).forEach((s, i) => {
        expect(s.fromMin).toBe(answer.timeline[i]!.toMin);
      });
    },
  );

  it('asks for just the mixed mass that was named, and adds the loss that was named', () => {
    expect(plan(request('house-clear-6', { want: { volumeML: null, mixedMassG: 182 } })).partA.massG).toBeCloseTo(
      100,
      6,
    );
    expect(
      plan(request('house-clear-6', { want: { volumeML: null, mixedMassG: 182, lossPct: 10 } })).partA.massG,
    ).toBeCloseTo(110, 6);
  });

  it('gives a filler its own room: total as before, resin less by its share', () => {
    const plain = plan(request('house-bone-3', { gear: { scaleStepG: null } }));
    const filled = plan(
      request('house-bone-3', {
        gear: { scaleStepG: null },
        want: { additives: [{ name: 'stone flour', kind: 'filler', pct: 20 }] },
      }),
    );
    expect(filled.totalMassG).toBeCloseTo(plain.totalMassG, 6);
    expect(filled.mixedMassG * 1.2).toBeCloseTo(plain.mixedMassG, 6);
    expect(filled.viscosityMPaS!).toBeGreaterThan(plain.viscosityMPaS! * 1.2);
    expect(filled.loading.kinds[0]).toMatchObject({ kind: 'filler', limitPct: 30 });
  });

  it('makes one amount round where that is wanted', () => {
    expect(plan(request('house-clear-6', { want: { round: 'A' } })).partA.massG).toBe(120);
    expect(plan(request('house-clear-6', { want: { round: 'total' } })).mixedMassG).toBeCloseTo(250, 0);
    expect(plan(request('house-clear-6', { want: { round: 'B' } })).partB.massG).toBe(100);
  });

  it('doses catalyst by room and depth inside the band, in grams, mL and drops', () => {
    const cold = plan(request('house-tide', { conditions: { roomC: 17 }, mould: { depthMm: 5 } }));
    expect(cold.catalystPct!).toBeCloseTo(2.4, 1);
    expect(cold.partB.volumeML!).toBeCloseTo(cold.partB.massG! / 1.15, 9);
    expect(cold.partB.drops).toBe(Math.round(cold.partB.volumeML! * 34));
    expect(plan(request('house-tide', { conditions: { roomC: 27 }, mould: { depthMm: 24 } })).catalystPct!).toBeCloseTo(
      0.8,
      1,
    );
  });

  it('weighs liquid before powder, and one part alone where there is one', () => {
    expect(plan(request('house-chalk')).order).toEqual(['liquid', 'powder']);
    expect(plan(request('house-noon', { mould: { depthMm: 4 } }))).toMatchObject({
      order: ['A'],
      partB: { massG: null },
      potLifeMin: null,
      spareMin: null,
      workingFrom: 'none',
    });
  });

  it('counts loading as it will be recorded, with what is left in grams and drops', () => {
    const { loading } = plan(
      request('house-clear-6', { want: { additives: [{ name: 'amber dye', kind: 'dye', pct: 1, dropsPerG: 32 }] } }),
    );
    expect(loading.kinds[0]!.pct).toBeCloseTo(1, 6);
    expect(loading.kinds[0]!.leftG!).toBeCloseTo(
      loading.total.leftG! - ((4 - 1.5) / 100) * (loading.kinds[0]!.leftG! / 0.005),
      6,
    );
    expect(loading.kinds[0]!.leftDrops).toBe(Math.floor(loading.kinds[0]!.leftG! * 32));
  });

  it('plans pressure in the middle of what card and vessel both allow, and not a kilopascal over the rating', () => {
    expect(plan(request('house-clear-6', { route: 'pressure' })).pressureKPa).toBe(338);
    expect(plan(request('house-clear-6', { route: 'pressure', gear: { vesselRatedKPa: 300 } })).pressureKPa).toBe(288);
    const over = plan(request('house-clear-6', { route: 'pressure', handling: { pressureKPa: 410 } }));
    expect(over.verdict).toBe('no-go');
    expect(over.warnings[0]).toMatchObject({ code: 'over-rating', measured: 410, limit: 400, stop: true });
    expect(codes(request('house-clear-6', { route: 'pressure', gear: { vesselRatedKPa: 200 } }))).toContain(
      'vessel-too-weak',
    );
    expect(codes(request('house-coat-9', { route: 'pressure' }))).toContain('pressure-not-stated');
  });

  it.each<[string, string, Record<string, unknown>, string]>([
    ['styrene under vacuum', 'house-tide', { route: 'vacuum' }, 'styrene-under-vacuum'],
    [
      'water in urethane',
      'house-clear-6',
      { want: { additives: [{ kind: 'water-based-paint', massG: 2 }] } },
      'water-makes-gas',
    ],
    [
      'a refused kind',
      'house-deep-40',
      { want: { additives: [{ kind: 'water-based-paint', massG: 2 }] } },
      'additives.water-based-paint.pct:above',
    ],
    ['a damp room', 'house-clear-6', { conditions: { humidityPct: 75 } }, 'room.humidityPct:above'],
    [
      'a mould near the dew point',
      'house-coat-9',
      { conditions: { roomC: 20, resinC: 20, humidityPct: 64, mouldC: 13.5 } },
      'near-dew-point',
    ],
    ['a coarse scale', 'house-clear-6', { gear: { scaleStepG: 5 } }, 'scale-too-coarse'],
    ['a small cup under vacuum', 'house-clear-6', { route: 'vacuum', gear: { cupVolumeML: 500 } }, 'cup-no-headroom'],
    ['a cup that does not hold it', 'house-clear-6', { gear: { cupVolumeML: 150 } }, 'cup-too-small'],
    [
      'a mould that was not degassed',
      'house-clear-6',
      { route: 'pressure', mould: { degassed: false } },
      'mould-not-degassed',
    ],
    ['tin rubber and clear urethane', 'house-clear-6', { mould: { rubber: 'tin-silicone' } }, 'tin-mould'],
    ['tin rubber and platinum silicone', 'house-mould-p', { mould: { rubber: 'tin-silicone' } }, 'inhibited'],
    ['too deep a pour', 'house-tide', { mould: { depthMm: 60 } }, 'too-deep-at-once'],
    ['a thin edge', 'house-deep-40', { mould: { depthMm: 20, thinnestMm: 3 } }, 'mould.thinnestMm:below'],
    ['solvent ink', 'house-coat-9', { want: { additives: [{ kind: 'solvent-ink', massG: 1 }] } }, 'solvent-flame'],
    ['no time', 'house-bone-3', { conditions: { resinC: 28 }, handling: { stirMin: 3 } }, 'no-time'],
  ])('warns of %s', (_what, slug, patch, code) => expect(codes(request(slug, patch))).toContain(code));

  it('says go when nothing speaks against it, tight and no-go as time runs out', () => {
    const at = (stirMin: number) =>
      quickPlan(request('house-clear-6', { route: 'none', handling: { stirMin, pourMin: 1 } })).plan;
    expect(at(2)).toMatchObject({ verdict: 'go', warnings: [] });
    const potLife = at(2).potLifeMin!;
    expect(at(potLife - 1.3).verdict).toBe('tight');
    expect(at(potLife).verdict).toBe('no-go');
    expect(at(2).spareMin!).toBeCloseTo(potLife - 3, 9);
  });

  it('works out what would help, and each does by as much as it says', () => {
    const tight = request('house-clear-6', {
      route: 'vacuum-then-pressure',
      conditions: { resinC: 27, roomC: 25 },
      want: { volumeML: 500 },
      mould: { depthMm: 20 },
    });
    const answer = quickPlan(tight).plan;
    expect(answer.help.map((h) => h.what)).toEqual(
      expect.arrayContaining(['cooler', 'two-batches', 'faster-loading', 'faster-pour']),
    );
    expect(answer.help.map((h) => h.gainMin)).toEqual([...answer.help.map((h) => h.gainMin)].sort((a, b) => b - a));
    const loaded = quickPlan({ ...tight, handling: { ...tight.handling, loadMin: 0.25 } }).plan;
    expect(loaded.spareMin! - answer.spareMin!).toBeCloseTo(
      answer.help.find((h) => h.what === 'faster-loading')!.gainMin,
      9,
    );
  });

  it('leaves less time for more resin (no colder than the room), warmer resin, a longer stir', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 2000, noNaN: true }),
        fc.double({ min: 22.5, max: 30, noNaN: true }),
        (volumeML, resinC) => {
          const spare = (patch: Record<string, unknown>) =>
            quickPlan(
              request(
                'house-coat-9',
                overlay({ want: { volumeML }, conditions: { resinC }, handling: { pourMin: 1 } }, patch),
              ),
            ).budget.spareMin!;
          const base = spare({});
          expect(spare({ want: { volumeML: volumeML * 1.5 } })).toBeLessThan(base);
          expect(spare({ conditions: { resinC: resinC + 2 } })).toBeLessThan(base);
          expect(spare({ handling: { stirMin: 8 } })).toBeLessThan(base);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('tells what it had to assume', () => {
    const bare = plan(planRequestSchema.parse({ product: saltmarshCard('house-clear-6'), want: { mixedMassG: 150 } }));
    expect(bare.assumed.map((a) => a.field)).toEqual([
      'conditions.roomC',
      'conditions.resinC',
      'route',
      'handling.stirMin',
      'handling.pourMin',
      'handling.loadMin',
    ]);
    expect(bare.potLifeMin!).toBeCloseTo(6, 1);
    expect(bare).toMatchObject({
      ratioErrorFromScalePct: null,
      smallestSafeBatchG: null,
      dewPointC: null,
      minutesToPressure: null,
      peakFrom: 'cup',
    });
  });

  it('refuses a wish without an amount, and a card without a ratio, at the field', () => {
    const bad = planRequestSchema.safeParse({ product: saltmarshCard('house-clear-6'), want: {} });
    expect(issuesFromZod(bad.error!)).toMatchObject([{ path: 'want.volumeML' }]);
    const both = planRequestSchema.safeParse({
      product: saltmarshCard('house-clear-6'),
      want: { volumeML: 1, mixedMassG: 1 },
    });
    expect(issuesFromZod(both.error!)).toMatchObject([{ path: 'want.mixedMassG' }]);
    const bare = productSchema.parse(
      overlay(saltmarshCard('house-coat-9'), { ratio: { byWeight: null, byVolume: null } }),
    );
    expect(() => plan(planRequestSchema.parse({ product: bare, want: { mixedMassG: 100 } }))).toThrow(CoreError);
  });
});

describe('what a plan may be begun with', () => {
  const of = (slug: string, patch: Record<string, unknown>) => plan(request(slug, patch));
  it.each<[string, string, Record<string, unknown>, string]>([
    ['a room far too cold', 'house-deep-40', { conditions: { roomC: 5, resinC: 5 } }, 'room.temperatureC:below'],
    ['damp over the card', 'house-clear-6', { conditions: { humidityPct: 80 } }, 'room.humidityPct:above'],
    ['a depth over the card', 'house-coat-9', { mould: { depthMm: 40 } }, 'too-deep-at-once'],
    ['a scale too coarse', 'house-clear-6', { want: { volumeML: 12 }, gear: { scaleStepG: 2 } }, 'scale-too-coarse'],
  ])('%s needs a reason, and is never plainly go', (_what, slug, patch, code) => {
    const answer = of(slug, patch);
    expect(reasonsNeeded(answer).map((w) => w.code)).toContain(code);
    expect(forbiddenBy(answer)).toEqual([]);
    expect(answer.verdict).not.toBe('go');
  });
  it('pressure over a rating passes for no reason', () => {
    const answer = of('house-clear-6', {
      handling: { route: 'pressure', pressureKPa: 405 },
      gear: { vesselRatedKPa: 350 },
    });
    expect(forbiddenBy(answer).map((w) => w.code)).toContain('over-rating');
    expect(reasonsNeeded(answer).map((w) => w.code)).not.toContain('over-rating');
    expect(answer.verdict).toBe('no-go');
  });
  it('a sound one needs none, and whatever needs none is not stopped', () => {
    for (const { slug, depth } of SALTMARSH_CARDS) {
      const answer = of(slug, { mould: { depthMm: Math.min(6, depth?.maxMm ?? 6) } });
      expect(forbiddenBy(answer), slug).toEqual([]);
      if (reasonsNeeded(answer).length === 0)
        expect(
          answer.warnings.filter((w) => w.stop),
          slug,
        ).toEqual([]);
      else expect(answer.verdict, slug).not.toBe('go');
    }
  });
});
