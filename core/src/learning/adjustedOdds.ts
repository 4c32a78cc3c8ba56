import { designEffect, shows } from './clusters';
import { featureKinds } from './featureKinds';
import { memoize } from '../numeric/memoize';
import { logOf, productsOf, type Castings, type Log } from './logColumns';
import type { Level } from './logNames';
import { ridgeLogisticOf, type FittedOdds, type Kind } from './ridgeLogistic';

/** What is left of a factor's odds once those that travel with it have had their part. */
export interface Parted {
  readonly oddsRatio: number;
  readonly low: number;
  readonly high: number;
}

const Z_95 = 1.959963984540054;

interface LastFits {
  readonly of: string;
  readonly fits: Map<string, FittedOdds>;
}
const fitsOf = memoize<object, Map<string, LastFits>>(() => new Map());

/** What was fitted to these features before the log changed, by outcome: the next fit lies near it. */
function lastFits(log: Log, name: string, features: readonly Level[]): Map<string, FittedOdds> {
  const known = fitsOf(log.kept);
  const of = JSON.stringify(features.map((f) => [f.factor, f.level]));
  const before = known.get(name);
  if (before?.of === of) return before.fits;
  const fits = new Map<string, FittedOdds>();
  known.set(name, { of, fits });
  return fits;
}

/**
 * Ridge logistic regression of outcomes on the levels found for them and on the products, so that factors that travel
 * together share the effect between them instead of each claiming it.
 * @param name under which the log keeps what it counted for this
 * @returns for each outcome, what is left of a level, by its place among them
 */
export function adjustedOdds(
  castings: Castings,
  outcomes: readonly string[],
  levels: readonly Level[],
  name = 'odds',
): ReadonlyMap<string, (level: number) => Parted> {
  const log = logOf(castings);
  const products = productsOf(log).sort();
  // The first product is what the others are held against; a product among the levels is there already.
  const others: Level[] = products
    .slice(1)
    .map((level) => ({ factor: 'product' as const, level }))
    .filter((p) => !levels.some((l) => l.factor === 'product' && l.level === p.level));
  const features = [...levels, ...others];
  const kinds = featureKinds(log, features, outcomes, name);
  const fits = lastFits(log, name, features);
  return new Map(
    outcomes.map((outcome, o) => {
      const counted = kinds.map(({ features: has, n, yes }): Kind => ({ features: has, n, yes: yes[o]! }));
      const { errorOf, ...fit } = ridgeLogisticOf(counted, features.length, { start: fits.get(outcome) });
      fits.set(outcome, fit);
      // Castings of one mix are not independent: their odds are less sure.
      const wider = Math.sqrt(designEffect(log, shows(outcome)));
      return [
        outcome,
        (level: number) => {
          const [beta, off] = [fit.beta[level]!, Z_95 * wider * errorOf(level)];
          return { oddsRatio: Math.exp(beta), low: Math.exp(beta - off), high: Math.exp(beta + off) };
        },
      ];
    }),
  );
}
