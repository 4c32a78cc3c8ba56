import { z } from 'zod';
import * as q from './quantities';
import { INCLUSION_KINDS } from './vocabulary';

export const DRIED_BY = ['air', 'oven', 'desiccant', 'press', 'not-dried'] as const;
export const PAIR_WHENS = ['at-once', 'next-day', 'after-a-month'] as const;

/** `warm-jar.inclusion/1`: something to be cast in, how dry it is, and what became of it in which product. */
export const inclusionSchema = z.looseObject({
  format: z.literal('warm-jar.inclusion/1', 'Expected "warm-jar.inclusion/1".'),
  code: q.shortText.min(1, 'Give the inclusion a code, such as I-04.'),
  what: q.shortText.min(1, 'Say what it is.'),
  kind: z.enum(INCLUSION_KINDS).nullish(),
  driedBy: z.enum(DRIED_BY).nullish(),
  weighings: z
    .array(z.looseObject({ at: q.isoMoment, massG: q.positiveMassG }))
    .max(1_000)
    .nullish(),
  moisturePct: q.percent.nullish(),
  sealed: z.boolean().nullish(),
  treated: z.boolean().nullish(),
  /** The hottest it may get before it is harmed, °C. */
  maxC: q.temperatureC.nullish(),
  pairs: z
    .array(
      z.looseObject({
        productSlug: q.slug,
        on: q.isoDate.nullish(),
        when: z.enum(PAIR_WHENS),
        outcome: z.enum(['good', 'bad']),
        note: q.shortText.nullish(),
      }),
    )
    .max(1_000)
    .nullish(),
  note: q.longText.nullish(),
});

export type InclusionCard = z.infer<typeof inclusionSchema>;
