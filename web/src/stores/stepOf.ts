import { stageOf, type Batch, type Product } from '@warm-jar/core';

/** The place where a batch is gone on with: the bench while it is at work, then its check, then its record. */
export function stepOf(product: Product, batch: Batch): 'bench' | 'check' | 'batch' {
  const stage = stageOf(product, batch);
  if (stage === 'done') return 'batch';
  return stage === 'check' ? 'check' : 'bench';
}
