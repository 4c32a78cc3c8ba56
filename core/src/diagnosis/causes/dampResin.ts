import { co2FromWaterML } from '../../bubbles/moisture';
import { SHEET_TEMPERATURE_C as ROOM_C } from '../../cure/kineticsDefaults';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh, recordedWord, strongest, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** Humidity above the card's that is plainly too damp, percentage points. */
const DAMP_SCALE_PCT = 10;
/** A part or mould this far above the dew point is safe from sweating, K (studio practice). */
const DEW_SAFE_K = 3;

/** Damp air and a surface near its dew point are the same water; the stronger speaks. */
function airEvidence(facts: CaseFacts): MaybeEvidence {
  const humid = overHigh(facts, 'room.humidityPct', { slope: 12, most: 9, least: 7 }, DAMP_SCALE_PCT);
  const spread = facts.dewPointSpreadK;
  const dew: MaybeEvidence =
    spread === null
      ? null
      : {
          field: 'air.dewPointSpreadK',
          measured: spread,
          limit: DEW_SAFE_K,
          unit: 'K',
          points: pointsFor((DEW_SAFE_K - spread) / DEW_SAFE_K, { slope: 7, most: 8, least: 7 }),
          says: `The coldest part or mould was ${facts.say(spread, 'K')} above the dew point; under ${facts.say(DEW_SAFE_K, 'K')} it may sweat.`,
        };
  return strongest([humid, dew]);
}

/** Share of a water-based paint that is water. */
const PAINT_WATER_SHARE = 0.5;
const ML_PER_L = 1000;

function waterAddedEvidence({ batch, working, say }: CaseFacts): MaybeEvidence {
  const watery = batch.additives?.find((a) => a.kind === 'water-based-paint');
  const gasML =
    watery?.massG == null ? null : co2FromWaterML(watery.massG * PAINT_WATER_SHARE, working.resinC ?? ROOM_C);
  return recordedWord('additives[].kind', watery?.kind, () => ({
    points: 10,
    says: `${watery?.name ?? 'Water-based paint'} is about half water${gasML === null ? ', and one gram of water makes more than a litre of gas here.' : `: it can make ${say(gasML / ML_PER_L, '')} litres of gas here.`}`,
  }));
}

export const dampResin: Cause = {
  id: 'damp-resin',
  title: 'Damp in the resin',
  families: ['polyurethane'],
  prior: {
    bubbles: { 'micro-throughout': 0.24, 'top-foam': 0.35, 'around-inclusion': 0.08, unspecified: 0.15 },
    haze: { 'cloudy-through': 0.45, 'white-bloom': 0.1, unspecified: 0.25 },
  },
  applies: ({ product }) => product.moistureSensitive !== false,
  evidence: [
    airEvidence,
    (f) =>
      recordedWord('mix.tool', f.batch.mix?.tool, (tool) =>
        tool === 'wood'
          ? { points: 6, says: 'It was stirred with wood, which holds water; this resin foams on water.' }
          : { points: -2, says: `It was stirred with ${tool}, which holds no water.` },
      ),
    waterAddedEvidence,
  ],
  prevention: ({ product, say }) => [
    product.room?.maxHumidityPct != null
      ? `Wait for a drier room, or dry it, to ${say(product.room.maxHumidityPct, '%')} or less.`
      : 'Wait for a drier room.',
    'Stir with dry steel or plastic, close the bottles at once, and dry fillers and inclusions.',
  ],
};
