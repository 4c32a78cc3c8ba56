import { cureDepthMm } from '../../cure/light';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh, underLow, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** What the dose cures through against the depth that was poured; a dose at the surface is not one at the bottom. */
function depthEvidence({ product, batch, say }: CaseFacts): MaybeEvidence {
  const { penetrationMm, criticalMJPerCM2 } = product.light ?? {};
  const [dose, depthMm] = [batch.cure?.lightMJPerCM2, batch.pour?.depthMm];
  if (penetrationMm == null || !criticalMJPerCM2 || dose == null || !depthMm) return null;
  const cured = cureDepthMm({ doseMJPerCM2: dose, criticalMJPerCM2, penetrationMm });
  return {
    field: 'pour.depthMm',
    measured: depthMm,
    limit: cured,
    unit: 'mm',
    points: pointsFor((depthMm - cured * 0.7) / depthMm, { slope: 16, most: 10, least: 6 }),
    says: `The dose cures ${say(cured, 'mm')} of it through; ${say(depthMm, 'mm')} were poured.`,
  };
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
