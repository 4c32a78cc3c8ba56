import { byText } from '../formats/byText';

/** Items by a key, keys in order; what has none is left out. */
export function grouped<T>(items: readonly T[], keyOf: (item: T) => string | null | undefined): [string, T[]][] {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    if (key == null) continue;
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return [...groups].sort(([a], [b]) => byText(a, b));
}
