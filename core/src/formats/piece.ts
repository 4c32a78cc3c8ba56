import { z } from 'zod';
import * as q from './quantities';
import { INCLUSION_KINDS } from './vocabulary';

/** One layer of a piece, from the bottom of the mould up: what it is made of, and what has become of it. */
export const layerSchema = z.looseObject({
  productSlug: q.slug,
  depthMm: q.lengthMm.nullish(),
  /** The batch it was poured from, once there is one. */
  batch: q.shortText.nullish(),
  /** When it was poured, where no batch says so. */
  pouredAt: q.isoMoment.nullish(),
  /** Not before this moment, by the studio's own wish. */
  wishedAt: q.isoMoment.nullish(),
  /** Whether the layer below was sanded before this one. */
  sanded: z.boolean().nullish(),
  /** How far this layer stays off the edge, so that those around it meet. */
  edgeMm: q.lengthMm.nullish(),
  /** What was poured of it, g: a drying layer is judged by its own mass. */
  massG: q.positiveMassG.nullish(),
  /** What is to be seen as it lies; another order leaves it where it is. */
  decoration: z.boolean().nullish(),
  /** Why it is poured although something spoke against it. */
  reasons: z
    .array(z.looseObject({ code: q.shortText, reason: q.longText, at: q.isoMoment.nullish() }))
    .max(50)
    .nullish(),
  /** Weighings of the piece while this layer dries. */
  weighings: z
    .array(z.looseObject({ at: q.isoMoment, massG: q.positiveMassG }))
    .max(500)
    .nullish(),
  /** What is laid in on this layer, before the next. */
  inclusions: z
    .array(z.looseObject({ what: q.shortText, kind: z.enum(INCLUSION_KINDS).nullish() }))
    .max(50)
    .nullish(),
  lightMJPerCM2: q.doseMJPerCM2.nullish(),
  note: q.longText.nullish(),
});

/**
 * `warm-jar.piece/1`: something made of several pours over several days. Batches
 * keep their own records; a piece says which lie on which.
 */
export const pieceSchema = z.looseObject({
  format: z.literal('warm-jar.piece/1', 'Expected "warm-jar.piece/1".'),
  code: q.shortText.min(1, 'Give the piece a code, such as P-04.'),
  name: q.shortText.min(1, 'Say what it is.'),
  mould: q.shortText.nullish(),
  /** Height of the mould to its rim. */
  heightMm: q.lengthMm.nullish(),
  /** Room it is made in; the windows follow it. */
  roomC: q.temperatureC.nullish(),
  humidityPct: q.humidityPct.nullish(),
  layers: z.array(layerSchema).max(40),
  /** Castings joined into the piece: with which resin, how long to hold, and when the joint bears. */
  joins: z
    .array(
      z.looseObject({
        parts: z.array(q.shortText).max(40),
        with: q.shortText.nullish(),
        holdMin: q.minutes.nullish(),
        bearsAfterMin: q.minutes.nullish(),
        /** When it was joined; absent for one that is still to be made. */
        joinedAt: q.isoMoment.nullish(),
        by: q.shortText.nullish(),
        note: q.longText.nullish(),
      }),
    )
    .max(100)
    .nullish(),
  done: z.boolean().nullish(),
  note: q.longText.nullish(),
});

export type Piece = z.infer<typeof pieceSchema>;
export type Layer = z.infer<typeof layerSchema>;
