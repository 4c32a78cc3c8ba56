import { z } from 'zod';
import * as q from './quantities';
import { ADDITIVE_KINDS } from './vocabulary';

/** `warm-jar.additive/1`: a colour or filler of the studio, with its own measured drops. */
export const additiveSchema = z.looseObject({
  format: z.literal('warm-jar.additive/1', 'Expected "warm-jar.additive/1".'),
  code: q.shortText.min(1, 'Give the additive a code, such as C-07.'),
  name: q.shortText.min(1, 'Give the additive a name.'),
  kind: z.enum(ADDITIVE_KINDS, 'Choose its kind; cards set their limits by kind.'),
  /** A weighing of counted drops. */
  drops: z.looseObject({ counted: q.count.min(1, 'Count at least one drop.'), massG: q.positiveMassG }).nullish(),
  waterPct: q.percent.nullish(),
  solvent: z.boolean().nullish(),
  refusedBy: z.array(q.slug).max(q.longestList).nullish(),
  note: q.longText.nullish(),
});

export type AdditiveCard = z.infer<typeof additiveSchema>;
