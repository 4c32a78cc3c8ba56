import type { AdditiveKind } from '../formats/vocabulary';
import type { Loading } from '../mixing/loading';

/**
 * Loading, % of the resin, at which each kind halves how far light comes (Beer–Lambert: absorption adds up with the
 * amount). What covers halves it soon; what only tints late. Bench judgement, of the order of pigmented against clear
 * light-cured products.
 */
const HALVES_AT_PCT: Readonly<Record<AdditiveKind, number>> = {
  'pigment-paste': 0.3,
  powder: 0.5,
  'water-based-paint': 0.3,
  filler: 5,
  mica: 1,
  glitter: 3,
  dye: 3,
  'solvent-ink': 3,
  other: 1,
};

/**
 * How far light comes in a coloured mix: `Dp/(1 + Σ load/half)`.
 * @param penetrationMm of the resin as its card has it
 * @param kinds loading by kind, % of the resin; what is not known shortens nothing
 * @returns mm, at most the card's own
 */
export function colouredPenetrationMm(penetrationMm: number, kinds: ReadonlyMap<AdditiveKind, Loading>): number {
  const absorbed = [...kinds].reduce((sum, [kind, { pct }]) => sum + (pct ?? 0) / HALVES_AT_PCT[kind], 0);
  return penetrationMm / (1 + absorbed);
}
