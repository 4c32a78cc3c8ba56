import { requireNumber } from '../formats/errors';
import { SEA_LEVEL_KPA } from './ambient';

/** A vessel to be filled and what fills it. */
export interface Pressurisation {
  /** Air space of the loaded vessel, L. */
  readonly freeL: number;
  /** Pressure wanted in it, kPa gauge. */
  readonly targetKPa: number;
  /** The compressor's tank, L, and the pressure it holds at the start, kPa gauge. None where it has no tank. */
  readonly tankL?: number | undefined;
  readonly tankKPa?: number | undefined;
  /** Free-air delivery of the pump, L/min at the room's pressure. */
  readonly freeAirLPerMin: number;
  readonly ambientKPa?: number | undefined;
}

/**
 * Minutes until the vessel is at pressure. It takes `Vfree·P/P0` of free air; the tank gives `Vtank·(Ptank − P)/P0` at
 * once, the pump the rest. A tank that holds less than the target has to be filled to it as well. Isothermal: a
 * warming vessel reads a little higher and falls back.
 * @returns minutes; 0 where the tank is enough, infinite where it is not and nothing is delivered
 * @throws CoreError `out-of-range`
 * @example pressurisationMin({ freeL: 18, targetKPa: 300, tankL: 6, tankKPa: 800, freeAirLPerMin: 38 }) // 0.623
 */
export function pressurisationMin(p: Pressurisation): number {
  const ambientKPa = requireNumber(p.ambientKPa ?? SEA_LEVEL_KPA, 'ambientKPa', 1, 200);
  requireNumber(p.freeL, 'freeL', 0, 1e6);
  requireNumber(p.targetKPa, 'targetKPa', 0, 1e5);
  requireNumber(p.freeAirLPerMin, 'freeAirLPerMin', 0, 1e6);
  const tankL = requireNumber(p.tankL ?? 0, 'tankL', 0, 1e6);
  const tankKPa = requireNumber(p.tankKPa ?? 0, 'tankKPa', 0, 1e5);
  const neededL = (p.freeL * p.targetKPa) / ambientKPa;
  const atOnceL = (tankL * (tankKPa - p.targetKPa)) / ambientKPa;
  const restL = neededL - atOnceL;
  if (restL <= 0) return 0;
  return p.freeAirLPerMin === 0 ? Infinity : restL / p.freeAirLPerMin;
}
