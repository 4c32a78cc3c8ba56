import type { Batch, Entry, Product } from '@warm-jar/core';

/** What was weighed, how, and what the scale showed then; null where it was typed. */
export interface Weighed {
  readonly part: 'A' | 'B';
  readonly massG: number;
  readonly stepG: number | null;
  readonly shownG: number | null;
  readonly typed: boolean;
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

/** Whether this weighing is the moment from which the clock counts: the second part in, or the only one. */
const isMeeting = (product: Product, part: 'A' | 'B') => part === 'B' || measuredBy(product) === 'light';

/** What one weighing writes down. @param met what says when the parts met, where nobody said it before */
export function weighEntry(
  product: Product,
  weighed: Weighed,
  met: Record<string, unknown>,
): { readonly set: Record<string, unknown>; readonly add: Entry['add'] } {
  const { part, massG, stepG, shownG, typed, atMin } = weighed;
  const amounts =
    part === 'A'
      ? {
          'mix.amountA': massG,
          'mix.unit': 'g',
          'mix.measuredBy': measuredBy(product),
          'mix.scaleStepG': stepG,
        }
      : { 'mix.amountB': massG };
  return {
    set: {
      ...amounts,
      ...(isMeeting(product, part) ? met : {}),
      ...(shownG === null ? {} : { 'bench.tareG': Math.round(shownG * 10) / 10 }),
    },
    add:
      typed || shownG === null ? [] : [{ path: 'readings', value: { atMin, what: 'scale', value: shownG, unit: 'g' } }],
  };
}
