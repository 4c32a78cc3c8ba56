import { z } from 'zod';

interface Described {
  readonly properties?: Readonly<Record<string, Described>>;
  readonly anyOf?: readonly Described[];
}

/** The fields of an object, whichever of its forms they stand in. */
const fieldsOf = (described: Described): [string, Described][] => [
  ...Object.entries(described.properties ?? {}),
  ...(described.anyOf ?? []).flatMap(fieldsOf),
];

function walk(described: Described, path: string, paths: Set<string>): void {
  const inner = fieldsOf(described);
  if (inner.length === 0 && path !== '') paths.add(path);
  for (const [key, below] of inner) walk(below, path === '' ? key : `${path}.${key}`, paths);
}

/** Dotted paths of every field that a schema describes; a list is one field. */
export function schemaPaths(schema: z.ZodType): ReadonlySet<string> {
  const paths = new Set<string>();
  walk(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Described, '', paths);
  return paths;
}
