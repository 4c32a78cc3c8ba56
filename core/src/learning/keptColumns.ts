import { FACTORS, type Factor } from '../formats/vocabulary';
import type { TimeSpan } from './attributable';
import type { MouldPrices } from './castingCost';
import { once, type LogPart, type Mixes, type CastEnds } from './logColumns';
import type { Level, LogNames } from './logNames';

/** By what these columns are laid down: others are not read, and are worked out anew from the facts. */
export const COLUMNS_FORM = `1 ${FACTORS.join(' ')}`;

/** What patterns ask of a part of the log. */
export interface WorkedPart {
  readonly batches: number;
  readonly castings: number;
  readonly looked: LogPart;
  readonly span: TimeSpan;
  readonly prices: MouldPrices;
}

/**
 * A part of the log as columns that stand by themselves, to be kept: names have numbers of their own in it. No more
 * than what patterns ask; the facts they were worked out from are not in them.
 */
export interface KeptColumns extends Omit<WorkedPart, 'looked'> {
  readonly size: number;
  readonly isMixed: boolean;
  readonly levels: readonly Level[];
  readonly products: readonly string[];
  readonly levelOf: Readonly<Record<Factor, Int32Array>>;
  readonly productOf: Int32Array;
  readonly mixes: Mixes;
  readonly rows: ReadonlyMap<string, Int32Array>;
  readonly ends: CastEnds;
}

/** Numbers in the order in which they occur, from 0 on; what is not there (−1) stays so. */
function renumbering() {
  const numbers = new Map<number, number>();
  const of = (place: number): number => {
    if (place < 0) return place;
    const known = numbers.get(place);
    if (known !== undefined) return known;
    numbers.set(place, numbers.size);
    return numbers.size - 1;
  };
  return { of, places: () => [...numbers.keys()] };
}

const byFactor = (work: (factor: Factor) => Int32Array) =>
  Object.fromEntries(FACTORS.map((factor) => [factor, work(factor)])) as Record<Factor, Int32Array>;

/** @param names of the log that the part is of */
export function columnsToKeep({ looked, ...rest }: WorkedPart, names: LogNames): KeptColumns {
  const [levels, products] = [renumbering(), renumbering()];
  const levelOf = byFactor((factor) => looked.levelOf[factor].map(levels.of));
  const productOf = looked.productOf.map(products.of);
  return {
    ...rest,
    size: looked.size,
    isMixed: looked.isMixed,
    levelOf,
    productOf,
    levels: levels.places().map((place) => names.levels[place]!),
    products: products.places().map((place) => names.products[place]!),
    mixes: looked.mixes,
    rows: new Map(looked.outcomes.map((outcome) => [outcome, looked.rows(outcome)])),
    ends: looked.ends,
  };
}

/** The part of a log that was kept as columns. @param names of the log that it is to be of */
export function workedFromKept(kept: KeptColumns, names: LogNames): WorkedPart {
  const { batches, castings, span, prices, size, isMixed, mixes, rows, ends } = kept;
  const levelOf = once(() => {
    const places = kept.levels.map(({ factor, level }) => names.levelAt(factor, level));
    return byFactor((factor) => kept.levelOf[factor].map((own) => (own < 0 ? own : places[own]!)));
  });
  const productOf = once(() => {
    const places = kept.products.map(names.productAt);
    return kept.productOf.map((own) => places[own]!);
  });
  const none = new Int32Array(0);
  const looked: LogPart = {
    size,
    isMixed,
    mixes,
    ends,
    get levelOf() {
      return levelOf();
    },
    get productOf() {
      return productOf();
    },
    outcomes: [...rows.keys()],
    rows: (outcome) => rows.get(outcome) ?? none,
    numberNames: () => {
      levelOf();
      productOf();
    },
  };
  return { batches, castings, looked, span, prices };
}
