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

/** What was chosen beside the plan itself. */
export interface BegunWith {
  readonly mould: ShelvedMould | undefined;
  readonly lots: readonly ShelvedLot[];
  readonly vessel: string | null;
  readonly copiedFrom: CopiedFrom | null;
  readonly inclusion: InclusionCard | null;
  /** Why it is begun although something spoke against it. */
  readonly reasons: readonly { readonly field: string; readonly reason: string }[];
}

function lotSection(lots: readonly ShelvedLot[], slug: string, part: 'A' | 'B') {
  const found = lots.find(
    ({ item, leftG }) => item.productSlug === slug && item.part === part && (leftG === null || leftG > 0),
  )?.item;
  if (!found) return null;
  const { code, openedOn = null, useBy = null, colour = null } = found;
  return { code, openedOn, useBy, colour };
}

function mouldSection({ item, pulls }: ShelvedMould, thinnestMm: number | null) {
  const { code, rubber = null, degassed = null, finish = null, pullsBefore } = item;
  return { code, rubber, degassed, finish, pulls: (pullsBefore ?? 0) + pulls, thinnestMm };
}

/** What the bench has to know from the start: nothing where there is nothing. */
function benchSection({ mould, reasons }: BegunWith) {
  const bench = {
    ...(mould?.item.hollow ? { hollow: true } : {}),
    ...(reasons.length > 0 ? { reasons } : {}),
  };
  return Object.keys(bench).length > 0 ? { bench } : {};
}

/** The parts that are only there where they were chosen. */
function chosenSections(plan: Plan, request: PlanRequest, begun: BegunWith) {
  const { mould, lots, vessel, inclusion, copiedFrom } = begun;
  const { slug } = request.product;
  return {
    ...(plan.partB.massG === null ? {} : { lotB: lotSection(lots, slug, 'B') }),
    ...(mould ? { mould: mouldSection(mould, request.mould?.thinnestMm ?? null) } : {}),
    ...(plan.pressureKPa !== null && vessel ? { pressure: { vessel } } : {}),
    ...benchSection(begun),
    ...(inclusion ? { inclusions: [castIn(inclusion)] } : {}),
    ...(copiedFrom ? { copiedFrom } : {}),
  };
}

/**
 * A batch in work that has begun with nothing but its plan: what is chosen stands in the record, what is to be done
 * does not, for it has not been done.
 */
export function batchFromPlan(plan: Plan, request: PlanRequest, begun: BegunWith): Batch {
  const product = { slug: request.product.slug, revision: request.product.revision };
  return batchSchema.parse({
    format: 'warm-jar.batch/1',
    startedAt: null,
    product,
    lotA: lotSection(begun.lots, product.slug, 'A'),
    ...chosenSections(plan, request, begun),
    plan: { ...plan, request: { ...request, product } },
  });
}
