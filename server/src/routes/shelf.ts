import { additiveSchema, gearSchema, inclusionSchema, lotSchema, mouldSchema, pieceSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import type { ShelfStore } from '../store/shelfStore';

const byCode = z.object({ code: z.string().min(1).max(200) });
const version = z.number().int();
const listed = <T>(schema: z.ZodType<T>) => z.array(z.object({ item: schema, version }));

/** The five calls that every kind of thing on the shelf has. */
function routesOf<T extends { code: string }>(
  place: string,
  one: string,
  schema: z.ZodType<T>,
  store: ShelfStore<T>,
): Endpoint[] {
  const found = { description: 'The document; its version is in ETag', schema };
  return [
    endpoint(
      { method: 'post', path: `/${place}`, summary: `Add ${one}`, body: schema, answers: { 201: found } },
      async ({ body }) => {
        const stored = await store.create(body);
        return {
          status: 201,
          body: stored.item,
          version: stored.version,
          location: `/api/v1/${place}/${encodeURIComponent(stored.item.code)}`,
        };
      },
    ),
    endpoint(
      { method: 'get', path: `/${place}/{code}`, summary: `Read ${one}`, params: byCode, answers: { 200: found } },
      async ({ params }) => {
        const stored = await store.get(params.code);
        return { status: 200, body: stored.item, version: stored.version };
      },
    ),
    endpoint(
      {
        method: 'put',
        path: `/${place}/{code}`,
        summary: `Replace ${one}`,
        params: byCode,
        body: schema,
        versioned: true,
        answers: { 200: found },
      },
      async ({ params, body, version: from }) => {
        const stored = await store.replace(params.code, from, body);
        return { status: 200, body: stored.item, version: stored.version };
      },
    ),
    endpoint(
      {
        method: 'delete',
        path: `/${place}/{code}`,
        summary: `Take ${one} off the shelf`,
        params: byCode,
        versioned: true,
        answers: { 204: { description: 'Removed' } },
      },
      async ({ params, version: from }) => {
        await store.remove(params.code, from);
        return { status: 204 };
      },
    ),
  ];
}

function plainList<T>(place: string, many: string, schema: z.ZodType<T>, store: Pick<ShelfStore<T>, 'list'>): Endpoint {
  const list = z.object({ items: listed(schema) });
  return endpoint(
    {
      method: 'get',
      path: `/${place}`,
      summary: `All ${many}`,
      answers: { 200: { description: 'By code', schema: list } },
    },
    async () => ({ status: 200, body: { items: await store.list() } }),
  );
}

const lotList = z.object({
  items: z.array(
    z.object({ item: lotSchema, version, usedG: z.number(), leftG: z.number().nullable(), batches: z.number().int() }),
  ),
});
const mouldList = z.object({
  items: z.array(
    z.object({
      item: mouldSchema,
      version,
      pulls: z.number().int(),
      masses: z.array(z.object({ productSlug: z.string(), massG: z.number() })),
    }),
  ),
});

type ShelfDeps = Pick<AppDeps, 'shelf'>;

/** Lots with what is left of each by the log. */
async function lotsWithUse({ shelf }: ShelfDeps): Promise<z.infer<typeof lotList>['items']> {
  const [all, uses] = await Promise.all([shelf.lots.list(), shelf.lotUse()]);
  return all.map(({ item, version: v }) => {
    const use = uses.get(`${item.productSlug} ${item.part} ${item.code}`) ?? { usedG: 0, batches: 0 };
    return { item, version: v, ...use, leftG: item.quantityG == null ? null : item.quantityG - use.usedG };
  });
}

/** Moulds with their pulls by the log. */
async function mouldsWithUse({ shelf }: ShelfDeps): Promise<z.infer<typeof mouldList>['items']> {
  const [all, uses] = await Promise.all([shelf.moulds.list(), shelf.mouldUse()]);
  return all.map(({ item, version: v }) => ({
    item,
    version: v,
    ...(uses.get(item.code) ?? { pulls: 0, masses: [] }),
  }));
}

const lots = (deps: ShelfDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/lots',
      summary: 'All lots, with what is left of each by the log',
      answers: { 200: { description: 'By code', schema: lotList } },
    },
    async () => ({ status: 200, body: { items: await lotsWithUse(deps) } }),
  );

const moulds = (deps: ShelfDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/moulds',
      summary: 'All moulds, with their pulls by the log',
      answers: { 200: { description: 'By code', schema: mouldList } },
    },
    async () => ({ status: 200, body: { items: await mouldsWithUse(deps) } }),
  );

const wholeShelf = z.object({
  lots: lotList.shape.items,
  moulds: mouldList.shape.items,
  inclusions: listed(inclusionSchema),
  additives: listed(additiveSchema),
  gear: listed(gearSchema),
});

/** All that a page chooses from, in one answer: each list by itself is one more wait on a slow network. */
const whole = (deps: ShelfDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/shelf',
      summary: 'Lots, moulds, inclusions, additives and gear, each as in its own list',
      answers: { 200: { description: 'Each by code', schema: wholeShelf } },
    },
    async () => {
      const { shelf } = deps;
      const [lotItems, mouldItems, inclusions, additives, gear] = await Promise.all([
        lotsWithUse(deps),
        mouldsWithUse(deps),
        shelf.inclusions.list(),
        shelf.additives.list(),
        shelf.gear.list(),
      ]);
      return { status: 200, body: { lots: lotItems, moulds: mouldItems, inclusions, additives, gear } };
    },
  );

export function shelfRoutes({ shelf }: ShelfDeps): Endpoint[] {
  return [
    whole({ shelf }),
    lots({ shelf }),
    moulds({ shelf }),
    plainList('inclusions', 'inclusions', inclusionSchema, shelf.inclusions),
    plainList('additives', 'additives', additiveSchema, shelf.additives),
    plainList('gear', 'gear', gearSchema, shelf.gear),
    plainList('pieces', 'pieces made in layers', pieceSchema, shelf.pieces),
    ...routesOf('lots', 'a lot', lotSchema, shelf.lots),
    ...routesOf('moulds', 'a mould', mouldSchema, shelf.moulds),
    ...routesOf('inclusions', 'an inclusion', inclusionSchema, shelf.inclusions),
    ...routesOf('additives', 'an additive', additiveSchema, shelf.additives),
    ...routesOf('gear', 'a piece of gear', gearSchema, shelf.gear),
    ...routesOf('pieces', 'a piece', pieceSchema, shelf.pieces),
  ];
}
