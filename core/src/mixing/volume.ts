import { requireNumber } from '../formats/errors';

/**
 * Density of air-free water (Kell 1975), within 0.0001 g/mL.
 * @param temperatureC 0 to 100 °C
 * @example waterDensityGPerML(20) // 0.9982
 */
export function waterDensityGPerML(temperatureC: number): number {
  const t = requireNumber(temperatureC, 'temperatureC', 0, 100);
  const over =
    999.83952 + t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return over / (1 + 16.87985e-3 * t) / 1000;
}

/**
 * Volume of a cavity from the water that fills it.
 * @param waterG g, above 0
 * @param temperatureC of the water, °C
 * @example waterFillML(99.82, 20) // 100.0
 */
export function waterFillML(waterG: number, temperatureC: number): number {
  return requireNumber(waterG, 'waterG', Number.MIN_VALUE, 1e6) / waterDensityGPerML(temperatureC);
}

/** A plain shape by its measures in mm. */
export type Shape =
  | { readonly kind: 'box'; readonly lengthMm: number; readonly widthMm: number; readonly depthMm: number }
  | { readonly kind: 'cylinder'; readonly diameterMm: number; readonly depthMm: number }
  | {
      readonly kind: 'cone-frustum';
      readonly topDiameterMm: number;
      readonly bottomDiameterMm: number;
      readonly depthMm: number;
    }
  | { readonly kind: 'sphere-cap'; readonly diameterMm: number; readonly depthMm: number }
  | {
      readonly kind: 'ring';
      readonly outerDiameterMm: number;
      readonly innerDiameterMm: number;
      readonly depthMm: number;
    };

export const SHAPE_KINDS = ['box', 'cylinder', 'cone-frustum', 'sphere-cap', 'ring'] as const;

/** mm³ in a mL. */
const MM3_PER_ML = 1000;

function volumeMm3(shape: Shape): number {
  const h = shape.depthMm;
  switch (shape.kind) {
    case 'box':
      return shape.lengthMm * shape.widthMm * h;
    case 'cylinder':
      return (Math.PI / 4) * shape.diameterMm ** 2 * h;
    case 'cone-frustum': {
      const [R, r] = [shape.topDiameterMm / 2, shape.bottomDiameterMm / 2];
      return (Math.PI * h * (R * R + R * r + r * r)) / 3;
    }
    case 'sphere-cap':
      return (Math.PI * h * (3 * (shape.diameterMm / 2) ** 2 + h * h)) / 6;
    case 'ring': {
      requireNumber(shape.innerDiameterMm, 'innerDiameterMm', 0, shape.outerDiameterMm);
      return (Math.PI / 4) * (shape.outerDiameterMm ** 2 - shape.innerDiameterMm ** 2) * h;
    }
  }
}

/**
 * Volume of a plain shape. A sphere cap is given by the diameter of its rim and its depth.
 * @returns mL
 * @throws CoreError `out-of-range` at the measure that cannot be
 * @example shapeVolumeML({ kind: 'box', lengthMm: 100, widthMm: 50, depthMm: 20 }) // 100
 */
export function shapeVolumeML(shape: Shape): number {
  for (const [name, value] of Object.entries(shape)) {
    if (name !== 'kind')
      requireNumber(
        value as number,
        name,
        name === 'innerDiameterMm' || name === 'bottomDiameterMm' ? 0 : Number.MIN_VALUE,
        10_000,
      );
  }
  return volumeMm3(shape) / MM3_PER_ML;
}
