import type { Layer, Mould, Product } from '@warm-jar/core';

/** Poured beyond the cavity to be sure of filling it, as a share: what stays in the cup. */
const CUP_LOSS = 1.03;

/**
 * The address of a plan for one layer: how much of it there is, from the mould's volume and the layer's share of its
 * depth. What is not known is left for the plan to ask.
 */
export function pourQuery(
  piece: string,
  layer: number,
  { productSlug, depthMm }: Pick<Layer, 'productSlug' | 'depthMm'>,
  product: Product | null,
  mould: Mould | null,
): Record<string, string> {
  const cavities = mould?.cavities ?? [];
  const whole = cavities.length > 0 && cavities.every((c) => c.volumeML != null && c.depthMm != null && c.depthMm > 0);
  const share =
    depthMm != null && whole
      ? cavities.reduce((sum, c) => sum + c.volumeML! * Math.min(1, depthMm / c.depthMm!), 0)
      : null;
  const massG =
    share !== null && product?.mixedDensityGPerML != null ? share * product.mixedDensityGPerML * CUP_LOSS : null;
  return {
    product: productSlug,
    piece,
    layer: String(layer),
    ...(massG !== null ? { massG: massG.toFixed(0) } : {}),
    ...(depthMm != null ? { depthMm: String(depthMm) } : {}),
  };
}
