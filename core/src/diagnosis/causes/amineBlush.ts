import type { Cause } from '../cause';
import { overHigh, strongest, underLow, type MaybeEvidence } from '../evidence';
import type { CaseFacts } from '../caseFacts';
import { pointsFor } from '../weight';

/** Within this of the dew point epoxy may blush, K (studio practice). */
const DEW_SAFE_K = 3;
/** Humidity over the card's that is plainly damp, percentage points. */
const DAMP_SCALE_PCT = 10;
/** Kelvin under the card's coldest room that is plainly cold. */
const COLD_SCALE_K = 4;

function dewEvidence({ dewPointSpreadK: spread, say }: CaseFacts): MaybeEvidence {
  if (spread === null) return null;
  return {
    field: 'air.dewPointSpreadK',
    measured: spread,
    limit: DEW_SAFE_K,
    unit: 'K',
    points: pointsFor((DEW_SAFE_K - spread) / DEW_SAFE_K, { slope: 6, most: 8, least: 4 }),
    says: `The coldest of room, resin and mould was ${say(spread, 'K')} above the dew point; under ${say(DEW_SAFE_K, 'K')} an epoxy may blush.`,
  };
}

export const amineBlush: Cause = {
  id: 'amine-blush',
  title: 'Amine blush from damp, cold air',
  families: ['epoxy'],
  prior: {
    tacky: { 'greasy-film': 0.85, 'tacky-air-side-only': 0.25, 'tacky-all-over': 0.05, unspecified: 0.08 },
    haze: { 'white-bloom': 0.6, 'frosted-skin': 0.06, unspecified: 0.25 },
  },
  evidence: [
    // Damp and dew are the same water.
    (f) =>
      strongest([overHigh(f, 'room.humidityPct', { slope: 9, most: 8, least: 4 }, DAMP_SCALE_PCT), dewEvidence(f)]),
    (f) => underLow(f, 'room.temperatureC', { slope: 7, most: 6, least: 2 }, COLD_SCALE_K),
  ],
  prevention: ({ product, say }) => [
    `Coat in air ${product.room?.maxHumidityPct != null ? `of ${say(product.room.maxHumidityPct, '%')} damp or less` : 'that is dry'}, piece and room ${say(DEW_SAFE_K, 'K')} or more above the dew point, until it is tack-free.`,
    'Wash the film off with water before the next coat; solvent only smears it.',
  ],
};
