import type { Cause } from '../cause';
import { overHigh } from '../evidence';
import { choseOther, wasPressed } from './airShared';

export const pressureLate: Cause = {
  id: 'pressure-late',
  title: 'Pressure came too late',
  prior: { bubbles: { 'micro-throughout': 0.2, 'top-foam': 0.05, 'large-voids': 0.04, unspecified: 0.14 } },
  applies: (f) =>
    wasPressed(f) === true ||
    (wasPressed(f) === null && f.product.pressure?.minKPa != null && !choseOther(f, 'pressure')),
  evidence: [(f) => overHigh(f, 'pressure.reachedMin', { slope: 40, most: 15, least: 12 })],
  prevention: ({ working, say }) => [
    working.gelMin === null
      ? 'Have the tank full and the lid ready before the parts meet.'
      : `Be at full pressure well before ${say(working.gelMin, 'min')}: tank full and lid ready before the parts meet, smaller batch, or cooler resin.`,
  ],
  change: ({ product, batch, say }) => {
    const from = batch.resin?.atPourC ?? batch.resin?.temperatureAC;
    const least = product.resin?.minC;
    return from == null || least == null || from <= least
      ? null
      : { says: `Resin at ${say(least, '°C')} instead of ${say(from, '°C')}, to gain time`, set: { resinC: least } };
  },
};
