import type { BookEntry, PackedFacts, PartRange } from '@warm-jar/core';
import { unpackFacts } from '@warm-jar/core';

/** What a log had come to when it was read. */
export interface LogState {
  /** The last change that was told. */
  readonly at: number;
  /** Parts that were told as they were kept, without their batches. */
  readonly held: readonly PartRange[];
}

/** A part of a log as it is kept: its columns (`KeptColumns`) in the form in which they cross to a thread. */
export interface PartInBytes {
  readonly range: PartRange;
  /** Batches in it. */
  readonly batches: number;
  readonly bytes: Uint8Array;
}

/** Batches that came, changed or went, as JSON: `["B-0001","2026-03-14T08:20:00.000Z",{…}],…`, facts null for one that went. */
export interface LogChange {
  readonly rows: string;
  /** What the log had come to when these were read: what is asked for next. Null where more of the same is to come. */
  readonly upTo: LogState | null;
  /** Whether these are the first of the whole log: what was told before is no more. */
  readonly anew?: boolean;
  /** A part as it was kept, instead of batches. */
  readonly held?: Omit<PartInBytes, 'batches'>;
  /** The part that was held, and is told batch by batch now: it is another, or its facts are asked for. */
  readonly instead?: PartRange;
  /** Whether these batches stand by themselves, between parts that are held. */
  readonly isApart?: boolean;
}

/** A log that tells what changed in it. */
export interface LogFeed {
  /** Told apart from every other log's. */
  readonly id: string;
  /**
   * What changed since, in pages.
   * @param since what the log had come to when it was last read; null for all of it
   * @param asksFacts whether the facts of every batch are asked for, and not only what patterns ask of the whole log
   */
  readonly since: (since: LogState | null, asksFacts: boolean) => AsyncIterable<LogChange>;
  /** The parts that are kept as the log is now. */
  readonly kept: () => Promise<readonly PartRange[]>;
  /** Keeps parts for the next time, unless the log has changed since. @param at what it had come to then */
  readonly keep: (parts: readonly PartInBytes[], at: number) => Promise<void>;
}

/** The batches of a page. */
export const entriesOf = ({ rows }: LogChange): BookEntry[] =>
  (JSON.parse(`[${rows}]`) as [string, string | null, PackedFacts | null][]).map(([code, at, facts]) => ({
    code,
    at,
    facts: facts === null ? null : unpackFacts(facts),
  }));
