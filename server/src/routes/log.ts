import {
  batchColumnsOf,
  batchListQuerySchema,
  batchToRow,
  savedFilterListSchema,
  savedFilterSchema,
  type Batch,
  type BatchListQuery,
} from '@warm-jar/core';
import { once } from 'node:events';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipArchive, type ZipEntryData } from 'archiver';
import Papa from 'papaparse';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, streamEndpoint, type Endpoint } from '../http/endpoint';
import { importBatches } from '../store/batchImport';
import type { BatchStore } from '../store/batchStore';

type LogDeps = Pick<AppDeps, 'batches' | 'filters' | 'photos' | 'products' | 'clock'>;

/** Most batches in one file, and most rows brought in with one request. */
const [MAX_EXPORTED, MAX_ROWS] = [100_000, 2_000];
/** Batches read and written at a time, so that a long log does not fill the memory. */
const CHUNK = 500;

/** The batches of a filter in parts, each read only when the one before it has gone out. */
async function* inChunks(batches: BatchStore, query: BatchListQuery): AsyncGenerator<Batch[]> {
  for (let at = 0; at < MAX_EXPORTED; at += CHUNK) {
    const some = (await batches.documents(query, CHUNK, at)).batches;
    if (some.length > 0) yield some;
    if (some.length < CHUNK) return;
  }
}

async function* asJson(batches: BatchStore, query: BatchListQuery): AsyncGenerator<string> {
  let before = '[';
  for await (const some of inChunks(batches, query)) {
    yield `${before}${some.map((b) => JSON.stringify(b)).join(',\n')}`;
    before = ',\n';
  }
  yield before === '[' ? '[]\n' : ']\n';
}

async function* asCsv(batches: BatchStore, query: BatchListQuery): AsyncGenerator<string> {
  // Columns are known only when every row is; the rows are walked twice rather than held.
  const columns = new Set<string>();
  for await (const some of inChunks(batches, query))
    for (const b of some) for (const c of Object.keys(batchToRow(b))) columns.add(c);
  const fields = batchColumnsOf([Object.fromEntries([...columns].map((c) => [c, '']))]);
  yield `\uFEFF${Papa.unparse([fields], { newline: '\r\n' })}\r\n`;
  for await (const some of inChunks(batches, query)) {
    const data = some.map((b) => {
      const row = batchToRow(b);
      return fields.map((f) => row[f] ?? '');
    });
    yield `${Papa.unparse({ fields, data }, { header: false, newline: '\r\n' })}\r\n`;
  }
}

/** What a file is written as. */
const FILE_TYPES = {
  csv: 'text/csv; charset=utf-8',
  json: 'application/json; charset=utf-8',
  zip: 'application/zip',
} as const;

/** Names of the photos that some batches hold, each once. */
async function photosOf(batches: BatchStore, query: BatchListQuery): Promise<Set<string>> {
  const names = new Set<string>();
  for await (const some of inChunks(batches, query))
    for (const { checks } of some)
      for (const check of checks ?? []) for (const { id } of check.photos ?? []) names.add(id);
  return names;
}

/** The batches as JSON and their photos beside it, in one zip; a photo that is no longer there is left out and named. */
function asZip({ batches, photos }: LogDeps, query: BatchListQuery): Readable {
  const zip = new ZipArchive({ zlib: { level: 6 } });
  const pack = async () => {
    const written = once(zip, 'entry');
    zip.append(Readable.from(asJson(batches, query)), { name: 'batches.json' });
    await written;
    const missing: string[] = [];
    for (const id of await photosOf(batches, query)) {
      const photo = await photos.get(id).catch(() => null);
      // Pictures are packed already.
      if (!photo) {
        missing.push(id);
        continue;
      }
      // One after another, so that a long log's photos are not all in the memory at once.
      const packed = once(zip, 'entry');
      zip.append(photo.bytes, { name: `photos/${id}`, store: true } as ZipEntryData);
      await packed;
    }
    if (missing.length > 0) zip.append(`${missing.join('\n')}\n`, { name: 'photos-missing.txt' });
    await zip.finalize();
  };
  pack().catch((error: unknown) => {
    zip.destroy(error instanceof Error ? error : new Error(String(error)));
  });
  return zip;
}

/**
 * The log, or what a filter leaves of it, as a file: `batches.csv` with dotted names, `batches.json`, or `batches.zip`
 * with the photos.
 */
const asFile = ({ batches, ...deps }: LogDeps): Endpoint =>
  streamEndpoint(
    {
      method: 'get',
      path: '/export/batches.{type}',
      summary: 'The log as a file; takes the filters of the list',
      params: z.object({
        type: z.enum(['csv', 'json', 'zip'], 'There are batches.csv, batches.json and batches.zip.'),
      }),
      query: batchListQuerySchema.omit({ page: true, pageSize: true }),
      answers: { 200: { description: 'The file', types: ['text/csv', 'application/json', 'application/zip'] } },
    },
    async ({ params: { type }, query }, { response, told }) => {
      const all = { ...query, page: 1, pageSize: 1 };
      const named = { 'Content-Disposition': `attachment; filename="batches.${type}"`, 'Cache-Control': 'no-store' };
      if (type === 'zip') {
        await told('Take the log out as a file', `/export/batches.${type}`);
        response.set(named).type(FILE_TYPES.zip);
        await pipeline(asZip({ batches, ...deps }, all), response);
        return;
      }
      const lines = type === 'csv' ? asCsv(batches, all) : asJson(batches, all);
      // The first part is worked out before anything is promised: what fails then is told, and is no file.
      const first = await lines.next();
      await told('Take the log out as a file', `/export/batches.${type}`);
      response.set(named).type(FILE_TYPES[type]);
      // What fails later breaks the connection off, so that half a file is not taken for a whole one.
      await pipeline(async function* whole() {
        if (!first.done) yield first.value;
        yield* lines;
      }, response);
    },
  );

const importBody = z.object({
  rows: z.array(z.unknown()).min(1, 'The file holds no rows.').max(MAX_ROWS, `Send at most ${MAX_ROWS} rows at once.`),
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
      closed: z.boolean(),
      issues: z.array(z.object({ path: z.string(), message: z.string() })),
    }),
  ),
  applied: z.number(),
});

const bringIn = ({ batches, products, clock }: LogDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/batches/import',
      summary: 'Look through batches to be brought in, and bring them in where asked to',
      body: importBody,
      answers: { 200: { description: 'What each row does', schema: importAnswer } },
    },
    async ({ body }) => ({
      status: 200,
      body: await importBatches({ batches, products, now: clock.now }, body.rows, body),
    }),
  );

const savedFilters = ({ filters }: LogDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/filters',
      summary: 'Saved filters of the log',
      answers: { 200: { description: 'By name', schema: savedFilterListSchema } },
    },
    async () => ({ status: 200, body: { items: await filters.list() } }),
  );

const saveFilter = ({ filters }: LogDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/filters',
      summary: 'Save a filter; the same name is replaced',
      body: savedFilterSchema,
      answers: { 200: { description: 'As saved', schema: savedFilterSchema } },
    },
    async ({ body }) => ({ status: 200, body: await filters.save(body) }),
  );

const forgetFilter = ({ filters }: LogDeps): Endpoint =>
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
  );

export const logRoutes = (deps: LogDeps): Endpoint[] =>
  [asFile, bringIn, savedFilters, saveFilter, forgetFilter].map((make) => make(deps));
