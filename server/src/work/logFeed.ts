import type { BookEntry, PackedFacts } from '@warm-jar/core';
import { unpackFacts } from '@warm-jar/core';

/** Batches that came, changed or went, as JSON: `["B-0001","2026-03-14T08:20:00.000Z",{…}],…`, facts null for one that went. */
export interface LogChange {
  readonly rows: string;
  /** What the log had come to when these were read: what is asked for next. Null where more of the same is to come. */
  readonly upTo: number | null;
  /** Whether these are the first of the whole log: what was told before is no more. */
  readonly anew?: boolean;
}

/** A log that tells what changed in it. */
export interface LogFeed {
  /** Told apart from every other log's. */
  readonly id: string;
  /**
   * What changed since, in pages.
   * @param since what the log had come to when it was last read; null for all of it
   */
  readonly since: (since: number | null) => AsyncIterable<LogChange>;
}

/** The batches of a page. */
export const entriesOf = ({ rows }: LogChange): BookEntry[] =>
  (JSON.parse(`[${rows}]`) as [string, string | null, PackedFacts | null][]).map(([code, at, facts]) => ({
    code,
    at,
    facts: facts === null ? null : unpackFacts(facts),
  }));
