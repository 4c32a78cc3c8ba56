import { batchSummarySchema, type BatchSummary } from '@warm-jar/core';

type Columns = Readonly<Record<string, unknown>>;
/** What stands in a list where a column holds nothing that belongs there: not recorded, or not known. */
const UNKNOWN = {
  version: 0,
  productRevision: 0,
  stage: 'check',
  outside: 0,
  dayOnly: false,
  symptoms: [],
  castings: [],
  productSlug: '',
  productName: '',
  updatedAt: '',
} as const;

/**
 * A batch as lists show it, from its columns. They are worked out when a batch is written; a database that was put back
 * may hold others, and one row of them shall not take the list away.
 */
export function summaryOf(columns: Columns): BatchSummary {
  const parsed = batchSummarySchema.safeParse(columns);
  if (parsed.success) return parsed.data;
  const wrong = new Set(parsed.error.issues.map((i) => String(i.path[0])));
  const mended = Object.fromEntries(
    Object.keys(batchSummarySchema.shape).map((key) => [
      key,
      wrong.has(key) ? (UNKNOWN[key as keyof typeof UNKNOWN] ?? null) : columns[key],
    ]),
  );
  return batchSummarySchema.parse({ ...mended, code: String(columns['code']) });
}
