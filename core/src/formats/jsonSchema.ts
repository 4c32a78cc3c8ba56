import { z } from 'zod';
import { batchSchema } from './batch';
import { diagnosisSchema } from './diagnosis';
import { planSchema } from './plan';
import { productSchema } from './product';

/** The documents whose JSON Schema is published, by the name used in `/schemas/{name}`. */
export const PUBLISHED_SCHEMAS = {
  'warm-jar.product-1': productSchema,
  'warm-jar.batch-1': batchSchema,
  'warm-jar.diagnosis-1': diagnosisSchema,
  'warm-jar.plan-1': planSchema,
} as const;

/** Accepts the format's own name (`warm-jar.product/1`), its file-safe form, or the bare word (`product`). */
export function publishedSchemaName(name: string): keyof typeof PUBLISHED_SCHEMAS | undefined {
  const names = Object.keys(PUBLISHED_SCHEMAS) as (keyof typeof PUBLISHED_SCHEMAS)[];
  return names.find((n) => n === name.replace('/', '-') || n === `warm-jar.${name}-1` || n === `warm-jar.${name}`);
}

/** JSON Schema (draft 2020-12) of a published document, derived from its Zod schema. */
export function jsonSchemaOf(name: keyof typeof PUBLISHED_SCHEMAS): Record<string, unknown> {
  const schema = z.toJSONSchema(PUBLISHED_SCHEMAS[name], { io: 'input' });
  return { $id: `urn:${name}`, title: name.replace(/-1$/, '/1'), ...schema };
}
