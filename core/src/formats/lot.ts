import { z } from 'zod';
import * as q from './quantities';
import { LOT_COLOURS } from './vocabulary';

/** `warm-jar.lot/1`: one delivery of a part of a product. What is left follows from the batches that name it. */
export const lotSchema = z
  .looseObject({
    format: z.literal('warm-jar.lot/1', 'Expected "warm-jar.lot/1".'),
    code: q.shortText.min(1, 'Give the lot its code, as on the bottle.'),
    productSlug: q.slug,
    part: z.enum(['A', 'B'], 'Is it part A or part B?'),
    openedOn: q.isoDate.nullish(),
    useBy: q.isoDate.nullish(),
    receivedOn: q.isoDate.nullish(),
    quantityG: q.positiveMassG.nullish(),
    /** What the whole lot cost, in the studio's own currency. */
    price: z.number('Write a price.').min(0, 'Must be 0 or more.').max(1e7).nullish(),
    colour: z.enum(LOT_COLOURS).nullish(),
    note: q.longText.nullish(),
  })
  .superRefine((lot, ctx) => {
    if (lot.receivedOn && lot.openedOn && lot.openedOn < lot.receivedOn) {
      ctx.addIssue({
        code: 'custom',
        path: ['openedOn'],
        message: `Opened on ${lot.openedOn}, before it was received on ${lot.receivedOn}. Check both dates.`,
      });
    }
    if (lot.receivedOn && lot.useBy && lot.useBy < lot.receivedOn) {
      ctx.addIssue({
        code: 'custom',
        path: ['useBy'],
        message: `Use by ${lot.useBy}, before it was received on ${lot.receivedOn}. Check both dates.`,
      });
    }
  });

export type LotCard = z.infer<typeof lotSchema>;
