import { z } from 'zod';
import * as q from './quantities';
import {
  ADDITIVE_KINDS,
  APPLIED,
  BATCH_DEGAS_METHODS,
  FINISHES,
  FLAMES,
  INCLUSION_KINDS,
  LAID,
  LOT_COLOURS,
  MEASURED_BY,
  MIX_UNITS,
  RUBBERS,
  TOOLS,
  VIGOURS,
} from './vocabulary';

// The sections of a batch's record; a cup and a casting say some of them of their own.

export const lot = z.looseObject({
  code: q.shortText.nullish(),
  openedOn: q.isoDate.nullish(),
  useBy: q.isoDate.nullish(),
  colour: z.enum(LOT_COLOURS).nullish(),
});

export const mix = z.looseObject({
  measuredBy: z.enum(MEASURED_BY).nullish(),
  amountA: q.amount.nullish(),
  amountB: q.amount.nullish(),
  unit: z.enum(MIX_UNITS).nullish(),
  catalystPct: q.percent.nullish(),
  scaleStepG: q.positiveMassG.nullish(),
  stirMin: q.minutes.nullish(),
  scrapedWalls: z.boolean().nullish(),
  secondCup: z.boolean().nullish(),
  tool: z.enum(TOOLS).nullish(),
  vigour: z.enum(VIGOURS).nullish(),
  shaken: z.boolean().nullish(),
  /** Code of the scale it was weighed on. */
  scale: q.shortText.nullish(),
  stirAfterColourMin: q.minutes.nullish(),
});

export const additive = z.looseObject({
  name: q.shortText.nullish(),
  kind: z.enum(ADDITIVE_KINDS).nullish(),
  massG: q.massG.nullish(),
  drops: q.count.nullish(),
  applied: z.enum(APPLIED).nullish(),
  densityGPerML: q.densityGPerML.nullish(),
});

export const pour = z
  .looseObject({
    startedMin: q.minutes.nullish(),
    finishedMin: q.minutes.nullish(),
    depthMm: q.lengthMm.nullish(),
    tilted: z.boolean().nullish(),
    fast: z.boolean().nullish(),
    scrapedCup: z.boolean().nullish(),
    flame: z.enum(FLAMES).nullish(),
    releaseMist: z.boolean().nullish(),
    /** What stayed in the cup. */
    leftG: q.massG.nullish(),
    /** How far the level fell before it gelled. */
    levelLostMm: q.lengthMm.nullish(),
  })
  .superRefine((p, ctx) => inOrder(ctx, p, 'startedMin', 'finishedMin', 'The pour ends before it begins'));

export const pressure = z
  .looseObject({
    gaugeKPa: q.gaugeKPa.nullish(),
    startedMin: q.minutes.nullish(),
    reachedMin: q.minutes.nullish(),
    releasedMin: q.minutes.nullish(),
    /** Code of the vessel. */
    vessel: q.shortText.nullish(),
  })
  .superRefine((p, ctx) => {
    inOrder(ctx, p, 'startedMin', 'reachedMin', 'Full pressure comes before the lid was closed');
    inOrder(ctx, p, 'reachedMin', 'releasedMin', 'The pressure is released before it was reached');
  });

function inOrder(ctx: z.RefinementCtx, times: Record<string, unknown>, first: string, second: string, words: string) {
  const [from, to] = [times[first], times[second]];
  if (typeof from === 'number' && typeof to === 'number' && from > to) {
    ctx.addIssue({
      code: 'custom',
      path: [second],
      message: `${words} (${from} min, then ${to} min). Check both times.`,
    });
  }
}

export const degas = z.looseObject({
  method: z.enum(BATCH_DEGAS_METHODS).nullish(),
  minutes: q.minutes.nullish(),
  vacuumKPaAbs: q.absoluteKPa.nullish(),
});

export const mould = z.looseObject({
  code: q.shortText.nullish(),
  rubber: z.enum(RUBBERS).nullish(),
  degassed: z.boolean().nullish(),
  temperatureC: q.temperatureC.nullish(),
  thinnestMm: q.lengthMm.nullish(),
  pulls: q.count.nullish(),
  finish: z.enum(FINISHES).nullish(),
  clean: z.boolean().nullish(),
  /** Whether seams and edges were sealed against running out. */
  sealed: z.boolean().nullish(),
  /** What its cavities hold to the rim. */
  volumeML: q.volumeML.nullish(),
  contacts: z.array(q.shortText).max(50).nullish(),
});

export const inclusion = z.looseObject({
  what: q.shortText.nullish(),
  kind: z.enum(INCLUSION_KINDS).nullish(),
  moisturePct: q.percent.nullish(),
  sealed: z.boolean().nullish(),
  treated: z.boolean().nullish(),
  laid: z.enum(LAID).nullish(),
  /** Whether it was moved under the resin to let the air out. */
  moved: z.boolean().nullish(),
});

export const cure = z.looseObject({
  temperatureC: q.temperatureC.nullish(),
  peakC: q.temperatureC.nullish(),
  demouldedMin: q.minutes.nullish(),
  covered: z.boolean().nullish(),
  film: z.boolean().nullish(),
  lightMJPerCM2: q.doseMJPerCM2.nullish(),
  lamp: z
    .looseObject({
      gear: q.shortText.nullish(),
      distanceMm: q.lengthMm.nullish(),
      irradianceMWPerCM2: q.amount.nullish(),
      sides: q.count.nullish(),
      minutes: q.minutes.nullish(),
    })
    .nullish(),
});
