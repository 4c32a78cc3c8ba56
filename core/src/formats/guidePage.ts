import { z } from 'zod';
import { mendSchema } from './diagnosis';
import { castLookSchema } from './drill';
import { CAUSE_IDS, FAMILIES, SYMPTOM_KINDS } from './vocabulary';

const shown = z.object({ kind: z.enum(SYMPTOM_KINDS), pattern: z.string() });

/** A cause that is easily taken for another, and what parts the two. */
const neighbourSchema = z.object({
  id: z.enum(CAUSE_IDS),
  title: z.string(),
  /** A test, what it shows where it is this cause, and what where it is the neighbour: null where it says nothing. */
  tests: z.array(z.object({ title: z.string(), here: z.string(), there: z.string().nullable() })),
  /** Fields that speak for this one alone, and for the neighbour alone. */
  here: z.array(z.string()),
  there: z.array(z.string()),
});

/** A cause's page of the guide. */
export const causePageSchema = z.object({
  id: z.enum(CAUSE_IDS),
  title: z.string(),
  looks: z.string(),
  how: z.string(),
  /** What it shows itself by, likeliest first, and how often by that of all it shows. */
  shows: z.array(shown.extend({ share: z.number().min(0).max(1) })),
  /** Families in which it happens; null for all. */
  families: z.array(z.enum(FAMILIES)).nullable(),
  /** Fields of the record that speak for it, and by how much on average where they do, decibans. */
  speaks: z.array(z.object({ field: z.string(), label: z.string(), points: z.number() })),
  /** Quick tests, with what came out of each where this was the cause. */
  tests: z.array(
    z.object({ id: z.string(), title: z.string(), how: z.string(), caution: z.string().nullable(), says: z.string() }),
  ),
  neighbours: z.array(neighbourSchema),
  /** The made-up batch that the mend and the prevention are worked out for. */
  example: shown.extend({ product: z.string(), look: castLookSchema }),
  mend: mendSchema,
  prevention: z.array(z.string()),
});
export type CausePage = z.infer<typeof causePageSchema>;
