import type { CastFacts } from './castFacts';
import { ridgeLogistic } from './ridgeLogistic';
import type { Level } from './tally';

/** What is left of a factor's odds once those that travel with it have had their part. */
export interface Parted { readonly oddsRatio: number; readonly low: number; readonly high: number }

const Z_95 = 1.959963984540054;
/** Shared this far (batches in both, of those in either), two levels are the same batches under two names. */
export const SAME_BATCHES = 0.8;

const has = (fact: CastFacts, { factor, level }: Level) => fact.levels[factor] === level;

/** Overlap of two groups: batches in both, of those in either. */
export function overlap(facts: readonly CastFacts[], a: Level, b: Level): number {
  let [both, either] = [0, 0];
  for (const fact of facts) { const [x, y] = [has(fact, a), has(fact, b)]; if (x && y) both += 1; if (x || y) either += 1; }
  return either === 0 ? 0 : both / either;
}

/**
 * Ridge logistic regression of one outcome on the levels found for it and on the products, so that factors that travel
 * together share the effect between them instead of each claiming it.
 */
export function partFactors(facts: readonly CastFacts[], outcome: string, levels: readonly Level[]): Parted[] {
  const products = [...new Set(facts.map((f) => f.levels.product ?? ''))].sort();
  // The first product is what the others are held against; a product among the levels is there already.
  const others: Level[] = products.slice(1).map((level) => ({ factor: 'product' as const, level })).filter((p) => !levels.some((l) => l.factor === 'product' && l.level === p.level));
  const features = [...levels, ...others];
  const rows = facts.map((fact) => features.flatMap((f, i) => (has(fact, f) ? [i] : [])));
  const fit = ridgeLogistic(rows, facts.map((f) => f.seen.includes(outcome)), features.length);
  return levels.map((_, i) => ({ oddsRatio: Math.exp(fit.beta[i]!), low: Math.exp(fit.beta[i]! - Z_95 * fit.se[i]!), high: Math.exp(fit.beta[i]! + Z_95 * fit.se[i]!) }));
}
