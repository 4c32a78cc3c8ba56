import { TABLE_KINDS } from '@warm-jar/core';
import { z } from 'zod';
import { workerCaller } from './callWorker';
import type { TableQuestion } from './tableReading';

const answer = z.object({
  kind: z.enum(TABLE_KINDS),
  columns: z.array(
    z.object({
      column: z.string(),
      path: z.string().nullable(),
      unit: z.string().nullable(),
      why: z.string(),
      samples: z.array(z.string()),
    }),
  ),
  rowCount: z.number(),
  read: z.object({
    documents: z.array(z.looseObject({})),
    rowOf: z.array(z.number()),
    refused: z.array(
      z.object({
        row: z.number(),
        cells: z.array(z.string()),
        why: z.array(z.object({ column: z.string().nullable(), path: z.string(), message: z.string() })),
      }),
    ),
  }),
});

/** A table as the worker read it. */
export type ReadTableAnswer = z.infer<typeof answer>;

/** Reads tables off the page's thread; a newer question overtakes an older. */
export const tableReader = () =>
  workerCaller<TableQuestion, ReadTableAnswer>({
    begin: () => new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' }),
    answer,
  });
