import { FACTORS } from '../formats/vocabulary';
import type { Log, LogPart } from './logColumns';
import type { Level, LogNames } from './logNames';
import { totalOf } from './logTotals';

/** Castings that have the same features, counted together, and how many of them show each outcome. */
export interface FeatureKind {
  readonly features: readonly number[];
  readonly n: number;
  readonly yes: Int32Array;
}

/** One factor's features: which of them a level is, from 1; 0 for a level that is none. */
interface FeatureColumn {
  readonly factor: Level['factor'];
  readonly featureAt: Int32Array;
  readonly features: readonly number[];
}

function columnsFor(names: LogNames, features: readonly Level[]): FeatureColumn[] {
  return FACTORS.flatMap((factor): FeatureColumn[] => {
    const own = features.flatMap((f, i) => (f.factor === factor ? [i] : []));
    if (own.length === 0) return [];
    const featureAt = new Int32Array(names.levels.length);
    own.forEach((i, at) => {
      const place = names.placeOf(features[i]!);
      if (place >= 0) featureAt[place] = at + 1;
    });
    return [{ factor, featureAt, features: own }];
  });
}

/** A casting's features as one number: what each factor has of them, digit by digit. */
function codesOf(part: LogPart, columns: readonly FeatureColumn[]): Float64Array {
  const codes = new Float64Array(part.size);
  for (const { factor, featureAt, features } of columns) {
    const [column, base] = [part.levelOf[factor], features.length + 1];
    for (let i = 0; i < codes.length; i += 1)
      codes[i] = codes[i]! * base + (column[i]! < 0 ? 0 : featureAt[column[i]!]!);
  }
  return codes;
}

/** Factors whose features one number tells apart; most logs need one such group. */
function groupsOf(columns: readonly FeatureColumn[]): FeatureColumn[][] {
  const groups: FeatureColumn[][] = [[]];
  let most = 1;
  for (const column of columns) {
    most *= column.features.length + 1;
    if (most > Number.MAX_SAFE_INTEGER) {
      groups.push([]);
      most = column.features.length + 1;
    }
    groups.at(-1)!.push(column);
  }
  return groups;
}

/** What tells a kind of castings: a number, or several in a row. */
type Key = number | string;

function keysOf(part: LogPart, groups: readonly (readonly FeatureColumn[])[]): ArrayLike<Key> {
  const [first, ...others] = groups.map((columns) => codesOf(part, columns));
  return others.length === 0 ? first! : Array.from(first!, (code, i) => [code, ...others.map((o) => o[i]!)].join(' '));
}

/** The features that a key tells of. */
function featuresIn(key: Key, groups: readonly (readonly FeatureColumn[])[]): number[] {
  const codes = typeof key === 'number' ? [key] : key.split(' ').map(Number);
  return groups.flatMap((columns, g) => {
    let rest = codes[g]!;
    const has: number[] = [];
    for (const { features } of [...columns].reverse()) {
      const at = rest % (features.length + 1);
      rest = Math.floor(rest / (features.length + 1));
      if (at > 0) has.unshift(features[at - 1]!);
    }
    return has;
  });
}

/** The features of a kind of castings; how many there are of it, and how many of them show each outcome. */
interface CountedKind {
  readonly features: readonly number[];
  readonly counts: Int32Array;
}
type KindCounts = Map<Key, CountedKind>;

function addKinds(
  total: KindCounts,
  part: LogPart,
  groups: readonly (readonly FeatureColumn[])[],
  outcomes: readonly string[],
  sign: number,
): void {
  const keys = keysOf(part, groups);
  for (let i = 0; i < keys.length; i += 1) {
    let kind = total.get(keys[i]!);
    if (kind === undefined) {
      kind = { features: featuresIn(keys[i]!, groups), counts: new Int32Array(outcomes.length + 1) };
      total.set(keys[i]!, kind);
    }
    kind.counts[0]! += sign;
  }
  outcomes.forEach((outcome, o) => {
    for (const i of part.rows(outcome)) total.get(keys[i]!)!.counts[o + 1]! += sign;
  });
}

/** Keys in one order, that no history of a log can change: numbers side by side where all are numbers. */
function inOrder(all: KindCounts): ArrayLike<Key> {
  const keys = [...all.keys()];
  const isNumber = (key: Key): key is number => typeof key === 'number';
  return keys.every(isNumber) ? Float64Array.from(keys).sort() : keys.sort((a, b) => (a < b ? -1 : 1));
}

/**
 * Castings by which features they have, and how many of each kind show each outcome.
 * @param features levels; of one factor a casting has one at most
 * @param name under which the log keeps what it counted
 */
export function featureKinds(
  log: Log,
  features: readonly Level[],
  outcomes: readonly string[],
  name: string,
): FeatureKind[] {
  const groups = groupsOf(columnsFor(log.names, features));
  const of = JSON.stringify([outcomes, features.map((f) => [f.factor, f.level])]);
  const all = totalOf<KindCounts>(log, `kinds ${name}`, of, {
    zero: () => new Map(),
    add: (total, part, sign) => {
      addKinds(total, part, groups, outcomes, sign);
    },
  });
  return Array.from(inOrder(all)).flatMap((key) => {
    const { features, counts } = all.get(key)!;
    return counts[0]! > 0 ? [{ features, n: counts[0]!, yes: counts.slice(1) }] : [];
  });
}
