import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { stageOf } from './stage';

/** When a batch is to be looked at next, hours from when the parts met, and why then. */
export interface NextCheck { readonly afterH: number; readonly why: string }

/** The first look at a piece that came out well: the next day. */
const FIRST_CHECK_H = 24;
/** A mended piece is looked at again the day after. */
const AFTER_MEND_H = 24;

/**
 * The next check that is due on a batch out of its mould, or null where none is.
 * A batch that takes longer than a day to demould is first looked at when it is due out.
 */
export function nextCheck(product: Product, batch: Batch): NextCheck | null {
  if (stageOf(product, batch) !== 'check') return null;
  const last = [...(batch.checks ?? [])].sort((a, b) => a.afterH - b.afterH).at(-1);
  if (!last) {
    const outH = (batch.cure?.demouldedMin ?? product.demould?.minutes ?? 0) / 60;
    return { afterH: Math.max(FIRST_CHECK_H, outH), why: 'first look' };
  }
  return last.grade === 'mend'
    ? { afterH: last.afterH + AFTER_MEND_H, why: 'after the mend' }
    : { afterH: last.afterH + FIRST_CHECK_H, why: 'not graded yet' };
}
