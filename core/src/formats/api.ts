import { z } from 'zod';
import { batchSchema } from './batch';
import { storedProductSchema } from './product';
import { isoDate, shortText, slug } from './quantities';
import { CAUSE_IDS, FACTORS, FAMILIES, GRADES, STAGES, SYMPTOM_KINDS } from './vocabulary';

/** A batch as lists show it: the columns kept beside its document. */
export const batchSummarySchema = z.object({
  code: z.string(),
  version: z.number().int(),
  productSlug: z.string(),
  productName: z.string(),
  productRevision: z.number().int(),
  startedAt: z.string().nullable(),
  /** Only the day of it is known. */
  dayOnly: z.boolean(),
  by: z.string().nullable(),
  mould: z.string().nullable(),
  stage: z.enum(STAGES),
  grade: z.enum(GRADES).nullable(),
  symptoms: z.array(z.object({ kind: z.enum(SYMPTOM_KINDS), pattern: z.string() })),
  /** Measured fields outside the card's limits. */
  outside: z.number().int(),
  lotA: z.string().nullable(),
  lotB: z.string().nullable(),
  massG: z.number().nullable(),
  note: z.string().nullable(),
  updatedAt: z.string(),
  /** Each casting, where the batch tells them apart; none for one cast in one mould. */
  castings: z
    .array(
      z.object({
        casting: z.string(),
        mould: z.string().nullable(),
        cavity: z.number().nullable(),
        grade: z.enum(GRADES).nullable(),
        reason: z.string().nullable(),
        price: z.number().nullable(),
      }),
    )
    .default([]),
});

export const MAX_PER_PAGE = 200;

const wholeNumber = (low: number, high: number, otherwise: number) =>
  z.coerce.number('Write a whole number.').int('Write a whole number.').min(low).max(high).default(otherwise);

const SORT_COLUMNS = [
  'startedAt',
  'code',
  'updatedAt',
  'productSlug',
  'mould',
  'by',
  'stage',
  'grade',
  'outside',
  'lotA',
  'lotB',
  'massG',
] as const;
export const BATCH_SORTS = SORT_COLUMNS.flatMap((c) => [c, `-${c}`] as const);
/** A field's limit and the side of it, `room.humidityPct:above`; or any field outside, any near, none outside. */
const limitFilter = z.union([
  z.enum(['outside', 'near', 'inside']),
  z
    .string()
    .regex(
      /^[A-Za-z0-9.[\]-]{1,80}:(above|below|near)$/,
      'Write a field and its state, such as room.humidityPct:above.',
    ),
]);
/** A level of a factor, `season:08`, as Patterns links to its batches. */
const factFilter = z
  .string()
  .max(120)
  .regex(new RegExp(`^(${FACTORS.join('|')}):.+$`), 'Write a factor and its level, such as season:08.');
const codeList = z
  .string()
  .max(20_000)
  .transform((text) =>
    text
      .split(',')
      .map((c) => c.trim())
      .filter(Boolean),
  )
  .pipe(z.array(shortText).max(1000));

/** Query of the batch list. */
export const batchListQuerySchema = z.object({
  page: wholeNumber(1, 1_000_000, 1),
  pageSize: wholeNumber(1, MAX_PER_PAGE, 50),
  sort: z.enum(BATCH_SORTS as [string, ...string[]]).default('-startedAt'),
  product: slug.optional(),
  symptom: z.enum([...SYMPTOM_KINDS, 'any', 'none']).optional(),
  stage: z.enum([...STAGES, 'in-work']).optional(),
  search: shortText.optional(),
  from: isoDate.optional(),
  to: isoDate.optional(),
  pattern: z.string().max(60).optional(),
  lot: shortText.optional(),
  mould: shortText.optional(),
  by: shortText.optional(),
  /** Batches with a casting of this grade, or with one that has none. */
  grade: z.enum([...GRADES, 'none']).optional(),
  /** Batches with a casting out of this cavity; with `mould`, of that mould. */
  cavity: z.coerce.number('Write a whole number.').int('Write a whole number.').min(0).max(10_000).optional(),
  /** Words in the reason why a casting is a second or scrap. */
  reason: shortText.optional(),
  /** Batches with a casting that was sold, `yes`, or with one that was not. */
  sold: z.enum(['yes', 'no']).optional(),
  limit: limitFilter.optional(),
  fact: factFilter.optional(),
  /** Batches that turned out to be of this cause; of any, or of none that is known. */
  outcome: z.enum([...CAUSE_IDS, 'any', 'none']).optional(),
  /** Batches made with a scale, vessel or device of this code. */
  gear: shortText.optional(),
  /** Looked at by somebody, `yes`, or not yet. */
  looked: z.enum(['yes', 'no']).optional(),
  codes: codeList.optional(),
});

export const batchPageSchema = z.object({
  items: z.array(batchSummarySchema),
  page: z.number().int(),
  pageSize: z.number().int(),
  total: z.number().int(),
});

/** Batches in work that are told whole at once, as many as a shelf shows; the rest are in the log. */
export const MOST_IN_WORK = 24;

/** Batches in work, whole, each with its version, and what was fitted to their cards (`fitToKeep`), by its key. */
export const workSchema = z.object({
  items: z.array(z.object({ version: z.number().int(), batch: batchSchema })),
  total: z.number().int(),
  fits: z.record(z.string(), z.unknown()),
});

export const historyEntrySchema = z.object({
  version: z.number().int(),
  at: z.string(),
  action: z.enum(['created', 'replaced', 'deleted']),
  by: z.string().nullable(),
  /** Whether who is named had signed in; else they were only named. */
  verified: z.boolean().default(false),
  /** Dotted names of the fields that differ from the version before. */
  changed: z.array(z.string()),
});

/** A look at a piece that is due, soonest first. */
export const dueCheckSchema = z.object({
  code: z.string(),
  productSlug: z.string(),
  productName: z.string(),
  mould: z.string().nullable(),
  by: z.string().nullable(),
  grade: z.enum(GRADES).nullable(),
  at: z.string(),
  why: z.string(),
});
export const dueCheckListSchema = z.object({ items: z.array(dueCheckSchema) });

const spotMarkSchema = z.object({ x: z.number(), y: z.number(), batch: z.string(), kind: z.string().nullish() });
/** Where faults recur on a mould, cavity by cavity, and whether chance would do that. */
export const mouldSpotsSchema = z.object({
  pulls: z.number().int(),
  cavities: z.array(
    z.object({
      cavity: z.number().int(),
      marks: z.array(spotMarkSchema),
      spots: z.array(
        z.object({
          x: z.number(),
          y: z.number(),
          batches: z.array(z.string()),
          pulls: z.number().int(),
          byChance: z.number(),
          verdict: z.enum(['mould', 'chance', 'cannot-tell']),
          says: z.string(),
        }),
      ),
    }),
  ),
});

export const productSummarySchema = z.object({
  slug: z.string(),
  revision: z.number().int(),
  name: z.string(),
  family: z.enum(FAMILIES),
  source: z.string().nullable(),
});

/** Cards as they are stored: one that would be refused today is still read, so that it breaks no list. */
export const productListSchema = z.object({ items: z.array(storedProductSchema) });
export const historySchemaOfBatch = z.object({ items: z.array(historyEntrySchema) });

/** Units for the sentences of a diagnosis; stored units where not given. */
export const unitsQuerySchema = z.object({
  temperature: z.enum(['°C', '°F']).default('°C'),
  pressure: z.enum(['kPa', 'psi', 'bar']).default('kPa'),
  mass: z.enum(['g', 'oz']).default('g'),
  volume: z.enum(['mL', 'fl oz']).default('mL'),
  length: z.enum(['mm', 'in']).default('mm'),
});

export type BatchSummary = z.infer<typeof batchSummarySchema>;
export type Work = z.infer<typeof workSchema>;
export type BatchPage = z.infer<typeof batchPageSchema>;
export type BatchListQuery = z.infer<typeof batchListQuerySchema>;
export type DueCheck = z.infer<typeof dueCheckSchema>;
export type MouldSpots = z.infer<typeof mouldSpotsSchema>;
export type HistoryEntry = z.infer<typeof historyEntrySchema>;

/** A filter of the log under a name, shared by the studio's screens. */
export const savedFilterSchema = z.object({
  name: shortText
    .min(1, 'Give the filter a name.')
    .refine((n) => n.trim() !== '' && n !== '.' && n !== '..' && !/[\p{Cc}\p{Zl}\p{Zp}]/u.test(n), {
      error: 'Use a name that can be read on one line.',
    }),
  query: z.record(z.string().max(40), z.string().max(2000)),
});
export const savedFilterListSchema = z.object({ items: z.array(savedFilterSchema) });
export type SavedFilter = z.infer<typeof savedFilterSchema>;
