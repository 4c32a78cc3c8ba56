import type { LotCard } from '../formats/lot';
import { partCost, pricePerG } from '../shelf/lotState';
import type { CastFacts } from './castFacts';
import { grouped } from './grouped';

/** What a gram of a part costs; null where nobody knows. */
export type PriceOf = (slug: string, part: 'A' | 'B', code: string | undefined) => number | null;

const meanOf = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** What a gram of a part costs: by its lot, else as the product's lots on the shelf do on average. */
export function lotPrices(lots: readonly LotCard[]): PriceOf {
  const known = lots.flatMap((l) => {
    const perG = pricePerG(l);
    return perG === null ? [] : [{ slug: l.productSlug, part: l.part, code: l.code, perG }];
  });
  const pricesOf = (part: 'A' | 'B') =>
    new Map(
      grouped(
        known.filter((l) => l.part === part),
        (l) => l.slug,
      ).map(([slug, some]) => [
        slug,
        { byLot: new Map(some.map((l) => [l.code, l.perG])), usual: meanOf(some.map((l) => l.perG)) },
      ]),
    );
  const prices = { A: pricesOf('A'), B: pricesOf('B') };
  return (slug, part, code) => {
    const own = prices[part].get(slug);
    if (!own) return null;
    return (code === undefined ? undefined : own.byLot.get(code)) ?? own.usual;
  };
}

/** What went into a casting, g: its parts, all of it, and its coats. */
type Masses = Pick<CastFacts, 'massG' | 'massAG' | 'massBG' | 'mendG'>;

/** What resin cost at what a gram of its parts costs, mends included; null unless every part of it is known. */
export function resinCost({ massG, massAG, massBG, mendG }: Masses, aPerG: number | null, bPerG: number | null) {
  const a = partCost(massAG, aPerG);
  const b = partCost(massBG, bPerG);
  if (a === null || b === null) return null;
  return massG ? (a + b) * (1 + mendG / massG) : a + b;
}

/** What a casting's resin cost, its mends included; null unless every part of it is known. */
export function castingCost(f: CastFacts, price: PriceOf): number | null {
  const slug = f.levels.product ?? '';
  return resinCost(f, price(slug, 'A', f.levels['lot-a']), price(slug, 'B', f.levels['lot-b']));
}

/** What a casting that came out so lost, in the studio's money; null where no price tells. */
export type LossOf = (f: CastFacts) => number | null;

/** What passed castings of each mould sell for: how many have a price, and its sum. */
export type MouldPrices = ReadonlyMap<string, { readonly sum: number; readonly count: number }>;

export function mouldPrices(castings: readonly CastFacts[]): MouldPrices {
  const prices = new Map<string, { sum: number; count: number }>();
  for (const { grade, price, levels } of castings) {
    if (grade !== 'pass' || price == null || levels.mould === undefined) continue;
    const known = prices.get(levels.mould);
    if (known) {
      known.sum += price;
      known.count += 1;
    } else prices.set(levels.mould, { sum: price, count: 1 });
  }
  return prices;
}

/** What passed castings sell for on average, by mould. */
export function usualPrices(passed: readonly MouldPrices[]): ReadonlyMap<string, number> {
  const all = new Map<string, { sum: number; count: number }>();
  for (const [mould, { sum, count }] of passed.flatMap((prices) => [...prices])) {
    const known = all.get(mould) ?? { sum: 0, count: 0 };
    all.set(mould, { sum: known.sum + sum, count: known.count + count });
  }
  return new Map([...all].map(([mould, { sum, count }]) => [mould, sum / count]));
}

/** Of a casting's resin, what its coat was; null where nobody knows. */
export const coatCost = (f: Pick<CastFacts, 'massG' | 'mendG'>, cost: number | null): number | null =>
  cost === null || !f.massG ? null : (cost * f.mendG) / (f.massG + f.mendG);

/** Of a casting: its resin, the coat's part of that, its price, what others of its mould sell for; `NaN` for unknown. */
export interface Worth {
  readonly cost: number;
  readonly coat: number;
  readonly price: number;
  readonly usual: number;
}

/**
 * What a casting lost against one that passes: of scrap what the mould's castings sell for, or its resin where that is
 * more, of a second the difference in price, of a mended one the resin of its coat. What has no price counts as
 * nothing known.
 * @returns `NaN` where no price tells
 */
export function lossOfWorth(grade: CastFacts['grade'], { cost, coat, price, usual }: Worth): number {
  if (grade === null) return NaN;
  if (grade === 'scrap') return Number.isNaN(cost) && Number.isNaN(usual) ? NaN : Math.max(cost || 0, usual || 0);
  return grade === 'second' ? Math.max(0, usual - price) + (coat || 0) : coat;
}

const orNaN = (value: number | null | undefined): number => value ?? NaN;

/**
 * What each casting lost (`lossOfWorth`).
 * @param passed what passed castings sell for, in parts of the log
 */
export function castingLoss(passed: readonly MouldPrices[], lots: readonly LotCard[]): LossOf {
  const [priceOf, usualOf] = [lotPrices(lots), usualPrices(passed)];
  return (f) => {
    const cost = castingCost(f, priceOf);
    const coat = orNaN(coatCost(f, cost));
    const usual = orNaN(usualOf.get(f.levels.mould ?? ''));
    const loss = lossOfWorth(f.grade, { cost: orNaN(cost), coat, price: orNaN(f.price), usual });
    return Number.isNaN(loss) ? null : loss;
  };
}
