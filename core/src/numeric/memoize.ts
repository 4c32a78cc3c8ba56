/**
 * A function of an object that is worked out once for each object and forgotten with it.
 * @param work pure: the same object always gives the same answer
 */
export function memoize<K extends object, V>(work: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, { readonly value: V }>();
  return (key) => {
    const before = known.get(key);
    if (before) return before.value;
    const value = work(key);
    known.set(key, { value });
    return value;
  };
}
