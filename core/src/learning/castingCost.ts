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
  const byLot = new Map(known.map((l) => [`${l.slug} ${l.part} ${l.code}`, l.perG]));
  const usual = new Map(
    grouped(known, (l) => `${l.slug} ${l.part}`).map(([key, some]) => [key, meanOf(some.map((l) => l.perG))]),
  );
  return (slug, part, code) => byLot.get(`${slug} ${part} ${code ?? ''}`) ?? usual.get(`${slug} ${part}`) ?? null;
}

/** What a casting's resin cost, its mends included; null unless every part of it is known. */
export function castingCost(f: CastFacts, price: PriceOf): number | null {
  const slug = f.levels.product ?? '';
  const a = partCost(f.massAG, price(slug, 'A', f.levels['lot-a']));
  const b = partCost(f.massBG, price(slug, 'B', f.levels['lot-b']));
  if (a === null || b === null) return null;
  return f.massG ? (a + b) * (1 + f.mendG / f.massG) : a + b;
}

/** What a casting that came out so lost, in the studio's money; null where no price tells. */
export type LossOf = (f: CastFacts) => number | null;

/**
 * What each casting lost against one that passes: of scrap what the mould's castings sell for, or its resin where that is more, of a
 * second the difference in price, of a mended one the resin of its coat. What has no price counts as nothing known.
 */
export function castingLoss(castings: readonly CastFacts[], lots: readonly LotCard[]): LossOf {
  const price = lotPrices(lots);
  const passed = castings.filter((f) => f.grade === 'pass' && f.price != null);
  const full = new Map(
    grouped(passed, (f) => f.levels.mould).map(([mould, some]) => [mould, meanOf(some.map((f) => f.price!))]),
  );
  const fullPrice = (f: CastFacts) => full.get(f.levels.mould ?? '') ?? null;
  const coatOf = (f: CastFacts, cost: number | null) =>
    cost === null || !f.massG ? null : (cost * f.mendG) / (f.massG + f.mendG);
  const lesserPrice = (f: CastFacts, usual: number | null) =>
    usual === null || f.price == null ? null : Math.max(0, usual - f.price);
  return (f) => {
    const cost = castingCost(f, price);
    const usual = fullPrice(f);
    if (f.grade === null) return null;
    if (f.grade === 'scrap') return cost === null && usual === null ? null : Math.max(cost ?? 0, usual ?? 0);
    const coat = coatOf(f, cost);
    if (f.grade !== 'second') return coat;
    const lesser = lesserPrice(f, usual);
    return lesser === null ? null : lesser + (coat ?? 0);
  };
}
