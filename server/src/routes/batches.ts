import {
  MOST_IN_WORK,
  entrySchema,
  batchListQuerySchema,
  batchPageSchema,
  batchSchema,
  commonBatch,
  diagnose,
  diagnosisSchema,
  fitToKeep,
  historySchemaOfBatch,
  isCalibrated,
  unitsQuerySchema,
  wordsIn,
  workSchema,
  type Batch,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';

const byCode = z.object({ code: z.string().min(1).max(200) });
const asDocument = { description: 'The batch; its version is in ETag', schema: batchSchema };

type BatchDeps = Pick<AppDeps, 'batches' | 'products' | 'past' | 'pieces' | 'clock'>;

const list = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/batches',
      summary: 'A page of the log',
      query: batchListQuerySchema,
      answers: { 200: { description: 'Batches and how many there are in all', schema: batchPageSchema } },
    },
    async ({ query }) => ({ status: 200, body: await batches.list(query) }),
  );

/** None for what is not there any more; any other failure is told. */
function noneIfGone(error: unknown): null {
  if (error instanceof Problem && error.status === 404) return null;
  throw error;
}

/** What was fitted to the cards of batches, by key: a browser takes it over instead of fitting all of them anew. */
async function fitsOf(batches: readonly Batch[], products: BatchDeps['products']): Promise<Record<string, unknown>> {
  const named = new Map(batches.map(({ product }) => [`${product.slug} ${product.revision ?? 'newest'}`, product]));
  const cards = await Promise.all(
    [...named.values()].map(({ slug, revision }) => products.get(slug, revision).catch(noneIfGone)),
  );
  const fits = cards.filter((card) => card !== null).map(fitToKeep);
  return Object.fromEntries(fits.filter(([, fit]) => isCalibrated(fit)));
}

const work = ({ batches, products }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/work',
      summary: `Batches in work, whole, the ${MOST_IN_WORK} latest; each as it is read by itself`,
      answers: { 200: { description: 'The batches, and how many are in work in all', schema: workSchema } },
    },
    async () => {
      const page = await batches.list(batchListQuerySchema.parse({ stage: 'in-work', pageSize: `${MOST_IN_WORK}` }));
      const read = await Promise.all(
        page.items.map(({ code }) =>
          // One that was taken away since is in work no more.
          batches.get(code).catch(noneIfGone),
        ),
      );
      const items = read.filter((b) => b !== null);
      const fits = await fitsOf(
        items.map(({ batch }) => batch),
        products,
      );
      return { status: 200, body: { items, total: page.total, fits } };
    },
  );

const create = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/batches',
      summary: 'Log a batch',
      body: batchSchema,
      answers: { 201: asDocument },
    },
    async ({ body }) => {
      const { batch, version } = await batches.create(body);
      return {
        status: 201,
        body: batch,
        version,
        location: `/api/v1/batches/${encodeURIComponent(batch.code ?? '')}`,
      };
    },
  );

const readOne = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/batches/{code}',
      summary: 'Read a batch',
      params: byCode,
      answers: { 200: asDocument },
    },
    async ({ params }) => {
      const { batch, version } = await batches.get(params.code);
      return { status: 200, body: batch, version };
    },
  );

const replace = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'put',
      path: '/batches/{code}',
      summary: 'Replace a batch',
      params: byCode,
      body: batchSchema,
      versioned: true,
      answers: { 200: asDocument },
    },
    async ({ params, body, version }) => {
      const stored = await batches.replace(params.code, version, body);
      return { status: 200, body: stored.batch, version: stored.version };
    },
  );

const enter = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/batches/{code}/entries',
      summary: 'Add one thing done at the bench; other fields stay, the same key counts once',
      params: byCode,
      body: entrySchema,
      answers: { 200: asDocument },
    },
    async ({ params, body }) => {
      const stored = await batches.enter(params.code, body);
      return { status: 200, body: stored.batch, version: stored.version };
    },
  );

const remove = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'delete',
      path: '/batches/{code}',
      summary: 'Delete a batch; its history stays',
      params: byCode,
      versioned: true,
      answers: { 204: { description: 'Deleted' } },
    },
    async ({ params, version }) => {
      await batches.remove(params.code, version);
      return { status: 204 };
    },
  );

const history = ({ batches }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/batches/{code}/history',
      summary: 'Every change of a batch',
      params: byCode,
      answers: { 200: { description: 'Changes, oldest first', schema: historySchemaOfBatch } },
    },
    async ({ params }) => ({ status: 200, body: { items: await batches.history(params.code) } }),
  );

const diagnosis = ({ batches, products, past, pieces, clock }: BatchDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/batches/{code}/diagnosis',
      summary: 'Diagnose a stored batch',
      params: byCode,
      query: unitsQuerySchema,
      answers: {
        200: { description: 'The diagnosis, its sentences in the units asked for', schema: diagnosisSchema },
      },
    },
    async ({ params, query }) => {
      const { batch: alone } = await batches.get(params.code);
      const batch = await pieces.inView(alone);
      const product = await products.get(batch.product.slug, batch.product.revision);
      const ofCastings = await past.historyOfCastings(product, batch);
      return {
        status: 200,
        body: diagnose(product, batch, {
          say: wordsIn(query),
          history: await past.historyOf(product, commonBatch(product, batch)),
          historyOf: (id) => ofCastings.get(id),
          now: clock.now(),
        }),
      };
    },
  );

export const batchRoutes = (deps: BatchDeps): Endpoint[] =>
  [list, work, create, readOne, replace, enter, remove, history, diagnosis].map((make) => make(deps));
