import type { CastFacts } from './castFacts';
import { designEffect, shows } from './clusters';
import { FACTORS } from '../formats/vocabulary';
import { columnsOf, type Level, type LogColumns } from './logColumns';
import { ridgeLogisticOf, type Kind } from './ridgeLogistic';

/** What is left of a factor's odds once those that travel with it have had their part. */
export interface Parted {
  readonly oddsRatio: number;
  readonly low: number;
  readonly high: number;
}

const Z_95 = 1.959963984540054;
/** Shared this far (batches in both, of those in either), two levels are the same batches under two names. */
export const SAME_BATCHES = 0.8;

/** Where each group's batches lie in the log, looked up once; and how far two groups are the same batches. */
export interface Places {
  readonly of: (level: Level) => readonly number[];
  /** Overlap of two groups: batches in both, of those in either. */
  readonly overlap: (a: Level, b: Level) => number;
}

const keyOf = ({ factor, level }: Level) => `${factor} ${level}`;

/** Bits that are set. */
function bitsIn(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

export function placesOf(facts: readonly CastFacts[]): Places {
  const columns = columnsOf(facts);
  const known = new Map<string, { readonly places: readonly number[]; readonly bits: Uint32Array }>();
  const groupOf = (level: Level) => {
    const before = known.get(keyOf(level));
    if (before) return before;
    const [column, place] = [columns.levelOf[level.factor], columns.placeOf(level)];
    const [places, bits] = [[] as number[], new Uint32Array(Math.ceil(columns.size / 32))];
    for (let i = 0; i < columns.size; i += 1) {
      if (place < 0 || column[i] !== place) continue;
      places.push(i);
      bits[i >>> 5]! |= 1 << (i & 31);
    }
    const group = { places, bits };
    known.set(keyOf(level), group);
    return group;
  };
  return {
    of: (level) => groupOf(level).places,
    overlap: (a, b) => {
      const [one, other] = [groupOf(a), groupOf(b)];
      let both = 0;
      for (let w = 0; w < one.bits.length; w += 1) both += bitsIn(one.bits[w]! & other.bits[w]!);
      const either = one.places.length + other.places.length - both;
      return either === 0 ? 0 : both / either;
    },
  };
}

/**
 * Ridge logistic regression of outcomes on the levels found for them and on the products, so that factors that travel
 * together share the effect between them instead of each claiming it.
 * @returns for each outcome, what is left of each level
 */
export function adjustedOdds(
  facts: readonly CastFacts[],
  outcomes: readonly string[],
  levels: readonly Level[],
): ReadonlyMap<string, readonly Parted[]> {
  const columns = columnsOf(facts);
  const products = [...columns.products].sort();
  // The first product is what the others are held against; a product among the levels is there already.
  const others: Level[] = products
    .slice(1)
    .map((level) => ({ factor: 'product' as const, level }))
    .filter((p) => !levels.some((l) => l.factor === 'product' && l.level === p.level));
  const features = [...levels, ...others];
  const { kindOf, kinds } = featureKinds(columns, features);
  return new Map(
    outcomes.map((outcome) => {
      const fit = ridgeLogisticOf(countKinds(kinds, kindOf, columns.shows(outcome)), features.length);
      // Castings of one mix are not independent: their odds are less sure.
      const wider = Math.sqrt(designEffect(facts, shows(outcome)));
      return [
        outcome,
        levels.map((_, i) => ({
          oddsRatio: Math.exp(fit.beta[i]!),
          low: Math.exp(fit.beta[i]! - Z_95 * wider * fit.se[i]!),
          high: Math.exp(fit.beta[i]! + Z_95 * wider * fit.se[i]!),
        })),
      ];
    }),
  );
}

/** Castings that have the same features, in the order in which such kinds are met; and of which kind each casting is. */
function featureKinds(columns: LogColumns, features: readonly Level[]) {
  const featureAt = new Int32Array(columns.levels.length).fill(-1);
  features.forEach((f, i) => {
    const place = columns.placeOf(f);
    if (place >= 0) featureAt[place] = i;
  });
  const used = FACTORS.filter((factor) => features.some((f) => f.factor === factor)).map((f) => columns.levelOf[f]);
  // A tree of features: each step from a node by a feature leads to one node.
  const [nodes, ends] = [new Map<number, number>(), new Map<number, number>()];
  const [kindOf, kinds] = [new Int32Array(columns.size), [] as number[][]];
  let count = 1;
  for (let i = 0; i < columns.size; i += 1) {
    let node = 0;
    for (const column of used) {
      const place = column[i]!;
      const feature = place < 0 ? -1 : featureAt[place]!;
      if (feature < 0) continue;
      const step = node * features.length + feature;
      let next = nodes.get(step);
      if (next === undefined) {
        next = count;
        count += 1;
        nodes.set(step, next);
      }
      node = next;
    }
    let kind = ends.get(node);
    if (kind === undefined) {
      kind = kinds.length;
      ends.set(node, kind);
      kinds.push(
        used.flatMap((column) => {
          const at = column[i]! < 0 ? -1 : featureAt[column[i]!]!;
          return at < 0 ? [] : [at];
        }),
      );
    }
    kindOf[i] = kind;
  }
  return { kindOf, kinds };
}

function countKinds(kinds: readonly (readonly number[])[], kindOf: Int32Array, shown: Uint8Array): Kind[] {
  const counted = kinds.map((features): Kind => ({ features, n: 0, yes: 0 }));
  for (let i = 0; i < kindOf.length; i += 1) {
    const kind = counted[kindOf[i]!]!;
    kind.n += 1;
    kind.yes += shown[i]!;
  }
  return counted;
}
