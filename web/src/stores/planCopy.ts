import { copiedPlan, type Batch, type PlanChange, type Product, type SymptomKind } from '@warm-jar/core';
import { formFromBatch } from './formFromBatch';
import { copiedAs } from './sinceCopied';

/** What is copied: a batch of a product, with what is to be changed, and why. */
export interface Copied {
  readonly product: Product;
  readonly batch: Batch;
  readonly changes: readonly (PlanChange & { readonly cause?: string | null })[];
  readonly symptom: SymptomKind | null;
}

/**
 * The form of the plan that a batch makes, with the changes laid over and remembered.
 * @param moulds codes on the shelf
 */
export function planCopy({ product, batch, changes, symptom }: Copied, moulds: ReadonlySet<string>) {
  const form = formFromBatch(copiedPlan(product, batch, changes, symptom), moulds);
  return { ...form, copiedAs: copiedAs(form) };
}
