import { z } from 'zod';
import { ADDITIVE_KINDS, CARD_DEGAS_METHODS, CLARITIES, FAMILIES, HAZARDS, INHIBITORS, USES } from './vocabulary';
import * as q from './quantities';

const parts = z.looseObject({ a: q.partNumber, b: q.partNumber });

/** Doses that a card may state a gel time at; each is fitted. */
const MAX_GEL_DOSES = 8;

const catalyst = z.looseObject({
  minPct: q.percent.nullish(),
  typicalPct: q.percent.nullish(),
  maxPct: q.percent.nullish(),
  densityGPerML: q.densityGPerML.nullish(),
  dropsPerML: q.amount.nullish(),
  /** Gel times that the data sheet states at doses of their own. */
  gel: z
    .array(
      z.looseObject({
        pct: q.percent.min(0.01, 'Must be 0.01 % or more.'),
        minutes: q.liquidMinutes,
        atC: q.temperatureC.nullish(),
        massG: q.cardMassG.nullish(),
      }),
    )
    .max(MAX_GEL_DOSES)
    .nullish(),
});

const ratio = z.looseObject({
  byWeight: parts.nullish(),
  byVolume: parts.nullish(),
  tolerancePct: q.percent.nullish(),
  catalyst: catalyst.nullish(),
  powder: z.looseObject({ liquid: q.partNumber, powder: q.partNumber }).nullish(),
});

const minutesAt = z.looseObject({
  minutes: q.cardMinutes.nullish(),
  atC: q.temperatureC.nullish(),
  massG: q.cardMassG.nullish(),
});

const liquidMinutesAt = z.looseObject({ ...minutesAt.shape, minutes: q.liquidMinutes.nullish() });

const kindLimits = z
  .object(
    Object.fromEntries(ADDITIVE_KINDS.map((kind) => [kind, q.loadingPct.nullish()])) as Record<
      (typeof ADDITIVE_KINDS)[number],
      z.ZodOptional<z.ZodNullable<typeof q.loadingPct>>
    >,
  )
  .partial();

/** Adds a problem at `path` where a band's low end lies above its high end. */
function bandInOrder(
  ctx: z.RefinementCtx,
  low: number | null | undefined,
  high: number | null | undefined,
  path: string[],
  words: string,
) {
  if (low != null && high != null && low > high) {
    ctx.addIssue({
      code: 'custom',
      path,
      message: `${words}: the least (${low}) is above the most (${high}). Swap them.`,
    });
  }
}

/** A stated dose that does not pass the critical one cures nothing at all: one of the two is mistyped. */
function lightCures(ctx: z.RefinementCtx, dose: number | null | undefined, critical: number | null | undefined) {
  if (dose == null || critical == null || dose > critical) return;
  ctx.addIssue({
    code: 'custom',
    path: ['light', 'doseMJPerCM2'],
    message: `A dose of ${dose} mJ/cm² does not pass the critical dose of ${critical} mJ/cm²: nothing would ever cure. Check both against the data sheet.`,
  });
}

/** A card as it may be stored: each figure by itself within its range, whatever they say together. */
export const storedProductSchema = z.looseObject({
  format: z.literal('warm-jar.product/1', 'Expected "warm-jar.product/1".'),
  slug: q.slug,
  revision: z.number().int().min(1).max(100_000),
  name: q.shortText.min(1, 'Give the product a name.'),
  family: z.enum(FAMILIES),
  use: z.array(z.enum(USES)).max(q.longestList).nullish(),
  /** How much is seen through it; an extra key of the format. */
  clarity: z.enum(CLARITIES).nullish(),
  source: q.shortText.nullish(),
  ratio,
  densityAGPerML: q.densityGPerML.nullish(),
  densityBGPerML: q.densityGPerML.nullish(),
  mixedDensityGPerML: q.densityGPerML.nullish(),
  viscosity: z.looseObject({ mixedMPaS: q.viscosityMPaS.nullish(), atC: q.temperatureC.nullish() }).nullish(),
  potLife: liquidMinutesAt.nullish(),
  gel: liquidMinutesAt.nullish(),
  tackFree: minutesAt.nullish(),
  demould: minutesAt.nullish(),
  fullCure: z.looseObject({ hours: q.positiveHours.nullish(), atC: q.temperatureC.nullish() }).nullish(),
  room: z
    .looseObject({
      minC: q.temperatureC.nullish(),
      maxC: q.temperatureC.nullish(),
      maxHumidityPct: q.humidityPct.nullish(),
    })
    .nullish(),
  resin: z.looseObject({ minC: q.temperatureC.nullish(), maxC: q.temperatureC.nullish() }).nullish(),
  mix: z.looseObject({ minMin: q.minutes.nullish(), restMin: q.minutes.nullish() }).nullish(),
  depth: z.looseObject({ minMm: q.lengthMm.nullish(), maxMm: q.lengthMm.nullish() }).nullish(),
  thinnestMm: q.lengthMm.nullish(),
  exothermMaxC: q.temperatureC.nullish(),
  exotherm: z
    .looseObject({ peakC: q.temperatureC.nullish(), massG: q.cardMassG.nullish(), atC: q.temperatureC.nullish() })
    .nullish(),
  waxed: z.boolean().nullish(),
  inhibitedBy: z.array(z.enum(INHIBITORS)).max(q.longestList).nullish(),
  inclusionMaxMoisturePct: q.percent.nullish(),
  additives: z
    .looseObject({
      basis: z.enum(['weight', 'volume']).nullish(),
      totalMaxPct: q.loadingPct.nullish(),
      kinds: kindLimits.nullish(),
      refused: z.array(z.enum(ADDITIVE_KINDS)).max(q.longestList).nullish(),
    })
    .nullish(),
  degas: z
    .looseObject({
      method: z.enum(CARD_DEGAS_METHODS).nullish(),
      vacuumKPaAbs: q.absoluteKPa.nullish(),
      minutes: q.minutes.nullish(),
    })
    .nullish(),
  pressure: z
    .looseObject({ minKPa: q.gaugeKPa.nullish(), maxKPa: q.gaugeKPa.nullish(), holdMin: q.minutes.nullish() })
    .nullish(),
  hardness: z
    .looseObject({ scale: z.string().max(8).nullish(), value: q.shore.nullish(), tolerance: q.shore.nullish() })
    .nullish(),
  light: z
    .looseObject({
      stable: z.boolean().nullish(),
      doseMJPerCM2: q.doseMJPerCM2.nullish(),
      penetrationMm: q.positiveLengthMm.nullish(),
      criticalMJPerCM2: q.doseMJPerCM2.nullish(),
    })
    .nullish(),
  recoat: z
    .looseObject({ fromMin: q.minutes.nullish(), untilMin: q.minutes.nullish(), atC: q.temperatureC.nullish() })
    .nullish(),
  shelf: z.looseObject({ unopenedMonths: q.months.nullish(), openedMonths: q.months.nullish() }).nullish(),
  moistureSensitive: z.boolean().nullish(),
  hazards: z.array(z.enum(HAZARDS)).max(q.longestList).nullish(),
});

/**
 * `warm-jar.product/1`: one revision of a resin system's card. A field that is absent or null is a limit the data
 * sheet does not state. Unknown extra keys are kept. Figures that cannot be true together are refused.
 */
export const productSchema = storedProductSchema.superRefine((p, ctx) => {
  lightCures(ctx, p.light?.doseMJPerCM2, p.light?.criticalMJPerCM2);
  bandInOrder(ctx, p.room?.minC, p.room?.maxC, ['room', 'maxC'], 'Room temperature');
  bandInOrder(ctx, p.resin?.minC, p.resin?.maxC, ['resin', 'maxC'], 'Resin temperature');
  bandInOrder(ctx, p.depth?.minMm, p.depth?.maxMm, ['depth', 'maxMm'], 'Depth');
  bandInOrder(ctx, p.pressure?.minKPa, p.pressure?.maxKPa, ['pressure', 'maxKPa'], 'Pressure');
  bandInOrder(ctx, p.recoat?.fromMin, p.recoat?.untilMin, ['recoat', 'untilMin'], 'Bond window');
  bandInOrder(ctx, p.ratio.catalyst?.minPct, p.ratio.catalyst?.maxPct, ['ratio', 'catalyst', 'maxPct'], 'Catalyst');
});

export type Product = z.infer<typeof productSchema>;
