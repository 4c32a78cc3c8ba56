import { cureDepthMm, doseForDepthMJPerCM2, lampMin } from '../cure/light';
import { poursFor } from '../cure/deepPour';
import type { Product } from '../formats/product';

/** How a light-cured depth is built up under a lamp. */
export interface LightPlan {
  /** Deepest layer the dose still cures with reserve, mm. */
  readonly layerMaxMm: number;
  /** At most 200; more is no way to make a piece. */
  readonly layers: number;
  readonly layerMm: number;
  readonly doseMJPerCM2: number;
  /** Minutes of lamp for each layer; null without a lamp. */
  readonly lampMin: number | null;
  readonly lampTotalMin: number | null;
  /**
   * What reaches the base below the first layer, mJ/cm²: the first
   * layer's own dose, then what passes the layers above.
   */
  readonly baseDoseMJPerCM2: number;
  /** A sentence where the base below is not light-proof. */
  readonly base: string | null;
}

/** A dose beyond this is no lamp's, mJ/cm². */
const MAX_DOSE = 1e7;
/** No piece is deeper, mm. */
const MAX_DEPTH_MM = 1e4;
/** A layer is planned no deeper than this share of what the dose cures: the last of it is soft. */
const RESERVE = 0.6;

/**
 * What passes `layers` equal layers, each under the same dose, in closed
 * form: `E·q·(1 − qⁿ)/(1 − q)` with `q = e^(−layer/Dp)`.
 * @param perLayer one layer's depth over the penetration
 */
function doseBelowAll(doseMJPerCM2: number, perLayer: number, layers: number): number {
  const q = Math.exp(-perLayer);
  const passed = 1 - q < 1e-9 ? layers : (q * (1 - q ** layers)) / (1 - q);
  return doseMJPerCM2 * passed;
}

/** A dose that does not pass the critical one cures nothing, in however many layers. */
const curesAnything = (doseMJPerCM2: number, criticalMJPerCM2: number, penetrationMm: number): boolean =>
  penetrationMm > 0 && doseMJPerCM2 <= MAX_DOSE && doseMJPerCM2 > criticalMJPerCM2;

function baseWords(base: Product, doseMJPerCM2: number): string {
  const stable = base.light?.stable;
  if (stable == null) return `${base.name}'s card does not say whether it is light-proof.`;
  if (stable) return `${base.name} is light-proof by its card.`;
  const reach = `${Math.round(doseMJPerCM2)} mJ/cm² reach it through this, and may yellow it`;
  return `${base.name} is not light-proof: ${reach}. Try it on a scrap, or mend with ${base.name} itself.`;
}

/**
 * Layers, lamp and minutes for a light-cured product, and what the same light does to a base below.
 * @param base product that lies below, null where there is none
 * @returns null where the card states no penetration or critical dose, or its dose does not pass the critical one
 */
export function lightPlan(
  product: Product,
  depthMm: number,
  lampMWPerCM2: number | null,
  base: Product | null,
): LightPlan | null {
  const { penetrationMm, criticalMJPerCM2, doseMJPerCM2 } = product.light ?? {};
  if (penetrationMm == null || criticalMJPerCM2 == null || criticalMJPerCM2 <= 0) return null;
  const deepestMm = product.depth?.maxMm ?? null;
  const forDepthMm = Math.min((deepestMm ?? depthMm) / RESERVE, MAX_DEPTH_MM);
  const stated = doseMJPerCM2 ?? doseForDepthMJPerCM2({ depthMm: forDepthMm, criticalMJPerCM2, penetrationMm });
  if (!curesAnything(stated, criticalMJPerCM2, penetrationMm)) return null;
  const cured = cureDepthMm({ doseMJPerCM2: stated, criticalMJPerCM2, penetrationMm });
  const layerMaxMm = Math.min(deepestMm ?? Infinity, cured * RESERVE);
  const layers = poursFor(depthMm, layerMaxMm);
  const layerMm = depthMm / layers;
  const baseDoseMJPerCM2 = doseBelowAll(stated, layerMm / penetrationMm, layers);
  const minutes = lampMWPerCM2 === null ? null : lampMin(stated, lampMWPerCM2);
  return {
    layerMaxMm,
    layers,
    layerMm,
    doseMJPerCM2: stated,
    lampMin: minutes,
    lampTotalMin: minutes === null ? null : minutes * layers,
    baseDoseMJPerCM2,
    base: base && baseWords(base, baseDoseMJPerCM2),
  };
}
