import {
  batchPageSchema,
  batchSchema,
  diagnosisSchema,
  historySchemaOfBatch,
  productListSchema,
  storedProductSchema,
  workSchema,
  type Batch,
  type BatchPage,
  type Entry,
  type Diagnosis,
  type HistoryEntry,
  type Product,
  type UnitChoice,
  type Work,
} from '@warm-jar/core';
import { read, send, versionOf, withJson } from './http';

export { ApiProblem } from './http';

/** A batch with the version that a change of it must name. */
export interface Versioned {
  readonly batch: Batch;
  readonly version: number;
}

const versioned = async (response: Response): Promise<Versioned> => ({
  version: versionOf(response),
  batch: await read(batchSchema, response),
});
const batchPath = (code: string) => `/batches/${encodeURIComponent(code)}`;

/** The API as typed calls; every answer is checked by the core's schemas on its way in. */
export const api = {
  products: async (): Promise<Product[]> => (await read(productListSchema, await send('/products'))).items,
  productAt: async (slug: string, revision: number): Promise<Product> =>
    read(storedProductSchema, await send(`/products/${encodeURIComponent(slug)}/revisions/${revision}`)),
  revisions: async (slug: string): Promise<Product[]> =>
    (await read(productListSchema, await send(`/products/${encodeURIComponent(slug)}/revisions`))).items,
  addProduct: async (card: unknown): Promise<Product> =>
    read(storedProductSchema, await send('/products', withJson('POST', card))),
  batches: async (query: Record<string, string>): Promise<BatchPage> =>
    read(batchPageSchema, await send(`/batches?${new URLSearchParams(query).toString()}`)),
  work: async (): Promise<Work> => read(workSchema, await send('/work')),
  batch: async (code: string): Promise<Versioned> => versioned(await send(batchPath(code))),
  createBatch: async (batch: Batch): Promise<Versioned> => versioned(await send('/batches', withJson('POST', batch))),
  replaceBatch: async (code: string, version: number, batch: Batch): Promise<Versioned> =>
    versioned(await send(batchPath(code), withJson('PUT', batch, version))),
  enter: async (code: string, entry: Entry): Promise<Versioned> =>
    versioned(await send(`${batchPath(code)}/entries`, withJson('POST', entry))),
  deleteBatch: async (code: string, version: number): Promise<void> => {
    await send(batchPath(code), { method: 'DELETE', headers: { 'If-Match': `"${version}"` } });
  },
  history: async (code: string): Promise<HistoryEntry[]> =>
    (await read(historySchemaOfBatch, await send(`${batchPath(code)}/history`))).items,
  diagnosis: async (code: string, units: UnitChoice): Promise<Diagnosis> =>
    read(diagnosisSchema, await send(`${batchPath(code)}/diagnosis?${new URLSearchParams({ ...units }).toString()}`)),
};
