import type { DiagnoseRequest } from '../formats/diagnosis';
import type { Family, SymptomKind } from '../formats/vocabulary';
import type { CauseRate, StudioRates } from './causeRates';

type Told = NonNullable<NonNullable<DiagnoseRequest['history']>['causes']>;

const rounded = (v: number) => Math.round(v * 1000) / 1000;
const told = (symptom: SymptomKind, of: number, rate: CauseRate): Told[number] => ({
  id: rate.id,
  symptom,
  times: rounded(rate.times),
  of,
  expected: rounded(rate.expected),
  factor: rounded(rate.factor),
});

/**
 * What the studio's rates tell of a symptom in a family, as a diagnosis takes it: of this symptom and family where any
 * of its faults is settled, else what is known from all of them.
 */
export function rateHistory(rates: StudioRates, symptom: SymptomKind, family: Family): Told {
  const own = rates.bySymptom.find((r) => r.kind === symptom && r.family === family);
  const known = new Set(own?.causes.map((c) => c.id));
  const shared = rates.all.filter((c) => !known.has(c.id));
  return [
    ...(own?.causes ?? []).map((c) => told(symptom, own!.of, c)),
    ...shared.map((c) => told(symptom, rates.of, c)),
  ];
}
