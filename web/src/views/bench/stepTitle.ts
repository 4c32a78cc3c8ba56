import { BENCH_STEP_WORDS, type BenchStep, type Product } from '@warm-jar/core';

/**
 * What the step at the bench is called for this product: a powder is
 * weighed into its liquid, a catalyst into its resin.
 */
export function stepTitle(step: BenchStep, product: Pick<Product, 'ratio'> | null): string {
  const { catalyst, powder } = product?.ratio ?? {};
  if (step === 'weigh-b' && catalyst) return 'Weigh the catalyst';
  if (step === 'weigh-b' && powder) return 'Weigh the powder';
  if (step === 'weigh-a' && powder) return 'Weigh the liquid';
  return BENCH_STEP_WORDS[step].words;
}
