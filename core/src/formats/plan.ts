import { z } from 'zod';
import { inclusionSchema } from './inclusion';
import { productSchema } from './product';
import * as q from './quantities';
import { ADDITIVE_KINDS, RUBBERS } from './vocabulary';

export const ROUTES = ['none', 'warm-and-rest', 'vacuum', 'pressure', 'vacuum-then-pressure'] as const;
export const VERDICTS = ['go', 'tight', 'no-go'] as const;
export const TIMELINE_STEPS = ['stir', 'rest', 'vacuum', 'pour', 'load', 'pressurise'] as const;
const litres = z.number('Write a volume in L.').min(0, 'Must be 0 L or more.').max(100_000);
const millilitres = z
  .number('Write a volume in mL.')
  .positive('Must be more than 0 mL.')
  .max(1e6, 'Must be 1 000 000 mL or less.');

/** A colour or filler as it is planned: by mass, by share of A + B, or by counted drops with their weight. */
export const plannedAdditiveSchema = z.looseObject({
  name: q.shortText.nullish(),
  kind: z.enum(ADDITIVE_KINDS).nullish(),
  massG: q.massG.nullish(),
  pct: q.loadingPct.nullish(),
  drops: q.count.nullish(),
  dropsPerG: q.amount.positive('Must be more than 0 drops in a gram.').nullish(),
  densityGPerML: q.densityGPerML.nullish(),
  /** J/(g·K); grains are taken as mineral, all else as resin, where it is not given. */
  heatCapacityJPerGK: q.heatCapacityJPerGK.nullish(),
  waterPct: q.percent.nullish(),
  solvent: z.boolean().nullish(),
});

const want = z
  .looseObject({
    volumeML: millilitres.nullish(),
    mixedMassG: q.positiveMassG.nullish(),
    additives: z.array(plannedAdditiveSchema).max(50).nullish(),
    lossPct: q.percent.nullish(),
    /** A dose of one's own, % of resin mass. */
    catalystPct: q.percent.positive('Must be more than 0 %.').nullish(),
    /** Moulds filled from one cup; each is to be answered by itself. */
    moulds: z
      .array(
        z.looseObject({
          code: q.shortText.nullish(),
          cavities: q.count.nullish(),
          volumeML: millilitres.nullish(),
          depthMm: q.positiveLengthMm.nullish(),
          thinnestMm: q.positiveLengthMm.nullish(),
          rubber: z.enum(RUBBERS).nullish(),
          degassed: z.boolean().nullish(),
          temperatureC: q.temperatureC.nullish(),
          inclusionMaxC: q.temperatureC.nullish(),
          /** Whether it was looked at and is clean; how many pulls it has left by the studio's own reckoning. */
          clean: z.boolean().nullish(),
          pullsLeft: z.number('Write a number of pulls.').min(-10_000).max(10_000).nullish(),
        }),
      )
      .max(50)
      .nullish(),
    /** Which amount to make a round number. */
    round: z.enum(['A', 'B', 'total']).nullish(),
  })
  .superRefine((w, ctx) => {
    const moulds = w.moulds ?? [];
    const byMoulds = moulds.length > 0 && moulds.every((m) => m.volumeML != null);
    if (w.volumeML == null && w.mixedMassG == null && !byMoulds)
      ctx.addIssue({
        code: 'custom',
        path: ['volumeML'],
        message: 'Say how much is wanted: a volume in mL, or a mixed mass in g.',
      });
    if (w.volumeML != null && w.mixedMassG != null)
      ctx.addIssue({
        code: 'custom',
        path: ['mixedMassG'],
        message: 'A volume and a mass are both given. Leave one out.',
      });
  });

/** What `POST /plan` takes. Only the product and how much is wanted must be there. */
export const planRequestSchema = z.looseObject({
  product: productSchema,
  want,
  conditions: z
    .looseObject({
      roomC: q.temperatureC.nullish(),
      humidityPct: q.humidityPct.nullish(),
      resinC: q.temperatureC.nullish(),
      mouldC: q.temperatureC.nullish(),
      pressureAltitudeM: z
        .number('Write a height in m.')
        .min(-500, 'Must be −500 m or more.')
        .max(6000, 'Must be 6000 m or less.')
        .nullish(),
    })
    .nullish(),
  gear: z
    .looseObject({
      scaleStepG: q.positiveMassG.nullish(),
      scaleCapacityG: q.positiveMassG.nullish(),
      cupMassG: q.massG.nullish(),
      cupDiameterMm: q.positiveLengthMm.nullish(),
      cupVolumeML: millilitres.nullish(),
      vesselFreeL: litres.nullish(),
      vesselRatedKPa: q.gaugeKPa.nullish(),
      compressorTankL: litres.nullish(),
      compressorTankKPa: q.gaugeKPa.nullish(),
      freeAirLPerMin: q.amount.nullish(),
      vacuumKPaAbs: q.absoluteKPa.positive('Must be more than 0 kPa.').nullish(),
      lampMWPerCM2: q.amount.positive('Must be more than 0 mW/cm².').nullish(),
    })
    .nullish(),
  mould: z
    .looseObject({
      depthMm: q.positiveLengthMm.max(1000, 'Must be 1000 mm or less.').nullish(),
      thinnestMm: q.positiveLengthMm.nullish(),
      /** Width of one cavity seen from above; by the mass where it is not given. */
      widthMm: q.positiveLengthMm.nullish(),
      rubber: z.enum(RUBBERS).nullish(),
      degassed: z.boolean().nullish(),
      clean: z.boolean().nullish(),
      pullsLeft: z.number('Write a number of pulls.').min(-10_000).max(10_000).nullish(),
      /** The hottest that what is cast in may get, °C. */
      inclusionMaxC: q.temperatureC.nullish(),
      inclusionMoisturePct: q.percent.nullish(),
      /** What is cast in, as the shelf has it: its pairs and its drying warn. */
      inclusion: inclusionSchema.nullish(),
    })
    .nullish(),
  route: z.enum(ROUTES).nullish(),
  handling: z
    .looseObject({
      stirMin: q.minutes.nullish(),
      restMin: q.minutes.nullish(),
      pourMin: q.minutes.nullish(),
      loadMin: q.minutes.nullish(),
      /** Pressure asked for; the middle of what card and vessel allow where it is not given. */
      pressureKPa: q.gaugeKPa.nullish(),
      /** The temperatures of the mix between which it is to be poured. */
      pourFromC: q.temperatureC.nullish(),
      pourToC: q.temperatureC.nullish(),
    })
    .nullish(),
});

const number = z.number().nullable();
const warning = z.looseObject({
  code: z.string(),
  says: z.string(),
  measured: z.union([z.number(), z.string()]).nullable(),
  limit: z.union([z.number(), z.string()]).nullable(),
  unit: z.string(),
  stop: z.boolean(),
});
const loadingLine = z.object({ kind: z.string(), pct: number, limitPct: number, leftG: number, leftDrops: number });

/**
 * `warm-jar.plan/1`: a batch worked out before it is mixed. Null is what
 * cannot be told; minutes count from when the parts meet.
 */
export const planSchema = z.looseObject({
  format: z.literal('warm-jar.plan/1'),
  product: z.looseObject({ slug: z.string(), revision: z.number() }),
  partA: z.object({ massG: z.number(), volumeML: number }),
  partB: z.object({ massG: number, volumeML: number, drops: number }),
  order: z.array(z.string()),
  mixedMassG: z.number(),
  totalMassG: z.number(),
  ratioErrorFromScalePct: number,
  roundingErrorPct: number,
  smallestSafeBatchG: number,
  catalystPct: number,
  potLifeMin: number,
  gelMin: number,
  workingFrom: z.enum(['model', 'card', 'none']),
  viscosityMPaS: number,
  peakC: number,
  /** `mould`: through the depth of the pour. `cup`: of the cup left standing, where no depth was given. */
  peakFrom: z.enum(['mould', 'cup', 'none']),
  /** How far the peak may be off where a runaway makes the mesh matter, K either way. */
  peakWithinK: number.default(null),
  /** Whose the heat of reaction is: `family` is a guess, and is said beside the verdict. */
  heatFrom: z.enum(['card', 'family', 'none']).default('none'),
  dewPointC: number,
  smallestClearedMm: number,
  pressureKPa: number,
  minutesToPressure: number,
  largestDissolvedMm: number,
  spareMin: number,
  pours: z.number().int(),
  pourSchedule: z.array(z.object({ depthMm: z.number(), afterMin: z.number(), untilMin: number })),
  demouldMin: number,
  route: z.enum(ROUTES),
  timeline: z.array(z.object({ what: z.enum(TIMELINE_STEPS), fromMin: z.number(), toMin: z.number() })),
  verdict: z.enum(VERDICTS),
  warnings: z.array(warning),
  loading: z.object({ total: loadingLine, kinds: z.array(loadingLine) }),
  additives: z.array(z.looseObject({ name: z.string().nullable(), kind: z.string(), massG: number, drops: number })),
  waterG: z.number(),
  co2ML: number,
  cup: z.object({ liquidML: z.number(), neededML: z.number() }),
  help: z.array(
    z.object({
      what: z.string(),
      says: z.string(),
      gainMin: z.number(),
      /** What of the plan would be set, in stored units, where it is a setting. */
      set: z.object({ resinC: z.number(), catalystPct: z.number() }).partial().optional(),
    }),
  ),
  /** What the steps of this plan call for. */
  cautions: z.array(z.object({ step: z.string(), says: z.string() })).default([]),
  /** Each of several moulds answered by itself. */
  castings: z
    .array(
      z.looseObject({
        mould: z.string().nullable(),
        massG: number,
        peakC: number,
        pours: z.number().int(),
        demouldMin: number,
        warnings: z.array(warning),
      }),
    )
    .optional(),
  /** What was not said, and what was taken in its place. */
  assumed: z.array(z.object({ field: z.string(), says: z.string() })),
});

export type PlanRequest = z.infer<typeof planRequestSchema>;
export type Plan = z.infer<typeof planSchema>;
export type PlannedAdditive = z.infer<typeof plannedAdditiveSchema>;
export type Route = (typeof ROUTES)[number];
export type Verdict = (typeof VERDICTS)[number];
export type TimelineStep = Plan['timeline'][number];
export type PlanWarning = Plan['warnings'][number];
