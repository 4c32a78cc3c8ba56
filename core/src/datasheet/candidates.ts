import { fitsCard } from './fits';
import type { Candidate, Entry, SheetStatement } from './reading';
import { rounded } from './rounded';
import { placeOf } from './segment';
import type { FieldId } from './sheetLabels';
import type { Measure } from './measures';
import type { Statement } from './statements';
import { CANDIDATES_BY_FIELD } from './fieldRules';

/** Where a measure stands and how it is written; null where it is a word of the reader's own. */
export function placeOfMeasure(statement: Statement, measure: Measure): { line: number; text: string } | null {
  const place = placeOf(statement.segment, measure.start);
  if (!place) return null;
  const length = Math.min(measure.end - measure.start, place.room);
  return {
    line: place.line,
    text: statement.segment.text.slice(measure.start, measure.start + length).replace(/[.\s]+$/, ''),
  };
}

function companionsOf(statement: Statement, path: string): (SheetStatement & { path: string })[] {
  const stem = path.slice(0, path.lastIndexOf('.'));
  const { temperature, mass } = statement.given;
  const at = (key: string, measure: Measure | undefined, unit: string) => {
    const place = measure && placeOfMeasure(statement, measure);
    if (!measure || !place || measure.low !== measure.high) return [];
    return [{ path: `${stem}.${key}`, value: rounded(measure.low), unit, ...place }];
  };
  return [...at('atC', temperature, '°C'), ...(mass?.dimension === 'mass' ? at('massG', mass, 'g') : [])];
}

/** Fields of a card that are told at a temperature, and those that are told of a mass too. */
const WITH_AT = /^(?:viscosity\.mixedMPaS|fullCure\.hours|(?:tackFree|demould)\.minutes|recoat\.(?:fromMin|untilMin))$/;
const WITH_MASS = /^(?:potLife\.minutes|gel\.minutes|exotherm\.peakC)$/;

function candidateOf(statement: Statement, entry: Entry): Candidate | null {
  const { measure, given, segment } = statement;
  const place = placeOfMeasure(statement, measure);
  if (!place || !fitsCard(entry.path, entry.value)) return null;
  const all = WITH_MASS.test(entry.path) || WITH_AT.test(entry.path) ? companionsOf(statement, entry.path) : [];
  const companions = WITH_MASS.test(entry.path) ? all : all.filter((c) => c.path.endsWith('.atC'));
  const [atC, massG] = ['atC', 'massG'].map((key) => companions.find((c) => c.path.endsWith(key))?.value);
  const ownC = typeof atC === 'number' ? atC : undefined;
  const isGivenAt = WITH_AT.test(entry.path) || WITH_MASS.test(entry.path);
  const heading = isGivenAt && ownC === undefined ? segment.heading : undefined;
  return {
    ...entry,
    ...place,
    value: typeof entry.value === 'number' ? rounded(entry.value) : entry.value,
    low: measure.low,
    high: measure.high,
    bound: measure.bound,
    companions,
    given,
    product: segment.product,
    ...(ownC === undefined ? {} : { atC: ownC }),
    ...(heading ? { heading, atC: rounded(heading.atC) } : {}),
    ...(typeof massG === 'number' ? { massG } : {}),
  };
}

/** What the statements of a sheet say for the fields of a card. */
export function candidatesOf(statements: readonly Statement[]): Candidate[] {
  return statements.flatMap((statement) => {
    if (statement.segment.stored && !['shelf', 'opened'].includes(statement.field)) return [];
    const rule = CANDIDATES_BY_FIELD[statement.field as Exclude<FieldId, 'other'>];
    return (rule?.(statement) ?? []).flatMap((entry) => candidateOf(statement, entry) ?? []);
  });
}
