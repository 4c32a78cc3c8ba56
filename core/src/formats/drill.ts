import { z } from 'zod';
import { limitReadingSchema } from './diagnosis';
import { batchSchema } from './batch';
import { productSchema } from './product';
import { historySchema } from './diagnosis';
import { CAUSE_IDS, CLARITIES, FAMILIES, SYMPTOM_KINDS } from './vocabulary';

/** How hard a drill in diagnosis is. */
export const DRILL_LEVELS = [1, 2, 3, 4, 5] as const;
export type DrillLevel = (typeof DRILL_LEVELS)[number];

export const LEVEL_WORDS: Readonly<Record<DrillLevel, { readonly title: string; readonly says: string }>> = {
  1: { title: 'Plain', says: 'One cause, and everything was written down.' },
  2: { title: 'With gaps', says: 'One cause; a third of the record was never written down.' },
  3: { title: 'Two that look alike', says: 'One cause, and another that the record allows as well.' },
  4: { title: 'Two at once', says: 'Two things went wrong together. Share your sureness between them.' },
  5: { title: 'Missing and mistyped', says: 'Gaps, and figures that somebody typed wrong. Have them read again.' },
};

const seen = z.object({ kind: z.enum(SYMPTOM_KINDS), pattern: z.string(), afterH: z.number().min(0) });
const level = z.union(DRILL_LEVELS.map((l) => z.literal(l)));
const causeId = z.enum(CAUSE_IDS);

/** A made-up batch with its hidden cause, as it is kept: what was, what was written of it, and why it failed. */
export const drillCaseSchema = z.object({
  seed: z.number().int(),
  level,
  product: productSchema,
  /** What was written down. */
  batch: batchSchema,
  /** What really was. */
  lived: batchSchema,
  history: historySchema,
  seen,
  /** One cause, or two that were at work together. */
  truth: z.array(causeId).min(1).max(2),
});
export type DrillCase = z.infer<typeof drillCaseSchema>;

/** Something that can be asked or tried, and what it costs. */
export const drillAskSchema = z.object({
  id: z.string(),
  /** A field nobody wrote down, one to be read again, a quick test, or what earlier batches say. */
  kind: z.enum(['field', 'again', 'test', 'past']),
  /** The field it answers; null for a test and for the past. */
  field: z.string().nullable(),
  label: z.string(),
  why: z.string(),
  minutes: z.number(),
  how: z.string().nullable(),
  caution: z.string().nullable(),
});
export type DrillAsk = z.infer<typeof drillAskSchema>;

/** What was asked and what came of it. */
export const drillToldSchema = z.object({ id: z.string(), label: z.string(), says: z.string(), minutes: z.number() });
export type DrillTold = z.infer<typeof drillToldSchema>;

const shareOf = z.object({ id: causeId, title: z.string(), share: z.number().min(0).max(1) });

/** One step of the ledger's argument: what was learned, what it says of the causes in question, how sure that makes. */
export const drillStepSchema = z.object({
  title: z.string(),
  says: z.array(z.object({ cause: causeId, title: z.string(), points: z.number(), says: z.string() })),
  shares: z.array(shareOf),
});
export type DrillStep = z.infer<typeof drillStepSchema>;

/** What a trainee answered, and what that was worth. */
export const drillResultSchema = z.object({
  /** As it was given, shares from 0 to 1; what is left to 1 counts evenly over all causes. */
  shares: z.array(shareOf),
  truth: z.array(z.object({ id: causeId, title: z.string() })),
  /** 100 for all of it on what it was, 0 for an even spread, below that for surer and wrong. */
  score: z.number(),
  minutes: z.number(),
  /** The chosen mend, whether it mends this, and which does; null where there was none to choose. */
  mend: z.object({ chosen: z.string(), right: z.string(), isRight: z.boolean() }).nullable(),
  /** The ledger asking what tells most a minute, stopping when it is sure. */
  best: z.object({ minutes: z.number(), score: z.number(), asked: z.array(z.string()), mendRight: z.boolean() }),
  /** The ledger with what the trainee knew. */
  withSame: z.object({ score: z.number() }),
  steps: z.array(drillStepSchema),
});
export type DrillResult = z.infer<typeof drillResultSchema>;

/** A result without its argument: all that progress reads of it. */
export const drillSummarySchema = drillResultSchema.omit({ steps: true, withSame: true });
export type DrillSummary = z.infer<typeof drillSummarySchema>;

/** How a cast is drawn: what it is made of and in which shape; what is seen on it stands beside. */
export const castLookSchema = z.object({
  seed: z.number().int(),
  clarity: z.enum(CLARITIES).nullable(),
  colours: z.array(z.string()),
});
export type CastLook = z.infer<typeof castLookSchema>;

/** A drill in diagnosis as a trainee sees it: never with the cause, until it is answered. */
export const drillViewSchema = z.object({
  id: z.string(),
  level,
  by: z.string().nullable(),
  product: z.object({ slug: z.string(), name: z.string(), family: z.enum(FAMILIES) }),
  seen,
  cast: castLookSchema,
  limits: z.array(limitReadingSchema),
  /** What else was written down. */
  facts: z.array(z.object({ field: z.string(), label: z.string(), says: z.string() })),
  asks: z.array(drillAskSchema),
  told: z.array(drillToldSchema),
  spentMin: z.number(),
  causes: z.array(z.object({ id: causeId, title: z.string() })),
  mends: z.array(z.object({ id: z.string(), steps: z.array(z.string()), supplies: z.array(z.string()) })),
  result: drillResultSchema.nullable(),
  /** When what was confused comes back, where something was. */
  comesBack: z.string().nullable(),
});
export type DrillView = z.infer<typeof drillViewSchema>;

/** What a trainee answers with. */
export const drillAnswerSchema = z.object({
  shares: z
    .array(z.object({ id: causeId, share: z.number().min(0).max(1) }))
    .max(CAUSE_IDS.length)
    .refine((all) => new Set(all.map((s) => s.id)).size === all.length, 'Each cause once.')
    .refine((all) => all.reduce((sum, s) => sum + s.share, 0) <= 1.001, 'Together no more than 100 %.'),
  mend: z.string().max(40).nullable(),
});
export type DrillAnswer = z.infer<typeof drillAnswerSchema>;

/** Sums that are wanted within a minute at the bench. */
export const QUICK_TOPICS = ['over-pour', 'catalyst', 'which-product', 'press-by'] as const;
export type QuickTopic = (typeof QUICK_TOPICS)[number];
export const QUICK_TITLES: Readonly<Record<QuickTopic, string>> = {
  'over-pour': 'Bring an over-pour back',
  catalyst: 'Catalyst by the weather',
  'which-product': 'Which product for this depth',
  'press-by': 'When to shut the pressure pot',
};
/** Time for each, s. */
export const QUICK_SECONDS = 60;

/** An answer to a quick drill: a figure in the unit that is asked for, or one of the choices. */
export const quickAnswerSchema = z.union([
  z.object({ figure: z.number().min(-1e6).max(1e6) }),
  z.object({ choice: z.string().max(80) }),
]);
export type QuickAnswer = z.infer<typeof quickAnswerSchema>;

/** What came of a quick drill. */
export const quickResultSchema = z.object({
  right: z.boolean(),
  /** Within its minute. */
  inTime: z.boolean(),
  seconds: z.number(),
  /** The right answer, in words. */
  was: z.string(),
  /** What was answered, in words. */
  said: z.string(),
  /** How it is worked out, a step a line. */
  because: z.array(z.string()),
});
export type QuickResult = z.infer<typeof quickResultSchema>;

/** A quick drill as its trainee sees it. */
export const quickViewSchema = z.object({
  id: z.string(),
  topic: z.enum(QUICK_TOPICS),
  by: z.string().nullable(),
  /** The situation, a fact a line. */
  says: z.array(z.string()),
  asks: z.string(),
  /** The stored unit of the figure that is asked for; null where one of the choices is. */
  unit: z.string().nullable(),
  choices: z.array(z.object({ id: z.string(), label: z.string() })),
  /** When it was asked, by the studio's clock. */
  askedAt: z.string(),
  result: quickResultSchema.nullable(),
});
export type QuickView = z.infer<typeof quickViewSchema>;

const summed = z.object({
  times: z.number().int(),
  /** Mean score, and the ledger's on the same; null before the first. */
  score: z.number().nullable(),
  ledger: z.number().nullable(),
  /** Whether the latest five come near the ledger's; null where there are fewer. */
  ready: z.boolean().nullable(),
});

/** What somebody's drills say of them. */
export const drillProgressSchema = z.object({
  person: z.string().nullable(),
  times: z.number().int(),
  /** Of drills with one cause: how often what one was so sure of was right. */
  calibration: z.array(
    z.object({
      from: z.number(),
      to: z.number(),
      times: z.number().int(),
      right: z.number().int(),
      meanShare: z.number().nullable(),
      low: z.number(),
      high: z.number(),
    }),
  ),
  levels: z.array(summed.extend({ level })),
  families: z.array(summed.extend({ family: z.enum(FAMILIES) })),
  /** By cause, the one that is known least first. */
  causes: z.array(
    z.object({ id: causeId, title: z.string(), times: z.number().int(), right: z.number().int(), score: z.number() }),
  ),
  mends: z.object({ chosen: z.number().int(), right: z.number().int() }),
  runs: z.array(
    z.object({
      at: z.string(),
      level,
      score: z.number(),
      ledger: z.number(),
      minutes: z.number(),
      ledgerMin: z.number(),
    }),
  ),
  /** Causes taken for each other, and when they come back. */
  confusions: z.array(
    z.object({ cause: causeId, takenFor: causeId, titles: z.tuple([z.string(), z.string()]), due: z.string() }),
  ),
  /** How many of them are due now. */
  due: z.number().int(),
  /** Runs at the drill's bench, and how many of their casts were sound. */
  bench: z.object({ times: z.number().int(), sound: z.number().int() }),
  quick: z.array(
    z.object({
      topic: z.enum(QUICK_TOPICS),
      times: z.number().int(),
      right: z.number().int(),
      inTime: z.number().int(),
    }),
  ),
});
export type DrillProgress = z.infer<typeof drillProgressSchema>;

/** Who is how far, for a lead. */
export const drillPeopleSchema = z.object({ items: z.array(drillProgressSchema) });
