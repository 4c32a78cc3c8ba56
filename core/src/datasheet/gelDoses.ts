import { placeOfMeasure } from './candidates';
import type { SheetReading } from './reading';
import { rounded } from './rounded';
import type { Statement } from './statements';

const isGelAtDose = (s: Statement) => s.field === 'gel' && s.given.percent !== undefined;

/** One gel time at a dose as entries of the card's list. */
function entriesOf(statement: Statement, index: number): SheetReading[] {
  const stem = `ratio.catalyst.gel[${index}]`;
  const { percent, temperature, mass } = statement.given;
  const measured = [
    ['pct', percent, '%'],
    ['minutes', statement.measure, 'min'],
    ['atC', temperature, '°C'],
    ['massG', mass?.dimension === 'mass' ? mass : undefined, 'g'],
  ] as const;
  return measured.flatMap(([key, measure, unit]) => {
    const place = measure && placeOfMeasure(statement, measure);
    return place ? [{ path: `${stem}.${key}`, value: rounded(measure.low), unit, ...place }] : [];
  });
}

/**
 * Gel times that a sheet gives at two or more doses of catalyst are a list of their own; at one dose it is the card's
 * gel time.
 */
export function withGelDoses(statements: readonly Statement[]): { gel: SheetReading[]; rest: Statement[] } {
  const atDoses = statements.filter(isGelAtDose);
  const doses = new Set(atDoses.map((s) => s.given.percent?.low));
  if (doses.size < 2) return { gel: [], rest: [...statements] };
  return { gel: atDoses.flatMap(entriesOf), rest: statements.filter((s) => !isGelAtDose(s)) };
}
