import { PUBLISHED_SCHEMAS, jsonSchemaOf, publishedSchemaName } from '@warm-jar/core';
import { z } from 'zod';
import { apiPage } from '../http/apiPage';
import { endpoint, streamEndpoint, type Endpoint } from '../http/endpoint';
import { openApiOf } from '../http/openapi';
import { Problem } from '../http/problem';

const anyDocument = z.looseObject({});

/** The API's own description. `others` are all endpoints beside these. */
export function documentRoutes(others: readonly Endpoint[], prefix: string): Endpoint[] {
  const own: Endpoint[] = [
    endpoint(
      {
        method: 'get',
        path: '/schemas/{name}',
        summary: 'JSON Schema of an open format',
        params: z.object({ name: z.string().max(80) }),
        answers: { 200: { description: 'JSON Schema, draft 2020-12', schema: anyDocument } },
      },
      async ({ params }) => {
        const name = publishedSchemaName(params.name);
        if (!name)
          throw new Problem(
            404,
            'not-found',
            `There is no schema "${params.name}". There are: ${Object.keys(PUBLISHED_SCHEMAS).join(', ')}.`,
          );
        return { status: 200, body: jsonSchemaOf(name) };
      },
    ),
    endpoint(
      {
        method: 'get',
        path: '/openapi.json',
        summary: 'This description',
        answers: { 200: { description: 'OpenAPI 3.1', schema: anyDocument } },
      },
      async () => ({
        status: 200,
        body: openApiOf([...others, ...own], prefix),
      }),
    ),
    streamEndpoint(
      {
        method: 'get',
        path: '/reference',
        summary: 'This description as a page to be read',
        answers: { 200: { description: 'The page', types: ['text/html'] } },
      },
      (_input, { response }) => {
        const nonce = String(response.locals['nonce'] ?? '');
        response.type('html').send(apiPage([...others, ...own], prefix, Object.keys(PUBLISHED_SCHEMAS), nonce));
      },
    ),
    endpoint(
      {
        method: 'get',
        path: '/health',
        summary: 'Whether the server is up',
        answers: { 200: { description: 'Up', schema: z.object({ status: z.literal('up') }) } },
      },
      async () => ({ status: 200, body: { status: 'up' } }),
    ),
  ];
  return own;
}
