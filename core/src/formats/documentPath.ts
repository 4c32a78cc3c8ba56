/** A nested document; sections and values by dotted path, such as `room.temperatureC` or `additives[0].massG`. */
export type Tree = { [key: string]: unknown };

/** Whether a value has parts of its own. */
export const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null;

/** A step of a path: a key of an object, or a place in a list. */
export type PathStep = string | number;

/** Longest list that a path may ask for; a mistyped place is no reason to fill the memory. */
const MAX_ITEMS = 20_000;
/** Names that every object has already: a path through one would reach them all. */
const FORBIDDEN: ReadonlySet<PathStep> = new Set(['__proto__', 'prototype', 'constructor']);

/** One step at the start of a path: `[3]`, `["a key"]`, `.key` or `key`. */
const STEP = /^\[(\d{1,6})\]|^\[("(?:[^"\\]|\\.)*")\]|^\.?([^.[\]]+)/;

function quotedKey(text: string): string | null {
  try {
    return JSON.parse(text) as string;
  } catch {
    return null;
  }
}

/** Paths that were read before: a record is asked for the same few again and again. */
const known = new Map<string, readonly PathStep[] | null>();
const MAX_KNOWN = 2_000;

/** The steps of a path; null for a text that is none. */
export function parsePath(path: string): readonly PathStep[] | null {
  const before = known.get(path);
  if (before !== undefined) return before;
  const steps = stepsOf(path);
  if (known.size < MAX_KNOWN) known.set(path, steps);
  return steps;
}

function stepsOf(path: string): PathStep[] | null {
  const steps: PathStep[] = [];
  let rest = path;
  while (rest !== '') {
    const found = STEP.exec(rest);
    if (!found) return null;
    const [all, place, quoted, key] = found;
    const step = quoted === undefined ? (key ?? Number(place)) : quotedKey(quoted);
    if (step === null) return null;
    steps.push(step);
    rest = rest.slice(all.length);
  }
  return steps;
}

/** Whether a path may be written to: it names fields, not what every object has, and no place out of reach. */
export const isWritable = (steps: readonly PathStep[]): boolean =>
  steps.length > 0 && steps.every((step) => (typeof step === 'number' ? step < MAX_ITEMS : !FORBIDDEN.has(step)));

/** A key that would be read as more than one, or as a place in a list, is quoted in brackets. */
const PLAIN_KEY = /^(?![=+@-])[^.[\]\s"]+$/;

/** The path of a child of what stands at `path`. */
export function childPath(path: string, step: PathStep): string {
  if (typeof step === 'number') return `${path}[${step}]`;
  if (!PLAIN_KEY.test(step)) return `${path}[${JSON.stringify(step)}]`;
  return path === '' ? step : `${path}.${step}`;
}

const childOf = (at: unknown, step: PathStep): unknown =>
  isTree(at) && Object.hasOwn(at, step) ? at[step] : undefined;

/** The value at a path; undefined where any part of it is missing. */
export function valueAt(document: unknown, path: string): unknown {
  return parsePath(path)?.reduce<unknown>(childOf, document);
}

/** A copy of the document with the value at a path replaced; sections on the way are made where they are missing. */
export function withValue(document: Tree, path: string, value: unknown): Tree {
  const put = (at: unknown, [step, ...rest]: readonly PathStep[]): unknown => {
    if (step === undefined) return value;
    const next = put(childOf(at, step), rest);
    if (Array.isArray(at)) return at.map((old: unknown, i) => (i === Number(step) ? next : old));
    return { ...(isTree(at) ? at : {}), [step]: next };
  };
  return put(document, parsePath(path) ?? [path]) as Tree;
}

/** Puts a value into a document at a path, in place; lists and sections on the way are made where they are missing. */
export function putValue(document: Tree, steps: readonly PathStep[], value: unknown): void {
  let at = document as Record<PathStep, unknown>;
  steps.forEach((step, i) => {
    const next = steps[i + 1];
    if (next === undefined) {
      at[step] = value;
      return;
    }
    if (!isTree(at[step])) at[step] = typeof next === 'number' ? [] : {};
    at = at[step] as Record<PathStep, unknown>;
  });
}

/** Takes away what stands at a path, in place; nothing where there is nothing. */
export function takeAway(document: unknown, steps: readonly PropertyKey[]): void {
  const parent = steps.slice(0, -1).reduce<unknown>((at, key) => (isTree(at) ? at[key as PathStep] : null), document);
  const key = steps.at(-1);
  if (key === undefined || !isTree(parent)) return;
  if (Array.isArray(parent)) parent.splice(Number(key), 1);
  else Reflect.deleteProperty(parent, key);
}

/** Visits every value of a document that has no parts, with its path; `whole` says which sections count as one. */
export function eachLeaf(
  document: unknown,
  visit: (path: string, value: unknown) => void,
  whole: (path: string, value: unknown) => boolean = () => false,
  path = '',
): void {
  if (document === undefined) return;
  if (!isTree(document) || whole(path, document)) {
    visit(path, document);
    return;
  }
  if (Array.isArray(document)) document.forEach((child, i) => eachLeaf(child, visit, whole, childPath(path, i)));
  else for (const [key, child] of Object.entries(document)) eachLeaf(child, visit, whole, childPath(path, key));
}

/** Every value of a document by its dotted name; null and absent are left out: not recorded. */
export function leavesOf(document: unknown): ReadonlyMap<string, unknown> {
  const into = new Map<string, unknown>();
  eachLeaf(document, (path, value) => {
    if (value !== null) into.set(path, value);
  });
  return into;
}
