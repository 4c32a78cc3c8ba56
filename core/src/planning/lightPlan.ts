import { cureDepthMm, doseBelowMJPerCM2, doseForDepthMJPerCM2, lampMin } from '../cure/light';
import type { Product } from '../formats/product';

/** How a light-cured depth is built up under a lamp. */
export interface LightPlan {
  /** Deepest layer the dose still cures with reserve, mm. */
  readonly layerMaxMm: number;
  readonly layers: number;
  readonly layerMm: number;
  readonly doseMJPerCM2: number;
  /** Minutes of lamp for each layer; null without a lamp. */
  readonly lampMin: number | null;
  readonly lampTotalMin: number | null;
  /** What reaches the base below the first layer, mJ/cm²: the first layer's own dose, then what passes the layers above. */
  readonly baseDoseMJPerCM2: number;
  /** A sentence where the base below is not light-proof. */
  readonly base: string | null;
}

/** A layer is planned no deeper than this share of what the dose cures: the last of it is soft. */
const RESERVE = 0.6;

/**
 * Layers, lamp and minutes for a light-cured product, and what the same light does to a base below.
 * @param base product that lies below, null where there is none
 * @returns null where the card states no penetration or critical dose
 */
export function lightPlan(
  product: Product,
  depthMm: number,
  lampMWPerCM2: number | null,
  base: Product | null,
): LightPlan | null {
  const { penetrationMm, criticalMJPerCM2, doseMJPerCM2 } = product.light ?? {};
  if (penetrationMm == null || criticalMJPerCM2 == null || criticalMJPerCM2 <= 0) return null;
  const stated =
    doseMJPerCM2 ??
    doseForDepthMJPerCM2({ depthMm: (product.depth?.maxMm ?? depthMm) / RESERVE, criticalMJPerCM2, penetrationMm });
  const cured = cureDepthMm({ doseMJPerCM2: stated, criticalMJPerCM2, penetrationMm });
  const layerMaxMm = Math.min(product.depth?.maxMm ?? Infinity, cured * RESERVE);
  const layers = Math.max(1, Math.ceil(depthMm / layerMaxMm - 1e-6));
  const layerMm = depthMm / layers;
  let baseDoseMJPerCM2 = 0;
  for (let i = 1; i <= layers; i += 1) baseDoseMJPerCM2 += doseBelowMJPerCM2(stated, layerMm * i, penetrationMm);
  const minutes = lampMWPerCM2 === null ? null : lampMin(stated, lampMWPerCM2);
  const unsafe = base?.light?.stable === false;
  return {
    layerMaxMm,
    layers,
    layerMm,
    doseMJPerCM2: stated,
    lampMin: minutes,
    lampTotalMin: minutes === null ? null : minutes * layers,
    baseDoseMJPerCM2,
    base:
      base === null
        ? null
        : unsafe
          ? `${base.name} is not light-proof: ${Math.round(baseDoseMJPerCM2)} mJ/cm² reach it through this, and may yellow it. Try it on a scrap, or mend with ${base.name} itself.`
          : base.light?.stable === true
            ? `${base.name} is light-proof by its card.`
            : `${base.name}'s card does not say whether it is light-proof.`,
  };
}
