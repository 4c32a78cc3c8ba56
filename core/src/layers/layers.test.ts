import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bondWindow } from '../cure/bondWindow';
import { diagnose } from '../diagnosis/diagnose';
import { pieceSchema, type Layer } from '../formats/piece';
import type { Product } from '../formats/product';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { placeIn, seenInPiece } from './belowOf';
import { betterOrder } from './betterOrder';
import { layerPairs } from './layerPairs';
import { RIM_MM, layerPlan } from './layerPlan';

const cards: Record<string, Product> = Object.fromEntries(SALTMARSH_CARDS.map((c) => [c.slug, c]));
const now = new Date('2026-11-24T10:00:00Z');
const hoursAgo = (h: number) => new Date(now.getTime() - h * 3_600_000).toISOString();
const piece = (layers: Partial<Layer>[], more: Record<string, unknown> = {}) =>
  pieceSchema.parse({
    format: 'warm-jar.piece/1',
    code: 'P-09',
    name: 'panel',
    roomC: 23,
    layers: layers.map((l) => ({ productSlug: 'house-deep-40', ...l })),
    ...more,
  });
const plan = (layers: Partial<Layer>[], more: Record<string, unknown> = {}, startedAt: Record<string, string> = {}) =>
  layerPlan(piece(layers, more), { cards, startedAt, now });
const hoursBetween = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 3_600_000;

describe('a piece in layers', () => {
  const deep = saltmarshCard('house-deep-40');
  it("waits for the bond window of the layer below, at the room's temperature", () => {
    const { layers } = plan([{ depthMm: 20 }, { depthMm: 20 }]);
    expect(hoursBetween(layers[0]!.at, layers[1]!.at) * 60).toBeCloseTo(bondWindow(deep, 23)!.fromMin, 3);
    expect(layers[1]).toMatchObject({ wait: 'bond', sand: false, state: 'later' });
    const cold = plan([{ depthMm: 20 }, { depthMm: 20 }], { roomC: 15 }).layers;
    expect(hoursBetween(cold[0]!.at, cold[1]!.at)).toBeGreaterThan(hoursBetween(layers[0]!.at, layers[1]!.at));
  });
  it('moves when a layer is late: what follows counts from when it was poured', () => {
    const early = plan([{ pouredAt: hoursAgo(30), depthMm: 20 }, { depthMm: 20 }, { depthMm: 20 }]).layers;
    const late = plan([{ pouredAt: hoursAgo(2), depthMm: 20 }, { depthMm: 20 }, { depthMm: 20 }]).layers;
    expect(early[1]!.at).toBe(now.toISOString());
    expect(Date.parse(late[2]!.at)).toBeGreaterThan(Date.parse(early[2]!.at));
    expect(late.map((l) => l.state)).toEqual(['poured', 'next', 'later']);
  });
  it('takes the moment from the batch it was poured from', () => {
    expect(plan([{ batch: 'B-0100', depthMm: 20 }], {}, { 'B-0100': '2026-11-20T09:00:00Z' }).layers[0]).toMatchObject({
      state: 'poured',
      at: '2026-11-20T09:00:00.000Z',
      batch: 'B-0100',
    });
  });
  it('asks for sanding where the window is past, and not where it was sanded', () => {
    const until = bondWindow(deep, 23)!.untilMin! / 60;
    expect(plan([{ pouredAt: hoursAgo(until + 5), depthMm: 20 }, { depthMm: 20 }]).layers[1]).toMatchObject({
      sand: true,
    });
    expect(plan([{ pouredAt: hoursAgo(until + 5), depthMm: 20 }, { depthMm: 20 }]).layers[1]!.says).toContain(
      'sand with 60 to 100 grit',
    );
    expect(
      plan([
        { pouredAt: hoursAgo(until + 5), depthMm: 20 },
        { depthMm: 20, sanded: true },
      ]).layers[1],
    ).toMatchObject({ sand: false });
    expect(plan([{ pouredAt: hoursAgo(until - 1), depthMm: 20 }, { depthMm: 20 }]).layers[1]).toMatchObject({
      sand: false,
    });
  });
  it('waits on a water-based layer by weighing, not by the clock', () => {
    const chalk = (weighings: Layer['weighings']) =>
      plan([
        { productSlug: 'house-chalk', depthMm: 12, pouredAt: hoursAgo(60), weighings },
        { productSlug: 'house-coat-9', depthMm: 4 },
      ]).layers[1]!;
    expect(
      chalk([
        { at: hoursAgo(20), massG: 500 },
        { at: hoursAgo(2), massG: 499.5 },
      ]),
    ).toMatchObject({ at: now.toISOString(), wait: 'dry' });
    const damp = chalk([
      { at: hoursAgo(20), massG: 500 },
      { at: hoursAgo(2), massG: 480 },
    ]);
    expect(Date.parse(damp.at)).toBeGreaterThan(now.getTime());
    expect(damp.says).toContain('5.3 %');
    expect(damp.notes.map((n) => n.code)).toContain('damp-below');
    expect(
      plan([{ productSlug: 'house-chalk', pouredAt: hoursAgo(1) }, { productSlug: 'house-coat-9' }]).layers[1]!.says,
    ).toContain('not by the clock');
  });
  it('splits what is deeper than the card, and counts the height', () => {
    const deepest = deep.depth!.maxMm!;
    const { layers, warnings, filledMm, leftMm } = plan([{ depthMm: deepest * 1.5 }], {
      heightMm: deepest * 1.5 + 0.5,
    });
    expect(layers[0]).toMatchObject({ pours: 2, pourMm: deepest * 0.75 });
    expect(filledMm).toBeCloseTo(deepest * 1.5, 9);
    expect(leftMm).toBeCloseTo(0.5, 9);
    expect(warnings.join(' ')).toContain(`Leave ${RIM_MM} mm`);
    expect(plan([{ depthMm: 30 }], { heightMm: 20 }).warnings[0]).toContain('10.0 mm higher');
  });
  it('names the field where a card is missing', () => {
    expect(() => plan([{ productSlug: 'house-none' }])).toThrow(
      expect.objectContaining({ path: 'layers[0].productSlug' }) as Error,
    );
  });
  it('never pours a layer before the one below it', () => {
    const slugs = SALTMARSH_CARDS.map((c) => c.slug);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            productSlug: fc.constantFrom(...slugs),
            depthMm: fc.option(fc.double({ min: 0.5, max: 60, noNaN: true }), { nil: null }),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        fc.double({ min: 5, max: 35, noNaN: true }),
        (layers, roomC) => {
          const at = plan(layers, { roomC }).layers.map((l) => Date.parse(l.at));
          expect(at).toEqual([...at].sort((a, b) => a - b));
          expect(at[0]).toBe(now.getTime());
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what a layer waits for', () => {
  const coated = (below: Partial<Layer>, at = now, more: Record<string, unknown> = {}) =>
    layerPlan(
      piece(
        [
          { productSlug: 'house-chalk', depthMm: 12, ...below },
          { productSlug: 'house-coat-9', depthMm: 4 },
        ],
        more,
      ),
      {
        cards,
        startedAt: {},
        now: at,
      },
    ).layers[1]!;
  const weighed = (...masses: [number, number][]) => masses.map(([h, massG]) => ({ at: hoursAgo(h), massG }));
  const later = (h: number) => new Date(now.getTime() + h * 3_600_000);

  it('the next weighing falls due a day after the last one, and does not slide with the clock', () => {
    const below = { pouredAt: hoursAgo(60), massG: 400, weighings: weighed([30, 500], [2, 480]) };
    const due = coated(below).earliest;
    expect(hoursBetween(hoursAgo(2), due!)).toBeCloseTo(24, 9);
    expect(coated(below, later(5)).earliest).toBe(due);
    expect(coated(below, later(21.9)).earliest).toBe(due);
    // Due and not weighed: it waits where it is, it is not put off.
    expect(coated(below, later(30)).earliest).toBe(due);
  });
  it("dries by its own mass, not by the mould's and the mass below it", () => {
    const scales = weighed([26, 2000], [2, 1996]);
    // Four grams a day: a fifth of a per cent of the whole, two per cent of the layer.
    expect(coated({ pouredAt: hoursAgo(60), weighings: scales })).toMatchObject({ stops: [] });
    const own = coated({ pouredAt: hoursAgo(60), weighings: scales, massG: 200 });
    expect(own.says).toContain('2.0 % of its own mass');
    expect(own.stops.map((s) => s.code)).toEqual(['damp']);
  });
  it('a gain is a wrong weighing, and a scale too coarse tells nothing', () => {
    const gained = coated({ pouredAt: hoursAgo(60), massG: 200, weighings: weighed([26, 300], [2, 309]) });
    expect(gained.says).toContain('weighed more than before');
    expect(gained.stops).toHaveLength(1);
    const coarse = coated({ pouredAt: hoursAgo(60), massG: 90, weighings: weighed([8, 150], [2, 150]) });
    expect(coarse.says).toContain('too coarse to tell');
    expect(coarse.stops).toHaveLength(1);
  });
  it('polyester on epoxy waits for the full cure of the card, not for its demould time', () => {
    const { layers } = plan([
      { pouredAt: hoursAgo(60), depthMm: 20 },
      { productSlug: 'house-tide', depthMm: 5 },
    ]);
    const full = cards['house-deep-40']!.fullCure!.hours!;
    expect(hoursBetween(hoursAgo(60), layers[1]!.at)).toBeCloseTo(full, 3);
    expect(layers[1]!.stops.map((s) => s.code)).toContain('too-early');
    const after = layerPlan(
      piece([
        { pouredAt: hoursAgo(full + 1), depthMm: 20 },
        { productSlug: 'house-tide', depthMm: 5 },
      ]),
      {
        cards,
        startedAt: {},
        now,
      },
    );
    expect(after.layers[1]!.stops.map((s) => s.code)).not.toContain('too-early');
  });
  it('a room outside the next product’s band stops it, told or not told by the piece', () => {
    const cold = plan([{ pouredAt: hoursAgo(24), depthMm: 20 }, { depthMm: 20 }], { roomC: 9 }).layers[1]!;
    expect(cold.stops.map((s) => s.code)).toEqual(['room']);
    expect(plan([{ pouredAt: hoursAgo(24), depthMm: 20 }, { depthMm: 20 }], { roomC: null }).layers[1]!.stops).toEqual(
      [],
    );
  });
  it('what does not stick stops it, but not where it is kept off the edge', () => {
    const chalk = (edgeMm: number | null) =>
      plan([
        { productSlug: 'house-coat-9', pouredAt: hoursAgo(90), depthMm: 4 },
        { productSlug: 'house-chalk', depthMm: 6, edgeMm, sanded: true },
      ]).layers[1]!.stops.map((s) => s.code);
    expect(chalk(null)).toContain('pair');
    expect(chalk(20)).not.toContain('pair');
  });
  it('any card is split in closed form, and never into more pours than can be made', () => {
    const thin = { ...cards['house-noon']!, slug: 'house-thin', depth: { minMm: 0.01, maxMm: 0.001 } };
    const { layers } = layerPlan(piece([{ productSlug: 'house-thin', depthMm: 5000 }]), {
      cards: { ...cards, 'house-thin': thin },
      startedAt: {},
      now,
    });
    expect(layers[0]!.pours).toBe(200);
  });
});

describe('a layer on another', () => {
  const on = (upper: string, lower: string, depthMm: number | null = 2) =>
    layerPairs(saltmarshCard(lower), saltmarshCard(upper), depthMm).map((n) => n.code);
  it.each([
    ['house-chalk', 'house-coat-9', 'does-not-stick'],
    ['house-tide', 'house-deep-40', 'reacts'],
    ['house-clear-6', 'house-chalk', 'reacts'],
    ['house-coat-9', 'house-chalk', 'damp-below'],
    ['house-coat-9', 'house-mould-p', 'does-not-stick'],
    ['house-noon', 'house-clear-6', 'light-below'],
  ])('%s on %s: %s', (upper, lower, code) => {
    expect(on(upper, lower)).toContain(code);
  });
  it('of the same product holds', () => {
    expect(on('house-deep-40', 'house-deep-40')).toEqual([]);
  });
  it('says to keep off the edge what does not stick', () => {
    expect(layerPairs(saltmarshCard('house-deep-40'), saltmarshCard('house-chalk'), 3)[0]!.todo).toContain(
      'off the edge',
    );
  });
});

describe('a better order', () => {
  const slugs = (order: ReturnType<typeof betterOrder>) => order?.layers.map((l) => l.productSlug);
  it('puts what does not stick where it does', () => {
    const order = betterOrder(piece([{ productSlug: 'house-coat-9' }, { productSlug: 'house-chalk' }]), cards);
    expect(slugs(order)).toEqual(['house-chalk', 'house-coat-9']);
    expect(order).toMatchObject({
      avoids: ['does-not-stick'],
      says: 'House Chalk, then House Coat 9: 1 thing speaks against it instead of 1.',
    });
  });
  it('leaves what is poured where it lies', () => {
    expect(
      betterOrder(piece([{ productSlug: 'house-coat-9', batch: 'B-1' }, { productSlug: 'house-chalk' }]), cards),
    ).toBeNull();
    expect(
      slugs(
        betterOrder(
          piece([
            { productSlug: 'house-coat-9', batch: 'B-1' },
            { productSlug: 'house-chalk' },
            { productSlug: 'house-deep-40' },
          ]),
          cards,
        ),
      )?.[0] ?? 'house-coat-9',
    ).toBe('house-coat-9');
  });
  it('is not offered where nothing speaks against the present one', () => {
    expect(betterOrder(piece([{}, {}, { productSlug: 'house-coat-9' }]), cards)).toBeNull();
  });
  it('keeps what is decoration where it was laid', () => {
    const held = piece([
      { productSlug: 'house-coat-9', decoration: true },
      { productSlug: 'house-chalk' },
      { productSlug: 'house-deep-40' },
    ]);
    const order = betterOrder(held, cards);
    expect(order?.layers[0]?.productSlug ?? 'house-coat-9').toBe('house-coat-9');
  });
  it('never has more against it, and keeps every layer', () => {
    const any = fc.array(fc.constantFrom(...SALTMARSH_CARDS.map((c) => c.slug)), { minLength: 2, maxLength: 5 });
    const notes = (list: readonly { productSlug: string }[]) =>
      list
        .slice(1)
        .flatMap((l, i) =>
          layerPairs(cards[list[i]!.productSlug]!, cards[l.productSlug]!, null).filter((n) => n.code !== 'damp-below'),
        ).length;
    fc.assert(
      fc.property(any, (list) => {
        const before = piece(list.map((productSlug) => ({ productSlug })));
        const order = betterOrder(before, cards);
        if (!order) return;
        expect(notes(order.layers)).toBeLessThanOrEqual(notes(before.layers));
        expect(order.layers.map((l) => l.productSlug).sort()).toEqual([...list].sort());
      }),
      { numRuns: 80 },
    );
  });
});

describe('a batch in a piece', () => {
  const lifted = soundBatch('house-coat-9', {
    code: 'B-0300',
    startedAt: hoursAgo(100),
    layerBelow: null,
    checks: [{ afterH: 92, symptoms: [{ kind: 'bulge', pattern: 'unspecified', severity: 3 }] }],
  });
  const panel = piece([
    {
      productSlug: 'house-chalk',
      batch: 'B-0299',
      weighings: [
        { at: hoursAgo(120), massG: 500 },
        { at: hoursAgo(110), massG: 488 },
      ],
    },
    { productSlug: 'house-coat-9', batch: 'B-0300', sanded: true },
  ]);
  const startedAt = { 'B-0299': hoursAgo(126) };
  it('is seen with the layer below, its hours and its dryness', () => {
    const seen = seenInPiece(lifted, panel, startedAt, cards);
    expect(seen.layerBelow).toMatchObject({
      productSlug: 'house-chalk',
      family: 'mineral-acrylic',
      poured: 'B-0299',
      sanded: true,
    });
    expect(seen.layerBelow!.hoursSince).toBeCloseTo(26, 6);
    expect(seen.layerBelow!.massLossPct).toBeCloseTo(2.4, 6);
    expect(placeIn(panel, 'B-0300')).toEqual({ piece: 'P-09', name: 'panel', layer: 2, below: 'B-0299', above: null });
  });
  it('is diagnosed by it: the damp layer below is named, which the record alone could not', () => {
    const shareOf = (batch: typeof lifted) =>
      diagnose(cards['house-coat-9']!, batch).symptoms[0]!.causes.find((c) => c.id === 'wet-layer-below')?.share ?? 0;
    expect(shareOf(seenInPiece(lifted, panel, startedAt, cards))).toBeGreaterThan(0.6);
    expect(shareOf(seenInPiece(lifted, panel, startedAt, cards))).toBeGreaterThan(shareOf(lifted));
  });
  it('keeps what it recorded itself', () => {
    expect(
      seenInPiece({ ...lifted, layerBelow: { hoursSince: 70, sanded: false } }, panel, startedAt, cards).layerBelow,
    ).toMatchObject({ hoursSince: 70, sanded: false, family: 'mineral-acrylic' });
  });
  it('has the lamp of the layer above in its own light', () => {
    const base = soundBatch('house-clear-6', { code: 'B-0301' });
    const filled = piece([
      { productSlug: 'house-clear-6', batch: 'B-0301' },
      { productSlug: 'house-noon', batch: 'B-0302', depthMm: 1 },
    ]);
    expect(seenInPiece(base, filled, {}, cards).cure!.lightMJPerCM2).toBeGreaterThan(100);
    const planned = piece([
      { productSlug: 'house-clear-6', batch: 'B-0301' },
      { productSlug: 'house-noon', depthMm: 1 },
    ]);
    expect(seenInPiece(base, planned, {}, cards).cure!.lightMJPerCM2).toBe(0);
  });
  it('elsewhere is as it was', () => {
    expect(
      seenInPiece(soundBatch('house-tide', { code: 'B-0999' }), panel, startedAt, cards).layerBelow,
    ).toBeUndefined();
  });
});
