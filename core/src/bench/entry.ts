import { z } from 'zod';
import { CoreError } from '../formats/errors';
import { valueAt, withValue, type Tree } from '../formats/documentPath';
import * as q from '../formats/quantities';

/** A dotted path of a batch: names, and places in lists. */
const path = z
  .string()
  .min(1)
  .max(120)
  .regex(
    /^[a-zA-Z][a-zA-Z0-9]*(\[\d{1,4}\])*(\.[a-zA-Z][a-zA-Z0-9]*(\[\d{1,4}\])*)*$/,
    'Write a field by its dotted name, such as mix.amountA.',
  )
  .refine((text) => !/(?:^|\.)(?:constructor|prototype)(?:[.[]|$)/.test(text), 'There is no field of that name.');
/** Lists that grow by one whoever adds to them. */
export const GROWING_LISTS = [
  'readings',
  'additives',
  'checks',
  'quickTests',
  'mends',
  'outcome',
  'readAgain',
  'bench.done',
  'bench.reasons',
  'bench.looked',
  'bench.more',
] as const;

/**
 * One thing done at the bench, as it is saved: fields set, each with what stood there before, and things added to
 * lists. The key makes sending it twice the same as sending it once.
 */
export const entrySchema = z.object({
  key: z.string().min(8, 'Give the entry a key of its own, 8 characters or more.').max(80),
  at: q.isoMoment,
  by: q.shortText.nullish(),
  set: z
    .array(z.object({ path, was: z.unknown(), value: z.unknown() }))
    .max(60)
    .default([]),
  add: z
    .array(z.object({ path: z.enum(GROWING_LISTS), value: z.unknown() }))
    .max(500)
    .default([]),
  /** Put over what somebody else wrote meanwhile: only after having asked. */
  over: z.boolean().default(false),
});
export type Entry = z.infer<typeof entrySchema>;

/** A field that two people wrote differently. */
export interface EntryConflict {
  readonly path: string;
  readonly theirs: unknown;
  readonly mine: unknown;
}

/** A place in a list that the document does not have. */
function pastTheEnd(document: Tree, at: string): string | null {
  for (const found of at.matchAll(/\[(\d+)\]/g)) {
    const list = valueAt(document, at.slice(0, found.index));
    const length = Array.isArray(list) ? list.length : 0;
    if (Number(found[1]) >= length)
      return `${at.slice(0, found.index)} has ${length === 0 ? 'nothing' : length} in it, so there is no ${found[0]}.`;
  }
  return null;
}

/** Nothing recorded is the same whether it is absent or null. */
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/**
 * Lays an entry over a document. A field that somebody else set meanwhile to something else is a conflict, and then
 * nothing of the entry is applied; different fields, and things added to lists, go together.
 * @throws CoreError `past-the-end` where a field points past the end of a list: it would be taken and kept nowhere
 */
export function applyEntry(
  document: Tree,
  entry: Pick<Entry, 'set' | 'add' | 'over'>,
): { readonly document: Tree; readonly conflicts: readonly EntryConflict[] } {
  const conflicts = entry.over
    ? []
    : entry.set
        .map((s) => ({ path: s.path, theirs: valueAt(document, s.path) ?? null, mine: s.value ?? null, was: s.was }))
        .filter((s) => !same(s.theirs, s.was) && !same(s.theirs, s.mine))
        .map(({ path: at, theirs, mine }) => ({ path: at, theirs, mine }));
  if (conflicts.length > 0) return { document, conflicts };
  for (const { path: at } of entry.set) {
    const fault = pastTheEnd(document, at);
    if (fault !== null) throw new CoreError('past-the-end', `${fault} Load the batch again.`, at);
  }
  const set = entry.set.reduce((d, s) => withValue(d, s.path, s.value ?? null), document);
  const added = entry.add.reduce((d, a) => {
    const list = valueAt(d, a.path);
    return withValue(d, a.path, [...(Array.isArray(list) ? (list as unknown[]) : []), a.value]);
  }, set);
  return { document: added, conflicts };
}

/**
 * The entry that takes another back: what was set stands again as before.
 * Things added to lists stay, as things that happened.
 */
export function invertPatch(entry: Pick<Entry, 'set'>): Entry['set'] {
  return [...entry.set].reverse().map((s) => ({ path: s.path, was: s.value ?? null, value: s.was ?? null }));
}

const conflict = z.object({ path: z.string(), theirs: z.unknown(), mine: z.unknown() });
export const entryConflictSchema = z.object({ conflicts: z.array(conflict) });
