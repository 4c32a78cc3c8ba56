import type { Batch } from '../formats/batch';
import { castingGrade, castingIds, castingsOf, isFinal } from './castingList';

const all = (batch: Batch, has: (id: number) => boolean): boolean => {
  const castings = castingsOf(batch);
  return castings.length > 0 && castings.every((_, i) => has(i));
};

/**
 * Whether everything is in its mould: said of the batch; or of each casting, where nobody said that the pour began, for
 * while it goes on more cavities may come.
 */
export const isPoured = (batch: Batch): boolean =>
  batch.pour?.finishedMin != null ||
  (batch.pour?.startedMin == null && all(batch, (i) => castingsOf(batch)[i]!.pouredMin != null));

/** Whether everything is out of its mould: said of the batch, or of each casting. */
export const isOut = (batch: Batch): boolean =>
  batch.cure?.demouldedMin != null ||
  all(batch, (i) => {
    const { demouldedMin, cure } = castingsOf(batch)[i]!;
    return (demouldedMin ?? cure?.demouldedMin) != null;
  });

/** Whether every casting has a grade that ends the matter. */
export const isAllGraded = (batch: Batch): boolean => castingIds(batch).every((id) => isFinal(castingGrade(batch, id)));
