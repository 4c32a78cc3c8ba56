import { knownDewPointC } from '../air/dewPoint';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import { makeReading } from './reading';

/** Coldest recorded part, mould or room against the dew point, K; null where temperature or damp was not recorded. */
export function dewPointSpreadK(batch: Batch): number | null {
  const { temperatureC, humidityPct } = batch.room ?? {};
  const dewC = knownDewPointC(temperatureC, humidityPct);
  if (temperatureC == null || dewC === null) return null;
  const surfaces = [
    temperatureC,
    batch.resin?.temperatureAC,
    batch.resin?.temperatureBC,
    batch.mould?.temperatureC,
  ].filter((t) => t != null);
  return Math.min(...surfaces) - dewC;
}

/** Room, damp, dew point and the resin's temperatures. */
export function conditionReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const { minC, maxC, maxHumidityPct } = product.room ?? {};
  const { temperatureBC } = batch.resin ?? {};
  // What a lamp cures has one part: a second is held against the card only where somebody wrote it down.
  const hasPartB = product.family !== 'uv-acrylate' || temperatureBC != null;
  const resinBand = { low: product.resin?.minC, high: product.resin?.maxC, unit: '°C' };
  return [
    makeReading(
      { field: 'room.temperatureC', measured: batch.room?.temperatureC, low: minC, high: maxC, unit: '°C' },
      say,
    ),
    makeReading({ field: 'room.humidityPct', measured: batch.room?.humidityPct, high: maxHumidityPct, unit: '%' }, say),
    makeReading({ field: 'air.dewPointSpreadK', measured: dewPointSpreadK(batch), unit: 'K' }, say),
    makeReading({ field: 'resin.temperatureAC', measured: batch.resin?.temperatureAC, ...resinBand }, say),
    ...(hasPartB ? [makeReading({ field: 'resin.temperatureBC', measured: temperatureBC, ...resinBand }, say)] : []),
    makeReading({ field: 'resin.atPourC', measured: batch.resin?.atPourC, ...resinBand }, say),
  ];
}
