import {
  batchColumnsOf,
  batchListQuerySchema,
  batchToRow,
  savedFilterListSchema,
  savedFilterSchema,
} from '@warm-jar/core';
import express, { type Router } from 'express';
import Papa from 'papaparse';
import { z } from 'zod';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { importBatches } from '../store/batchImport';
import type { BatchStore } from '../store/batchStore';
import type { FilterStore } from '../store/filterStore';

/** Most batches in one file, and most rows brought in with one request. */
const [MOST_EXPORTED, MOST_ROWS] = [100_000, 2_000];
/** Batches read and written at a time, so that a long log does not fill the memory. */
const CHUNK = 500;

/** The log, or what a filter leaves of it, as a file: `batches.csv` with dotted names, or `batches.json`. */
export function exportRouter(batches: BatchStore): Router {
  const router = express.Router();
  router.get('/export/batches.:type', async (request, response) => {
    const type = request.params.type;
    if (type !== 'csv' && type !== 'json')
      throw new Problem(404, 'not-found', 'There are batches.csv and batches.json.');
    const parsed = batchListQuerySchema.safeParse({ ...request.query, page: 1, pageSize: 1 });
    if (!parsed.success)
      throw new Problem(
        400,
        'invalid-input',
        'The filter cannot be read.',
        parsed.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })),
      );
    const chunk = async (at: number) => (await batches.documents(parsed.data, CHUNK, at)).batches;
    response.set({ 'Content-Disposition': `attachment; filename="batches.${type}"`, 'Cache-Control': 'no-store' });
    response.type(type === 'csv' ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8');
    if (type === 'json') {
      response.write('[');
      for (let at = 0; at < MOST_EXPORTED; at += CHUNK) {
        const some = await chunk(at);
        if (some.length > 0) response.write(`${at > 0 ? ',\n' : ''}${some.map((b) => JSON.stringify(b)).join(',\n')}`);
        if (some.length < CHUNK) break;
      }
      response.end(']\n');
      return;
    }
    // Columns are known only when every row is; the rows are walked twice rather than held.
    const columns = new Set<string>();
    for (let at = 0; at < MOST_EXPORTED; at += CHUNK) {
      const some = await chunk(at);
      for (const b of some) for (const c of Object.keys(batchToRow(b))) columns.add(c);
      if (some.length < CHUNK) break;
    }
    const fields = batchColumnsOf([Object.fromEntries([...columns].map((c) => [c, '']))]);
    response.write(`\uFEFF${Papa.unparse([fields], { newline: '\r\n' })}\r\n`);
    for (let at = 0; at < MOST_EXPORTED; at += CHUNK) {
      const some = await chunk(at);
      if (some.length > 0)
        response.write(
          `${Papa.unparse(
            {
              fields,
              data: some.map((b) => {
                const row = batchToRow(b);
                return fields.map((f) => row[f] ?? '');
              }),
            },
            { header: false, newline: '\r\n' },
          )}\r\n`,
        );
      if (some.length < CHUNK) break;
    }
    response.end();
  });
  return router;
}

export const EXPORT_PATHS = {
  '/export/batches.{type}': {
    get: {
      summary: 'The log as a file; takes the filters of the list',
      parameters: [
        { name: 'type', in: 'path', required: true, description: 'csv or json', schema: { type: 'string' } },
      ],
      responses: { 200: { description: 'The file', content: { 'text/csv': {}, 'application/json': {} } } },
    },
  },
};

const importBody = z.object({
  rows: z
    .array(z.unknown())
    .min(1, 'The file holds no rows.')
    .max(MOST_ROWS, `Send at most ${MOST_ROWS} rows at once.`),
  apply: z.boolean().default(false),
  skipRefused: z.boolean().default(false),
  replaceOthers: z.boolean().default(false),
});
const importAnswer = z.object({
  rows: z.array(
    z.object({
      row: z.number(),
      code: z.string().nullable(),
      action: z.enum(['new', 'same', 'differs', 'refused']),
      changed: z.array(z.string()),
      issues: z.array(z.object({ path: z.string(), message: z.string() })),
    }),
  ),
  applied: z.number(),
});

export function logRoutes(batches: BatchStore, filters: FilterStore): Endpoint[] {
  return [
    endpoint(
      {
        method: 'post',
        path: '/batches/import',
        summary: 'Look through batches to be brought in, and bring them in where asked to',
        body: importBody,
        answers: { 200: { description: 'What each row does', schema: importAnswer } },
      },
      async ({ body }) => ({ status: 200, body: await importBatches(batches, body.rows, body) }),
    ),
    endpoint(
      {
        method: 'get',
        path: '/filters',
        summary: 'Saved filters of the log',
        answers: { 200: { description: 'By name', schema: savedFilterListSchema } },
      },
      async () => ({ status: 200, body: { items: await filters.list() } }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/filters',
        summary: 'Save a filter; the same name is replaced',
        body: savedFilterSchema,
        answers: { 200: { description: 'As saved', schema: savedFilterSchema } },
      },
      async ({ body }) => ({ status: 200, body: await filters.save(body) }),
    ),
    endpoint(
      {
        method: 'delete',
        path: '/filters/{name}',
        summary: 'Forget a filter',
        params: z.object({ name: z.string().min(1).max(200) }),
        answers: { 204: { description: 'Forgotten' } },
      },
      async ({ params }) => {
        await filters.remove(params.name);
        return { status: 204 };
      },
    ),
  ];
}
