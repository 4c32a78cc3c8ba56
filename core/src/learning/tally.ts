import { FACTORS, type Factor } from '../formats/vocabulary';
import { memoize } from '../numeric/memoize';
import type { WeightOf } from './clusters';
import { logOf, type Castings, type Log, type LogPart } from './logColumns';
import type { Level } from './logNames';
import { totalOf } from './logTotals';

/** Counts of batches and faults by level and product, from one walk over the log. */
export interface Tally {
  readonly levels: readonly Level[];
  readonly outcomes: readonly string[];
  readonly products: readonly string[];
  /** Batches looked at, by level and product. */
  readonly n: (level: number, product: number) => number;
  /** Those with an outcome. */
  readonly k: (outcome: number, level: number, product: number) => number;
  /** Batches looked at with any level of a factor, by product. */
  readonly recorded: (factor: Factor, product: number) => number;
  readonly recordedWith: (outcome: number, factor: Factor, product: number) => number;
}

/** A whole log's castings by level, product and size of their mix: what any weighting is summed from. */
interface Counts {
  readonly levels: readonly Level[];
  readonly products: readonly string[];
  /** The sizes that mixes have, and where each stands among them. */
  readonly sizes: readonly number[];
  readonly slotOf: Int32Array;
  /** At `(level · products + product) · sizes + size`. */
  readonly n: Int32Array;
}

/** How a log's counts are laid down: by its products, and by the sizes that its mixes have. */
type Layout = Omit<Counts, 'n'>;

function layoutOf({ names, parts }: Log): Layout {
  const all = new Set<number>();
  for (const { mixes } of parts) for (const size of mixes.sizes) all.add(size);
  const sizes = [...all].sort((a, b) => a - b);
  const slotOf = new Int32Array((sizes.at(-1) ?? 0) + 1);
  sizes.forEach((size, slot) => {
    slotOf[size] = slot;
  });
  return { levels: [...names.levels], products: [...names.products], sizes, slotOf };
}

/** Counts that grow with the levels of a log. */
interface Cells {
  at: Int32Array;
}
/** So many cells are room for at least as many again. */
const grown = (cells: Int32Array, length: number): Int32Array => {
  if (cells.length >= length) return cells;
  const more = new Int32Array(2 * length);
  more.set(cells);
  return more;
};

/** Castings of some rows, of all where none are named, each counted in the cell of its level, product and mix. */
function counted(log: Log, layout: Layout, name: string, rowsOf: ((part: LogPart) => Int32Array) | null): Int32Array {
  const { levels, products, sizes, slotOf } = layout;
  const [P, S] = [products.length, sizes.length];
  const total = totalOf<Cells>(log, name, `${P} ${sizes.join()}`, {
    zero: () => ({ at: new Int32Array(levels.length * P * S) }),
    add: (cells, part, sign) => {
      const { levelOf, productOf, mixes, size } = part;
      const { at } = Object.assign(cells, { at: grown(cells.at, levels.length * P * S) });
      const rows = rowsOf === null ? null : rowsOf(part);
      const length = rows === null ? size : rows.length;
      for (const factor of FACTORS) {
        const column = levelOf[factor];
        for (let r = 0; r < length; r += 1) {
          const i = rows === null ? r : rows[r]!;
          if (column[i]! >= 0) at[(column[i]! * P + productOf[i]!) * S + slotOf[mixes.sizeOf[i]!]!]! += sign;
        }
      }
    },
  });
  // A copy: what was told of a log stands, whatever is asked of another. Names may have come since it was summed.
  const length = levels.length * P * S;
  return grown(total.at, length).slice(0, length);
}

const countsOf = memoize((log: Log): Counts => {
  const layout = layoutOf(log);
  return { ...layout, n: counted(log, layout, 'counts', null) };
});

const faultsByOutcome = memoize<Log, Map<string, Int32Array>>(() => new Map());

/** Those of them that show an outcome, laid down alike. */
function faultsOf(log: Log, outcome: string): Int32Array {
  const known = faultsByOutcome(log);
  const before = known.get(outcome);
  if (before) return before;
  const k = counted(log, countsOf(log), `faults ${outcome}`, (part) => part.rows(outcome));
  known.set(outcome, k);
  return k;
}

const FACTOR_AT = new Map(FACTORS.map((factor, f) => [factor, f]));

const factorCellsOf = memoize<Int32Array, { sums: Int32Array | null }>(() => ({ sums: null }));

/** Counts of each factor's levels together, at `(factor · products + product) · sizes + size`. */
function factorCells({ levels, products, sizes }: Counts, cells: Int32Array): Int32Array {
  const known = factorCellsOf(cells);
  if (known.sums) return known.sums;
  const stride = products.length * sizes.length;
  const sums = new Int32Array(FACTORS.length * stride);
  levels.forEach(({ factor }, l) => {
    const from = FACTOR_AT.get(factor)! * stride;
    for (let c = 0; c < stride; c += 1) sums[from + c]! += cells[l * stride + c]!;
  });
  known.sums = sums;
  return sums;
}

/**
 * Counts the looked-at batches by level, product and outcome.
 * @param outcomes keys as `CastFacts.seen` holds them
 * @param weight what a casting counts for by how many its mix has (`weightBySize`); one where it is not given
 */
export function tally(castings: Castings, outcomes: readonly string[], weight: WeightOf | null = null): Tally {
  const log = logOf(castings);
  const counts = countsOf(log);
  const { levels, products, sizes } = counts;
  const [P, S] = [products.length, sizes.length];
  const worth = sizes.map((size) => (weight === null ? 1 : weight(size)));
  const summed = (cells: Int32Array) => (row: number, product: number) => {
    let sum = 0;
    for (let s = 0; s < S; s += 1) sum += cells[(row * P + product) * S + s]! * worth[s]!;
    return sum;
  };
  const byLevelAndFactor = (cells: Int32Array) => ({
    level: summed(cells),
    factor: summed(factorCells(counts, cells)),
  });
  const n = byLevelAndFactor(counts.n);
  const k = outcomes.map((outcome) => byLevelAndFactor(faultsOf(log, outcome)));
  return {
    levels,
    outcomes,
    products,
    n: n.level,
    k: (o, level, product) => k[o]!.level(level, product),
    recorded: (factor, product) => n.factor(FACTOR_AT.get(factor)!, product),
    recordedWith: (o, factor, product) => k[o]!.factor(FACTOR_AT.get(factor)!, product),
  };
}

/** How many castings have a level, of each product by its number. */
export function productCounts(log: Log, level: Level): readonly number[] {
  const { products, sizes, n } = countsOf(log);
  const place = log.names.placeOf(level);
  return products.map((_, p) =>
    sizes.reduce((sum, _size, s) => sum + (n[(place * products.length + p) * sizes.length + s] ?? 0), 0),
  );
}

/** How many castings have a level. */
export const castingsWith = (log: Log, level: Level): number => productCounts(log, level).reduce((a, b) => a + b, 0);
