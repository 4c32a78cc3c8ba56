import { memoize } from '../numeric/memoize';
import type { Log, LogPart } from './logColumns';

/** A sum over the parts of a log. */
export interface Summing<T> {
  readonly zero: () => T;
  /** Adds a part's share to a total, or takes it away. Whole numbers, so that nothing is left of what went. */
  readonly add: (total: T, part: LogPart, sign: 1 | -1) => void;
}

interface Total {
  readonly of: string;
  readonly parts: ReadonlySet<LogPart>;
  readonly total: unknown;
  /** The log, by its turn, that last asked for it. */
  readonly turn: number;
}

/** Sums that none of the last so many logs asked for are forgotten: each holds the parts that it was summed from. */
const KEPT_TURNS = 6;

interface Totals {
  readonly byName: Map<string, Total>;
  turn: number;
  last: ReadonlySet<LogPart> | null;
}

interface Changed {
  readonly gone: readonly LogPart[];
  readonly come: readonly LogPart[];
}
const partsOf = memoize((log: Log): ReadonlySet<LogPart> => new Set(log.parts));
const changesOf = memoize<Log, Map<ReadonlySet<LogPart>, Changed>>(() => new Map());

/** What went and what came since a log had other parts: many sums ask for the same. */
function changedSince(log: Log, before: ReadonlySet<LogPart>): Changed {
  const known = changesOf(log).get(before);
  if (known) return known;
  const now = partsOf(log);
  const changed = {
    gone: [...before].filter((part) => !now.has(part)),
    come: log.parts.filter((part) => !before.has(part)),
  };
  changesOf(log).set(before, changed);
  return changed;
}

const totalsOf = memoize<object, Totals>(() => ({ byName: new Map(), turn: 0, last: null }));

/** The sums that are kept of a log; those that nobody asks for any more are let go when it is another. */
function totalsFor(log: Log): Totals {
  const totals = totalsOf(log.kept);
  const parts = partsOf(log);
  if (totals.last === parts) return totals;
  totals.last = parts;
  totals.turn += 1;
  for (const [name, { turn }] of totals.byName) if (turn < totals.turn - KEPT_TURNS) totals.byName.delete(name);
  return totals;
}

/**
 * A sum over a log, kept up to date by what changed: parts that went are taken away from the last one, and those that
 * came added. The answer is the log's own, and holds until the same sum is asked for again.
 * @param name of the sum: the last is kept under each
 * @param of what it depends on beside the parts: where that is another, all parts are added up anew
 */
export function totalOf<T>(log: Log, name: string, of: string, { zero, add }: Summing<T>): T {
  const totals = totalsFor(log);
  const known = totals.byName.get(name);
  const { gone, come } = known ? changedSince(log, known.parts) : { gone: [], come: log.parts };
  const isPatched = known?.of === of && gone.length + come.length < log.parts.length;
  const total = isPatched ? (known.total as T) : zero();
  if (isPatched) for (const part of gone) add(total, part, -1);
  for (const part of isPatched ? come : log.parts) add(total, part, 1);
  totals.byName.set(name, { of, parts: partsOf(log), total, turn: totals.turn });
  return total;
}
