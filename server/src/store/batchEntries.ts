import { isDeepStrictEqual } from 'node:util';
import {
  applyEntry,
  batchSchema,
  fieldLabel,
  issuesFromZod,
  sayField,
  wordsIn,
  type Batch,
  type Entry,
} from '@warm-jar/core';
import { Problem } from '../http/problem';
import type { EntryRow } from './models';

/** In stored units: the page says it again in those that were chosen. */
const sayStored = wordsIn();

/** The batch with an entry over it. @throws Problem 409 where fields conflict, 400 where the result is no batch */
export function withEntry(before: Batch, entry: Entry): Batch {
  const { document, conflicts } = applyEntry(before, entry);
  if (conflicts.length > 0) {
    throw new Problem(
      409,
      'field-conflict',
      `Somebody else wrote ${conflicts.map((c) => fieldLabel(c.path)).join(', ')} meanwhile. Say which stands.`,
      conflicts.map((c) => ({
        path: c.path,
        message: `They wrote ${sayField(c.path, c.theirs, sayStored)}, you ${sayField(c.path, c.mine, sayStored)}.`,
      })),
    );
  }
  const parsed = batchSchema.safeParse(document);
  if (!parsed.success)
    throw new Problem(400, 'invalid-input', 'The entry does not fit the batch.', issuesFromZod(parsed.error));
  return parsed.data;
}

/**
 * The same key again is the same thing done once. @throws Problem 409 where it says something else, or of another
 * batch: to take it for done would lose it
 */
export function refuseOther(known: EntryRow, code: string, entry: Entry): void {
  // Whether it was put over somebody else's is not what was done.
  const said = (e: Entry) => JSON.parse(JSON.stringify({ ...e, over: false })) as unknown;
  const same = known.batchCode === code && isDeepStrictEqual(said(JSON.parse(known.body) as Entry), said(entry));
  if (same) return;
  throw new Problem(
    409,
    'key-taken',
    `The key ${entry.key} is taken by another entry, of ${known.batchCode}. Send this one under a key of its own.`,
    [{ path: 'key', message: 'Taken by another entry.' }],
  );
}
