import { requireNumber } from '../formats/errors';

const CM2_PER_MM2 = 0.01;

/**
 * Resin for a coat: area × thickness, and what runs over its edge.
 * @param areaCM2 cm², above 0
 * @param thicknessMm mm, above 0
 * @param edgeMm length of the edge that is coated too, mm, with its height
 * @returns mL
 * @throws CoreError `out-of-range`
 * @example coatVolumeML({ areaCM2: 600, thicknessMm: 3 }) // 180
 */
export function coatVolumeML(coat: {
  areaCM2: number;
  thicknessMm: number;
  edgeMm?: number | undefined;
  edgeHeightMm?: number | undefined;
}): number {
  requireNumber(coat.areaCM2, 'areaCM2', Number.MIN_VALUE, 1e7);
  requireNumber(coat.thicknessMm, 'thicknessMm', Number.MIN_VALUE, 1000);
  const edgeCM2 =
    requireNumber(coat.edgeMm ?? 0, 'edgeMm', 0, 1e6) *
    requireNumber(coat.edgeHeightMm ?? 0, 'edgeHeightMm', 0, 1000) *
    CM2_PER_MM2;
  return ((coat.areaCM2 + edgeCM2) * coat.thicknessMm) / 10;
}

/**
 * Resin for a hollow, rotated casting: the cavity's surface × wall.
 * @returns mL
 * @example hollowVolumeML({ areaCM2: 250, wallMm: 4 }) // 100
 */
export function hollowVolumeML(shell: { areaCM2: number; wallMm: number }): number {
  return coatVolumeML({ areaCM2: shell.areaCM2, thicknessMm: shell.wallMm });
}

/** What stays in the cup where nobody weighed it: a share of the batch, and a film. */
const LOSS_PCT = 3;
const LOSS_FILM_G = 2;
/**
 * Viscosity at which that film was judged, mPa·s; a film grows with the square root (a drained plate, Jeffreys 1930).
 */
const FILM_VISCOSITY_MPAS = 500;

/**
 * Resin lost to the cup's wall, g: 3 % and a film of 2 g, which thickens with the resin.
 * @param viscosityMPaS null takes the film as it is
 * @example cupLossG(200, null) // 8
 */
export function cupLossG(massG: number, viscosityMPaS: number | null): number {
  requireNumber(massG, 'massG', 0, 1e7);
  const thick =
    viscosityMPaS === null ? 1 : Math.sqrt(Math.min(16, Math.max(0.25, viscosityMPaS / FILM_VISCOSITY_MPAS)));
  return (massG * LOSS_PCT) / 100 + LOSS_FILM_G * thick;
}
