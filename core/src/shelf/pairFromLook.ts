import { dayAfter } from '../units/days';
import { castingIds, castingOf } from '../castings/castingList';
import { checksInOrder } from '../formats/batchChecks';
import type { Batch, Check, Inclusion } from '../formats/batch';
import type { InclusionCard } from '../formats/inclusion';

export type Pair = NonNullable<InclusionCard['pairs']>[number];

/** What a look at a casting says of what is cast in it: nothing good comes of these. */
function wentBadly({ symptoms }: Check): boolean {
  return (symptoms ?? []).some((s) => s.kind === 'inclusion-change' || s.pattern === 'around-inclusion');
}

/** A look up to so many hours is at once; beyond the other it is a late one. */
const [AT_ONCE_H, LATE_H] = [12, 10 * 24];

function whenOf(afterH: number): Pair['when'] {
  if (afterH <= AT_ONCE_H) return 'at-once';
  return afterH <= LATE_H ? 'next-day' : 'after-a-month';
}

/** Whether something cast in is this thing of the shelf: by its code, else by what it is called. */
const isThis = (inclusion: Inclusion, { code, what }: InclusionCard): boolean =>
  inclusion['code'] === code || (inclusion['code'] == null && inclusion.what?.toLowerCase() === what.toLowerCase());

/**
 * The outcome that a batch's looks give to the pair of an inclusion and its product: the first look that went badly.
 * @returns null where none did, nothing of this is cast in, or the card keeps this batch's outcome already
 */
export function pairFromLooks(batch: Batch, card: InclusionCard): Pair | null {
  if ((card.pairs ?? []).some((p) => p['batch'] === batch.code)) return null;
  // Only a look at a casting that holds it says anything of it.
  const holds = castingIds(batch).filter((id) =>
    (castingOf(batch, id)?.inclusions ?? batch.inclusions ?? []).some((x) => isThis(x, card)),
  );
  const bad = checksInOrder(batch).find(
    (c) => holds.some((id) => c.casting == null || c.casting === id) && wentBadly(c),
  );
  if (!bad) return null;
  const on = batch.startedAt ? dayAfter(batch.startedAt, bad.afterH) : null;
  return {
    productSlug: batch.product.slug,
    when: whenOf(bad.afterH),
    outcome: 'bad',
    ...(on === null ? {} : { on }),
    ...(batch.code == null ? {} : { batch: batch.code, note: `seen on ${batch.code}` }),
  };
}
