import type { AdditiveCard } from '../formats/additiveCard';
import type { Mould } from '../formats/mould';

/** Drops in a gram of an additive, from the studio's own weighing; null where none was made. */
export const dropsPerG = (additive: AdditiveCard): number | null =>
  additive.drops ? additive.drops.counted / additive.drops.massG : null;

/** Grams in a number of drops. */
export function dropsToG(additive: AdditiveCard, drops: number): number | null {
  const perG = dropsPerG(additive);
  return perG === null ? null : drops / perG;
}

/** Share of a cavity that a first hollow casting takes, before the mould has taught better. */
const FIRST_HOLLOW_SHARE = 0.25;
/** Earlier pulls that are still like the next: a mould and its user change. */
const PULLS_REMEMBERED = 8;

/** How much a mould takes in one pour, and how that is known. */
export interface MouldAmount {
  readonly volumeML: number | null;
  readonly massG: number | null;
  readonly from: 'pulls' | 'first-guess' | 'cavities' | 'not-known';
  readonly pulls: number;
  readonly spreadG: number | null;
}

/**
 * What to mix for all cavities of a mould. Solid: the cavities' volume. Hollow: the mean of the latest pulls' weights,
 * or a quarter of the cavities until there are any.
 * @param earlierG mixed masses of earlier pulls of this mould with this product, oldest first, g
 */
export function mouldAmount(mould: Mould, densityGPerML: number | null, earlierG: readonly number[]): MouldAmount {
  const cavities = mould.cavities ?? [];
  const known = cavities.length > 0 && cavities.every((c) => c.volumeML != null);
  const all = known ? cavities.reduce((sum, c) => sum + (c.volumeML ?? 0), 0) : null;
  const recent = earlierG.slice(-PULLS_REMEMBERED);
  if (mould.hollow && recent.length > 0) {
    const mean = recent.reduce((a, b) => a + b, 0) / recent.length;
    const spreadG =
      recent.length > 1 ? Math.sqrt(recent.reduce((s, g) => s + (g - mean) ** 2, 0) / (recent.length - 1)) : null;
    return {
      volumeML: densityGPerML === null ? null : mean / densityGPerML,
      massG: mean,
      from: 'pulls',
      pulls: recent.length,
      spreadG,
    };
  }
  if (all === null) return { volumeML: null, massG: null, from: 'not-known', pulls: recent.length, spreadG: null };
  const volumeML = mould.hollow ? all * FIRST_HOLLOW_SHARE : all;
  return {
    volumeML,
    massG: densityGPerML === null ? null : volumeML * densityGPerML,
    from: mould.hollow ? 'first-guess' : 'cavities',
    pulls: recent.length,
    spreadG: null,
  };
}
