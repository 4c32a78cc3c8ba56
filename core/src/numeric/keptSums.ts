import { watcher } from './watched';

/** Sums over one document, with what came of them; each is worked out again where what it looked at is touched. */
export interface KeptSums<T, R> {
  readonly before: readonly R[];
  /** Gives `before` itself where none is touched. @param touched what `Keeper.touched` tells of the changes */
  readonly after: (next: T, touched: ReadonlySet<number>) => readonly R[];
}

/** Keeps sums over one document, which may be worked out one after another. */
export interface Keeper<T> {
  readonly keep: <R>(sums: readonly ((root: T) => R)[]) => KeptSums<T, R>;
  /** Which sums might give something else after changes, by paths below the root. */
  readonly touched: (changes: readonly string[]) => ReadonlySet<number>;
}

/** @param whole paths that are looked at as one thing */
export function keeper<T extends object>(root: T, whole?: ReadonlySet<string>): Keeper<T> {
  const { watch, touched } = watcher(root, whole);
  let count = 0;
  return {
    touched,
    keep: (sums) => {
      const from = count;
      count += sums.length;
      const before = sums.map((sum) => watch(sum));
      return {
        before,
        after: (next, all) =>
          sums.some((_, i) => all.has(from + i))
            ? sums.map((sum, i) => (all.has(from + i) ? sum(next) : before[i]!))
            : before,
      };
    },
  };
}
