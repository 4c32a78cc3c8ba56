import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { simulateCup } from '../cure/simulateCup';
import { planRequestSchema } from '../formats/plan';
import { batchSchema, type Batch } from '../formats/batch';
import { plan } from '../planning/plan';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { overlay, soundBatch } from '../simulation/soundBatch';
import { afterCare, comeBacks } from './afterCare';
import { benchClock, pourWindow, resinAhead } from './benchClock';
import { benchSteps, coloursToCome, currentStep, isOffRatio } from './benchSteps';
import { applyEntry, entrySchema, invertPatch, type Entry } from './entry';
import { gaugeTrend } from './gaugeTrend';
import { overpourAdvice } from './overpourAdvice';
import { recordGaps } from './recordGaps';

const clear = saltmarshCard('house-clear-6');
const coat = saltmarshCard('house-coat-9');
const cupOf = (massG: number, resinC: number, roomC: number) => {
  const cup = simulateCup(coat, { massG, resinC, roomC });
  if (!('curve' in cup)) throw new Error(cup.status);
  return cup;
};
const entry = (patch: Partial<Entry>): Entry =>
  entrySchema.parse({ key: 'entry-0001', at: '2026-11-24T10:00:00+00:00', ...patch });

describe('entries', () => {
  const before = { mix: { amountA: 150 }, readings: [{ atMin: 1 }] };
  it('of two people on different fields go together, in either order', () => {
    const mine = entry({
      set: [{ path: 'mix.amountB', was: null, value: 123 }],
      add: [{ path: 'readings', value: { atMin: 2 } }],
    });
    const theirs = entry({
      set: [{ path: 'room.temperatureC', was: undefined, value: 21 }],
      add: [{ path: 'readings', value: { atMin: 3 } }],
    });
    const one = applyEntry(applyEntry(before, mine).document, theirs).document;
    const other = applyEntry(applyEntry(before, theirs).document, mine).document;
    expect(one).toMatchObject({ mix: { amountA: 150, amountB: 123 }, room: { temperatureC: 21 } });
    expect({ ...one, readings: 0 }).toEqual({ ...other, readings: 0 });
    expect((one['readings'] as unknown[]).length).toBe(3);
  });
  it('of two people on the same field are a conflict, and nothing of the later is applied until it is put over', () => {
    const mine = entry({
      set: [
        { path: 'mix.stirMin', was: null, value: 2 },
        { path: 'mix.tool', was: null, value: 'steel' },
      ],
    });
    const now = { mix: { stirMin: 3 } };
    expect(applyEntry(now, mine)).toEqual({ document: now, conflicts: [{ path: 'mix.stirMin', theirs: 3, mine: 2 }] });
    expect(applyEntry(now, { ...mine, over: true }).document).toEqual({ mix: { stirMin: 2, tool: 'steel' } });
  });
  it('that say the same are none', () =>
    expect(
      applyEntry({ mix: { stirMin: 2 } }, entry({ set: [{ path: 'mix.stirMin', was: null, value: 2 }] })).conflicts,
    ).toEqual([]));
  it('that point past the end of a list, or at no field, are refused: they would be taken and kept nowhere', () => {
    const one = { checks: [{ afterH: 1 }] };
    const set = (path: string) => entry({ set: [{ path, was: null, value: 'pass' }] });
    expect(applyEntry(one, set('checks[0].grade')).document).toEqual({ checks: [{ afterH: 1, grade: 'pass' }] });
    for (const path of ['checks[1].grade', 'additives[0].name', 'checks[0].symptoms[0].kind'])
      expect(() => applyEntry(one, set(path))).toThrow(expect.objectContaining({ code: 'past-the-end', path }));
    expect(() => set('constructor.name')).toThrow('There is no field of that name.');
  });
  it('are taken back by their inverse', () => {
    const value = fc.oneof(fc.integer(), fc.constant(null), fc.string());
    fc.assert(
      fc.property(value, value, fc.constantFrom('mix.amountA', 'pour.depthMm', 'note'), (was, next, path) => {
        const start = applyEntry({}, entry({ set: [{ path, was: null, value: was }] })).document;
        const made = entry({ set: [{ path, was, value: next }] });
        expect(
          applyEntry(applyEntry(start, made).document, { set: invertPatch(made), add: [], over: false }).document,
        ).toEqual(start);
      }),
    );
  });
  it('must name their fields plainly', () => {
    for (const path of ['__proto__.x', 'a..b', 'mix amountA', ''])
      expect(
        entrySchema.safeParse({
          key: 'entry-0001',
          at: '2026-11-24T10:00:00+00:00',
          set: [{ path, was: null, value: 1 }],
        }).success,
        path,
      ).toBe(false);
  });
});

describe('benchClock', () => {
  it('agrees with the model while the readings do, and ends when the cup that is read ends', () => {
    const cup = cupOf(600, 26, 20);
    const readings = cup.curve.minutes
      .map((atMin, i) => ({ atMin, temperatureC: cup.curve.temperatureC[i]! }))
      .filter((_, i) => i % 4 === 0);
    const nowMin = cup.potLifeMin! * 0.6;
    const clock = benchClock(coat, { massG: 600, resinC: 26, roomC: 20, readings, nowMin })!;
    expect(clock.from).toBe('readings');
    expect(Math.abs(clock.potLifeEndsMin! / cup.potLifeMin! - 1)).toBeLessThan(0.02);
    expect(Math.abs(clock.gelsMin! / cup.gelMin! - 1)).toBeLessThan(0.02);
    const bare = benchClock(coat, { massG: 600, resinC: 26, roomC: 20, readings: [], nowMin })!;
    expect(bare.from).toBe('start');
    expect(bare.potLifeEndsMin).toBeCloseTo(cup.potLifeMin!, 3);
  });
  it('ends sooner when it reads warmer than the model, later when cooler', () => {
    const ends = (temperatureC: number) =>
      benchClock(coat, { massG: 200, resinC: 23, roomC: 22, readings: [{ atMin: 10, temperatureC }], nowMin: 10 })!
        .potLifeEndsMin!;
    expect(ends(32)).toBeLessThan(ends(25));
    expect(ends(25)).toBeLessThan(ends(21));
  });
  it('has spent all of it when pot life ends', () => {
    const cup = cupOf(150, 23, 23);
    expect(
      benchClock(coat, { massG: 150, resinC: 23, roomC: 23, readings: [], nowMin: cup.potLifeMin! })!.spent,
    ).toBeCloseTo(1, 2);
    expect(benchClock(coat, { massG: 150, resinC: 23, roomC: 23, readings: [], nowMin: 0 })!.spent).toBeCloseTo(0, 3);
  });
  it('goes by the label without a model, and is not known without a label', () => {
    const cup = { massG: 500, resinC: 20, roomC: 20, readings: [], nowMin: 9 };
    expect(benchClock(saltmarshCard('house-chalk'), cup)).toMatchObject({
      spent: 0.5,
      potLifeEndsMin: 18,
      from: 'label',
    });
    expect(benchClock(saltmarshCard('house-noon'), cup)).toBeNull();
  });
});

describe('pourWindow', () => {
  const cup = { massG: 800, resinC: 22, roomC: 21, readings: [], nowMin: 0 };
  it('opens when the mix has warmed so far and closes when it is too warm, or with pot life', () => {
    const curve = cupOf(800, 22, 21);
    const w = pourWindow(coat, cup, { fromC: 24, toC: 26 })!;
    const at = (minute: number) => {
      const i = curve.curve.minutes.findIndex((m) => m >= minute);
      return curve.curve.temperatureC[i]!;
    };
    expect(Math.abs(at(w.opensMin!) - 24)).toBeLessThan(0.5);
    expect(w.closesMin!).toBeGreaterThan(w.opensMin!);
    expect(pourWindow(coat, cup, { fromC: 24, toC: 300 })!.closesMin).toBeCloseTo(curve.potLifeMin!, 3);
    expect(pourWindow(coat, { ...cup, nowMin: (w.opensMin! + w.closesMin!) / 2 }, { fromC: 24, toC: 26 })!.open).toBe(
      true,
    );
  });
  it('is drawn from the last reading on, warming until it gels', () => {
    const ahead = resinAhead(coat, { ...cup, readings: [{ atMin: 5, temperatureC: 24 }], nowMin: 6 });
    expect(ahead[0]).toEqual({ atMin: 5, temperatureC: 24 });
    expect(Math.max(...ahead.map((p) => p.temperatureC))).toBeGreaterThan(30);
    expect(resinAhead(saltmarshCard('house-chalk'), cup)).toEqual([]);
  });
  it('says when it never comes to that in time, and knows nothing without a model', () => {
    expect(pourWindow(coat, cup, { fromC: 120, toC: 130 })).toMatchObject({
      opensMin: null,
      closesMin: null,
      open: false,
    });
    expect(pourWindow(saltmarshCard('house-chalk'), cup, { fromC: 1, toC: 2 })).toBeNull();
  });
});

describe('gaugeTrend', () => {
  const points = (perMin: number, noise: number) =>
    Array.from({ length: 20 }, (_, i) => ({ atMin: i * 0.1, kPa: 340 + perMin * i * 0.1 + noise * Math.sin(i * 7.3) }));
  it('sees a leak through the noise, and says when it is below the limit', () => {
    const t = gaugeTrend(points(-6, 0.8), 275, 100)!;
    expect(t.leaking).toBe(true);
    expect(Math.abs(t.kPaPerMin + 6)).toBeLessThan(1);
    expect(t.belowInMin!).toBeGreaterThan(7);
    expect(t.belowInMin!).toBeLessThan(12);
  });
  it('sees none in noise, in a rise, or in too few readings', () => {
    expect(gaugeTrend(points(0, 0.8), 275, 100)!.leaking).toBe(false);
    expect(gaugeTrend(points(5, 0.8), 275, 100)).toMatchObject({ leaking: false, belowInMin: null });
    expect(gaugeTrend(points(-6, 0).slice(0, 3), 275, 100)).toBeNull();
  });
  it('knows when it is below already', () => expect(gaugeTrend(points(-6, 0), 345, 10)!.belowInMin).toBe(0));
});

describe('overpourAdvice', () => {
  it('brings back what is worth it, and says when starting again is cheaper', () => {
    expect(overpourAdvice(clear, 150, 135, 500, 273)).toMatchObject({
      fix: { part: 'A' },
      withinTolerance: false,
      fits: true,
      restartCheaper: false,
    });
    expect(overpourAdvice(clear, 30, 123, 500, 273).restartCheaper).toBe(false);
    expect(overpourAdvice(clear, 10, 123, 500, 273)).toMatchObject({ restartCheaper: true });
    expect(overpourAdvice(clear, 150, 124, 100, null)).toMatchObject({ withinTolerance: true, fits: false });
  });
});

const planned = (route: string, additives: unknown[] = []): Batch =>
  batchSchema.parse({
    format: 'warm-jar.batch/1',
    product: { slug: 'house-clear-6' },
    plan: plan(
      planRequestSchema.parse({
        product: clear,
        want: { volumeML: 200, additives },
        route,
        gear: { vesselFreeL: 18, vesselRatedKPa: 400, freeAirLPerMin: 40 },
      }),
    ),
  });
const then = (batch: Batch, patch: Record<string, unknown>): Batch => batchSchema.parse(overlay(batch, patch));

describe('benchSteps', () => {
  it('go one after the other as the record fills', () => {
    let b = planned('vacuum-then-pressure', [{ name: 'amber dye', kind: 'dye', pct: 0.5 }]);
    const seen = [currentStep(clear, b)];
    for (const patch of [
      { mix: { amountA: 150 } },
      { mix: { amountB: 123 } },
      { additives: [{ name: 'amber dye', kind: 'dye', massG: 1 }] },
      { mix: { stirMin: 2 } },
      { degas: { method: 'vacuum', minutes: 2 } },
      { pour: { startedMin: 4, finishedMin: 5 } },
      { pressure: { gaugeKPa: 340, startedMin: 6 } },
      { pressure: { reachedMin: 7 } },
      { pressure: { releasedMin: 130 } },
      { cure: { demouldedMin: 150 } },
    ]) {
      b = then(b, patch);
      seen.push(currentStep(clear, b));
    }
    expect(seen).toEqual([
      'weigh-a',
      'weigh-b',
      'colour',
      'stir',
      'clear',
      'pour',
      'close',
      'press',
      'hold',
      'watch',
      'after',
    ]);
  });
  it('stop at a ratio that is off until it is brought back, or let stand with a reason', () => {
    const off = then(planned('none'), { mix: { amountA: 150, amountB: 140, unit: 'g' } });
    expect(isOffRatio(clear, off)).toBe(true);
    expect(currentStep(clear, off)).toBe('bring-back');
    expect(currentStep(clear, then(off, { mix: { amountA: 170.7 } }))).toBe('stir');
    expect(
      currentStep(clear, then(off, { bench: { reasons: [{ field: 'mix.ratioErrorPct', reason: 'test piece' }] } })),
    ).toBe('stir');
  });
  it('leave out what this product or route does not take', () => {
    expect(benchSteps(clear, planned('none')).map((s) => s.step)).toEqual([
      'weigh-a',
      'weigh-b',
      'stir',
      'pour',
      'watch',
      'after',
    ]);
    const noon = saltmarshCard('house-noon');
    expect(
      benchSteps(noon, batchSchema.parse({ format: 'warm-jar.batch/1', product: { slug: 'house-noon' } })).map(
        (s) => s.step,
      ),
    ).not.toContain('weigh-b');
    const bone = saltmarshCard('house-bone-3');
    expect(
      benchSteps(
        bone,
        batchSchema.parse({ format: 'warm-jar.batch/1', product: { slug: 'house-bone-3' }, bench: { hollow: true } }),
      ).map((s) => s.step),
    ).toContain('turn');
  });
  it('know which colours are still to come', () => {
    const b = planned('none', [
      { name: 'amber dye', kind: 'dye', pct: 0.5 },
      { name: 'pearl mica', kind: 'mica', pct: 1 },
    ]);
    expect(coloursToCome(then(b, { additives: [{ name: 'amber dye', massG: 1 }] })).map((a) => a.name)).toEqual([
      'pearl mica',
    ]);
  });
});

describe('coming back', () => {
  it('looks in on slow casts only, until they gel', () => {
    const deep = saltmarshCard('house-deep-40');
    const looks = comeBacks(deep, 400, 20);
    expect(looks.map((l) => l.afterMin)).toEqual([95, 170, 245, 320, 395]);
    expect(comeBacks(clear, 9, 3)).toEqual([]);
  });
  it('orders the work after the mould, later in a cold room, and washes release off before paint', () => {
    const batch = soundBatch('house-clear-6', { pour: { releaseMist: true }, cure: { demouldedMin: null } });
    const warm = afterCare(clear, batch, 23);
    expect(warm.map((c) => c.what)).toEqual(['trim', 'sand', 'wash', 'prime', 'polish']);
    expect(warm[0]!.afterMin).toBeCloseTo(140, 6);
    expect(afterCare(clear, batch, 16)[0]!.afterMin).toBeGreaterThan(180);
  });
});

describe('recordGaps', () => {
  it('names what was not recorded, each with what it costs, and nothing of a whole record', () => {
    const whole = soundBatch('house-clear-6');
    const gaps = recordGaps(
      clear,
      then(whole, { room: { humidityPct: null }, mix: { scrapedWalls: null }, cure: { peakC: null } }),
    );
    expect(gaps.map((g) => g.field)).toEqual(expect.arrayContaining(['room.humidityPct', 'mix.scrapedWalls']));
    expect(gaps.find((g) => g.field === 'room.humidityPct')!.costs).toContain('damp');
    const wholeGaps = recordGaps(clear, whole).map((g) => g.field);
    expect(wholeGaps).not.toContain('room.humidityPct');
    expect(wholeGaps).not.toContain('mix.scrapedWalls');
  });
});
