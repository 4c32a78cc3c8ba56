import { recallSchema, type Recall } from '@warm-jar/core';
import Papa from 'papaparse';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, streamEndpoint, type Endpoint } from '../http/endpoint';

type RecallDeps = Pick<AppDeps, 'recall'>;
const params = z.object({ code: z.string().min(1).max(200) });
const query = z.object({
  product: z.string().min(1).max(80).optional(),
  part: z.enum(['A', 'B'], 'Write A or B.').optional(),
});

const asPage = ({ recall }: RecallDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/lots/{code}/castings',
      summary: 'Every casting that a lot went into: how it came out, and where it is',
      params,
      query,
      answers: { 200: { description: 'Castings, oldest first', schema: recallSchema } },
    },
    async ({ params: { code }, query: asked }) => ({ status: 200, body: await recall.of(code, asked) }),
  );

/** What a spreadsheet would take for a sum is written as text. */
const FORMULA = /^[=+@\t\r-]/;
const cell = (value: string | number | null) =>
  typeof value === 'string' && FORMULA.test(value) ? `'${value}` : (value ?? '');

function asCsv({ lot, items }: Recall): string {
  const rows = items.map(({ seen, ...item }) => ({ lot, ...item, seen: seen.join('; ') }));
  const fields = ['lot', ...Object.keys(recallSchema.shape.items.element.shape)];
  const data = rows.map((row) => fields.map((f) => cell(row[f as keyof typeof row])));
  return `\uFEFF${Papa.unparse({ fields, data }, { newline: '\r\n' })}\r\n`;
}

const asFile = ({ recall }: RecallDeps): Endpoint =>
  streamEndpoint(
    {
      method: 'get',
      path: '/export/lots/{code}/castings.csv',
      summary: 'The castings of a lot as one file',
      params,
      query,
      answers: { 200: { description: 'The file', types: ['text/csv'] } },
    },
    async ({ params: { code }, query: asked }, { response, told }) => {
      const file = asCsv(await recall.of(code, asked));
      await told('Take the castings of a lot out as a file', `/lots/${code}/castings`);
      response.set({
        'Content-Disposition': 'attachment; filename="castings-of-lot.csv"',
        'Cache-Control': 'no-store',
      });
      response.type('text/csv; charset=utf-8').send(file);
    },
  );

/** From a lot to its castings, as a page's answer and as a file. */
export const recallRoutes = (deps: RecallDeps): Endpoint[] => [asPage, asFile].map((make) => make(deps));
