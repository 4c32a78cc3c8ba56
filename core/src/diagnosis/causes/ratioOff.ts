import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import type { MaybeEvidence } from '../evidence';
import { underTheCurve } from '../hardnessTrend';
import { pointsFor } from '../weight';
import { SIGNATURE_WORDS, ratioSignature } from '../../mixing/ratioSignature';
import { hasFixedRatio, mixMasses } from '../../mixing/batchAmounts';
import { scaleErrorPct } from '../../mixing/ratio';
import { familyTolerancePct } from '../../mixing/safeBatch';

/** So many tolerances out it will never harden (studio practice). */
const FAR_TOLERANCES = 2;

/** In per cent; where the card states none the family's weighs as evidence, but is no limit. */
const toleranceOf = ({ product }: CaseFacts) => product.ratio.tolerancePct || familyTolerancePct(product.family);

/**
 * A ratio just outside its tolerance is read as inside by a scale's step as
 * often as not: from here on it speaks for the cause.
 */
const SPEAKS_FROM = 1.15;
/** Inside the tolerance it falls off steeply: it is never more than a hint there. */
const [OUTSIDE, INSIDE] = [
  { slope: 8, most: 18, least: 0 },
  { slope: 30, most: 0, least: 8 },
];

/** Margin in tolerances. Only hardener in excess yellows a part; either way leaves it soft or tacky. */
function errorEvidence(facts: CaseFacts): MaybeEvidence {
  const f = figures(facts, 'mix.ratioErrorPct');
  if (!f) return null;
  const tolerance = toleranceOf(facts);
  const off = facts.seen.kind === 'yellowing' ? f.measured : Math.abs(f.measured);
  const margin = off / tolerance - SPEAKS_FROM;
  const points = pointsFor(margin, margin >= 0 ? OUTSIDE : INSIDE);
  return { field: 'mix.ratioErrorPct', measured: f.measured, limit: tolerance, unit: '%', points, says: f.says };
}

function slipEvidence({ product, batch, seen }: CaseFacts): MaybeEvidence {
  const signature = ratioSignature(product, batch);
  if (!signature || seen.kind === 'yellowing') return null;
  return {
    field: 'mix.amountB',
    measured: batch.mix?.amountB ?? null,
    limit: null,
    unit: batch.mix?.unit ?? 'g',
    points: 5,
    says: `The amounts fit a known slip: ${SIGNATURE_WORDS[signature]}.`,
  };
}

/** How far out of ratio the record shows it: a signature or far outside never hardens, slightly outside is usable. */
export function ratioSeverity(facts: CaseFacts): 'far' | 'slight' | 'not-known' {
  if (ratioSignature(facts.product, facts.batch)) return 'far';
  const error = figures(facts, 'mix.ratioErrorPct')?.measured;
  if (error === undefined) return 'not-known';
  return Math.abs(error) > FAR_TOLERANCES * toleranceOf(facts) ? 'far' : 'slight';
}

/** A scale too coarse for the batch may have put the ratio off without its showing in the recorded weights. */
function scaleEvidence(facts: CaseFacts): MaybeEvidence {
  const { product, batch, say } = facts;
  const stepG = batch.mix?.scaleStepG;
  const { massAG, massBG } = mixMasses(product, batch);
  if (stepG == null || !massAG || !massBG || batch.mix?.unit === 'mL') return null;
  const error = scaleErrorPct(massAG, massBG, stepG);
  // Weights that were read inside the tolerance leave the scale no more than a hint.
  const read = figures(facts, 'mix.ratioErrorPct')?.measured;
  const inside = read !== undefined && Math.abs(read) <= toleranceOf(facts);
  const points = pointsFor(error / toleranceOf(facts) - 1, { slope: 4, most: inside ? 3 : 7, least: 2 });
  return {
    field: 'mix.scaleStepG',
    measured: stepG,
    limit: null,
    unit: 'g',
    points,
    says: `A scale that steps ${say(stepG, 'g')} can put the ratio of this batch off by ${say(error, '%')}; the tolerance is ${say(toleranceOf(facts), '%')}.`,
  };
}

export const ratioOff: Cause = {
  id: 'ratio-off',
  title: 'Parts not in ratio',
  prior: {
    tacky: { liquid: 0.35, 'tacky-all-over': 0.25, 'sticky-spots': 0.03, unspecified: 0.2 },
    soft: { 'all-over': 0.22, 'thin-sections': 0.05, 'cold-spots': 0.03, 'deep-under-skin': 0.08, unspecified: 0.2 },
    yellowing: { 'whole-part': 0.1, unspecified: 0.06 },
  },
  // An epoxy never catches up on a wrong ratio; a urethane forgives more; silicone hardly shows it.
  familyFactor: { epoxy: 1.3, polyurethane: 0.9, silicone: 0.7 },
  applies: ({ product }) => hasFixedRatio(product),
  evidence: [
    errorEvidence,
    slipEvidence,
    scaleEvidence,
    (f) => (f.seen.kind === 'soft' ? underTheCurve(f, { under: 3, on: -3 }) : null),
  ],
  prevention: ({ product }) => [
    'Weigh A, then work out B from what A really came to; write both targets large before starting.',
    product.ratio.byWeight && product.ratio.byVolume
      ? `On a scale use the weight ratio, ${product.ratio.byWeight.a} : ${product.ratio.byWeight.b}; the volume ratio is for cups with marks.`
      : 'Use the ratio the card gives, and never weigh one part and measure the other by volume.',
  ],
};
