import type { Batch, LimitReading } from '@warm-jar/core';

/** Grams in a number of drops. */
export const gramsOf = (drops: number, perG: number): number => (perG > 0 ? drops / perG : 0);

/**
 * Drops that still fit under the nearest limit of a loading by weight; null where no limit is stated or a drop has no
 * weight. Below 1 the next drop is over.
 */
export function dropRoom(loading: readonly LimitReading[], mix: Batch['mix'], perG: number | null): number | null {
  if (perG === null || mix?.amountA == null) return null;
  const totalG = mix.amountA + (mix.amountB ?? 0);
  const rooms = loading.flatMap((r) =>
    typeof r.high === 'number' && typeof r.measured === 'number' ? [((r.high - r.measured) / 100) * totalG * perG] : [],
  );
  return rooms.length === 0 ? null : Math.min(...rooms);
}
