import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import type { MaybeEvidence } from '../evidence';
import { underTheCurve } from '../hardnessTrend';
import { pointsFor } from '../weight';
import { SIGNATURE_WORDS, ratioSignature } from '../../mixing/ratioSignature';
import { hasFixedRatio, mixMasses } from '../../mixing/batchAmounts';
import { scaleErrorPct } from '../../mixing/ratio';
import type { Family } from '../../formats/vocabulary';

/** Tolerance in per cent where the card states none; weighs as evidence but is no limit. */
const FAMILY_TOLERANCE_PCT: Partial<Record<Family, number>> = { epoxy: 3, polyurethane: 5 };
const OTHER_TOLERANCE_PCT = 5;

const toleranceOf = ({ product }: CaseFacts) =>
  product.ratio.tolerancePct || FAMILY_TOLERANCE_PCT[product.family] || OTHER_TOLERANCE_PCT;

/** Margin in tolerances. Only hardener in excess yellows a part; either way leaves it soft or tacky. */
function errorEvidence(facts: CaseFacts): MaybeEvidence {
  const f = figures(facts, 'mix.ratioErrorPct');
  if (!f) return null;
  const tolerance = toleranceOf(facts);
  const off = facts.seen.kind === 'yellowing' ? f.measured : Math.abs(f.measured);
  const points = pointsFor(off / tolerance - 1, { slope: 6, most: 18, least: 8 });
  return { field: 'mix.ratioErrorPct', measured: f.measured, limit: tolerance, unit: '%', points, says: f.says };
}

function slipEvidence({ product, batch, seen }: CaseFacts): MaybeEvidence {
  const slip = ratioSignature(product, batch);
  if (!slip || seen.kind === 'yellowing') return null;
  return {
    field: 'mix.amountB',
    measured: batch.mix?.amountB ?? null,
    limit: null,
    unit: batch.mix?.unit ?? 'g',
    points: 5,
    says: `The amounts fit a known slip: ${SIGNATURE_WORDS[slip]}.`,
  };
}

/** A scale too coarse for the batch may have put the ratio off without its showing in the recorded weights. */
function scaleEvidence(facts: CaseFacts): MaybeEvidence {
  const { product, batch, say } = facts;
  const stepG = batch.mix?.scaleStepG;
  const { massAG, massBG } = mixMasses(product, batch);
  if (stepG == null || !massAG || !massBG || batch.mix?.unit === 'mL') return null;
  const error = scaleErrorPct(massAG, massBG, stepG);
  const points = pointsFor(error / toleranceOf(facts) - 1, { slope: 4, most: 7, least: 2 });
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
