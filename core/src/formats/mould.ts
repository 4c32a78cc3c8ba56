import { z } from 'zod';
import * as q from './quantities';
import { FINISHES, RUBBERS } from './vocabulary';

const share = z.number().min(0).max(1);
/** A place on an outline, in shares of its width and height from the top left. */
const place = z.looseObject({ x: share, y: share });

export const VOLUME_SOURCES = ['typed', 'water', 'shape', 'mesh'] as const;
export const OUTLINES = ['rectangle', 'ellipse', 'drop', 'ring', 'plate'] as const;

const mark = z.looseObject({
  x: share,
  y: share,
  batch: q.shortText.nullish(),
  what: q.shortText.nullish(),
  on: q.isoDate.nullish(),
});

const cavity = z.looseObject({
  name: q.shortText.nullish(),
  volumeML: z.number('Write a volume in mL.').positive('Must be more than 0 mL.').max(1e6).nullish(),
  /** How the volume was come by. */
  volumeFrom: z.enum(VOLUME_SOURCES).nullish(),
  areaCM2: z.number().min(0).max(1e6).nullish(),
  depthMm: q.positiveLengthMm.nullish(),
  thinnestMm: q.positiveLengthMm.nullish(),
  outline: z.enum(OUTLINES).nullish(),
  /** Width of the outline over its height. */
  outlineAspect: z.number().min(0.1).max(10).nullish(),
  marks: z.array(mark).max(1_000).nullish(),
});

/** `warm-jar.mould/1`: a mould, its cavities, and how it wears. */
export const mouldSchema = z.looseObject({
  format: z.literal('warm-jar.mould/1', 'Expected "warm-jar.mould/1".'),
  code: q.shortText.min(1, 'Give the mould a code, such as M-12.'),
  makes: q.shortText.nullish(),
  rubber: z.enum(RUBBERS).nullish(),
  degassed: z.boolean().nullish(),
  finish: z.enum(FINISHES).nullish(),
  hollow: z.boolean().nullish(),
  cavities: z.array(cavity).max(200).nullish(),
  /** Pulls made before the log began; those in the log are counted. */
  pullsBefore: q.count.nullish(),
  pullsExpected: q.count.nullish(),
  wear: z
    .array(z.looseObject({ on: q.isoDate.nullish(), note: q.longText }))
    .max(500)
    .nullish(),
  /** Name of a stored photo. */
  photo: q.shortText.nullish(),
  note: q.longText.nullish(),
});

export const placeSchema = place;
export type Mould = z.infer<typeof mouldSchema>;
export type Cavity = NonNullable<Mould['cavities']>[number];
export type OutlineKind = (typeof OUTLINES)[number];
