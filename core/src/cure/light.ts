import { requireNumber } from '../formats/errors';

/** A light dose against what a product needs. */
export interface LightDose {
  readonly doseMJPerCM2: number;
  readonly criticalMJPerCM2: number;
  readonly penetrationMm: number;
}

/**
 * How deep a dose of light cures: `Cd = Dp·ln(E/Ec)` (Jacobs 1992).
 * @returns mm; 0 where the dose does not reach the critical one
 * @throws CoreError `out-of-range`
 * @example cureDepthMm({ doseMJPerCM2: 1200, criticalMJPerCM2: 15, penetrationMm: 4 }) // 17.5
 */
export function cureDepthMm({ doseMJPerCM2, criticalMJPerCM2, penetrationMm }: LightDose): number {
  requireNumber(doseMJPerCM2, 'doseMJPerCM2', 0, 1e7);
  requireNumber(criticalMJPerCM2, 'criticalMJPerCM2', Number.MIN_VALUE, 1e7);
  requireNumber(penetrationMm, 'penetrationMm', Number.MIN_VALUE, 1e4);
  return doseMJPerCM2 <= criticalMJPerCM2 ? 0 : penetrationMm * Math.log(doseMJPerCM2 / criticalMJPerCM2);
}

/**
 * The dose at the surface that cures to a depth, the inverse of `cureDepthMm`.
 * @returns mJ/cm²
 * @example doseForDepthMJPerCM2({ depthMm: 8, criticalMJPerCM2: 15, penetrationMm: 4 }) // 110.8
 */
export function doseForDepthMJPerCM2(d: { depthMm: number; criticalMJPerCM2: number; penetrationMm: number }): number {
  requireNumber(d.depthMm, 'depthMm', 0, 1e4);
  return (
    d.criticalMJPerCM2 * Math.exp(d.depthMm / requireNumber(d.penetrationMm, 'penetrationMm', Number.MIN_VALUE, 1e4))
  );
}

/**
 * What is left of a dose below a layer, by the same law (Beer–Lambert).
 * @returns mJ/cm² that reaches what lies underneath
 */
export function doseBelowMJPerCM2(doseMJPerCM2: number, layerMm: number, penetrationMm: number): number {
  requireNumber(doseMJPerCM2, 'doseMJPerCM2', 0, 1e7);
  return (
    doseMJPerCM2 *
    Math.exp(
      -requireNumber(layerMm, 'layerMm', 0, 1e4) / requireNumber(penetrationMm, 'penetrationMm', Number.MIN_VALUE, 1e4),
    )
  );
}

/**
 * Minutes under a lamp for a dose: 1 mW/cm² gives 1 mJ/cm² a second.
 * @example lampMin(1200, 18) // 1.11
 */
export function lampMin(doseMJPerCM2: number, irradianceMWPerCM2: number): number {
  requireNumber(doseMJPerCM2, 'doseMJPerCM2', 0, 1e7);
  return doseMJPerCM2 / requireNumber(irradianceMWPerCM2, 'irradianceMWPerCM2', Number.MIN_VALUE, 1e6) / 60;
}
