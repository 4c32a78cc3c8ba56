import { memoize } from '../numeric/memoize';
import type { TimeSpan } from './attributable';
import { castingFacts, type BatchFacts } from './batchFacts';
import { mouldPrices, type MouldPrices } from './castingCost';
import { columnsToKeep, workedFromKept, type KeptColumns, type WorkedPart } from './keptColumns';
import { logOfParts, logPart, type Log } from './logColumns';
import { logNames, type LogNames } from './logNames';
import {
  firstFrom,
  inOrder,
  inParts,
  isWithin,
  laidAmong,
  nameOfRange,
  overlap,
  patched,
  rangeOf,
  type BookEntry,
  type Part,
  type PartRange,
} from './logParts';

/** What is learned from: the whole log, or some days of it. */
export interface LogView {
  readonly batches: number;
  readonly castings: number;
  /** Every batch, by moment and code. */
  readonly facts: readonly BatchFacts[];
  /** Castings that somebody looked at. */
  readonly looked: Log;
  /** In parts of the log: its first and last moments, and what passed castings sell for. */
  readonly spans: readonly TimeSpan[];
  readonly prices: readonly MouldPrices[];
}

/**
 * The facts of a log, kept in parts: where a batch changes, its part alone is worked out anew, and what was counted of
 * the others stands.
 */
export interface LogBook {
  /** Takes in batches that came, changed or went. */
  readonly change: (entries: readonly BookEntry[]) => void;
  /** Takes over a part that was kept as columns, without its batches: patterns of the whole log ask no more. */
  readonly hold: (range: PartRange, columns: KeptColumns) => void;
  /**
   * Takes in batches that stand by themselves in the log, as parts of their own.
   * @param instead the part that was held in their place
   */
  readonly lay: (entries: readonly BookEntry[], instead?: PartRange) => void;
  /**
   * Parts to be kept as columns: all but the one that grows.
   * @param kept those that are
   */
  readonly toKeep: (kept: readonly PartRange[]) => PartToKeep[];
  /** @param from, to moments that the days begin and end with, the second not among them; all where left out */
  readonly view: (from?: string, to?: string) => LogView;
}

export interface PartToKeep {
  readonly range: PartRange;
  readonly columns: KeptColumns;
}

/** Batches of one part: so few that one is soon worked out, so many that there are not many of them. */
const PART = 1_500;

const factsOf = memoize((part: Part): readonly BatchFacts[] => part.map((entry) => entry.facts!));

/** A moment as it sorts; null for none, or one that cannot be read. */
function momentOf({ startedAt }: BatchFacts): string | null {
  const ms = startedAt === null ? NaN : Date.parse(startedAt);
  return Number.isNaN(ms) ? null : new Date(ms).toISOString();
}

/** Its entries lie by their moments. */
function spanOf(part: Part): TimeSpan {
  const dated = firstFrom(part.length, (i) => part[i]!.at !== null);
  const ms = (entry: BookEntry | undefined) => Date.parse(entry?.at ?? '');
  return dated === part.length ? [Infinity, -Infinity] : [ms(part[dated]), ms(part.at(-1))];
}

/** What is worked out of a part, once. */
const workedWith = (names: LogNames) =>
  memoize((part: Part): WorkedPart => {
    const castings = castingFacts(factsOf(part));
    const looked = logPart(
      names,
      castings.filter((f) => f.looked),
    );
    return {
      batches: part.length,
      castings: castings.length,
      looked,
      span: spanOf(part),
      prices: mouldPrices(castings),
    };
  });

/** Parts that are held as columns, without their batches. */
function heldParts(names: LogNames) {
  const held = new Map<string, WorkedPart & { readonly range: PartRange }>();
  return {
    take: (range: PartRange, columns: KeptColumns) => {
      held.set(nameOfRange(range), { range, ...workedFromKept(columns, names) });
    },
    letGo: (range: PartRange) => {
      held.delete(nameOfRange(range));
    },
    all: () => [...held.values()],
    /** @throws RangeError where there are any */
    refuse: (asked: string) => {
      if (held.size > 0) throw new RangeError(`${asked} are asked of batches, and of some there are columns alone.`);
    },
  };
}

/** Parts cut to some days; what nobody dated lies in none. */
function cutTo(parts: readonly Part[], from: string | undefined, to: string | undefined): Part[] {
  return parts.flatMap((part) => {
    const first = from === undefined ? 0 : firstFrom(part.length, (i) => (part[i]!.at ?? '') >= from);
    const end = to === undefined ? part.length : firstFrom(part.length, (i) => (part[i]!.at ?? '') >= to);
    const dated = firstFrom(part.length, (i) => part[i]!.at !== null);
    const [start, stop] = [Math.max(first, dated), Math.max(end, dated)];
    if (start >= stop) return [];
    return stop - start === part.length ? [part] : [part.slice(start, stop)];
  });
}

/** The range of a part that is to be kept: one of some length, that no other part lies among; null for others. */
function rangeToKeep(part: Part, size: number, kept: readonly PartRange[], held: readonly PartRange[]) {
  const range = rangeOf(part);
  if (range === null || part.length < size / 2 || held.some((other) => overlap(other, range))) return null;
  const among = kept.filter((other) => overlap(other, range));
  return isWithin(part, among) ? null : range;
}

function viewOf(names: LogNames, all: readonly WorkedPart[], facts: () => BatchFacts[]): LogView {
  return {
    batches: all.reduce((sum, part) => sum + part.batches, 0),
    castings: all.reduce((sum, part) => sum + part.castings, 0),
    get facts() {
      return facts();
    },
    looked: logOfParts(
      names,
      all.map((part) => part.looked),
    ),
    spans: all.map((part) => part.span),
    prices: all.map((part) => part.prices),
  };
}

/**
 * @param facts batches that the book begins with
 * @param size of one part, batches
 */
export function logBook(facts: readonly BatchFacts[] = [], size = PART): LogBook {
  const names = logNames();
  const known = new Map<string, BookEntry>();
  let parts: Part[] = inParts(inOrder(facts.map((f) => ({ code: f.code, at: momentOf(f), facts: f }))), size);
  for (const entry of parts.flat()) known.set(entry.code, entry);
  const [held, worked] = [heldParts(names), workedWith(names)];
  return {
    change: (entries) => {
      if (entries.length === 0) return;
      const gone = entries.flatMap((e) => known.get(e.code) ?? []);
      const come = entries.filter((e) => e.facts !== null);
      for (const { code } of gone) known.delete(code);
      for (const entry of come) known.set(entry.code, entry);
      // So many that most parts would be others anyway.
      const isMany = entries.length * 4 > known.size;
      parts = isMany ? inParts(inOrder([...known.values()]), size) : patched(parts, gone, come, size);
    },
    hold: held.take,
    lay: (entries, instead) => {
      if (instead) held.letGo(instead);
      const gone = entries.flatMap((e) => known.get(e.code) ?? []);
      for (const entry of entries) known.set(entry.code, entry);
      parts = laidAmong(gone.length === 0 ? parts : patched(parts, gone, [], size), inOrder(entries), size);
    },
    toKeep: (kept) => {
      const others = held.all().map((part) => part.range);
      return parts.slice(0, -1).flatMap((part) => {
        const range = rangeToKeep(part, size, kept, others);
        return range === null ? [] : [{ range, columns: columnsToKeep(worked(part), names) }];
      });
    },
    view: (from, to) => {
      const isWhole = from === undefined && to === undefined;
      if (!isWhole) held.refuse('Days');
      const some = isWhole ? parts : cutTo(parts, from, to);
      return viewOf(names, [...held.all(), ...some.map(worked)], () => {
        held.refuse('Facts');
        return some.flatMap(factsOf);
      });
    },
  };
}
