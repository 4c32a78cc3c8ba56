import { PUBLISHED_SCHEMAS, problemSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { AnswerSpec, Endpoint, EndpointSpec } from './endpoint';

type Json = Record<string, unknown>;

const COMPONENTS: Record<string, z.ZodType> = {
  Product: PUBLISHED_SCHEMAS['warm-jar.product-1'],
  Batch: PUBLISHED_SCHEMAS['warm-jar.batch-1'],
  Diagnosis: PUBLISHED_SCHEMAS['warm-jar.diagnosis-1'],
  Plan: PUBLISHED_SCHEMAS['warm-jar.plan-1'],
  Problem: problemSchema,
};

/** A schema by reference where it is a published document, else written out, with published parts by reference. */
function schemaJson(schema: z.ZodType): Json {
  const named = Object.entries(COMPONENTS).find(([, s]) => s === schema)?.[0];
  if (named) return { $ref: `#/components/schemas/${named}` };
  const json = z.toJSONSchema(schema, {
    io: 'input',
    override: ({ zodSchema, jsonSchema }) => {
      const inner = Object.entries(COMPONENTS).find(([, s]) => s === (zodSchema as unknown))?.[0];
      if (!inner) return;
      for (const key of Object.keys(jsonSchema)) Reflect.deleteProperty(jsonSchema, key);
      Object.assign(jsonSchema, { $ref: `#/components/schemas/${inner}` });
    },
  }) as Json;
  delete json['$schema'];
  return json;
}

function parameters(spec: EndpointSpec<unknown, unknown, unknown>): Json[] {
  const of = (schema: z.ZodType | undefined, where: 'path' | 'query') => {
    if (!schema) return [];
    const json = schemaJson(schema) as { properties?: Record<string, Json>; required?: string[] };
    return Object.entries(json.properties ?? {}).map(([name, s]) => ({
      name,
      in: where,
      required: where === 'path' || (json.required ?? []).includes(name),
      schema: s,
    }));
  };
  const version = spec.versioned
    ? [
        {
          name: 'If-Match',
          in: 'header',
          required: true,
          description: 'The version that was read, from its ETag.',
          schema: { type: 'string' },
        },
      ]
    : [];
  return [...of(spec.params, 'path'), ...of(spec.query, 'query'), ...version];
}

const jsonContent = (schema: z.ZodType) => ({ 'application/json': { schema: schemaJson(schema) } });

const fileContent = (types: readonly string[]): Json => Object.fromEntries(types.map((type) => [type, {}]));

function contentOf({ schema, types }: AnswerSpec): Json {
  if (types) return { content: fileContent(types) };
  return schema ? { content: jsonContent(schema) } : {};
}

function requestBody({ body, takes }: EndpointSpec<unknown, unknown, unknown>): Json {
  if (takes) return { requestBody: { required: true, content: fileContent(takes.types) } };
  return body ? { requestBody: { required: true, content: jsonContent(body) } } : {};
}

function operation(spec: EndpointSpec<unknown, unknown, unknown>): Json {
  const answers = Object.entries(spec.answers).map(([status, answer]) => [
    status,
    { description: answer.description, ...contentOf(answer) },
  ]);
  const refused = {
    description: 'Refused, or failed: what and why, each field by its path.',
    content: jsonContent(problemSchema),
  };
  return {
    summary: spec.summary,
    ...(parameters(spec).length > 0 ? { parameters: parameters(spec) } : {}),
    ...requestBody(spec),
    responses: { ...(Object.fromEntries(answers) as Json), default: refused },
  };
}

/** The OpenAPI 3.1 document of the API, derived from the same schemas that guard its borders. */
export function openApiOf(endpoints: readonly Endpoint[], prefix: string): Json {
  const paths: Record<string, Json> = {};
  for (const { spec } of endpoints) {
    const path = `${prefix}${spec.path}`;
    paths[path] = { ...paths[path], [spec.method]: operation(spec) };
  }
  const components = Object.fromEntries(
    Object.entries(COMPONENTS).map(([name, schema]) => {
      const json = z.toJSONSchema(schema, { io: 'input' }) as Json;
      delete json['$schema'];
      return [name, json];
    }),
  );
  return {
    openapi: '3.1.0',
    info: {
      title: 'Warm Jar',
      version: '1',
      description: 'The batch log, limit checker and fault finder for resin studios.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    jsonSchemaDialect: 'https://json-schema.org/draft/2020-12/schema',
    paths,
    components: { schemas: components },
  };
}
