import { checksInOrder } from '../formats/batchChecks';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { stageOf } from './stage';

/** A record brought in that is older than this is one of before: nobody stands at the bench with it, h. */
export const OLD_RECORD_H = 72;
const HOUR_MS = 3_600_000;

/** Whether nobody works on it any more: it began long ago, or nobody knows when. */
const isOld = ({ startedAt }: Batch, now: Date) =>
  startedAt == null || now.getTime() - Date.parse(startedAt) > OLD_RECORD_H * HOUR_MS;

/** A run at a bench of this application that was not ended: it is where it was left, wherever it comes from. */
const isRun = ({ bench, plan }: Batch) => bench != null || plan != null;

/**
 * A record that is brought in from elsewhere: an old one comes in as done, unless it says otherwise itself, by `closed`,
 * by a last look that sends the piece to be mended, or by a run at a bench that stands still open.
 * @param now the studio's moment
 */
export function closedIfOld(product: Product | null, batch: Batch, now: Date): Batch {
  if (batch.closed != null || isRun(batch) || !isOld(batch, now)) return batch;
  const isSentToMend = checksInOrder(batch).at(-1)?.grade === 'mend';
  return isSentToMend || stageOf(product, batch) === 'done' ? batch : { ...batch, closed: true };
}
