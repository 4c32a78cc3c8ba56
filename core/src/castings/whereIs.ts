import type { Grade, Stage, Whereabouts } from '../formats/vocabulary';

/** Stages after which a casting is out of its mould. */
const OUT: ReadonlySet<Stage> = new Set(['check', 'done']);

/** Where a casting is: by its batch's stage, its grade, and whether it was sold. */
export function whereIs(casting: {
  readonly stage: Stage;
  readonly grade: Grade | null;
  readonly soldOn: string | null;
}): Whereabouts {
  const { stage, grade, soldOn } = casting;
  if (soldOn !== null) return grade === 'second' ? 'sold as second' : 'sold';
  if (grade === 'scrap') return 'scrapped';
  if (grade === 'mend') return 'to mend';
  if (grade === 'pass') return 'in stock';
  if (grade === 'second') return 'in stock as second';
  return OUT.has(stage) ? 'not graded' : 'in work';
}
