import { z } from 'zod';
import { additive, cure, degas, inclusion, lot, mix, mould, pour, pressure } from './batchSections';
import {
  CAUSE_IDS,
  FAMILIES,
  FINISH_STEPS,
  GRADES,
  INCLUSION_KINDS,
  OUTCOME_HOWS,
  PATTERNS_BY_SYMPTOM,
  READING_WHATS,
  SYMPTOM_KINDS,
  TOUCHES,
  WARMING,
} from './vocabulary';
import { samePatch } from './patch';
import * as q from './quantities';

export const symptomSchema = z
  .looseObject({
    kind: z.enum(SYMPTOM_KINDS),
    pattern: z.string(),
    severity: z.number().int().min(1).max(4).nullish(),
    where: q.shortText.nullish(),
    /** The part of the surface that is in this state. */
    area: z
      .looseObject({
        where: q.shortText.nullish(),
        shareOfFace: z.number().min(0).max(1).nullish(),
        areaCM2: q.areaCM2.nullish(),
      })
      .nullish(),
  })
  .superRefine((s, ctx) => {
    const patterns: readonly string[] = PATTERNS_BY_SYMPTOM[s.kind];
    if (!patterns.includes(s.pattern)) {
      ctx.addIssue({
        code: 'custom',
        path: ['pattern'],
        message: `"${s.kind}" has no pattern "${s.pattern}". Choose one of: ${patterns.join(', ')}.`,
      });
    }
  });

const share = z.number().min(0).max(1);

/** A share of the batch poured off into a vessel of its own. */
const cupSchema = z.looseObject({
  id: q.shortText,
  /** All that is in it, its additives with it. */
  massG: q.massG.nullish(),
  /** Every additive that is in this cup, what went in before the split too; absent where it has the batch's. */
  additives: z.array(additive).max(50).nullish(),
  restMin: q.minutes.nullish(),
  /** When it was poured off, and how long it was stirred again after its colour. */
  splitMin: q.minutes.nullish(),
  stirMin: q.minutes.nullish(),
  note: q.longText.nullish(),
});

/** What one cavity gave from one cup; what it does not say, it has from the batch. */
const castingSchema = z.looseObject({
  id: q.shortText,
  cup: q.shortText.nullish(),
  mould: z.looseObject({ ...mould.shape, cavity: q.count.nullish() }).nullish(),
  massG: q.massG.nullish(),
  pouredMin: q.minutes.nullish(),
  depthMm: q.lengthMm.nullish(),
  demouldedMin: q.minutes.nullish(),
  inclusions: z.array(inclusion).max(50).nullish(),
  grade: z.enum(GRADES).nullish(),
  reason: q.longText.nullish(),
  price: z.number('Write a price.').min(0, 'Must be 0 or more.').max(1e9).nullish(),
  /** The day it left the studio. */
  soldOn: q.isoDate.nullish(),
  pressure: pressure.nullish(),
  degas: degas.nullish(),
  pour: pour.nullish(),
  cure: cure.nullish(),
  finish: z
    .array(z.looseObject({ step: z.enum(FINISH_STEPS), at: q.isoMoment.nullish(), by: q.shortText.nullish() }))
    .max(100)
    .nullish(),
});

/** What the cause of a symptom turned out to be, and how that is known. */
export const outcomeSchema = z.looseObject({
  symptom: z.enum(SYMPTOM_KINDS),
  casting: q.shortText.nullish(),
  cause: z.enum(CAUSE_IDS),
  how: z.enum(OUTCOME_HOWS),
  at: q.isoMoment.nullish(),
  by: q.shortText.nullish(),
  refuted: z.boolean().nullish(),
});

const channels = z.tuple([z.number().min(0).max(255), z.number().min(0).max(255), z.number().min(0).max(255)]);

const patchPlace = z.looseObject({ x: share, y: share });

/** A stored photo of the piece: what was marked on it, and its colour measured by the white card in it. */
export const checkPhotoSchema = z.looseObject({
  id: q.shortText,
  marks: z
    .array(z.looseObject({ x: share, y: share, says: q.shortText.nullish() }))
    .max(100)
    .nullish(),
  /** Where the patches were picked. Card and cast are two places. */
  picks: z
    .looseObject({ card: patchPlace.nullish(), cast: patchPlace.nullish(), sample: patchPlace.nullish() })
    .refine(({ card, cast }) => !card || !cast || !samePatch(card, cast), {
      error: 'The white card and the cast are picked at the same place. Pick the cast beside the card.',
      path: ['cast'],
    })
    .nullish(),
  colour: z
    .looseObject({
      /** Measured on the file as it was chosen, or later on the copy that is kept, which is compressed. */
      from: z.enum(['file', 'kept']).nullish(),
      /** Mean sRGB of the patches, 0 to 255, as the camera gave them. */
      cast: channels,
      card: channels,
      sample: channels.nullish(),
      /**
       * CIELAB b* and yellowness index E313 after the white correction, and
       * Δb* against the untouched sample beside it.
       */
      b: q.anyNumber,
      yellownessIndex: q.anyNumber,
      againstSample: q.anyNumber.nullish(),
    })
    .nullish(),
});

/** A repair of the piece: its steps as they are ticked, and when it is to be looked at again. */
export const mendRecordSchema = z.looseObject({
  /** Hours from when the parts met: begun, and finished; null while it is being done. */
  atH: q.hours,
  doneH: q.hours.nullish(),
  kind: z.enum(SYMPTOM_KINDS),
  pattern: q.shortText,
  steps: z.array(z.looseObject({ says: q.longText, done: z.boolean() })).max(30),
  supplies: z.array(q.shortText).max(30).nullish(),
  recheckAfterH: q.hours.nullish(),
  /** The castings that are mended together; all of them where it is absent. */
  castings: z.array(q.shortText).max(200).nullish(),
  coat: z
    .looseObject({ areaCM2: q.anyNumber.nullish(), thicknessMm: q.lengthMm.nullish(), massG: q.massG.nullish() })
    .nullish(),
  by: q.shortText.nullish(),
  note: q.longText.nullish(),
});

/** What was changed on purpose against the batch it was copied from. */
export const copiedFromSchema = z.looseObject({
  code: q.shortText,
  changes: z.array(z.looseObject({ cause: q.shortText.nullish(), says: q.longText })).max(40),
  /** The fault that the changes were made for. */
  symptom: z.enum(SYMPTOM_KINDS).nullish(),
});

export const checkSchema = z.looseObject({
  afterH: q.hours,
  /** The casting that was looked at; all of them where it is absent. */
  casting: q.shortText.nullish(),
  bubbleCount: q.count.nullish(),
  shore: q.shore.nullish(),
  deltaB: q.anyNumber.nullish(),
  symptoms: z.array(symptomSchema).max(50).nullish(),
  grade: z.enum(GRADES).nullish(),
  note: q.longText.nullish(),
  /** What the fingers said, before anything was looked for. */
  touch: z.enum(TOUCHES).nullish(),
  /** Places of faults on the outline of a cavity, in shares of its width and height. */
  spots: z
    .array(z.looseObject({ cavity: q.count.nullish(), x: share, y: share, kind: z.enum(SYMPTOM_KINDS).nullish() }))
    .max(200)
    .nullish(),
  photos: z.array(checkPhotoSchema).max(30).nullish(),
});

/**
 * `warm-jar.batch/1`: one mixing, from the cup to the last check. A field that is absent or null was not recorded;
 * it never stands for a default. Unknown extra keys are kept.
 */
export const batchSchema = z.looseObject({
  format: z.literal('warm-jar.batch/1', 'Expected "warm-jar.batch/1".'),
  code: q.shortText.min(1, 'Give the batch a code.').nullish(),
  startedAt: q.isoMoment.nullish(),
  /** Only the day of `startedAt` is known; its time of day stands for none. An extra key of the format. */
  dayOnly: z.boolean().nullish(),
  /** Nothing is left to do on it, whatever the record leaves out: a record of before. An extra key of the format. */
  closed: z.boolean().nullish(),
  by: q.shortText.nullish(),
  product: z.looseObject({ slug: q.slug, revision: z.number().int().min(1).max(100_000).nullish() }),
  lotA: lot.nullish(),
  lotB: lot.nullish(),
  room: z.looseObject({ temperatureC: q.temperatureC.nullish(), humidityPct: q.humidityPct.nullish() }).nullish(),
  resin: z
    .looseObject({
      temperatureAC: q.temperatureC.nullish(),
      temperatureBC: q.temperatureC.nullish(),
      atPourC: q.temperatureC.nullish(),
      warming: z.enum(WARMING).nullish(),
      warmingMin: q.minutes.nullish(),
    })
    .nullish(),
  mix: mix.nullish(),
  additives: z.array(additive).max(50).nullish(),
  degas: degas.nullish(),
  pour: pour.nullish(),
  pressure: pressure.nullish(),
  mould: mould.nullish(),
  inclusions: z.array(inclusion).max(50).nullish(),
  /** What a coat lies on, where it is no resin. */
  base: z.looseObject({ kind: z.enum(INCLUSION_KINDS).nullish(), sealed: z.boolean().nullish() }).nullish(),
  layerBelow: z
    .looseObject({
      productSlug: q.slug.nullish(),
      family: z.enum(FAMILIES).nullish(),
      poured: q.shortText.nullish(),
      hoursSince: q.hours.nullish(),
      sanded: z.boolean().nullish(),
      wiped: z.boolean().nullish(),
      massLossPct: q.percent.nullish(),
    })
    .nullish(),
  cure: cure.nullish(),
  readings: z
    .array(
      z.looseObject({
        atMin: q.anyNumber.nullish(),
        what: z.enum(READING_WHATS).nullish(),
        value: q.anyNumber.nullish(),
        unit: z.string().max(20).nullish(),
        /** Code of the device that read it, and whether that is a stand-in. */
        device: q.shortText.nullish(),
        simulated: z.boolean().nullish(),
      }),
    )
    .max(20_000)
    .nullish(),
  checks: z.array(checkSchema).max(200).nullish(),
  cups: z.array(cupSchema).max(40).nullish(),
  castings: z.array(castingSchema).max(200).nullish(),
  outcome: z.array(outcomeSchema).max(200).nullish(),
  /** The `warm-jar.plan/1` it was begun from, kept as it was. */
  plan: z.looseObject({ format: z.literal('warm-jar.plan/1') }).nullish(),
  /** How the run at the bench went, beside what the format records: steps done, and why a limit was passed. */
  bench: z
    .looseObject({
      done: z
        .array(z.looseObject({ step: q.shortText, atMin: q.anyNumber.nullish() }))
        .max(500)
        .nullish(),
      reasons: z
        .array(z.looseObject({ field: q.shortText, reason: q.longText, atMin: q.anyNumber.nullish() }))
        .max(100)
        .nullish(),
      checked: z.array(q.shortText).max(50).nullish(),
      hollow: z.boolean().nullish(),
      /** What the scale showed before the part being weighed. */
      tareG: q.anyNumber.nullish(),
      /** When the stir and the clearing began, minutes since the parts met. */
      stirFromMin: q.anyNumber.nullish(),
      clearFromMin: q.anyNumber.nullish(),
      /** When the lamp went on, the same. */
      lampFromMin: q.anyNumber.nullish(),
      /** The temperatures of the mix between which it is to be poured. */
      pourWindow: z.looseObject({ fromC: q.temperatureC.nullish(), toC: q.temperatureC.nullish() }).nullish(),
      /** What was made more of the mix while weighing: both parts' new targets, g, and what it was made for. */
      more: z
        .array(
          z.looseObject({
            atMin: q.anyNumber.nullish(),
            massAG: q.massG,
            massBG: q.massG.nullish(),
            totalG: q.massG,
            /** What of each part was in the cup then; null where it was not weighed yet. */
            fromAG: q.massG.nullish(),
            fromBG: q.massG.nullish(),
          }),
        )
        .max(50)
        .nullish(),
      /** Looks at the cast while it cured. */
      looked: z
        .array(z.looseObject({ atMin: q.anyNumber.nullish() }))
        .max(200)
        .nullish(),
    })
    .nullish(),
  /** Quick tests at the bench that were made to tell causes apart, with what came out. */
  quickTests: z
    .array(z.looseObject({ test: q.shortText, outcome: q.shortText, atH: q.hours.nullish() }))
    .max(100)
    .nullish(),
  /** Unlikely figures that somebody looked at again: they stand as they are. */
  readAgain: z
    .array(z.looseObject({ field: q.shortText, value: q.anyNumber, by: q.shortText.nullish() }))
    .max(200)
    .nullish(),
  mends: z.array(mendRecordSchema).max(50).nullish(),
  copiedFrom: copiedFromSchema.nullish(),
  witness: z.looseObject({ setMin: q.minutes.nullish() }).nullish(),
  note: q.longText.nullish(),
});

export type Batch = z.infer<typeof batchSchema>;
export type Check = z.infer<typeof checkSchema>;
export type Symptom = z.infer<typeof symptomSchema>;
export type Additive = z.infer<typeof additive>;
export type Lot = z.infer<typeof lot>;
export type Inclusion = z.infer<typeof inclusion>;
export type Cup = z.infer<typeof cupSchema>;
export type Casting = z.infer<typeof castingSchema>;
export type CauseOutcome = z.infer<typeof outcomeSchema>;
export type CheckPhoto = z.infer<typeof checkPhotoSchema>;
export type MendRecord = z.infer<typeof mendRecordSchema>;
export type CopiedFrom = z.infer<typeof copiedFromSchema>;
