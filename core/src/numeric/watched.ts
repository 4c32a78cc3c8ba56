/**
 * Which of some sums over one document go by which of its paths, `a.b.0.c` below its root. A path that ends in `*` is
 * a whole object whose keys were listed. Where nothing that a sum looked at changed, it gives what it gave before.
 */
interface Noted {
  /** The sums that looked at it, by their numbers. */
  readonly readers: number[];
  /** The last of them, which need not be told twice. */
  last: number;
}

const join = (at: string, key: string) => (at === '' ? key : `${at}.${key}`);
const isObject = (v: unknown): v is object => typeof v === 'object' && v !== null;
const isPlain = (v: object): boolean => {
  const kind = Object.getPrototypeOf(v) as unknown;
  return kind === Object.prototype || kind === Array.prototype || kind === null;
};

/** A map that notes which of its keys are asked for. */
function watchedMap(map: ReadonlyMap<unknown, unknown>, at: string, { note, noted }: Watch): unknown {
  return new Proxy(map, {
    get: (of, key) => {
      if (key === 'get' || key === 'has')
        return (k: string) => {
          note(noted(join(at, k)));
          return of[key](k);
        };
      note(noted(join(at, '*')));
      const value: unknown = Reflect.get(of, key, of);
      return typeof value === 'function' ? (value.bind(of) as unknown) : value;
    },
  });
}

/** What a key of a watched object gives, and where it is noted that somebody asked. */
interface Child {
  /** Null for what every list can do: that is not looked at. */
  readonly noted: Noted | null;
  readonly gives: unknown;
}

interface Watch {
  readonly note: (at: Noted) => void;
  /** Where it is noted who looked at a path. */
  readonly noted: (path: string) => Noted;
  readonly whole: ReadonlySet<string>;
}

function childOf(source: object, at: string, key: string, watch: Watch): Child {
  const value: unknown = Reflect.get(source, key);
  const path = join(at, key);
  if (typeof value === 'function') return { noted: null, gives: value };
  const noted = watch.noted(path);
  if (!isObject(value) || watch.whole.has(path)) return { noted, gives: value };
  if (value instanceof Map) return { noted, gives: watchedMap(value, path, watch) };
  return { noted, gives: isPlain(value) ? watchedObject(value, path, watch) : value };
}

function watchedObject(source: object, at: string, watch: Watch, known = new Map<string, Child>()): object {
  // What it stands for may be frozen, and then a proxy of it might give nothing else: an empty one stands for it.
  return new Proxy(Array.isArray(source) ? [] : {}, {
    get: (_, key) => {
      if (typeof key === 'symbol') return Reflect.get(source, key) as unknown;
      let child = known.get(key);
      if (!child) {
        child = childOf(source, at, key, watch);
        known.set(key, child);
      }
      if (child.noted) watch.note(child.noted);
      return child.gives;
    },
    has: (_, key) => {
      if (typeof key === 'string') watch.note(watch.noted(join(at, key)));
      return Reflect.has(source, key);
    },
    ownKeys: () => {
      watch.note(watch.noted(join(at, '*')));
      return Reflect.ownKeys(source);
    },
    getOwnPropertyDescriptor: (target, key) => {
      const own = Reflect.getOwnPropertyDescriptor(source, key);
      if (!own) return undefined;
      if (Array.isArray(target) && key === 'length') return Reflect.getOwnPropertyDescriptor(target, key);
      return { configurable: true, enumerable: own.enumerable ?? false, value: own.value as unknown, writable: false };
    },
  });
}

/** Sums over one document that are watched, numbered from 0 as they are worked out. */
export interface Watcher<T> {
  /** Works a sum out, and notes what it looked at. */
  readonly watch: <R>(sum: (root: T) => R) => R;
  /** Which of them might give something else after changes. Who looked below what became something else looked at it too. */
  readonly touched: (changes: readonly string[]) => ReadonlySet<number>;
}

/**
 * Watches sums over one document.
 * @param whole paths that are looked at as one thing: what stands below them is not told apart
 */
export function watcher<T extends object>(root: T, whole: ReadonlySet<string> = new Set()): Watcher<T> {
  let count = 0;
  const all = new Map<string, Noted>();
  const watch: Watch = {
    whole,
    note: (at) => {
      if (at.last === count) return;
      at.last = count;
      at.readers.push(count);
    },
    noted: (path) => {
      const before = all.get(path);
      if (before) return before;
      const nobody: Noted = { readers: [], last: -1 };
      all.set(path, nobody);
      return nobody;
    },
  };
  const known = new Map<string, Child>();
  return {
    watch: (sum) => {
      // A root of its own for each: what another sum remembered of a root would hide what this one goes by.
      const value = sum(watchedObject(root, '', watch, known) as T);
      count += 1;
      return value;
    },
    touched: (changes) => {
      const touched = new Set<number>();
      for (const change of changes) {
        if (change === '') return new Set(Array.from({ length: count }, (_, i) => i));
        for (const path of notedAs(change)) for (const i of all.get(path)?.readers ?? []) touched.add(i);
      }
      return touched;
    },
  };
}

function collectChanges(before: unknown, after: unknown, at: string, into: string[]): void {
  if (Object.is(before, after)) return;
  if (!isObject(before) || !isObject(after) || Array.isArray(before) !== Array.isArray(after)) {
    into.push(at);
    return;
  }
  const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>];
  for (const key of Object.keys(a)) if (!Object.is(a[key], b[key])) collectChanges(a[key], b[key], join(at, key), into);
  for (const key of Object.keys(b)) if (!Object.hasOwn(a, key)) collectChanges(undefined, b[key], join(at, key), into);
  if (Array.isArray(before)) collectChanges(before.length, (after as unknown[]).length, join(at, 'length'), into);
}

/** Where two documents differ, by path: the deepest at which both are still objects of the same kind. */
export function changesBetween(before: unknown, after: unknown, at = ''): string[] {
  const changes: string[] = [];
  collectChanges(before, after, at, changes);
  return changes;
}

/** A change of one path as those who looked at it noted it: by itself, or as a key of something whose keys they listed. */
function notedAs(change: string): string[] {
  const noted = [change, '*'];
  for (let dot = change.lastIndexOf('.'); dot > 0; dot = change.lastIndexOf('.', dot - 1))
    noted.push(`${change.slice(0, dot)}.*`);
  return noted;
}
