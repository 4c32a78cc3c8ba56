import {
  additiveSchema,
  gearSchema,
  inclusionSchema,
  lotSchema,
  mouldSchema,
  problemIssueSchema,
  type AdditiveCard,
  type Gear,
  type InclusionCard,
  type LotCard,
  type Mould,
} from '@warm-jar/core';
import { z } from 'zod';
import { API_PREFIX } from './base';
import { read, send, versionOf, withJson } from './http';

export type ShelfPlace = 'lots' | 'moulds' | 'inclusions' | 'additives' | 'gear';

const listOf = <T>(item: z.ZodType<T>) => z.array(z.looseObject({ item, version: z.number() }));
const wholeShelf = z.object({
  lots: z.array(
    z.object({
      item: lotSchema,
      version: z.number(),
      usedG: z.number(),
      leftG: z.number().nullable(),
      batches: z.number(),
    }),
  ),
  moulds: z.array(
    z.object({
      item: mouldSchema,
      version: z.number(),
      pulls: z.number(),
      masses: z.array(z.object({ productSlug: z.string(), massG: z.number() })),
    }),
  ),
  inclusions: listOf(inclusionSchema),
  additives: listOf(additiveSchema),
  gear: listOf(gearSchema),
});
const found = z.object({
  items: z.array(
    z.object({
      kind: z.enum(['product', 'batch', 'lot', 'mould', 'inclusion', 'additive', 'gear', 'piece']),
      code: z.string(),
      title: z.string(),
    }),
  ),
});
const importAnswer = z.object({
  applied: z.number(),
  rows: z.array(
    z.object({
      row: z.number(),
      slug: z.string().nullable(),
      name: z.string().nullable(),
      action: z.enum(['new', 'next-revision', 'same', 'refused']),
      revision: z.number().nullable(),
      changed: z.array(z.string()),
      issues: z.array(problemIssueSchema),
    }),
  ),
});

export interface ShelvedLot {
  readonly item: LotCard;
  readonly version: number;
  readonly usedG: number;
  readonly leftG: number | null;
  readonly batches: number;
}
export interface ShelvedMould {
  readonly item: Mould;
  readonly version: number;
  readonly pulls: number;
  readonly masses: readonly { productSlug: string; massG: number }[];
}
export interface ShelvedInclusion {
  readonly item: InclusionCard;
  readonly version: number;
}
export interface ShelvedAdditive {
  readonly item: AdditiveCard;
  readonly version: number;
}
export interface ShelvedGear {
  readonly item: Gear;
  readonly version: number;
}
/** The shelf beside the cards: each list by code. */
export interface WholeShelf {
  readonly lots: ShelvedLot[];
  readonly moulds: ShelvedMould[];
  readonly inclusions: ShelvedInclusion[];
  readonly additives: ShelvedAdditive[];
  readonly gear: ShelvedGear[];
}
export type Found = z.infer<typeof found>['items'][number];
export type ImportAnswer = z.infer<typeof importAnswer>;

const at = (place: ShelfPlace, code: string) => `/${place}/${encodeURIComponent(code)}`;

/** The shelf's part of the API. */
export const shelfApi = {
  /** All that is chosen from beside the cards. */
  whole: async (): Promise<WholeShelf> => read(wholeShelf, await send('/shelf')),
  /** Stores a new thing, or a change of the version that was read. */
  save: async (place: ShelfPlace, item: { code: string }, version: number | null): Promise<number> =>
    versionOf(
      version === null
        ? await send(`/${place}`, withJson('POST', item))
        : await send(at(place, item.code), withJson('PUT', item, version)),
    ),
  remove: async (place: ShelfPlace, code: string, version: number): Promise<void> => {
    await send(at(place, code), { method: 'DELETE', headers: { 'If-Match': `"${version}"` } });
  },
  search: async (q: string): Promise<Found[]> =>
    (await read(found, await send(`/search?${new URLSearchParams({ q }).toString()}`))).items,
  importProducts: async (rows: unknown[], options: { apply: boolean; skipRefused: boolean }): Promise<ImportAnswer> =>
    read(
      importAnswer,
      await send(
        `/products/import?${new URLSearchParams({ apply: String(options.apply), skipRefused: String(options.skipRefused) }).toString()}`,
        withJson('POST', { rows }),
      ),
    ),
  addPhoto: async (photo: Blob): Promise<string> =>
    (
      await read(
        z.object({ id: z.string() }),
        await send('/photos', { method: 'POST', body: photo, headers: { 'Content-Type': photo.type } }),
      )
    ).id,
};

export const photoAddress = (id: string): string => `${API_PREFIX}/photos/${encodeURIComponent(id)}`;
