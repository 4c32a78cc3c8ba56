import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterCare, comeBacks } from './bench/afterCare';
import { benchClock } from './bench/benchClock';
import { benchSteps } from './bench/benchSteps';
import { makeMore, targetTotalG } from './bench/makeMore';
import { recordGaps } from './bench/recordGaps';
import { splitCups } from './bench/splitCups';
import { castingAsBatch } from './castings/castingAsBatch';
import { limitsOfCastings } from './castings/castingLimits';
import { castingGrade, castingIds } from './castings/castingList';
import { batchMoney } from './castings/castingMoney';
import { mouldLook } from './castings/castingSpots';
import { finishAgenda, finishBacks } from './castings/finishAgenda';
import { thinEdgeOutMin } from './cure/demould';
import { mixOfBatch, mixStartC, workingTime } from './cure/workingTime';
import { diagnose } from './diagnosis/diagnose';
import { hardnessStory } from './diagnosis/hardnessStory';
import { mendsOf } from './diagnosis/mendChain';
import { CoreError } from './formats/errors';
import { batchSchema, type Batch } from './formats/batch';
import { pieceSchema, type Piece } from './formats/piece';
import { planRequestSchema, type PlanRequest } from './formats/plan';
import { productSchema, storedProductSchema, type Product } from './formats/product';
import { layerPlan } from './layers/layerPlan';
import { betterOrder } from './layers/betterOrder';
import { batchFacts, castingFacts } from './learning/batchFacts';
import { castFacts } from './learning/castFacts';
import { fairTrial } from './learning/fairTrial';
import { limitReadings } from './limits/limitReadings';
import { checkPlan, dueCheck } from './planning/checkSchedule';
import { copiedPlan } from './planning/nextBatch';
import { plan, quickPlan } from './planning/plan';
import { compareRoutes } from './planning/routes';
import { stageLine } from './planning/stage';
import { warmOrNot } from './planning/warmOrNot';
import { cardGaps } from './shelf/cardGaps';
import { catalystCurve, doseCurves, hardnessCurves, potLifeCurves } from './shelf/curves';
import { schemaArbitrary } from './testing/schemaArbitrary';
import { SALTMARSH_CARDS } from './simulation/saltmarshCards';
import { overlay } from './simulation/soundBatch';

/** The same documents at every run; `endOnFailure` shows the first that fails without an hour of shrinking. */
const once = { seed: 11, endOnFailure: true };
const now = new Date('2026-11-27T08:00:00Z');

/** Documents that the format accepts as a whole. */
const accepted = <T>(
  schema: { safeParse: (v: unknown) => { success: boolean; data?: T } },
  any: fc.Arbitrary<unknown>,
) =>
  any
    .map((v) => schema.safeParse(v))
    .filter((r) => r.success)
    .map((r) => r.data as T);

const anyCard = fc.oneof(
  accepted<Product>(productSchema, schemaArbitrary(storedProductSchema)),
  // A real card with one section as strange as the format allows.
  fc
    .tuple(fc.constantFrom(...SALTMARSH_CARDS), schemaArbitrary(storedProductSchema))
    .map(([card, odd]) => storedProductSchema.safeParse(overlay(odd as object as Record<string, unknown>, card)))
    .filter((r) => r.success)
    .map((r) => r.data as Product),
  fc.constantFrom(...SALTMARSH_CARDS),
);
const anyBatch = accepted<Batch>(batchSchema, schemaArbitrary(batchSchema));

/** What the core may refuse is data: a typed error that names its field. */
function refusedOrDone(work: () => unknown): void {
  try {
    work();
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    expect(error.path).not.toBe('');
  }
}

describe('a document that the format accepts', () => {
  it('never makes a derived answer throw: a batch with a card', () => {
    fc.assert(
      fc.property(anyCard, anyBatch, (product, batch) => {
        limitReadings(product, batch);
        diagnose(product, batch, { now });
        workingTime(product, batch);
        recordGaps(product, batch);
        castFacts(product, batch, limitReadings(product, batch));
        hardnessStory(product, batch);
        mendsOf(batch);
        stageLine(product, batch);
        benchSteps(product, batch);
        checkPlan(product, batch);
        dueCheck(product, batch);
        thinEdgeOutMin(product, batch);
        afterCare(product, batch, batch.room?.temperatureC ?? 20);
        comeBacks(product, workingTime(product, batch).gelMin, batch.pour?.finishedMin ?? 0);
        benchClock(product, {
          massG: 150,
          resinC: mixStartC(product, batch) ?? 20,
          roomC: batch.room?.temperatureC ?? 20,
          readings: batch.readings ?? [],
          mix: mixOfBatch(product, batch),
          nowMin: 12,
        });
      }),
      { numRuns: 150, ...once },
    );
  }, 60_000);
  it('never makes an answer about castings throw, nor lose a gram of them', () => {
    fc.assert(
      fc.property(anyCard, anyBatch, (product, batch) => {
        for (const id of castingIds(batch)) {
          const view = castingAsBatch(product, batch, id);
          limitReadings(product, view);
          mendsOf(view);
          finishAgenda(product, batch, id);
          castingGrade(batch, id);
        }
        limitsOfCastings(product, batch);
        batchMoney(batch);
        mouldLook(batch, 'M-12');
        finishBacks(product, batch, 20);
        copiedPlan(product, batch, []);
        fairTrial(castingIds(batch).map((id) => castingAsBatch(product, batch, id)));
        const facts = batchFacts(product, batch);
        const sum = castingFacts([facts]).reduce((total, f) => total + (f.massG ?? 0), 0);
        if (facts.massG !== null && facts.massG < 1e6) expect(sum).toBeCloseTo(facts.massG, 3);
        expect(JSON.stringify(facts)).not.toMatch(/NaN|Infinity/);
      }),
      { numRuns: 150, ...once },
    );
  }, 60_000);
  it('never makes a mix made more throw: refused with its field, or told in figures', () => {
    fc.assert(
      fc.property(anyCard, anyBatch, fc.double({ min: 0.1, max: 1e5, noNaN: true }), (product, batch, moreG) => {
        refusedOrDone(() => {
          const told = makeMore(product, batch, (targetTotalG(batch) ?? 0) + moreG, { aG: 10, bG: 5 }, 500);
          expect(JSON.stringify(told)).not.toMatch(/NaN|Infinity/);
        });
        refusedOrDone(() => splitCups(product, batch, [moreG, 5], 2));
      }),
      { numRuns: 150, ...once },
    );
  }, 60_000);
  it('never makes a derived answer throw: a card by itself', () => {
    fc.assert(
      fc.property(anyCard, (product) => {
        cardGaps(product);
        potLifeCurves(product);
        catalystCurve(product);
        doseCurves(product);
        hardnessCurves(product);
      }),
      { numRuns: 25, ...once },
    );
  }, 60_000);
  it('never makes a derived answer throw: a piece, whatever its room and its layers', () => {
    const cards = Object.fromEntries(SALTMARSH_CARDS.map((c) => [c.slug, c]));
    const slugs = fc.constantFrom(...SALTMARSH_CARDS.map((c) => c.slug));
    const anyPiece = accepted<Piece>(pieceSchema, schemaArbitrary(pieceSchema));
    fc.assert(
      fc.property(anyPiece, fc.array(slugs, { minLength: 4, maxLength: 4 }), anyCard, (piece, names, odd) => {
        const layers = piece.layers.map((l, i) => ({ ...l, productSlug: i === 1 ? 'odd' : names[i % 4]! }));
        const scene = { cards: { ...cards, odd: { ...odd, slug: 'odd' } }, startedAt: {}, now };
        const laid = layerPlan({ ...piece, layers }, scene);
        expect(laid.layers.every((l) => l.pours >= 1 && l.pours <= 200)).toBe(true);
        betterOrder({ ...piece, layers }, scene.cards);
      }),
      { numRuns: 150, ...once },
    );
  });
  it('is planned or refused with the field named, and every figure told is a number', () => {
    const want = accepted<PlanRequest>(planRequestSchema, schemaArbitrary(planRequestSchema));
    fc.assert(
      fc.property(anyCard, want, (product, request) => {
        const asked = { ...request, product };
        refusedOrDone(() => {
          const { plan: quick } = quickPlan(asked);
          expect(JSON.stringify(quick)).not.toMatch(/NaN|Infinity/);
          for (const w of quick.warnings) expect(w.says).not.toMatch(/NaN|Infinity|undefined/);
        });
        refusedOrDone(() => compareRoutes(asked));
        refusedOrDone(() => warmOrNot(asked));
      }),
      { numRuns: 40, ...once },
    );
  }, 60_000);
  it('is planned with its mould', () => {
    const want = accepted<PlanRequest>(planRequestSchema, schemaArbitrary(planRequestSchema));
    fc.assert(
      fc.property(
        fc.constantFrom(...SALTMARSH_CARDS),
        want,
        fc.constantFrom(0.2, 3, 30, 1000),
        (product, request, depthMm) => {
          refusedOrDone(() => {
            const told = plan({ ...request, product, mould: { ...request.mould, depthMm } });
            expect(told.pours).toBeLessThanOrEqual(200);
          });
        },
      ),
      { numRuns: 15, ...once },
    );
  }, 60_000);
});
