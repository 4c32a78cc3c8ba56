import { lightPlan } from '../planning/lightPlan';
import type { Product } from '../formats/product';
import type { Family } from '../formats/vocabulary';

/** What speaks against a layer on another, and what to do about it. */
export interface PairNote {
  readonly code: 'does-not-stick' | 'reacts' | 'light-below' | 'damp-below';
  readonly says: string;
  readonly todo: string;
}

const CURED_RESIN: readonly Family[] = ['epoxy', 'polyester', 'polyurethane'];
/** The layers around one that does not stick meet over this much at the edge, mm (studio practice). */
export const EDGE_MM = 8;

/**
 * Pairs by family, the upper on the lower. Sources: the studio's rules for water-based compound, silicone and
 * light-cured films; amines of fresh epoxy stop polyester.
 */
const RULES: readonly { upper: readonly Family[]; lower: readonly Family[]; note: PairNote }[] = [
  {
    upper: ['mineral-acrylic'],
    lower: ['epoxy', 'polyester'],
    note: {
      code: 'does-not-stick',
      says: 'Water-based compound does not stick to cured resin.',
      todo: `Keep it ${EDGE_MM} mm off the edge, so that the layers around it meet and hold it.`,
    },
  },
  {
    upper: ['epoxy', 'polyurethane', 'polyester', 'uv-acrylate', 'mineral-acrylic'],
    lower: ['silicone'],
    note: {
      code: 'does-not-stick',
      says: 'Nothing sticks to silicone.',
      todo: 'Leave the silicone out, or hold it by undercuts.',
    },
  },
  {
    upper: ['polyester'],
    lower: ['epoxy'],
    note: {
      code: 'reacts',
      says: 'Amines of epoxy that is not fully cured stop polyester.',
      todo: "Wait for the epoxy's full cure, wash and sand it; try a corner first.",
    },
  },
  {
    upper: ['polyurethane'],
    lower: ['mineral-acrylic'],
    note: {
      code: 'reacts',
      says: 'Water left in the compound makes urethane foam.',
      todo: 'Weigh the piece dry first, or seal it with a coat of epoxy between.',
    },
  },
  {
    upper: ['epoxy', 'polyester', 'uv-acrylate'],
    lower: ['mineral-acrylic'],
    note: {
      code: 'damp-below',
      says: 'Sealed in while damp, water-based compound bulges and lifts days later.',
      todo: 'Weigh the piece until two readings some hours apart differ by less than half a per cent.',
    },
  },
];

/** Pairs in which the lower layer has to be cured right through: what is left of it would stop the upper one. */
export const needsFullCure = (lower: Product, upper: Product): boolean =>
  lower.family === 'epoxy' && upper.family === 'polyester';

/** The dose that a light-cured layer of a depth asks at its surface, and what of it passes through, mJ/cm². */
export function doseThrough(upper: Product, depthMm: number): { atSurface: number; below: number } | null {
  const plan = lightPlan(upper, depthMm, null, null);
  return plan ? { atSurface: plan.doseMJPerCM2 * plan.layers, below: plan.baseDoseMJPerCM2 } : null;
}

/**
 * What speaks against pouring `upper` on `lower`.
 * @param depthMm depth of the upper layer; light through it needs it
 */
export function layerPairs(lower: Product, upper: Product, depthMm: number | null): PairNote[] {
  const notes = RULES.filter((r) => r.upper.includes(upper.family) && r.lower.includes(lower.family)).map(
    (r) => r.note,
  );
  const dose = upper.family === 'uv-acrylate' && depthMm !== null ? doseThrough(upper, depthMm) : null;
  if (dose && CURED_RESIN.includes(lower.family) && lower.light?.stable !== true) {
    notes.push({
      code: 'light-below',
      says: `${Math.round(dose.below)} mJ/cm² of the lamp reach ${lower.name}, which ${lower.light?.stable === false ? 'is not light-proof' : 'says nothing of light'}.`,
      todo: "Thin layers, no longer than needed; or fill with the base's own resin.",
    });
  }
  return notes;
}
