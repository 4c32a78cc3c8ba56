import type { z } from 'zod';
import { pauses } from '../app/breathe';

/** What a schema is made of (Zod's own description of each of its kinds). */
interface Described {
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly element?: z.ZodType;
  readonly innerType?: z.ZodType;
  readonly keyType?: z.ZodType;
  readonly valueType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly out?: z.ZodType;
  readonly left?: z.ZodType;
  readonly right?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly items?: readonly z.ZodType[];
}

/** What a schema is directly made of. Asking for it makes a schema that was not made yet (`laterSchemas`). */
function partsOf(schema: z.ZodType): readonly z.ZodType[] {
  const described = schema._zod.def as unknown as Described;
  const { shape, element, innerType, keyType, valueType, in: before, out, left, right, options, items } = described;
  const single = [element, innerType, keyType, valueType, before, out, left, right].filter(
    (part) => part !== undefined,
  );
  return [...single, ...Object.values(shape ?? {}), ...(options ?? []), ...(items ?? [])];
}

const made = new WeakSet<z.ZodType>();

/**
 * Makes a schema with all that it is made of, with room for a tap or a frame in between: a first answer would make
 * hundreds in a row as it is checked.
 */
export async function madeSchema(schema: z.ZodType): Promise<void> {
  const pause = pauses();
  const waiting = [schema];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (made.has(next)) continue;
    made.add(next);
    waiting.push(...partsOf(next));
    await pause();
  }
}
