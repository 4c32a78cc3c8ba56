import {
  batchSchema,
  type Batch,
  type CopiedFrom,
  type InclusionCard,
  type Plan,
  type PlanRequest,
} from '@warm-jar/core';
import type { ShelvedLot, ShelvedMould } from '../../api/shelf';

/** What is cast in as the shelf knows it; what the shelf does not know stays not recorded. */
function castIn({ code, what, kind, moisturePct, sealed, treated }: InclusionCard) {
  return {
    what,
    code,
    ...(kind == null ? {} : { kind }),
    ...(moisturePct == null ? {} : { moisturePct }),
    ...(sealed == null ? {} : { sealed }),
    ...(treated == null ? {} : { treated }),
  };
}

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
    inclusion: InclusionCard | null;
    /** Why it is begun although something spoke against it. */
    reasons: readonly { readonly field: string; readonly reason: string }[];
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
    ...(mould?.item.hollow || shelf.reasons.length > 0
      ? {
          bench: {
            ...(mould?.item.hollow ? { hollow: true } : {}),
            ...(shelf.reasons.length > 0 ? { reasons: shelf.reasons } : {}),
          },
        }
      : {}),
    ...(shelf.inclusion ? { inclusions: [castIn(shelf.inclusion)] } : {}),
    ...(shelf.copiedFrom ? { copiedFrom: shelf.copiedFrom } : {}),
    plan: {
      ...plan,
      request: { ...request, product: { slug: request.product.slug, revision: request.product.revision } },
    },
  });
}
