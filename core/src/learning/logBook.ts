import { memoize } from '../numeric/memoize';
import type { TimeSpan } from './attributable';
import { castingFacts, type BatchFacts } from './batchFacts';
import { mouldPrices, type MouldPrices } from './castingCost';
import { logOfParts, logPart, type Log } from './logColumns';
import { logNames } from './logNames';

/** A batch as it stands in the log now. */
export interface BookEntry {
  readonly code: string;
  /** The moment by which it has its place; null where nobody wrote one down. */
  readonly at: string | null;
  /** Null for one that is no longer in the log. */
  readonly facts: BatchFacts | null;
}

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
  /** @param from, to moments that the days begin and end with, the second not among them; all where left out */
  readonly view: (from?: string, to?: string) => LogView;
}

/** Batches of one part: so few that one is soon worked out, so many that there are not many of them. */
const PART = 1_500;

type Part = readonly BookEntry[];

const isBefore = (a: BookEntry, b: BookEntry): boolean => {
  const [one, other] = [a.at ?? '', b.at ?? ''];
  return one === other ? a.code < b.code : one < other;
};
const inOrder = (entries: readonly BookEntry[]): BookEntry[] =>
  [...entries].sort((a, b) => Number(isBefore(b, a)) - Number(isBefore(a, b)));

const inParts = (entries: readonly BookEntry[]): Part[] =>
  Array.from({ length: Math.ceil(entries.length / PART) }, (_, i) => entries.slice(i * PART, (i + 1) * PART));

/** The first place, from 0 to `length`, from which on a question is answered yes. */
function firstFrom(length: number, isPast: (i: number) => boolean): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isPast(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** The part that an entry has its place in: the last that does not begin behind it. */
const partOf = (parts: readonly Part[], entry: BookEntry): number =>
  Math.max(0, firstFrom(parts.length, (i) => isBefore(entry, parts[i]![0]!)) - 1);

/** Parts after a few changes: those that hold them are others, and the rest the same. */
function patched(parts: readonly Part[], gone: readonly BookEntry[], come: readonly BookEntry[]): Part[] {
  const changed = new Map<number, BookEntry[]>();
  const at = (entry: BookEntry) => {
    const i = partOf(parts, entry);
    const list = changed.get(i) ?? [...(parts[i] ?? [])];
    changed.set(i, list);
    return list;
  };
  for (const entry of gone) {
    const list = at(entry);
    list.splice(list.indexOf(entry), 1);
  }
  for (const entry of come) at(entry).push(entry);
  const all = parts.length === 0 ? [[]] : parts;
  return all.flatMap((part, i) => {
    const list = changed.get(i);
    if (list === undefined) return [part];
    return list.length > 2 * PART ? inParts(inOrder(list)) : [inOrder(list)].filter((left) => left.length > 0);
  });
}

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

/** @param facts batches that the book begins with */
export function logBook(facts: readonly BatchFacts[] = []): LogBook {
  const names = logNames();
  const known = new Map<string, BookEntry>();
  let parts: Part[] = inParts(inOrder(facts.map((f) => ({ code: f.code, at: momentOf(f), facts: f }))));
  for (const entry of parts.flat()) known.set(entry.code, entry);

  const worked = memoize((part: Part) => {
    const castings = castingFacts(factsOf(part));
    const looked = logPart(
      names,
      castings.filter((f) => f.looked),
    );
    return { castings: castings.length, looked, span: spanOf(part), prices: mouldPrices(castings) };
  });

  function within(from: string | undefined, to: string | undefined): Part[] {
    if (from === undefined && to === undefined) return parts;
    return parts.flatMap((part) => {
      const first = from === undefined ? 0 : firstFrom(part.length, (i) => (part[i]!.at ?? '') >= from);
      const end = to === undefined ? part.length : firstFrom(part.length, (i) => (part[i]!.at ?? '') >= to);
      // What nobody dated lies in no days.
      const dated = firstFrom(part.length, (i) => part[i]!.at !== null);
      const [start, stop] = [Math.max(first, dated), Math.max(end, dated)];
      if (start >= stop) return [];
      return stop - start === part.length ? [part] : [part.slice(start, stop)];
    });
  }

  return {
    change: (entries) => {
      const gone = entries.flatMap((e) => known.get(e.code) ?? []);
      const come = entries.filter((e) => e.facts !== null);
      for (const { code } of gone) known.delete(code);
      for (const entry of come) known.set(entry.code, entry);
      // So many that most parts would be others anyway.
      const isMany = entries.length * 4 > known.size;
      parts = isMany ? inParts(inOrder([...known.values()])) : patched(parts, gone, come);
    },
    view: (from, to) => {
      const some = within(from, to);
      const all = some.map(worked);
      return {
        batches: some.reduce((sum, part) => sum + part.length, 0),
        castings: all.reduce((sum, part) => sum + part.castings, 0),
        get facts() {
          return some.flatMap(factsOf);
        },
        looked: logOfParts(
          names,
          all.map((part) => part.looked),
        ),
        spans: all.map((part) => part.span),
        prices: all.map((part) => part.prices),
      };
    },
  };
}
