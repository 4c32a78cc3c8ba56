import { z } from 'zod';
import { problemIssueSchema } from './problem';
import * as q from './quantities';
import { TABLE_KINDS } from './vocabulary';

/** Rows of one table, all brought in together or none. */
export const MAX_TABLE_ROWS = 5_000;

const kind = z.enum(TABLE_KINDS);

/** Documents of one table to be looked through or brought in. */
export const tableImportSchema = z.object({
  kind,
  /** What the person brought: the file's name, or that it was pasted. */
  name: q.shortText.min(1, 'Say what was brought in, such as the name of its file.'),
  documents: z
    .array(z.looseObject({}))
    .min(1, 'The table holds no row that fits.')
    .max(MAX_TABLE_ROWS, `Bring in at most ${MAX_TABLE_ROWS} rows at once.`),
});
export type TableImport = z.infer<typeof tableImportSchema>;

/** What one document does, or would do, to the studio. */
export const tableImportRowSchema = z.object({
  row: z.number().int(),
  code: z.string().nullable(),
  action: z.enum(['new', 'same', 'refused']),
  /** It comes in as done: a record of before that says nothing else. */
  closed: z.boolean(),
  issues: z.array(problemIssueSchema),
});
export type TableImportRow = z.infer<typeof tableImportRowSchema>;

export const tableImportAnswerSchema = z.object({
  /** By which the whole can be taken back; null where it was only looked through. */
  id: z.string().nullable(),
  applied: z.number().int(),
  rows: z.array(tableImportRowSchema),
});
export type TableImportAnswer = z.infer<typeof tableImportAnswerSchema>;

/** A table that was brought in. */
export const pastImportSchema = z.object({
  id: z.string(),
  kind,
  name: z.string(),
  at: z.string(),
  by: z.string().nullable(),
  count: z.number().int(),
  undoneAt: z.string().nullable(),
});
export type PastImport = z.infer<typeof pastImportSchema>;
export const pastImportsSchema = z.object({ items: z.array(pastImportSchema) });

const column = z.object({ column: q.shortText, path: q.shortText.nullable(), unit: z.string().max(20).nullish() });

/** How the columns of a studio's own table are read, kept under their heads for the next time. */
export const savedMappingSchema = z.object({
  kind,
  heads: z.array(q.shortText).min(1).max(200),
  columns: z.array(column).max(200),
  decimal: z.enum(['.', ',']).nullish(),
  forAll: z.record(z.string().max(200), q.shortText).nullish(),
});
export type SavedMapping = z.infer<typeof savedMappingSchema>;
export const savedMappingsSchema = z.object({ items: z.array(savedMappingSchema) });
