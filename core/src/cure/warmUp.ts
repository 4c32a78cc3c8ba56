import { requireNumber } from '../formats/errors';
import { HEAT_CAPACITY_J_PER_GK, SHEET_DENSITY_G_PER_ML } from './kineticsDefaults';
import { CONDUCTIVITY_W_PER_MK } from './slabSystem';

/**
 * Ways to warm a bottle: what each brings to its wall, W/(m²·K), and
 * over which share of the surface (bench judgement).
 */
export const WARMING_WAYS = {
  bath: { words: 'water bath', outsideWPerM2K: 200, share: 1 },
  'hot-box': { words: 'hot box', outsideWPerM2K: 10, share: 1 },
  /** A mat warms the bottom and a little of the wall. */
  mat: { words: 'mat', outsideWPerM2K: 60, share: 0.3 },
} as const;
export type WarmingWay = keyof typeof WARMING_WAYS;

/**
 * Minutes to warm a bottle of resin right through: Newton's law over the
 * surface of a cylinder twice as tall as wide, still inside.
 * @param around temperature of the bath, box or mat, °C, above the target
 * @returns minutes; 0 where it is warm enough, infinite where the bath is no warmer than the target
 * @throws CoreError `out-of-range`
 * @example warmUpMin({ massG: 500, fromC: 17, toC: 27, around: 35, way: 'bath' }) // about 17
 */
export function warmUpMin(bottle: {
  massG: number;
  fromC: number;
  toC: number;
  around: number;
  way: WarmingWay;
  densityGPerML?: number | undefined;
}): number {
  const massG = requireNumber(bottle.massG, 'massG', Number.MIN_VALUE, 1e6);
  for (const name of ['fromC', 'toC', 'around'] as const) requireNumber(bottle[name], name, -40, 200);
  if (bottle.fromC >= bottle.toC) return 0;
  if (bottle.around <= bottle.toC) return Infinity;
  const { outsideWPerM2K, share } = WARMING_WAYS[bottle.way];
  const volumeM3 = (massG / (bottle.densityGPerML ?? SHEET_DENSITY_G_PER_ML)) * 1e-6;
  const diameterM = Math.cbrt((2 * volumeM3) / Math.PI);
  const areaM2 = share * (Math.PI * diameterM * 2 * diameterM + (Math.PI * diameterM ** 2) / 2);
  // Thick resin stands still: heat reaches its mean through a quarter of the radius of resin (a cylinder's mean).
  const uWPerM2K = 1 / (1 / outsideWPerM2K + diameterM / 8 / CONDUCTIVITY_W_PER_MK);
  const perMin = (60 * uWPerM2K * areaM2) / (massG * HEAT_CAPACITY_J_PER_GK);
  return Math.log((bottle.around - bottle.fromC) / (bottle.around - bottle.toC)) / perMin;
}
