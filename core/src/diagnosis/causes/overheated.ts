import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh } from '../evidence';

/** Kelvin over the limit at which the harm is plain. */
const HARM_SCALE_K = 10;

/** A reading decides; depth speaks only where nobody read the peak. */
function depthEvidence(facts: CaseFacts) {
  if (figures(facts, 'cure.peakC')) return null;
  return overHigh(facts, 'pour.depthMm', { slope: 14, most: 9, least: 6 });
}

export const overheated: Cause = {
  id: 'overheated',
  title: 'Overheated while it cured',
  families: ['epoxy', 'polyurethane', 'polyester'],
  prior: {
    yellowing: { 'whole-part': 0.12, 'centre-of-thick-section': 0.7, 'around-inclusion': 0.2, 'near-flame-or-heat': 0.05, unspecified: 0.2 },
    cracks: { unspecified: 0.4 },
    bubbles: { 'top-foam': 0.1, 'large-voids': 0.06, 'around-inclusion': 0.08, unspecified: 0.04 },
    'inclusion-change': { unspecified: 0.25 },
  },
  // Polyester shrinks most, so heat cracks it soonest.
  familyFactor: { polyester: 1.2 },
  evidence: [
    (f) => overHigh(f, 'cure.peakC', { slope: 9, most: 14, least: 14 }, HARM_SCALE_K),
    depthEvidence,
  ],
  prevention: ({ product, say }) => [
    product.depth?.maxMm != null
      ? `Pour no deeper than ${say(product.depth.maxMm, 'mm')} at once; more in layers, each cool before the next.`
      : 'Pour in layers, each cool before the next.',
    'Start cooler, spread the batch out, and keep a hot cup open and apart: it can run away.',
  ],
};
