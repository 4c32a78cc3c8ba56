import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** Within this of the dew point a fresh epoxy surface may blush, K (studio practice). */
const DEW_SAFE_K = 3;

/** Weather in which an epoxy below grows a greasy film before the next layer. */
function blushEvidence({ batch, dewPointSpreadK: spread, say }: CaseFacts): MaybeEvidence {
  if (batch.layerBelow?.family !== 'epoxy' || spread === null || batch.layerBelow.wiped === true) return null;
  return {
    field: 'air.dewPointSpreadK',
    measured: spread,
    limit: DEW_SAFE_K,
    unit: 'K',
    points: pointsFor((DEW_SAFE_K - spread) / DEW_SAFE_K, { slope: 5, most: 6, least: 2 }),
    says: `The coldest surface was ${say(spread, 'K')} above the dew point; under ${say(DEW_SAFE_K, 'K')} an epoxy below may blush.`,
  };
}

export const layerContaminated: Cause = {
  id: 'layer-contaminated',
  title: 'Wax, dust, grease or blush between two layers',
  prior: { delamination: { unspecified: 0.4 }, bulge: { unspecified: 0.03 } },
  applies: ({ batch }) => batch.layerBelow != null,
  evidence: [
    (f) =>
      recordedWord('layerBelow.wiped', f.batch.layerBelow?.wiped, (wiped) =>
        wiped
          ? { points: -8, says: 'The layer below was wiped.' }
          : { points: 7, says: 'The layer below was not wiped.' },
      ),
    blushEvidence,
    (f) =>
      recordedWord('pour.releaseMist', f.batch.pour?.releaseMist, (mist) =>
        mist ? { points: 3, says: 'Release was used.' } : { points: -1, says: 'No release was used.' },
      ),
  ],
  prevention: () => [
    'Wash a greasy film off with water, sand, and wipe the dust off damp just before the next layer.',
    'No release agent, wax or bare hands near a layer that is to be poured on.',
  ],
};
