/**
 * What a sum looked at: paths below its root, `a.b.0.c`. A path that ends in `*` is a whole object whose keys were
 * listed. Where nothing of it changed, a sum that goes by nothing else gives what it gave before.
 */
export type Reads = ReadonlySet<string>;

/** A sum with what it looked at. */
export interface Watched<R> {
  readonly value: R;
  readonly reads: Reads;
}

const join = (at: string, key: string) => (at === '' ? key : `${at}.${key}`);
const isObject = (v: unknown): v is object => typeof v === 'object' && v !== null;
const isPlain = (v: object): boolean => {
  const kind = Object.getPrototypeOf(v) as unknown;
  return kind === Object.prototype || kind === Array.prototype || kind === null;
};

/** A map that notes which of its keys are asked for. */
function watchedMap(map: ReadonlyMap<unknown, unknown>, at: string, note: (path: string) => void): unknown {
  return new Proxy(map, {
    get: (of, key) => {
      if (key === 'get' || key === 'has')
        return (k: string) => {
          note(join(at, k));
          return of[key](k);
        };
      note(join(at, '*'));
      const value: unknown = Reflect.get(of, key, of);
      return typeof value === 'function' ? (value.bind(of) as unknown) : value;
    },
  });
}

/** What a key of a watched object gives, and under which path it is noted. */
interface Child {
  readonly path: string;
  readonly gives: unknown;
}

interface Watch {
  readonly note: (path: string) => void;
  readonly whole: ReadonlySet<string>;
}

function childOf(source: object, at: string, key: string, watch: Watch): Child {
  const value: unknown = Reflect.get(source, key);
  const path = join(at, key);
  if (!isObject(value) || watch.whole.has(path)) return { path, gives: value };
  if (value instanceof Map) return { path, gives: watchedMap(value, path, watch.note) };
  return { path, gives: isPlain(value) ? watchedObject(value, path, watch) : value };
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
      // What every list can do is not looked at.
      if (typeof child.gives !== 'function') watch.note(child.path);
      return child.gives;
    },
    has: (_, key) => {
      if (typeof key === 'string') watch.note(join(at, key));
      return Reflect.has(source, key);
    },
    ownKeys: () => {
      watch.note(join(at, '*'));
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

/**
 * Works sums over one document out, and keeps what each looked at.
 * @param whole paths that are looked at as one thing: what stands below them is not told apart
 */
export function watcher<T extends object>(
  root: T,
  whole: ReadonlySet<string> = new Set(),
): <R>(sum: (root: T) => R) => Watched<R> {
  let reads = new Set<string>();
  const watch: Watch = { note: (path) => reads.add(path), whole };
  const known = new Map<string, Child>();
  return (sum) => {
    reads = new Set();
    // A root of its own for each: what another sum remembered of a root would hide what this one goes by.
    const value = sum(watchedObject(root, '', watch, known) as T);
    return { value, reads };
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

/**
 * Which of some sums might give something else after changes: by what each looked at. Whoever looked below what became
 * something else looked at it on the way.
 * @returns a function of the changes that tells the places of those sums in the list
 */
export function touchedBy(all: readonly Reads[]): (changes: readonly string[]) => ReadonlySet<number> {
  const readers = new Map<string, number[]>();
  all.forEach((reads, i) => {
    for (const path of reads) {
      const known = readers.get(path);
      if (known) known.push(i);
      else readers.set(path, [i]);
    }
  });
  return (changes) => {
    const touched = new Set<number>();
    for (const change of changes) {
      if (change === '') return new Set(all.keys());
      for (const noted of notedAs(change)) for (const i of readers.get(noted) ?? []) touched.add(i);
    }
    return touched;
  };
}
