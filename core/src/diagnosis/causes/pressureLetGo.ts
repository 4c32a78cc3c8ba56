import type { Cause } from '../cause';
import { underLow } from '../evidence';
import type { CaseFacts } from '../caseFacts';
import { pointsFor } from '../weight';
import type { MaybeEvidence } from '../evidence';
import { gaugeBeforeGel } from '../gaugeRecord';
import { PLAIN_FALL, wasPressed } from './airShared';

/** A vessel that cools falls by a few per cent without having lost anything. */
const COOLING_SHARE = 0.05;

function gaugeEvidence(facts: CaseFacts): MaybeEvidence {
  const gauge = gaugeBeforeGel(facts);
  if (gauge === null) return null;
  const { mostKPa, leastKPa, atMin, gelMin, throughout } = gauge;
  const fall = (mostKPa - leastKPa) / mostKPa;
  const margin = (fall - COOLING_SHARE) / PLAIN_FALL;
  // A gauge that was watched for a part of the time only cannot rule it out.
  const points = pointsFor(margin, { slope: 14, most: 13, least: throughout ? 10 : 3 });
  const says =
    margin > 0
      ? `The gauge fell from ${facts.say(mostKPa, 'kPa')} to ${facts.say(leastKPa, 'kPa')} by ${facts.say(atMin, 'min')}; it gels at ${facts.say(gelMin, 'min')}.`
      : `The gauge held ${facts.say(leastKPa, 'kPa')} up to ${facts.say(atMin, 'min')}; it gels at ${facts.say(gelMin, 'min')}.`;
  return { field: 'readings', measured: leastKPa, limit: mostKPa, unit: 'kPa', points, says };
}

export const pressureLetGo: Cause = {
  id: 'pressure-let-go',
  title: 'Pressure lost before it had set',
  prior: { bubbles: { 'micro-throughout': 0.1, 'top-foam': 0.05, 'large-voids': 0.04, unspecified: 0.07 } },
  applies: (f) => wasPressed(f) === true,
  // What the gauge showed goes before what was typed as released.
  evidence: [(f) => gaugeEvidence(f) ?? underLow(f, 'pressure.releasedMin', { slope: 20, most: 12, least: 10 })],
  prevention: ({ product, say }) => [
    product.pressure?.holdMin != null
      ? `Hold full pressure for ${say(product.pressure.holdMin, 'min')}; watch the gauge for a leak in the first minutes.`
      : 'Hold full pressure until the witness cup is hard; watch the gauge for a leak in the first minutes.',
  ],
};
