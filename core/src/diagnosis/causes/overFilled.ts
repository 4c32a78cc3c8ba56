import { SHEET_DENSITY_G_PER_ML } from '../../cure/kineticsDefaults';
import { mixMasses } from '../../mixing/batchAmounts';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import type { MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** More than the cavity by this share stands plainly over its rim. */
const PLAIN_SHARE = 0.05;

/** What was poured against what the cavities hold. */
function amountEvidence({ product, batch, say }: CaseFacts): MaybeEvidence {
  const holdsML = batch.mould?.volumeML;
  const { totalG } = mixMasses(product, batch);
  if (!holdsML || totalG == null) return null;
  const inertG = (batch.additives ?? []).reduce((sum, a) => sum + (a.massG ?? 0), 0);
  const pouredML =
    (totalG + inertG - (batch.pour?.leftG ?? 0)) / (product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML);
  return {
    field: 'mould.volumeML',
    measured: pouredML,
    limit: holdsML,
    unit: 'mL',
    points: pointsFor((pouredML / holdsML - 1) / PLAIN_SHARE, { slope: 8, most: 10, least: 7 }),
    says: `${say(pouredML, 'mL')} went into cavities of ${say(holdsML, 'mL')}.`,
  };
}

export const overFilled: Cause = {
  id: 'over-filled',
  title: 'Poured over the rim',
  prior: { mark: { 'over-the-rim': 0.85, 'seam-or-flash': 0.12, unspecified: 0.25 } },
  evidence: [amountEvidence],
  prevention: () => [
    'Weigh what goes into the mould, or stop a little under the rim and top up once it has drawn down.',
  ],
};
