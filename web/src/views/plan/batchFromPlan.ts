import { batchSchema, type Batch, type CopiedFrom, type Plan, type PlanRequest } from '@warm-jar/core';
import type { ShelvedLot, ShelvedMould } from '../../api/shelf';

/**
 * A batch in work that has begun with nothing but its plan: what is chosen stands in the record, what is to be done does
 * not, for it has not been done.
 */
export function batchFromPlan(
  plan: Plan,
  request: PlanRequest,
  shelf: {
    mould: ShelvedMould | undefined;
    lots: readonly ShelvedLot[];
    vessel: string | null;
    copiedFrom: CopiedFrom | null;
  },
): Batch {
  const lot = (part: 'A' | 'B') => {
    const found = shelf.lots.find(
      ({ item, leftG }) =>
        item.productSlug === request.product.slug && item.part === part && (leftG === null || leftG > 0),
    )?.item;
    return found
      ? { code: found.code, openedOn: found.openedOn ?? null, useBy: found.useBy ?? null, colour: found.colour ?? null }
      : null;
  };
  const mould = shelf.mould;
  const thinnest = request.mould?.thinnestMm ?? null;
  return batchSchema.parse({
    format: 'warm-jar.batch/1',
    startedAt: null,
    product: { slug: request.product.slug, revision: request.product.revision },
    lotA: lot('A'),
    ...(plan.partB.massG === null ? {} : { lotB: lot('B') }),
    ...(mould
      ? {
          mould: {
            code: mould.item.code,
            rubber: mould.item.rubber ?? null,
            degassed: mould.item.degassed ?? null,
            finish: mould.item.finish ?? null,
            pulls: (mould.item.pullsBefore ?? 0) + mould.pulls,
            thinnestMm: thinnest,
          },
        }
      : {}),
    ...(plan.pressureKPa !== null && shelf.vessel ? { pressure: { vessel: shelf.vessel } } : {}),
    ...(mould?.item.hollow ? { bench: { hollow: true } } : {}),
    ...(shelf.copiedFrom ? { copiedFrom: shelf.copiedFrom } : {}),
    plan: {
      ...plan,
      request: { ...request, product: { slug: request.product.slug, revision: request.product.revision } },
    },
  });
}
