import { z } from 'zod';
import { batchSchema, outcomeSchema } from './batch';
import { productSchema } from './product';
import { CAUSE_IDS, LIMIT_STATES, NEIGHBOUR_KINDS, SYMPTOM_KINDS } from './vocabulary';
import { count, shortText, slug } from './quantities';

/** A measured or limiting value: a number in `unit`, or a word where the record holds a word. */
const value = z.union([z.number(), z.string()]).nullable();

export const limitReadingSchema = z.object({
  field: z.string(),
  measured: value,
  low: value,
  high: value,
  unit: z.string(),
  state: z.enum(LIMIT_STATES),
  says: z.string(),
  /** Why it was passed on purpose; absent where nobody said so, or it is not outside. */
  passedBecause: z.string().optional(),
  /** Why it is asked about before it is believed. */
  doubt: z.string().optional(),
});

export const evidenceSchema = z.object({
  field: z.string(),
  measured: value,
  limit: value,
  unit: z.string(),
  /** Decibans, 10·log10 of the likelihood ratio: above zero for, below zero against. */
  points: z.number(),
  says: z.string(),
  /** The castings that share something with this one, where they are what speaks. */
  neighbours: z.object({ by: z.enum(NEIGHBOUR_KINDS), value: z.string() }).optional(),
});

/** A figure that is asked about before it is believed, with what was probably meant. */
export const doubtSchema = z.object({ field: z.string(), says: z.string(), meant: z.number().optional() });

/** What the next batch may be planned with: names of the plan's own settings, in stored units. */
export const planSettingsSchema = z
  .object({
    roomC: z.number(),
    humidityPct: z.number(),
    resinC: z.number(),
    mouldC: z.number(),
    stirMin: z.number(),
    restMin: z.number(),
    loadMin: z.number(),
    pressureKPa: z.number(),
    depthMm: z.number(),
    mostLoadingPct: z.number(),
    route: z.enum(['none', 'warm-and-rest', 'vacuum', 'pressure', 'vacuum-then-pressure']),
  })
  .partial();

/** A change to the next batch: in words, and as settings of its plan where it is one. */
export const planChangeSchema = z.object({ says: z.string(), set: planSettingsSchema });

export const causeShareSchema = z.object({
  id: z.enum(CAUSE_IDS),
  share: z.number().min(0).max(1),
  evidence: z.array(evidenceSchema),
  /** Whether the record speaks plainly against it, and nothing in it for it. */
  denied: z.boolean().default(false),
  /** How often it turned out to be the one in this studio, where anything is known; the share has it already. */
  here: z
    .object({ times: z.number(), of: z.number(), expected: z.number(), factor: z.number(), says: z.string() })
    .optional(),
  prevention: z.array(z.string()),
  changes: z.array(planChangeSchema),
});

/** A quick test at the bench that would answer: how to make it, and what may come out. */
export const quickTestSchema = z.object({
  id: z.string(),
  title: z.string(),
  how: z.string(),
  caution: z.string().nullable(),
  outcomes: z.array(z.object({ id: z.string(), words: z.string() })),
});
/** `field` is a path of the batch, or `quickTests.<id>` where a quick test would tell. */
export const askSchema = z.object({
  field: z.string(),
  why: z.string(),
  bits: z.number().min(0),
  /** Minutes until the answer is there. */
  effortMin: z.number().min(0),
  test: quickTestSchema.optional(),
  /** What was probably meant, where the figure stands in the record and is hardly likely. */
  meant: z.number().optional(),
});
/** Two causes that explain the record better together than either does alone. */
export const togetherSchema = z.object({
  ids: z.tuple([z.enum(CAUSE_IDS), z.enum(CAUSE_IDS)]),
  share: z.number().min(0).max(1),
  says: z.string(),
});
export const mendSchema = z.object({
  steps: z.array(z.string()),
  supplies: z.array(z.string()),
  recheckAfterH: z.number().nullable(),
});

export const symptomDiagnosisSchema = z.object({
  kind: z.enum(SYMPTOM_KINDS),
  pattern: z.string(),
  afterH: z.number(),
  /** The casting that was looked at; absent where the look was of all of them. */
  casting: z.string().optional(),
  causes: z.array(causeShareSchema),
  ask: z.array(askSchema),
  mend: mendSchema,
  together: togetherSchema.nullable(),
});

/** `warm-jar.diagnosis/1`: the record against the card, and for each symptom the causes argued from it. */
export const diagnosisSchema = z.object({
  format: z.literal('warm-jar.diagnosis/1'),
  limits: z.array(limitReadingSchema),
  /** The limits of each casting on which something was seen, where the batch tells its castings apart. */
  castings: z.array(z.object({ id: z.string(), limits: z.array(limitReadingSchema) })).optional(),
  symptoms: z.array(symptomDiagnosisSchema),
  /** Figures of the record that are asked about before they are believed. */
  doubts: z.array(doubtSchema).optional(),
});

export const historySchema = z.looseObject({
  pairs: z
    .array(z.looseObject({ inclusion: shortText, productSlug: slug, outcome: z.enum(['good', 'bad']) }))
    .max(1_000)
    .nullish(),
  sameSpot: z.looseObject({ times: count, pulls: count }).nullish(),
  /**
   * How often each cause turned out to be the one here: of one symptom where it is named, else of any. `expected` is
   * how often the catalogue has it; `factor` how much oftener it is taken to be than in the catalogue.
   */
  causes: z
    .array(
      z.looseObject({
        id: z.enum(CAUSE_IDS),
        symptom: z.enum(SYMPTOM_KINDS).nullish(),
        times: z.number().min(0).max(1e9),
        of: z.number().min(0).max(1e9),
        expected: z.number().min(0).max(1e9).nullish(),
        factor: z.number().min(0.001).max(1000).nullish(),
      }),
    )
    .max(1000)
    .nullish(),
  /** How castings that share something with this one came out, against the others. */
  neighbours: z
    .array(
      z.looseObject({
        by: z.enum(NEIGHBOUR_KINDS),
        symptom: z.enum(SYMPTOM_KINDS),
        with: count,
        of: count,
        otherwise: count,
        ofOthers: count,
        /** By how much the castings are fewer than they seem, several being of one mix. */
        effect: z.number().min(1).max(1000).nullish(),
        /** The lot, mould, day or person that they share. */
        value: shortText.nullish(),
      }),
    )
    .max(100)
    .nullish(),
});

/** What the causes of a batch's faults turned out to be, and what copies of it propose. */
export const batchOutcomesSchema = z.object({
  items: z.array(outcomeSchema),
  proposed: z.array(
    z.object({
      batch: z.string(),
      by: z.string(),
      outcome: outcomeSchema,
      says: z.string(),
    }),
  ),
});
export type BatchOutcomes = z.infer<typeof batchOutcomesSchema>;

/** What `POST /api/v1/diagnose` takes; nothing of it is stored. */
export const diagnoseRequestSchema = z.looseObject({
  product: productSchema,
  batch: batchSchema,
  history: historySchema.nullish(),
});

export type LimitReading = z.infer<typeof limitReadingSchema>;
export type Evidence = z.infer<typeof evidenceSchema>;
export type CauseShare = z.infer<typeof causeShareSchema>;
export type Ask = z.infer<typeof askSchema>;
export type PlanSettings = z.infer<typeof planSettingsSchema>;
export type PlanChange = z.infer<typeof planChangeSchema>;
export type Together = z.infer<typeof togetherSchema>;
export type Mend = z.infer<typeof mendSchema>;
export type SymptomDiagnosis = z.infer<typeof symptomDiagnosisSchema>;
export type Diagnosis = z.infer<typeof diagnosisSchema>;
export type DiagnoseRequest = z.infer<typeof diagnoseRequestSchema>;
