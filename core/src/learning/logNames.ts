import { FACTORS, type Factor } from '../formats/vocabulary';

/** A group of batches that share a level of a factor. */
export interface Level {
  readonly factor: Factor;
  readonly level: string;
}

/** The levels and products that occur in a log, numbered as they are met; a number once given stays. */
export interface LogNames {
  readonly levels: readonly Level[];
  readonly products: readonly string[];
  /** The number of a level; −1 where it does not occur. */
  readonly placeOf: (level: Level) => number;
  /** The number of a level, and of a product, given to it where it has none yet. */
  readonly levelAt: (factor: Factor, level: string) => number;
  readonly productAt: (slug: string) => number;
}

export function logNames(): LogNames {
  const [levels, products]: [Level[], string[]] = [[], []];
  const places = new Map<Factor, Map<string, number>>(FACTORS.map((f) => [f, new Map()]));
  const productPlaces = new Map<string, number>();
  return {
    levels,
    products,
    placeOf: ({ factor, level }) => places.get(factor)?.get(level) ?? -1,
    levelAt: (factor, level) => {
      const known = places.get(factor)!;
      const place = known.get(level);
      if (place !== undefined) return place;
      known.set(level, levels.length);
      return levels.push({ factor, level }) - 1;
    },
    productAt: (slug) => {
      const place = productPlaces.get(slug);
      if (place !== undefined) return place;
      productPlaces.set(slug, products.length);
      return products.push(slug) - 1;
    },
  };
}

const FACTOR_AT = new Map(FACTORS.map((factor, i) => [factor, i]));

/** The numbers of all levels, factor by factor and by their names: an order that no history of a log can change. */
export const levelsInOrder = (levels: readonly Level[]): number[] =>
  levels
    .map((_, place) => place)
    .sort((a, b) => {
      const [one, other] = [levels[a]!, levels[b]!];
      return FACTOR_AT.get(one.factor)! - FACTOR_AT.get(other.factor)! || (one.level < other.level ? -1 : 1);
    });
