import { EMPTY_SHELF, form, mouldOf } from './planTestKit';
import {
  plan,
  planRequestSchema,
  saltmarshAdditives,
  saltmarshCard,
  saltmarshGear,
  saltmarshInclusions,
  saltmarshMoulds,
  wordsIn,
} from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { batchFromPlan } from './batchFromPlan';
import { budgetBar } from './budgetBar';
import { buildRequest } from './buildRequest';
import { planFill } from './planFill';
import { planGear } from './planGear';
import { draftNumbersBad } from './planTexts';
import { slabAt, slabPicture } from './slabPicture';
import { roundTicks, timeScale } from './timeScale';

const now = new Date('2026-11-24T14:30:00Z');
const clear = saltmarshCard('house-clear-6');
const gear = saltmarshGear(now);
const moulds = saltmarshMoulds().map((item) => ({ item, masses: [] }));
const shelf = { moulds, additives: saltmarshAdditives(), inclusions: saltmarshInclusions(now), gear };
const build = (patch: Parameters<typeof form>[0], day = '2026-11-24') =>
  buildRequest(form(patch), clear, shelf, day, wordsIn());

describe('what is to be filled', () => {
  it('is all cavities of a mould, or as many pieces as are wanted', () => {
    expect(planFill(form({ mouldCode: 'M-08' }), clear, mouldOf(moulds, 'M-08'))).toMatchObject({
      volumeML: 248,
      pieces: 4,
      depthMm: 22,
      thinnestMm: 6,
      issues: {},
    });
    expect(planFill(form({ mouldCode: 'M-08', pieces: 2 }), clear, mouldOf(moulds, 'M-08')).volumeML).toBe(124);
    expect(planFill(form({ mouldCode: 'M-08', pieces: 8 }), clear, mouldOf(moulds, 'M-08')).volumeML).toBe(496);
  });
  it('is several moulds from one cup: volumes together, the deepest and the thinnest of them', () => {
    const more = [mouldOf(moulds, 'M-15'), mouldOf(moulds, 'M-14')];
    expect(planFill(form({ mouldCode: 'M-08' }), clear, mouldOf(moulds, 'M-08'), more)).toMatchObject({
      volumeML: 248 + 380 + 208,
      depthMm: 22,
      thinnestMm: 5,
      pieces: 10,
    });
    expect(build({ mouldCode: 'M-08', moreMoulds: ['M-15', 'M-08'] }).request!.want.volumeML).toBe(628);
  });
  it('is what earlier pulls took, for a hollow mould, and has no depth', () => {
    const masses = [140, 150, 160].map((massG) => ({ productSlug: 'house-clear-6', massG }));
    const fill = planFill(form({ mouldCode: 'M-17' }), clear, { item: mouldOf(moulds, 'M-17').item, masses });
    expect(fill.volumeML).toBeCloseTo(150 / 1.04, 6);
    expect(fill).toMatchObject({ depthMm: null, from: 'by its earlier pulls' });
  });
  it('is a shape, a coat or a mass', () => {
    expect(
      planFill(form({ fill: 'shape', measures: { lengthMm: 100, widthMm: 50, depthMm: 20 }, pieces: 3 }), clear, null),
    ).toMatchObject({ volumeML: 300, depthMm: 20 });
    expect(planFill(form({ fill: 'coat', areaCM2: 600, thicknessMm: 2 }), clear, null)).toMatchObject({
      volumeML: 120,
      depthMm: 2,
    });
    expect(planFill(form({ fill: 'mass', massG: 180, depthMm: 12, widthMm: 90 }), clear, null)).toMatchObject({
      widthMm: 90,
      massG: 180,
      volumeML: null,
      depthMm: 12,
    });
  });
  it('is a share of it where one of several pours is planned', () => {
    expect(
      planFill(form({ fill: 'shape', measures: { lengthMm: 100, widthMm: 50, depthMm: 60 }, pourOf: 3 }), clear, null),
    ).toMatchObject({ volumeML: 100, depthMm: 20 });
  });
  it.each<[string, Parameters<typeof form>[0], string]>([
    ['no mould', {}, 'mouldCode'],
    ['half a piece', { mouldCode: 'M-08', pieces: 1.5 }, 'pieces'],
    ['a shape without its depth', { fill: 'shape', measures: { lengthMm: 1, widthMm: 1 } }, 'measures'],
    ['a coat without thickness', { fill: 'coat', areaCM2: 4 }, 'areaCM2'],
    ['no mass', { fill: 'mass', massG: 0 }, 'massG'],
  ])('says what is missing: %s', (_what, patch, field) => {
    expect(Object.keys(planFill(form(patch), clear, mouldOf(moulds, form(patch).mouldCode)).issues)).toEqual([field]);
  });
});

describe('gear', () => {
  const pick = (
    patch: Parameters<typeof form>[0],
    liquidML: number,
    route: 'none' | 'vacuum' = 'none',
    day = '2026-11-24',
  ) => planGear(gear, form(patch), liquidML, liquidML, route, day);
  it('is the finest scale that holds it and the smallest cup that fits, with room for foam under vacuum', () => {
    expect(pick({}, 100)).toMatchObject({ scale: { code: 'G-13' }, cup: { code: 'G-11' } });
    expect(pick({}, 300).scale!.code).toBe('G-01');
    expect(pick({}, 200, 'vacuum').cup!.code).toBe('G-10');
    expect(pick({}, 9000).cup!.code).toBe('G-12');
  });
  it('is what was chosen, or nothing where that was chosen; never a vessel past its inspection', () => {
    expect(pick({ scaleCode: 'G-02', cupCode: 'none' }, 100)).toMatchObject({ scale: { code: 'G-02' }, cup: null });
    expect(pick({}, 100, 'none', '2028-01-01').vessel).toBeNull();
  });
});

describe('buildRequest', () => {
  it('makes a request the planner takes, with mould, gear and drops of the shelf', () => {
    const { request, issues } = build({
      mouldCode: 'M-08',
      roomC: 19,
      resinC: 21,
      additives: [{ code: 'C-01', name: 'amber dye', kind: 'dye', pct: 0.5 }],
    });
    expect(issues).toEqual({});
    expect(request).toMatchObject({
      want: { volumeML: 248 },
      mould: { depthMm: 22, rubber: 'platinum-silicone', degassed: true },
      gear: { vesselRatedKPa: 400, freeAirLPerMin: 38, cupVolumeML: 500 },
    });
    expect(request!.want.additives![0]!.dropsPerG).toBeCloseTo(40 / 1.24, 9);
    expect(plan(request!).partA.massG).toBeGreaterThan(100);
  });
  it('names a figure that cannot be by its field of the form', () => {
    expect(Object.keys(build({ mouldCode: 'M-08', roomC: 4000 }).issues)).toEqual(['roomC']);
    expect(build({ mouldCode: 'M-08', vesselCode: 'G-04' }, '2028-01-01').issues['vesselCode']).toContain('inspection');
    expect(draftNumbersBad({ roomC: 'warm' })['roomC']).toContain('Write a number');
  });
  it('carries what an inclusion bears', () =>
    expect(build({ mouldCode: 'M-08', inclusionCode: 'I-02' }).request!.mould).toMatchObject({
      inclusionMaxC: 60,
      inclusionMoisturePct: 9,
    }));
});

describe('a batch from a plan', () => {
  const request = planRequestSchema.parse({
    product: clear,
    want: { volumeML: 248 },
    route: 'pressure',
    gear: { vesselFreeL: 18, vesselRatedKPa: 400, freeAirLPerMin: 38 },
    mould: { thinnestMm: 6 },
  });
  it('records what was chosen and nothing that has not been done', () => {
    const batch = batchFromPlan(plan(request), request, {
      mould: { ...mouldOf(moulds, 'M-08'), version: 1, pulls: 2 },
      vessel: 'G-04',
      copiedFrom: null,
      inclusion: saltmarshInclusions(now)[0]!,
      reasons: [{ field: 'mould.thinnestMm', reason: 'a trial of the edge' }],
    });
    expect(batch.bench!.reasons).toEqual([{ field: 'mould.thinnestMm', reason: 'a trial of the edge' }]);
    expect(batch.inclusions![0]).toMatchObject({
      what: saltmarshInclusions(now)[0]!.what,
      code: saltmarshInclusions(now)[0]!.code,
    });
    expect(batch).toMatchObject({
      startedAt: null,
      product: { slug: 'house-clear-6', revision: 1 },
      mould: { code: 'M-08', pulls: 2, thinnestMm: 6 },
      pressure: { vessel: 'G-04' },
      plan: { format: 'warm-jar.plan/1' },
    });
    for (const part of ['lotA', 'lotB', 'mix', 'resin', 'degas'] as const) expect(batch[part] ?? null, part).toBeNull();
    expect(batch.room).toBeUndefined();
    expect(batch.pressure!.gaugeKPa).toBeUndefined();
    expect(batch.bench!.pourWindow ?? null).toBeNull();
  });
  it('takes the window of the pour along, where the plan has one', () => {
    const wanted = { ...request, handling: { pourFromC: 24, pourToC: 30 } };
    const nothing = { mould: undefined, vessel: null, copiedFrom: null, inclusion: null, reasons: [] };
    expect(batchFromPlan(plan(request), wanted, nothing).bench).toEqual({ pourWindow: { fromC: 24, toC: 30 } });
    expect(batchFromPlan(plan(request), request, nothing).pressure ?? null).toBeNull();
  });
});

describe('the bar of time', () => {
  const step = (what: 'stir' | 'pour', fromMin: number, toMin: number) => ({ what, fromMin, toMin });
  it('lays the steps end to end before the end of pot life, the rest spare', () => {
    const bar = budgetBar({ timeline: [step('stir', 0, 2), step('pour', 2, 3)], potLifeMin: 6, gelMin: 9 });
    expect(bar.steps[1]!.from).toBeCloseTo(bar.steps[0]!.width, 12);
    expect(bar.spare!.from + bar.spare!.width).toBeCloseTo(bar.potLife!, 12);
    expect(bar).toMatchObject({ cut: false });
  });
  it('is cut where pot life is many times the work, and has no spare where the work is too long', () => {
    expect(budgetBar({ timeline: [step('stir', 0, 5)], potLifeMin: 240, gelMin: 400 })).toMatchObject({
      cut: true,
      potLife: null,
      minutes: 15,
    });
    expect(budgetBar({ timeline: [step('stir', 0, 5)], potLifeMin: 4, gelMin: null }).spare).toBeNull();
    expect(budgetBar({ timeline: [step('stir', 0, 5)], potLifeMin: null, gelMin: null })).toMatchObject({
      potLife: null,
      spare: null,
    });
  });
});

describe('the picture of a slab', () => {
  const slab = {
    minutes: [0, 10, 40],
    positionsMm: [1, 3, 5],
    temperatureC: [
      [20, 20, 20],
      [40, 60, 50],
      [20, 30, 25],
    ],
  };
  it('reads temperatures between the times that were kept', () => {
    expect(slabAt(slab, 5)).toEqual([30, 40, 35]);
    expect(slabAt(slab, 0)).toEqual([20, 20, 20]);
    expect(slabAt(slab, 99)).toEqual([20, 30, 25]);
  });
  it('lays them on an even grid in the units people read', () => {
    const picture = slabPicture(slab, (c) => c * 1.8 + 32);
    expect(picture.minutes.at(-1)).toBe(40);
    expect(picture.depthsMm).toEqual([1, 3, 5]);
    expect(picture.lowC).toBe(68);
    expect(picture.highC).toBeGreaterThan(136);
    expect(picture.cells).toHaveLength(picture.minutes.length * 3);
  });
  it('is told on a scale of minutes, hours or days with round numbers', () => {
    expect([100, 600, 9000].map((m) => timeScale(m).unit)).toEqual(['minutes', 'hours', 'days']);
    expect(roundTicks(57)).toEqual([0, 10, 20, 30, 40, 50]);
    expect(roundTicks(4.4)).toEqual([0, 1, 2, 3, 4]);
    expect(roundTicks(0)).toEqual([0]);
  });
});

describe('an empty shelf', () => {
  it('asks for the mould rather than failing', () =>
    expect(buildRequest(form({}), clear, EMPTY_SHELF, '2026-11-24', wordsIn()).issues).toEqual({
      mouldCode: 'Choose the mould.',
    }));
});

describe('several moulds from one cup', () => {
  const both = { mouldCode: 'M-12', moreMoulds: ['M-08', 'M-17'] };
  it('are asked about each by itself, with what the shelf knows of it', () => {
    const { request } = build(both);
    expect(request!.want.moulds).toMatchObject([
      {
        code: 'M-12',
        cavities: 4,
        volumeML: 62,
        depthMm: 52,
        rubber: 'platinum-silicone',
        degassed: true,
        pullsLeft: 45,
      },
      { code: 'M-08', cavities: 4, depthMm: 22 },
      { code: 'M-17', cavities: 5, depthMm: null, degassed: false, pullsLeft: 44 },
    ]);
    const filled = request!.want.moulds!.reduce((sum, m) => sum + m.volumeML! * m.cavities!, 0);
    expect(filled).toBeCloseTo(request!.want.volumeML!, 6);
    expect(build({ mouldCode: 'M-12' }).request!.want).not.toHaveProperty('moulds');
  });
  it('leave what was typed to the first of them', () => {
    expect(build({ ...both, pieces: 2, depthMm: 30 }).request!.want.moulds).toMatchObject([
      { cavities: 2, depthMm: 30 },
      { cavities: 4, depthMm: 22 },
      { cavities: 5 },
    ]);
  });
  it('are no mould of the batch: each casting names its own', () => {
    const { request } = build(both);
    const begun = {
      mould: { ...moulds[0]!, version: 1, pulls: 3, masses: [] },
      vessel: null,
      copiedFrom: null,
      inclusion: null,
      reasons: [],
    };
    expect(batchFromPlan(plan(request!), request!, begun).mould ?? null).toBeNull();
    const one = build({ mouldCode: 'M-12' }).request!;
    expect(batchFromPlan(plan(one), one, begun).mould).toMatchObject({ code: moulds[0]!.item.code });
  });
});
