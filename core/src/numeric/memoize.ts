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

/**
 * A function of a text that is worked out once for each text, while there are not too many.
 * @param work pure: the same text always gives the same answer
 * @param most texts that are remembered; then all are forgotten
 */
export function memoizeText<V>(work: (text: string) => V, most: number): (text: string) => V {
  const known = new Map<string, { readonly value: V }>();
  return (text) => {
    const before = known.get(text);
    if (before) return before.value;
    const value = work(text);
    if (known.size >= most) known.clear();
    known.set(text, { value });
    return value;
  };
}
