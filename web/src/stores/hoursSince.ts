import type { Batch } from '@warm-jar/core';

/** Hours from when the parts met to now, to the nearest tenth; null where the start is not recorded or lies ahead. */
export function hoursSince(batch: Pick<Batch, 'startedAt'> | null, nowMs: number): number | null {
  if (!batch?.startedAt) return null;
  const hours = (nowMs - Date.parse(batch.startedAt)) / 3_600_000;
  return hours < 0 ? null : Math.round(hours * 10) / 10;
}
