import { colouredPenetrationMm } from '../../cure/colouredLight';
import { cureDepthMm, doseForDepthMJPerCM2 } from '../../cure/light';
import { loadings } from '../../mixing/loading';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh, underLow, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** No lamp at a bench gives more than this, mJ/cm²; deeper than that light does not come. */
const MAX_DOSE = 50_000;

/** What the light still cures in this mix: colour shortens it, card limit or not. */
function penetration({ product, batch }: CaseFacts): { mm: number; shortened: boolean } | null {
  const mm = product.light?.penetrationMm;
  if (mm == null) return null;
  const shorter = colouredPenetrationMm(mm, loadings(product, batch)?.kinds ?? new Map());
  return { mm: shorter, shortened: shorter < mm * 0.99 };
}

/** What the dose cures through against the depth that was poured; a dose at the surface is not one at the bottom. */
function depthEvidence(facts: CaseFacts): MaybeEvidence {
  const { product, batch, say } = facts;
  const critical = product.light?.criticalMJPerCM2;
  const reach = penetration(facts);
  const [dose, depthMm] = [batch.cure?.lightMJPerCM2, batch.pour?.depthMm];
  if (reach === null || !critical || dose == null || !depthMm) return null;
  const cured = cureDepthMm({ doseMJPerCM2: dose, criticalMJPerCM2: critical, penetrationMm: reach.mm });
  return {
    field: 'pour.depthMm',
    measured: depthMm,
    limit: cured,
    unit: 'mm',
    points: pointsFor((depthMm - cured * 0.7) / depthMm, { slope: 16, most: 10, least: 6 }),
    says: `The dose cures ${say(cured, 'mm')} of it through${reach.shortened ? ', shortened by its colour' : ''}; ${say(depthMm, 'mm')} were poured.`,
  };
}

/** Colour alone, where the dose or the depth was not recorded. */
function colourEvidence(facts: CaseFacts): MaybeEvidence {
  const { product, batch, say } = facts;
  const whole = product.light?.penetrationMm;
  const reach = penetration(facts);
  if (reach === null || whole == null || !reach.shortened) return null;
  if (batch.cure?.lightMJPerCM2 != null && batch.pour?.depthMm != null) return null;
  return {
    field: 'additives',
    measured: reach.mm,
    limit: whole,
    unit: 'mm',
    points: pointsFor(Math.log2(whole / reach.mm), { slope: 3, most: 6, least: 0 }),
    says: `Its colour lets the light ${say(reach.mm, 'mm')} in instead of ${say(whole, 'mm')}.`,
  };
}

/** The dose that is still missing at the bottom of the pour, mJ/cm²; null where dose, depth or card do not tell. */
export function missingDose(facts: CaseFacts): number | null {
  const { product, batch } = facts;
  const critical = product.light?.criticalMJPerCM2;
  const reach = penetration(facts);
  const [dose, depthMm] = [batch.cure?.lightMJPerCM2, batch.pour?.depthMm];
  if (dose == null) return null;
  const stated = (product.light?.doseMJPerCM2 ?? 0) - dose;
  if (reach === null || !critical || !depthMm) return Math.max(0, stated);
  const through = doseForDepthMJPerCM2({
    depthMm: Math.min(depthMm, 1e4),
    criticalMJPerCM2: critical,
    penetrationMm: reach.mm,
  });
  return through > MAX_DOSE ? Math.max(0, stated) : Math.max(0, stated, through - dose);
}

export const underExposed: Cause = {
  id: 'under-exposed',
  title: 'Too little light',
  families: ['uv-acrylate'],
  prior: {
    tacky: {
      liquid: 0.7,
      'edges-leak': 0.7,
      'tacky-all-over': 0.4,
      'sticky-spots': 0.2,
      'tacky-air-side-only': 0.1,
      unspecified: 0.5,
    },
    soft: { 'deep-under-skin': 0.8, 'all-over': 0.5, unspecified: 0.5, 'cold-spots': 0.1 },
  },
  evidence: [
    (f) => underLow(f, 'cure.lightMJPerCM2', { slope: 16, most: 12, least: 7 }),
    depthEvidence,
    colourEvidence,
    (f) => overHigh(f, 'pour.depthMm', { slope: 8, most: 6, least: 3 }),
    (f) => overHigh(f, 'additives.totalPct', { slope: 6, most: 6, least: 2 }),
  ],
  prevention: ({ product, say }) => [
    product.depth?.maxMm != null
      ? `Build it up in layers of ${say(product.depth.maxMm, 'mm')} or less, each cured before the next.`
      : 'Build it up in thin layers, each cured before the next.',
    'What light does not reach never cures: mind undercuts, and colour, which shortens how deep it goes.',
  ],
  change: ({ product, batch, say }) => {
    const [most, poured] = [product.depth?.maxMm, batch.pour?.depthMm];
    if (most == null) return null;
    const depthMm = Math.round(Math.min(most, poured ?? most) * 0.8);
    return { says: `Poured ${say(depthMm, 'mm')} deep at once`, set: { depthMm } };
  },
};
