import {
  pastImportsSchema,
  savedMappingSchema,
  savedMappingsSchema,
  tableImportAnswerSchema,
  tableImportSchema,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';

type ImportDeps = Pick<AppDeps, 'imports'>;

const flag = z.enum(['true', 'false']).default('false');

const bringIn = ({ imports }: ImportDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/imports',
      summary: 'Look the rows of a table through, or bring in all that fit: in one go, to be taken back in one go',
      query: z.object({ apply: flag }),
      body: tableImportSchema,
      answers: { 200: { description: 'What each row does or would do', schema: tableImportAnswerSchema } },
    },
    async ({ query, body }) => ({
      status: 200,
      body: query.apply === 'true' ? await imports.bringIn(body) : await imports.lookThrough(body),
    }),
  );

const list = ({ imports }: ImportDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/imports',
      summary: 'Tables that were brought in, the latest first',
      answers: { 200: { description: 'The imports', schema: pastImportsSchema } },
    },
    async () => ({ status: 200, body: { items: await imports.list() } }),
  );

const undo = ({ imports }: ImportDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/imports/{id}/undo',
      summary: 'Take a whole import back, as if it had never been',
      params: z.object({ id: z.string().min(1).max(80) }),
      answers: { 200: { description: 'How much went', schema: z.object({ removed: z.number().int() }) } },
    },
    async ({ params }) => ({ status: 200, body: await imports.undo(params.id) }),
  );

const mappings = ({ imports }: ImportDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/mappings',
      summary: 'How the columns of tables were matched before',
      answers: { 200: { description: 'The mappings', schema: savedMappingsSchema } },
    },
    async () => ({ status: 200, body: { items: await imports.mappings() } }),
  );

const saveMapping = ({ imports }: ImportDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/mappings',
      summary: 'Keep how the columns of a table are matched, under its heads',
      body: savedMappingSchema,
      answers: { 200: { description: 'The mapping', schema: savedMappingSchema } },
    },
    async ({ body }) => ({ status: 200, body: await imports.saveMapping(body) }),
  );

export const importRoutes = (deps: ImportDeps): Endpoint[] =>
  [bringIn, list, undo, mappings, saveMapping].map((make) => make(deps));
