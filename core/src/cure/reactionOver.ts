import { memoize } from '../numeric/memoize';
import type { FamilyKinetics } from './kineticsDefaults';
import type { SlabConditions } from './slabTypes';
import type { SlabState, SlabSystem } from './slabSystem';

/** What is left could warm it by less than this: the reaction is over, K. */
const OVER_K = 2;
const SEARCH_STEPS = 1000;

/** Conversion from which the rate at one temperature only falls: the top of `(b + α^m)(1 − α)^n`. */
export const fastestAlpha = memoize(({ b, m, n }: FamilyKinetics): number => {
  let [best, at] = [0, 0];
  for (let i = 0; i <= SEARCH_STEPS; i += 1) {
    const alpha = i / SEARCH_STEPS;
    const rate = (b + alpha ** m) * (1 - alpha) ** n;
    if (rate > best) [best, at] = [rate, alpha];
  }
  return at;
});

/**
 * Whether what is left to react could still warm the slab: all of it at once, or, once the rate only falls, the heat
 * that it makes as warm as cool is taken to be, for as long as heat stays in.
 */
export function isSpent(system: SlabSystem, kinetics: FamilyKinetics, state: SlabState, c: SlabConditions): boolean {
  const falls = fastestAlpha(kinetics);
  return state.alpha.every((alpha) => {
    const atOnceK = (1 - alpha) * system.riseK;
    if (atOnceK < OVER_K) return true;
    if (alpha < falls) return false;
    return system.ratePerMin(alpha, c.roomC + c.coolK) * system.riseK * system.slowestMin < OVER_K;
  });
}
