import fc from 'fast-check';
import type { z } from 'zod';

type Schema = z.core.$ZodType;
interface Checks {
  readonly minValue?: number | null;
  readonly maxValue?: number | null;
  readonly isInt?: boolean;
  readonly format?: string | null;
  readonly minLength?: number | null;
  readonly maxLength?: number | null;
}

/** Lists longer than this make a document slow, not telling. */
const LONGEST = 4;
const bounds = (schema: Schema) => schema as unknown as Checks;

/** The finest figure that anybody writes down; below it lies only the machine's own arithmetic. */
const FINEST = 1e-9;
const noFinerThanWritten = (v: number) => (v !== 0 && Math.abs(v) < FINEST ? Math.sign(v) * FINEST : v);

/** A number within the schema's range, its ends as often as what lies between. */
function numbers(schema: Schema): fc.Arbitrary<number> {
  const { minValue, maxValue, isInt } = bounds(schema);
  const min = Math.max(minValue ?? -1e9, -1e9);
  const max = Math.min(maxValue ?? 1e9, 1e9);
  const within = isInt
    ? fc.integer({ min: Math.ceil(min), max: Math.floor(max) })
    : fc.double({ min, max, noNaN: true, noDefaultInfinity: true }).map(noFinerThanWritten);
  const usual = [0, 0.001, 1, 5, 20, 25, 60, 100, 300].filter((v) => v >= min && v <= max);
  return fc.oneof(within, fc.constantFrom(noFinerThanWritten(min), noFinerThanWritten(max), ...usual));
}

function strings(schema: Schema): fc.Arbitrary<string> {
  const { format, maxLength } = bounds(schema);
  if (format === 'date') return fc.constantFrom('2026-03-14', '1999-12-31', '2025-02-28');
  if (format === 'datetime') {
    return fc.constantFrom('2026-03-14T09:20:00+01:00', '1999-01-01T00:00:00Z', '2100-12-31T23:59:59+14:00');
  }
  if (format === 'regex') return fc.constantFrom('house-clear-6', 'a', 'x-1');
  return fc.string({ minLength: 1, maxLength: Math.min(maxLength ?? 20, 20) });
}

type Def = Record<string, unknown> & { readonly type: string };
const defOf = (schema: Schema) => (schema as unknown as { def: Def }).def;

function objects(def: Def): fc.Arbitrary<unknown> {
  const shape = def['shape'] as Record<string, Schema>;
  const required = Object.keys(shape).filter((key) => !isOptional(shape[key]!));
  const fields = Object.fromEntries(Object.entries(shape).map(([key, value]) => [key, schemaArbitrary(value)]));
  return fc.record(fields, { requiredKeys: required as never[] });
}

const isOptional = (schema: Schema): boolean => {
  const { type } = defOf(schema);
  return type === 'optional' || type === 'default';
};

type Make = (def: Def, schema: Schema) => fc.Arbitrary<unknown>;
const inner: Make = (def) => schemaArbitrary(def['innerType'] as Schema);
const anything: Make = () => fc.jsonValue({ maxDepth: 2 });

/** How each kind of schema is drawn. */
const MAKERS: Readonly<Record<string, Make>> = {
  object: objects,
  array: (def) => fc.array(schemaArbitrary(def['element'] as Schema), { maxLength: LONGEST }),
  tuple: (def) => fc.tuple(...(def['items'] as Schema[]).map(schemaArbitrary)),
  number: (_def, schema) => numbers(schema),
  string: (_def, schema) => strings(schema),
  boolean: () => fc.boolean(),
  enum: (def) => fc.constantFrom(...Object.values(def['entries'] as Record<string, unknown>)),
  literal: (def) => fc.constantFrom(...(def['values'] as unknown[])),
  union: (def) => fc.oneof(...(def['options'] as Schema[]).map(schemaArbitrary)),
  nullable: (def, schema) => fc.option(inner(def, schema), { nil: null, freq: 6 }),
  optional: inner,
  default: inner,
  pipe: (def) => schemaArbitrary(def['in'] as Schema),
  unknown: anything,
  any: anything,
  record: (def) => fc.dictionary(fc.constantFrom('a', 'b'), schemaArbitrary(def['valueType'] as Schema)),
};

/**
 * Documents that a Zod schema describes, for property tests: every figure within its own range, its ends often. What a
 * refinement of the whole asks is left to the caller.
 */
export function schemaArbitrary(schema: Schema): fc.Arbitrary<unknown> {
  const def = defOf(schema);
  return MAKERS[def.type]?.(def, schema) ?? fc.constant(null);
}
