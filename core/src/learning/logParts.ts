import type { BatchFacts } from './batchFacts';

/** A batch as it stands in the log now. */
export interface BookEntry {
  readonly code: string;
  /** The moment by which it has its place; null where nobody wrote one down. */
  readonly at: string | null;
  /** Null for one that is no longer in the log. */
  readonly facts: BatchFacts | null;
}

/** Where a part begins and ends: moment and code of its first batch, and of its last. */
export type PartRange = readonly [firstAt: string, firstCode: string, lastAt: string, lastCode: string];

/** Batches that lie beside each other in the log, in its order. */
export type Part = readonly BookEntry[];

const isBefore = (a: BookEntry, b: BookEntry): boolean => {
  const [one, other] = [a.at ?? '', b.at ?? ''];
  return one === other ? a.code < b.code : one < other;
};
/** By moment and code. */
const byPlace = (a: BookEntry, b: BookEntry): number => Number(isBefore(b, a)) - Number(isBefore(a, b));
export const inOrder = (entries: readonly BookEntry[]): BookEntry[] => [...entries].sort(byPlace);

export const inParts = (entries: readonly BookEntry[], size: number): Part[] =>
  Array.from({ length: Math.ceil(entries.length / size) }, (_, i) => entries.slice(i * size, (i + 1) * size));

/** The first place, from 0 to `length`, from which on a question is answered yes. */
export function firstFrom(length: number, isPast: (i: number) => boolean): number {
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

/** A part at the end of the log grows up to this share of the others: most batches come there, one after another. */
const TAIL = 0.1;

/** Small parts at the end of the log put together, as soon as they are enough for one. */
function gathered(parts: readonly Part[], size: number): Part[] {
  let [from, batches] = [parts.length, 0];
  while (from > 0 && parts[from - 1]!.length < size / 2) {
    from -= 1;
    batches += parts[from]!.length;
  }
  return batches < size ? [...parts] : [...parts.slice(0, from), ...inParts(parts.slice(from).flat(), size)];
}

/** Parts after a few changes: those that hold them are others, and the rest the same. */
export function patched(
  parts: readonly Part[],
  gone: readonly BookEntry[],
  come: readonly BookEntry[],
  size: number,
): Part[] {
  const changed = new Map<number, BookEntry[]>();
  const last = parts.at(-1);
  const isFull = last !== undefined && last.length >= size * TAIL;
  const at = (entry: BookEntry) => {
    const i = isFull && isBefore(last.at(-1)!, entry) ? parts.length : partOf(parts, entry);
    const list = changed.get(i) ?? [...(parts[i] ?? [])];
    changed.set(i, list);
    return list;
  };
  for (const entry of gone) {
    const list = at(entry);
    list.splice(list.indexOf(entry), 1);
  }
  for (const entry of come) at(entry).push(entry);
  const all = [...parts, []].flatMap((part, i) => {
    const list = changed.get(i) ?? part;
    if (list === part) return part.length > 0 ? [part] : [];
    return list.length > 2 * size ? inParts(inOrder(list), size) : [inOrder(list)].filter((left) => left.length > 0);
  });
  return gathered(all, size);
}

/** Parts with some more that stand by themselves; those that lie among others are put together with them. @param own in order */
export function laidAmong(parts: readonly Part[], own: Part, size: number): Part[] {
  const [first, last] = [own[0], own.at(-1)];
  if (!first || !last) return [...parts];
  const isAmong = (part: Part) => !isBefore(part.at(-1)!, first) && !isBefore(last, part[0]!);
  const among = parts.filter(isAmong);
  const laid = inParts(among.length === 0 ? own : inOrder([...among.flat(), ...own]), size);
  return [...parts.filter((part) => !isAmong(part)), ...laid].sort(([a], [b]) => byPlace(a!, b!));
}

/** From its first batch to its last; null where one of them has no moment. */
export function rangeOf(part: Part): PartRange | null {
  const [first, last] = [part[0], part.at(-1)];
  return first?.at == null || last?.at == null ? null : [first.at, first.code, last.at, last.code];
}

const isUpTo = (at: string, code: string, otherAt: string, otherCode: string): boolean =>
  at === otherAt ? code <= otherCode : at < otherAt;
export const overlap = (a: PartRange, b: PartRange): boolean =>
  isUpTo(a[0], a[1], b[2], b[3]) && isUpTo(b[0], b[1], a[2], a[3]);
/** Whether each batch of a part lies in one of some ranges. */
export function isWithin(part: Part, ranges: readonly PartRange[]): boolean {
  const isIn = ({ at, code }: BookEntry, r: PartRange) =>
    at !== null && isUpTo(r[0], r[1], at, code) && isUpTo(at, code, r[2], r[3]);
  const [first, last] = [part[0], part.at(-1)];
  if (first && last && ranges.some((r) => isIn(first, r) && isIn(last, r))) return true;
  return ranges.length > 0 && part.every((entry) => ranges.some((r) => isIn(entry, r)));
}
/** One text for the same range. */
export const nameOfRange = (range: PartRange): string => JSON.stringify(range);
