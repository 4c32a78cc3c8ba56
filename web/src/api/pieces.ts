import { pieceSchema, type InPiece, type LayerPlan, type Piece } from '@warm-jar/core';
import { z } from 'zod';
import { read, send, versionOf, withJson } from './http';

const list = z.object({ items: z.array(z.object({ item: pieceSchema, version: z.number() })) });
const places = z.object({
  items: z.array(
    z.object({
      piece: z.string(),
      name: z.string(),
      layer: z.number(),
      below: z.string().nullable(),
      above: z.string().nullable(),
    }),
  ),
});
const dueList = z.object({
  items: z.array(
    z.object({
      piece: z.string(),
      name: z.string(),
      /** 0 where it is a joint that is due. */
      layer: z.number(),
      join: z.number().optional(),
      product: z.string(),
      at: z.string(),
      says: z.string(),
    }),
  ),
});
const anything = z.looseObject({});

export interface StoredPiece {
  readonly item: Piece;
  readonly version: number;
}
export type DueLayer = z.infer<typeof dueList>['items'][number];
const at = (code: string) => `/pieces/${encodeURIComponent(code)}`;

/** Pieces made in layers. */
export const piecesApi = {
  list: async (): Promise<StoredPiece[]> => (await read(list, await send('/pieces'))).items,
  get: async (code: string): Promise<StoredPiece> => {
    const response = await send(at(code));
    return { version: versionOf(response), item: await read(pieceSchema, response) };
  },
  save: async (piece: Piece, version: number | null): Promise<number> =>
    versionOf(
      version === null
        ? await send('/pieces', withJson('POST', piece))
        : await send(at(piece.code), withJson('PUT', piece, version)),
    ),
  remove: async (code: string, version: number): Promise<void> => {
    await send(at(code), { method: 'DELETE', headers: { 'If-Match': `"${version}"` } });
  },
  /** As of the server's clock; the shape is the core's own. */
  plan: async (code: string): Promise<LayerPlan> =>
    (await read(anything, await send(`${at(code)}/plan`))) as unknown as LayerPlan,
  placesOf: async (batch: string): Promise<InPiece[]> =>
    (await read(places, await send(`/batches/${encodeURIComponent(batch)}/pieces`))).items,
  due: async (days: number): Promise<DueLayer[]> => (await read(dueList, await send(`/layers/due?days=${days}`))).items,
};
