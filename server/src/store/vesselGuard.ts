import { localDay, vesselStop, wordsIn } from '@warm-jar/core';
import { Problem } from '../http/problem';
import type { BatchGuard } from './batchStore';
import type { Shelf } from './shelf';

/**
 * Refuses a batch pressed beyond the rating of the vessel it names, or
 * past that vessel's inspection. No reason passes it.
 * @param now the studio's moment, for a batch that does not say when it began
 */
export function vesselGuard(gear: Shelf['gear'], now: () => Date): BatchGuard {
  return async (batch) => {
    const { vessel, gaugeKPa } = batch.pressure ?? {};
    if (typeof vessel !== 'string' || !gaugeKPa) return;
    const found = await gear.get(vessel).catch((error: unknown) => {
      if (error instanceof Problem && error.status === 404) return null;
      throw error;
    });
    if (found?.item.kind !== 'pressure-vessel') return;
    const day = batch.startedAt?.slice(0, 10) ?? localDay(now());
    const stop = vesselStop(found.item, gaugeKPa, day, wordsIn());
    if (stop) throw new Problem(400, stop.code, stop.says, [{ path: 'pressure.gaugeKPa', message: stop.says }]);
  };
}
