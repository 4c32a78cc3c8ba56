import {
  QUICK_TOPICS,
  benchResultSchema,
  drillCaseSchema,
  drillResultSchema,
  quickResultSchema,
  timedActSchema,
} from '@warm-jar/core';
import { z } from 'zod';
import { confusionStore, type ConfusionStore } from './confusionStore';
import type { Database } from './database';
import { drillStore, type DrillStore } from './drillStore';

/** What is kept of a drill in diagnosis. */
const diagnosisRunSchema = z.object({
  case: drillCaseSchema,
  asked: z.array(z.string()),
  result: drillResultSchema.nullable(),
  comesBack: z.string().nullable(),
});
export type DiagnosisRun = z.infer<typeof diagnosisRunSchema>;

/** What is kept of a quick drill. */
const quickRunSchema = z.object({
  topic: z.enum(QUICK_TOPICS),
  seed: z.number().int(),
  result: quickResultSchema.nullable(),
});
export type QuickRun = z.infer<typeof quickRunSchema>;

/** What is kept of a run: what hands did, and the run's clock at the last of it. */
const benchRunSchema = z.object({
  seed: z.number().int(),
  acts: z.array(timedActSchema),
  heldS: z.number().min(0),
  heldAt: z.string().nullable(),
  result: benchResultSchema.nullable(),
});
export type BenchRun = z.infer<typeof benchRunSchema>;

/** All that drills are kept in: tables of their own, beside the log. */
export interface DrillStores {
  readonly diagnosis: DrillStore<DiagnosisRun>;
  readonly quick: DrillStore<QuickRun>;
  readonly bench: DrillStore<BenchRun>;
  readonly confusions: ConfusionStore;
}

export const drillStores = (database: Database, now: () => Date): DrillStores => ({
  diagnosis: drillStore(database, 'diagnosis', diagnosisRunSchema, now),
  quick: drillStore(database, 'quick', quickRunSchema, now),
  bench: drillStore(database, 'bench', benchRunSchema, now),
  confusions: confusionStore(database, now),
});
