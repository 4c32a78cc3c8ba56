import {
  batchPageSchema, batchSchema, diagnosisSchema, historySchemaOfBatch, problemSchema, productListSchema, productSchema,
  type Batch, type BatchPage, type Diagnosis, type HistoryEntry, type Product, type ProblemIssue, type UnitChoice,
} from '@warm-jar/core';
import type { z } from 'zod';

/** A refusal from the server, or no server at all, as the screens show it. */
export class ApiProblem extends Error {
  constructor(readonly code: string, message: string, readonly status: number, readonly issues: readonly ProblemIssue[] = []) {
    super(message);
    this.name = 'ApiProblem';
  }
}

/** A batch with the version that a change of it must name. */
export interface Versioned { readonly batch: Batch; readonly version: number }

const PREFIX = '/api/v1';

async function problemOf(response: Response): Promise<ApiProblem> {
  const parsed = problemSchema.safeParse(await response.json().catch(() => null));
  if (!parsed.success) return new ApiProblem('unreadable', `The server answered ${response.status}. Try again.`, response.status);
  const { code, message, issues } = parsed.data.error;
  return new ApiProblem(code, message, response.status, issues);
}

async function send(path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`${PREFIX}${path}`, init);
  } catch {
    throw new ApiProblem('unreachable', 'The server cannot be reached. What you typed is kept here; try again when it is back.', 0);
  }
  if (!response.ok) throw await problemOf(response);
  return response;
}

async function read<T>(schema: z.ZodType<T>, response: Response): Promise<T> {
  return schema.parse(await response.json());
}

const withJson = (method: string, body: unknown, version?: number): RequestInit => ({
  method,
  body: JSON.stringify(body),
  headers: { 'Content-Type': 'application/json', ...(version === undefined ? {} : { 'If-Match': `"${version}"` }) },
});

const versionOf = (response: Response) => Number(/\d+/.exec(response.headers.get('etag') ?? '')?.[0] ?? 0);
const versioned = async (response: Response): Promise<Versioned> => ({ version: versionOf(response), batch: await read(batchSchema, response) });
const batchPath = (code: string) => `/batches/${encodeURIComponent(code)}`;

/** The API as typed calls; every answer is checked by the core's schemas on its way in. */
export const api = {
  products: async (): Promise<Product[]> => (await read(productListSchema, await send('/products'))).items,
  productAt: async (slug: string, revision: number): Promise<Product> => read(productSchema, await send(`/products/${encodeURIComponent(slug)}/revisions/${revision}`)),
  addProduct: async (card: unknown): Promise<Product> => read(productSchema, await send('/products', withJson('POST', card))),
  batches: async (query: Record<string, string>): Promise<BatchPage> => read(batchPageSchema, await send(`/batches?${new URLSearchParams(query).toString()}`)),
  batch: async (code: string): Promise<Versioned> => versioned(await send(batchPath(code))),
  createBatch: async (batch: Batch): Promise<Versioned> => versioned(await send('/batches', withJson('POST', batch))),
  replaceBatch: async (code: string, version: number, batch: Batch): Promise<Versioned> => versioned(await send(batchPath(code), withJson('PUT', batch, version))),
  deleteBatch: async (code: string, version: number): Promise<void> => { await send(batchPath(code), { method: 'DELETE', headers: { 'If-Match': `"${version}"` } }); },
  history: async (code: string): Promise<HistoryEntry[]> => (await read(historySchemaOfBatch, await send(`${batchPath(code)}/history`))).items,
  diagnosis: async (code: string, units: UnitChoice): Promise<Diagnosis> => read(diagnosisSchema, await send(`${batchPath(code)}/diagnosis?${new URLSearchParams({ ...units }).toString()}`)),
};
