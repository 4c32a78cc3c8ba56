/** A nested document; sections and values by dotted path, such as `room.temperatureC` or `additives[0].massG`. */
export type Tree = { [key: string]: unknown };

const keysOf = (path: string): string[] => path.replaceAll(/\[(\d+)\]/g, '.$1').split('.');
/** Whether a value has parts of its own. */
export const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null;

/** The value at a path; undefined where any part of it is missing. */
export function valueAt(document: unknown, path: string): unknown {
  return keysOf(path).reduce<unknown>((at, key) => (isTree(at) ? at[key] : undefined), document);
}

/** A copy of the document with the value at a path replaced; sections on the way are made where they are missing. */
export function withValue(document: Tree, path: string, value: unknown): Tree {
  const put = (at: unknown, [key, ...rest]: string[]): unknown => {
    if (key === undefined) return value;
    const next = put(isTree(at) ? at[key] : undefined, rest);
    if (Array.isArray(at)) return at.map((old: unknown, i) => (i === Number(key) ? next : old));
    return { ...(isTree(at) ? at : {}), [key]: next };
  };
  return put(document, keysOf(path)) as Tree;
}
