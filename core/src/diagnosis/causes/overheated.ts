import { mixOfBatch } from '../../cure/workingTime';
import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';
import { deepestPourPeakC, pourPeakC } from '../../cure/pourPeak';

/** Kelvin over the limit at which the harm is plain. */
const HARM_SCALE_K = 10;

/** The model's peak of this pour, °C; null where no room was recorded. */
function peakOf({ product, batch, working, cureC }: CaseFacts, depthMm: number): number | null {
  const roomC = cureC ?? batch.room?.temperatureC ?? null;
  if (roomC === null) return null;
  const resinC = batch.resin?.atPourC ?? working.resinC ?? roomC;
  return pourPeakC(product, { depthMm, resinC, roomC, mix: mixOfBatch(product, batch) });
}

/**
 * A reading decides. Without one the model's peak of this pour speaks, against the model's peak of the card's own
 * deepest pour; where the model has none, the depth itself.
 */
function pourEvidence(facts: CaseFacts): MaybeEvidence {
  if (figures(facts, 'cure.peakC')) return null;
  const { product, batch, say } = facts;
  const depthMm = batch.pour?.depthMm;
  const own = deepestPourPeakC(product);
  const peak = depthMm && own !== null ? peakOf(facts, depthMm) : null;
  if (peak === null || own === null || !depthMm)
    return overHigh(facts, 'pour.depthMm', { slope: 14, most: 9, least: 6 });
  return {
    field: 'pour.depthMm',
    measured: depthMm,
    limit: product.depth?.maxMm ?? null,
    unit: 'mm',
    points: pointsFor((peak - own) / HARM_SCALE_K, { slope: 9, most: 10, least: 6 }),
    says: `By the model ${say(depthMm, 'mm')} at once reach ${say(Math.round(peak), '°C')}; the card's own deepest pour reaches ${say(Math.round(own), '°C')}.`,
  };
}

export const overheated: Cause = {
  id: 'overheated',
  title: 'Overheated while it cured',
  families: ['epoxy', 'polyurethane', 'polyester'],
  prior: {
    yellowing: {
      'whole-part': 0.12,
      'centre-of-thick-section': 0.7,
      'around-inclusion': 0.2,
      'near-flame-or-heat': 0.05,
      unspecified: 0.2,
    },
    cracks: { unspecified: 0.4 },
    bubbles: { 'top-foam': 0.1, 'large-voids': 0.06, 'around-inclusion': 0.08, unspecified: 0.04 },
    'inclusion-change': { unspecified: 0.25 },
  },
  // Polyester shrinks most, so heat cracks it soonest.
  familyFactor: { polyester: 1.2 },
  evidence: [(f) => overHigh(f, 'cure.peakC', { slope: 9, most: 14, least: 14 }, HARM_SCALE_K), pourEvidence],
  prevention: ({ product, say }) => [
    product.depth?.maxMm != null
      ? `Pour no deeper than ${say(product.depth.maxMm, 'mm')} at once; more in layers, each cool before the next.`
      : 'Pour in layers, each cool before the next.',
    'Start cooler, spread the batch out, and keep a hot cup open and apart: it can run away.',
  ],
  change: ({ product, batch, say }) => {
    const [most, poured] = [product.depth?.maxMm, batch.pour?.depthMm];
    if (most == null) return null;
    const depthMm = Math.round(Math.min(most, poured ?? most) * 0.8);
    return { says: `Poured ${say(depthMm, 'mm')} deep at once`, set: { depthMm } };
  },
};
