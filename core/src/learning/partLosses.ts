import { GRADES } from '../formats/vocabulary';
import type { LotCard } from '../formats/lot';
import { memoize } from '../numeric/memoize';
import {
  coatCost,
  lossOfWorth,
  lotPrices,
  resinCost,
  usualPrices,
  type MouldPrices,
  type PriceOf,
} from './castingCost';
import { kept, type CastEnds, type Log, type LogPart } from './logColumns';
import type { LogNames } from './logNames';

/** What each casting of a part of the log lost, in the studio's money; `NaN` where no price tells. */
export type PartLosses = (part: LogPart) => Float64Array;

const orNull = (value: number): number | null => (Number.isNaN(value) ? null : value);
const massesOf = (ends: CastEnds, i: number) => ({
  massG: orNull(ends.massG[i]!),
  massAG: orNull(ends.massAG[i]!),
  massBG: orNull(ends.massBG[i]!),
  mendG: ends.mendG[i]!,
});

/** What a gram of a part costs, by the numbers of its product and lot: a part of the log has few of them. */
function pricesByNumber(names: LogNames, side: 'A' | 'B', priceOf: PriceOf) {
  const known = new Map<number, number | null>();
  return (product: number, lot: number): number | null => {
    const key = (lot + 1) * names.products.length + product;
    let price = known.get(key);
    if (price === undefined) {
      price = priceOf(names.products[product]!, side, names.levels[lot]?.level);
      known.set(key, price);
    }
    return price;
  };
}

/** What each casting's resin cost, and its coat's part of that; `NaN` where nobody knows. */
function worthOf(part: LogPart, names: LogNames, lots: readonly LotCard[]) {
  const priceOf = lotPrices(lots);
  const [ofA, ofB] = [pricesByNumber(names, 'A', priceOf), pricesByNumber(names, 'B', priceOf)];
  const { ends, productOf, levelOf, size } = part;
  const [lotA, lotB] = [levelOf['lot-a'], levelOf['lot-b']];
  const [cost, coat] = [new Float64Array(size), new Float64Array(size)];
  for (let i = 0; i < size; i += 1) {
    const masses = massesOf(ends, i);
    const resin = resinCost(masses, ofA(productOf[i]!, lotA[i]!), ofB(productOf[i]!, lotB[i]!));
    cost[i] = resin ?? NaN;
    coat[i] = coatCost(masses, resin) ?? NaN;
  }
  return { cost, coat };
}

/**
 * What castings lost (`lossOfWorth`), part by part: of a part that stands, and whose moulds' castings sell for what they
 * did, the same column as before.
 */
export function partLosses(log: Log, passed: readonly MouldPrices[], lots: readonly LotCard[]): PartLosses {
  const shelf = JSON.stringify(lots);
  const usualOf = usualPrices(passed);
  const usualAt = Float64Array.from(log.names.levels, ({ factor, level }) =>
    factor === 'mould' ? (usualOf.get(level) ?? NaN) : NaN,
  );
  const work = (part: LogPart) => {
    const { cost, coat } = kept(part, 'worth', shelf, () => worthOf(part, log.names, lots));
    const { grade, price } = part.ends;
    const mould = part.levelOf.mould;
    return cost.map((_, i) =>
      lossOfWorth(GRADES[grade[i]!] ?? null, {
        cost: cost[i]!,
        coat: coat[i]!,
        price: price[i]!,
        usual: mould[i]! < 0 ? NaN : usualAt[mould[i]!]!,
      }),
    );
  };
  return memoize((part: LogPart) => {
    const moulds = kept(part, 'moulds', '', () => [...new Set(part.levelOf.mould)].filter((place) => place >= 0));
    return kept(part, 'losses', `${shelf} ${moulds.map((place) => usualAt[place]).join()}`, () => work(part));
  });
}
