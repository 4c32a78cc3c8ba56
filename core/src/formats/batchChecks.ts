import type { Batch, Check } from './batch';
import type { Grade } from './vocabulary';

/** The looks at a piece in the order they were made, whatever order they were written down in. */
export const checksInOrder = ({ checks }: Pick<Batch, 'checks'>): Check[] =>
  [...(checks ?? [])].sort((a, b) => a.afterH - b.afterH);

/** The grade that stands: the last one given, though nobody graded since; null where none was. */
export const latestGrade = (batch: Pick<Batch, 'checks'>): Grade | null =>
  checksInOrder(batch)
    .flatMap((c) => c.grade ?? [])
    .at(-1) ?? null;
