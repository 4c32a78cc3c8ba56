import {
  depthConflict,
  mouldsOf,
  planRequestSchema,
  productFits,
  storedProductSchema,
  quickPlan,
  wordsIn,
  type CardConflict,
  type FitRequest,
  type MouldAnswer,
  type Product,
  type ProductFit,
  type UnitChoice,
} from '@warm-jar/core';
import { answerCalls } from './answerCalls';

/** What the planning worker is asked. */
export type PlanJob =
  | { readonly kind: 'mould'; readonly request: unknown; readonly units: UnitChoice }
  | {
      readonly kind: 'fits';
      readonly products: readonly unknown[];
      readonly wish: FitRequest;
      readonly units: UnitChoice;
    }
  | { readonly kind: 'depth-conflict'; readonly product: unknown };
export type PlanResult = readonly (MouldAnswer | null)[] | null | readonly ProductFit[] | CardConflict;

/** Cards seen before, by their text: what was fitted to one is kept with the object. */
const cards = new Map<string, Product>();
function cardOf(product: unknown): Product {
  const text = JSON.stringify(product);
  const known = cards.get(text);
  if (known) return known;
  const card = storedProductSchema.parse(product);
  cards.set(text, card);
  return card;
}

function work(job: PlanJob, onProgress: (share: number) => void): PlanResult {
  switch (job.kind) {
    case 'mould': {
      const request = planRequestSchema.parse(job.request);
      return mouldsOf(quickPlan({ ...request, product: cardOf(request.product) }, wordsIn(job.units)), onProgress);
    }
    case 'fits':
      return productFits(job.products.map(cardOf), job.wish, wordsIn(job.units));
    case 'depth-conflict':
      return depthConflict(cardOf(job.product));
  }
}

answerCalls(work, 'The sum failed.');
