import { checksInOrder } from '../formats/batchChecks';
import type { Batch, Casting, Check } from '../formats/batch';
import type { Grade } from '../formats/vocabulary';

/** Marks a batch that is the view of one casting; no document can hold it. */
const LAID_AS = Symbol('laid as');
type Laid = { readonly [LAID_AS]?: string };

/** The casting that this batch is the view of; null for a batch as it was recorded. */
export const laidAs = (batch: Batch): string | null => (batch as Laid)[LAID_AS] ?? null;
export const markLaid = (batch: Batch, id: string): Batch => ({ ...batch, [LAID_AS]: id }) as Batch;

/** Castings that a batch's record tells apart; none where it knows one mould and one cast, as older records do. */
export const castingsOf = ({ castings }: Pick<Batch, 'castings'>): readonly Casting[] => castings ?? [];

/** Their ids in order; the one unnamed casting of a batch that tells none apart is null. */
export function castingIds(batch: Pick<Batch, 'castings'>): readonly (string | null)[] {
  const ids = [...new Set(castingsOf(batch).map((k) => k.id))];
  return ids.length > 0 ? ids : [null];
}

export const castingOf = (batch: Pick<Batch, 'castings'>, id: string | null): Casting | null =>
  id === null ? null : (castingsOf(batch).find((k) => k.id === id) ?? null);

/** The casting that a look is of, where the batch has it; a look at one it does not have is one at all. */
export const lookedAt = (batch: Pick<Batch, 'castings'>, casting: string | null | undefined): string | null =>
  castingOf(batch, casting ?? null)?.id ?? null;

/** The looks at one casting, in order: its own, and those at all of them. */
export const looksAt = (batch: Pick<Batch, 'checks' | 'castings'>, id: string | null): Check[] =>
  checksInOrder(batch).filter((c) => {
    const of = lookedAt(batch, c.casting);
    return of === null || of === id;
  });

const graded = (looks: readonly Check[]): Check | null => looks.filter((c) => c.grade != null).at(-1) ?? null;

/**
 * The grade of a casting that stands: its latest look's. A look at all of them speaks for it from then on; where no
 * look of its own graded it, what the record says of the casting itself goes before a look at all. Null where none did.
 */
export function castingGrade(batch: Pick<Batch, 'checks' | 'castings'>, id: string | null): Grade | null {
  const looks = looksAt(batch, id);
  const own = graded(looks.filter((c) => lookedAt(batch, c.casting) !== null));
  const all = graded(looks.filter((c) => lookedAt(batch, c.casting) === null));
  if (own) return all && all.afterH > own.afterH ? all.grade! : own.grade!;
  return castingOf(batch, id)?.grade ?? all?.grade ?? null;
}

/** Whether a grade ends the matter: what is still to be mended has no final one. */
export const isFinal = (grade: Grade | null): grade is Exclude<Grade, 'mend'> => grade !== null && grade !== 'mend';

/** How many castings have each grade; those without one are open. */
export interface GradeCount {
  readonly pass: number;
  readonly second: number;
  readonly scrap: number;
  readonly mend: number;
  readonly open: number;
}

export function gradeCount(batch: Pick<Batch, 'checks' | 'castings'>): GradeCount {
  const count = { pass: 0, second: 0, scrap: 0, mend: 0, open: 0 };
  for (const id of castingIds(batch)) count[castingGrade(batch, id) ?? 'open'] += 1;
  return count;
}

/** The next free id of a batch's castings, `k1` and on. */
export function nextCastingId(batch: Pick<Batch, 'castings'>): string {
  const taken = new Set(castingsOf(batch).map((k) => k.id));
  for (let n = 1; ; n += 1) if (!taken.has(`k${n}`)) return `k${n}`;
}
