import { z } from 'zod';
import { causeShareSchema } from './diagnosis';
import { castLookSchema } from './drill';
import { CAUSE_IDS, SYMPTOM_KINDS } from './vocabulary';

/** Run seconds that go by in one of the studio's: six minutes of pot life take a minute and a half. */
export const BENCH_PACE = 4;

/** What the drill's pot is rated for, kPa: as the made-up studio's own. */
export const DRILL_POT_KPA = 400;

/** What goes wrong in a run without being said. */
export const MISHAPS = ['cold-lot', 'leak', 'heavy-hand', 'interruption', 'small-compressor'] as const;
export type Mishap = (typeof MISHAPS)[number];

/** What hands do in a run. */
export const benchActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('read-lots') }),
  z.object({ do: z.literal('warm') }),
  z.object({ do: z.literal('pour'), part: z.enum(['A', 'B']), thin: z.boolean() }),
  z.object({ do: z.literal('stop') }),
  z.object({ do: z.literal('stir'), how: z.enum(['gentle', 'brisk']) }),
  z.object({ do: z.literal('scrape') }),
  z.object({ do: z.literal('cast'), fast: z.boolean() }),
  z.object({ do: z.literal('shut'), toKPa: z.number().min(0).max(DRILL_POT_KPA) }),
  z.object({ do: z.literal('top-up') }),
  z.object({ do: z.literal('skip'), minutes: z.number().min(1).max(240) }),
  z.object({ do: z.literal('release') }),
  z.object({ do: z.literal('demould') }),
]);
export type BenchAct = z.infer<typeof benchActSchema>;

/** An act and when it was done, run seconds from the start. */
export const timedActSchema = z.object({ atS: z.number().min(0), act: benchActSchema });
export type TimedAct = z.infer<typeof timedActSchema>;

/** A fault that the run made on its cast, by which cause, and how that follows. */
export const madeFaultSchema = z.object({
  kind: z.enum(SYMPTOM_KINDS),
  pattern: z.string(),
  cause: z.enum(CAUSE_IDS),
  title: z.string(),
  because: z.string(),
});
export type MadeFault = z.infer<typeof madeFaultSchema>;

/** What a run came to: the cast, what made it so, and what the ledger says of its record. */
export const benchResultSchema = z.object({
  /** It set in the cup and was never cast. */
  lost: z.boolean(),
  faults: z.array(madeFaultSchema),
  /** Figures of the run, with how they stand. */
  figures: z.array(z.object({ label: z.string(), says: z.string() })),
  /** What went wrong without being said, and what it did. */
  mishap: z.object({ title: z.string(), says: z.string() }).nullable(),
  diagnosis: z.array(
    z.object({
      kind: z.enum(SYMPTOM_KINDS),
      pattern: z.string(),
      causes: z.array(
        causeShareSchema.pick({ id: true, share: true }).extend({ title: z.string(), says: z.array(z.string()) }),
      ),
    }),
  ),
});
export type BenchResult = z.infer<typeof benchResultSchema>;

/** A run as its trainee sees it: the instruments, what can be done now, and the cast at the end. */
export const benchViewSchema = z.object({
  id: z.string(),
  by: z.string().nullable(),
  product: z.object({ slug: z.string(), name: z.string() }),
  /** What is to be made and by which figures of the card. */
  task: z.array(z.string()),
  /** Run seconds from the start, when this was told, and how many go by in one of the studio's: 0 once it is over. */
  nowS: z.number(),
  pace: z.number(),
  /** Run seconds since the parts met; null before. */
  metS: z.number().nullable(),
  /** What the card's label says, min; null where it says none. */
  cardPotLifeMin: z.number().nullable(),
  /** On the scale, g, and how fast that grows, g a run second; what the cup should hold. */
  scaleG: z.number(),
  gPerS: z.number(),
  targetG: z.object({ A: z.number(), B: z.number() }),
  pouredG: z.object({ A: z.number(), B: z.number() }),
  roomC: z.number(),
  humidityPct: z.number(),
  /** The resin by the thermometer; null until it is read. */
  resinC: z.number().nullable(),
  gaugeKPa: z.number(),
  /** Pressures that the pot can be set to here: from the card's least up, never above its rating, kPa. */
  pressures: z.array(z.number()),
  stirredMin: z.number(),
  doing: z.enum(['nothing', 'pouring-a', 'pouring-b', 'stirring', 'casting']),
  scraped: z.boolean(),
  cast: z.boolean(),
  shut: z.boolean(),
  released: z.boolean(),
  /** Somebody came in: nothing can be done until they go. */
  interrupted: z.string().nullable(),
  /** Acts that can be done now, by their name. */
  may: z.array(z.string()),
  look: castLookSchema,
  result: benchResultSchema.nullable(),
});
export type BenchView = z.infer<typeof benchViewSchema>;
