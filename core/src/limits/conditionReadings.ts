import { dewPointC } from '../air/dewPoint';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import { makeReading } from './reading';

/** Coldest recorded part, mould or room against the dew point, K; null where temperature or damp was not recorded. */
export function dewPointSpreadK(batch: Batch): number | null {
  const { temperatureC, humidityPct } = batch.room ?? {};
  if (temperatureC == null || !humidityPct || temperatureC < -45 || temperatureC > 60) return null;
  const surfaces = [
    temperatureC,
    batch.resin?.temperatureAC,
    batch.resin?.temperatureBC,
    batch.mould?.temperatureC,
  ].filter((t) => t != null);
  return Math.min(...surfaces) - dewPointC(temperatureC, humidityPct);
}

/** Room, damp, dew point and the resin's temperatures. */
export function conditionReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const { minC, maxC, maxHumidityPct } = product.room ?? {};
  const resinBand = { low: product.resin?.minC, high: product.resin?.maxC, unit: '°C' };
  return [
    makeReading(
      { field: 'room.temperatureC', measured: batch.room?.temperatureC, low: minC, high: maxC, unit: '°C' },
      say,
    ),
    makeReading({ field: 'room.humidityPct', measured: batch.room?.humidityPct, high: maxHumidityPct, unit: '%' }, say),
    makeReading({ field: 'air.dewPointSpreadK', measured: dewPointSpreadK(batch), unit: 'K' }, say),
    makeReading({ field: 'resin.temperatureAC', measured: batch.resin?.temperatureAC, ...resinBand }, say),
    makeReading({ field: 'resin.temperatureBC', measured: batch.resin?.temperatureBC, ...resinBand }, say),
    makeReading({ field: 'resin.atPourC', measured: batch.resin?.atPourC, ...resinBand }, say),
  ];
}
