import { z } from 'zod';
import { GRADES, WHEREABOUTS } from './vocabulary';

/** One casting that a lot went into: which, from when, how it came out, and where it is. */
export const recalledSchema = z.object({
  batch: z.string(),
  /** Null where the batch tells its castings not apart. */
  casting: z.string().nullable(),
  startedAt: z.string().nullable(),
  productSlug: z.string(),
  part: z.enum(['A', 'B']),
  mould: z.string().nullable(),
  cavity: z.number().nullable(),
  grade: z.enum(GRADES).nullable(),
  where: z.enum(WHEREABOUTS),
  soldOn: z.string().nullable(),
  price: z.number().nullable(),
  reason: z.string().nullable(),
  /** What was seen on it: symptoms with their patterns. */
  seen: z.array(z.string()),
});

/** Every casting that a lot went into. */
export const recallSchema = z.object({ lot: z.string(), items: z.array(recalledSchema) });
export type Recall = z.infer<typeof recallSchema>;
export type Recalled = z.infer<typeof recalledSchema>;
