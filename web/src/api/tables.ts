import {
  pastImportsSchema,
  savedMappingSchema,
  savedMappingsSchema,
  tableImportAnswerSchema,
  type SavedMapping,
  type TableImport,
} from '@warm-jar/core';
import { z } from 'zod';
import { read, send, withJson } from './http';

/** Tables of the studio's own: brought in, taken back, and how they were matched. */
export const tablesApi = {
  bringIn: async (table: TableImport, apply: boolean) =>
    read(tableImportAnswerSchema, await send(`/imports?apply=${apply}`, withJson('POST', table))),
  past: async () => (await read(pastImportsSchema, await send('/imports'))).items,
  undo: async (id: string) =>
    read(z.object({ removed: z.number() }), await send(`/imports/${encodeURIComponent(id)}/undo`, { method: 'POST' })),
  mappings: async () => (await read(savedMappingsSchema, await send('/mappings'))).items,
  saveMapping: async (mapping: SavedMapping) =>
    read(savedMappingSchema, await send('/mappings', withJson('POST', mapping))),
};
