import {
  batchSchema,
  type Batch,
  type CopiedFrom,
  type InclusionCard,
  type Plan,
  type PlanRequest,
} from '@warm-jar/core';
import type { ShelvedMould } from '../../api/shelf';

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
  /** The vessel that somebody chose; the one that the plan took for granted is asked for at the bench. */
  readonly vessel: string | null;
  readonly copiedFrom: CopiedFrom | null;
  readonly inclusion: InclusionCard | null;
  /** Why it is begun although something spoke against it. */
  readonly reasons: readonly { readonly field: string; readonly reason: string }[];
}

function mouldSection({ item, pulls }: ShelvedMould, thinnestMm: number | null) {
  const { code, rubber = null, degassed = null, finish = null, pullsBefore } = item;
  return { code, rubber, degassed, finish, pulls: (pullsBefore ?? 0) + pulls, thinnestMm };
}

/** What the bench has to know from the start: nothing where there is nothing. */
function benchSection({ mould, reasons }: BegunWith, { handling }: PlanRequest) {
  const { pourFromC: fromC = null, pourToC: toC = null } = handling ?? {};
  const bench = {
    ...(mould?.item.hollow ? { hollow: true } : {}),
    ...(reasons.length > 0 ? { reasons } : {}),
    // Somebody asked for it in the plan: at the bench it is waited for.
    ...(fromC !== null && toC !== null ? { pourWindow: { fromC, toC } } : {}),
  };
  return Object.keys(bench).length > 0 ? { bench } : {};
}

/** The parts that are only there where they were chosen. */
function chosenSections(plan: Plan, request: PlanRequest, begun: BegunWith) {
  const { mould, vessel, inclusion, copiedFrom } = begun;
  return {
    // Of several moulds each casting names its own, when it is poured.
    ...(mould && (request.want.moulds ?? []).length < 2
      ? { mould: mouldSection(mould, request.mould?.thinnestMm ?? null) }
      : {}),
    ...(plan.pressureKPa !== null && vessel ? { pressure: { vessel } } : {}),
    ...benchSection(begun, request),
    ...(inclusion ? { inclusions: [castIn(inclusion)] } : {}),
    ...(copiedFrom ? { copiedFrom } : {}),
  };
}

/**
 * A batch in work that has begun with nothing but its plan: what is chosen stands in the record, what is to be done
 * does not, for it has not been done. Lots are chosen at the bench, by who pours from them.
 */
export function batchFromPlan(plan: Plan, request: PlanRequest, begun: BegunWith): Batch {
  const product = { slug: request.product.slug, revision: request.product.revision };
  return batchSchema.parse({
    format: 'warm-jar.batch/1',
    startedAt: null,
    product,
    ...chosenSections(plan, request, begun),
    plan: { ...plan, request: { ...request, product } },
  });
}
