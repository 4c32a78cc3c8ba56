import type { Batch, Entry, Product } from '@warm-jar/core';
import { readingOf, type ReadFrom } from '../../run/readingOf';

/** What was weighed, and on what; null where it was read by eye and typed. */
export interface Weighed {
  readonly part: 'A' | 'B';
  readonly massG: number;
  readonly from: ReadFrom;
  /** What the scale shows with it in the cup: the next part is weighed from there. Null without a scale. */
  readonly standsG: number | null;
  readonly atMin: number | null;
}

/** How the parts are measured by this product's ratio. */
export function measuredBy({
  ratio,
  family,
}: Pick<Product, 'ratio' | 'family'>): NonNullable<Batch['mix']>['measuredBy'] {
  if (ratio.catalyst) return 'catalyst';
  if (ratio.powder) return 'powder';
  return family === 'uv-acrylate' ? 'light' : 'weight';
}

/** Whether the clock counts from this weighing: from the second part in, and without parts that meet from the resin. */
const isTimeZero = (product: Product, part: 'A' | 'B') => part === 'B' || measuredBy(product) === 'light';

/** What one weighing writes down. @param met what says when the parts met, where nobody said it before */
export function weighEntry(
  product: Product,
  { part, massG, from, standsG, atMin }: Weighed,
  met: Record<string, unknown>,
): { readonly set: Record<string, unknown>; readonly add: Entry['add'] } {
  const amounts =
    part === 'A'
      ? { 'mix.amountA': massG, 'mix.unit': 'g', 'mix.measuredBy': measuredBy(product) }
      : { 'mix.amountB': massG };
  return {
    set: {
      ...amounts,
      ...(isTimeZero(product, part) ? met : {}),
      ...(standsG === null ? {} : { 'bench.tareG': standsG }),
    },
    add: from?.value == null ? [] : [readingOf(atMin, 'scale', from.value, 'g', from)],
  };
}
