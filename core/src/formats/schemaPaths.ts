import type { z } from 'zod';

/** What a schema is made of, as far as fields are concerned (Zod's own description of each of its kinds). */
interface Described {
  readonly type: string;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly innerType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly left?: z.ZodType;
  readonly right?: z.ZodType;
}

const describedBy = (schema: z.ZodType): Described => schema._zod.def as unknown as Described;

/** The fields of an object, whichever of its forms they stand in; none for what is no object. */
function fieldsOf(schema: z.ZodType): [string, z.ZodType][] {
  const { shape, innerType, in: before, options, left, right } = describedBy(schema);
  if (shape) return Object.entries(shape);
  const forms = [innerType, before, left, right, ...(options ?? [])].filter((form) => form !== undefined);
  return forms.flatMap(fieldsOf);
}

function walk(schema: z.ZodType, path: string, paths: Set<string>): void {
  const inner = fieldsOf(schema);
  if (inner.length === 0 && path !== '') paths.add(path);
  for (const [key, below] of inner) walk(below, path === '' ? key : `${path}.${key}`, paths);
}

/** Dotted paths of every field that a schema describes; a list is one field. */
export function schemaPaths(schema: z.ZodType): ReadonlySet<string> {
  const paths = new Set<string>();
  walk(schema, '', paths);
  return paths;
}
