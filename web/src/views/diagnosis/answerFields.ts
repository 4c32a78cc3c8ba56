import type { Batch, Product } from '@warm-jar/core';
import { SECTIONS } from '../../components/form/recordFields';
import type { Field } from '../../components/form/field';

/** Fields asked for that the log page enters as something other than one figure. */
const ELSEWHERE: Readonly<Record<string, { readonly to: 'edit-batch' | 'check'; readonly words: string }>> = {
  additives: { to: 'edit-batch', words: 'List what went in' },
  'checks[].shore': { to: 'check', words: 'Take a second reading' },
};

/** A look whose figure is doubted is recorded anew. */
const LOOK_AGAIN = { to: 'check', words: 'Record the look anew' } as const;

/** How a question is answered: in place as the log page would enter it, or on the page where it belongs. */
export function answerField(
  path: string,
  product: Product,
  batch: Batch,
): { readonly field: Field } | { readonly to: 'edit-batch' | 'check'; readonly words: string } {
  const elsewhere = ELSEWHERE[path] ?? (path.startsWith('checks[') ? LOOK_AGAIN : undefined);
  if (elsewhere) return elsewhere;
  const field = SECTIONS.flatMap((s) => s.fields).find((f) => f.path === path && (f.only?.(product) ?? true));
  // An amount is only understood with its unit, and both belong together.
  if (!field || (path.startsWith('mix.amount') && batch.mix?.amountA == null))
    return { to: 'edit-batch', words: 'Fill it in' };
  return { field };
}
