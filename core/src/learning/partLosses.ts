import type { LotCard } from '../formats/lot';
import { castingCost, coatCost, lossOfWorth, lotPrices, usualPrices, type MouldPrices } from './castingCost';
import type { CastFacts } from './castFacts';
import { kept, type Log, type LogPart } from './logColumns';

/** What each casting of a part of the log lost, in the studio's money; `NaN` where no price tells. */
export type PartLosses = (part: LogPart) => Float64Array;

/** How each casting ended, what its resin cost, its coat's part of that, and its price; `NaN` where nobody knows. */
function worthOf({ casts }: LogPart, lots: readonly LotCard[]) {
  const priceOf = lotPrices(lots);
  const column = () => new Float64Array(casts.length).fill(NaN);
  const [grade, cost, coat, price] = [[] as CastFacts['grade'][], column(), column(), column()];
  casts.forEach((f, i) => {
    const resin = castingCost(f, priceOf);
    grade.push(f.grade);
    cost[i] = resin ?? NaN;
    coat[i] = coatCost(f, resin) ?? NaN;
    price[i] = f.price ?? NaN;
  });
  return { grade, cost, coat, price };
}

/** What castings lost (`lossOfWorth`), part by part: resin is worked out once for a shelf, prices each time. */
export function partLosses(log: Log, passed: readonly MouldPrices[], lots: readonly LotCard[]): PartLosses {
  const shelf = JSON.stringify(lots);
  const usualOf = usualPrices(passed);
  const usualAt = Float64Array.from(log.names.levels, ({ factor, level }) =>
    factor === 'mould' ? (usualOf.get(level) ?? NaN) : NaN,
  );
  const known = new Map<LogPart, Float64Array>();
  const work = (part: LogPart) => {
    const { grade, cost, coat, price } = kept(part, 'worth', shelf, () => worthOf(part, lots));
    const mould = part.levelOf.mould;
    return cost.map((_, i) =>
      lossOfWorth(grade[i]!, {
        cost: cost[i]!,
        coat: coat[i]!,
        price: price[i]!,
        usual: mould[i]! < 0 ? NaN : usualAt[mould[i]!]!,
      }),
    );
  };
  return (part) => {
    const losses = known.get(part) ?? work(part);
    known.set(part, losses);
    return losses;
  };
}
