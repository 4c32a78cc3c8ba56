import { FAMILIES } from '@warm-jar/core';
import { z } from 'zod';
import { workerCaller } from './callWorker';

const statement = z.object({
  value: z.union([z.number(), z.string(), z.array(z.string())]),
  unit: z.string(),
  line: z.number().int(),
  text: z.string(),
  atC: z.number().optional(),
  massG: z.number().optional(),
});
const answer = z.object({
  readings: z.array(
    statement.extend({
      path: z.string(),
      readings: z.array(statement).optional(),
      contradicts: z.literal(true).optional(),
    }),
  ),
  products: z.array(z.string()),
  title: z.string().nullable(),
  family: z.object({ family: z.enum(FAMILIES), line: z.number().int() }).nullable(),
});

/** What was read from a sheet: figures, the products it tells of, its title and family. */
export type SheetRead = z.infer<typeof answer>;

/** Reads sheets off the page's thread; a newer question overtakes an older. */
export const sheetReader = () =>
  workerCaller<{ text: string; asked: string | null }, SheetRead>({
    begin: () => new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' }),
    answer,
  });
