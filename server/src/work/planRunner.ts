import { CoreError, plan, wordsIn, type Plan, type PlanRequest, type UnitChoice } from '@warm-jar/core';

/** A plan that cannot be made from what was sent: the field to mend, by its path in the request. */
export interface PlanRefusal {
  readonly code: string;
  readonly message: string;
  readonly path: string;
}
export type PlanOutcome =
  { readonly ok: true; readonly plan: Plan } | { readonly ok: false; readonly refusal: PlanRefusal };

/** Makes plans with the mould's slab, which takes long enough to belong off the server's thread. */
export interface PlanRunner {
  readonly run: (request: PlanRequest, units: UnitChoice) => Promise<PlanOutcome>;
  readonly close: () => Promise<void>;
}

/** One plan, with what the core refuses turned into data. What nobody foresaw is thrown on. */
export function makePlan(request: PlanRequest, units: UnitChoice): PlanOutcome {
  try {
    return { ok: true, plan: plan(request, wordsIn(units)) };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return {
      ok: false,
      refusal: {
        code: error.code,
        message: error.message,
        path: error.path.startsWith('ratio') ? `product.${error.path}` : error.path,
      },
    };
  }
}

/** Plans on the caller's own thread: for tests and for work from sources. */
export function inlinePlanner(): PlanRunner {
  return {
    run: (request, units) => Promise.resolve().then(() => makePlan(request, units)),
    close: () => Promise.resolve(),
  };
}
