import type { Evidence } from '../formats/diagnosis';
import type { CauseId } from '../formats/vocabulary';
import { isRefuted, outcomesFor, type OutcomeHow } from '../outcomes/turnedOut';
import type { CaseFacts } from './caseFacts';

/** What an outcome is worth, decibans: one batch may still be chance, what was seen with the eyes is not. */
const POINTS: Readonly<Record<OutcomeHow, number>> = { 'next-batch': 14, test: 14, seen: 20, judged: 0 };
const KNOWN_BY: Readonly<Record<OutcomeHow, string>> = {
  'next-batch': 'the next batch',
  test: 'a test',
  seen: 'what was seen',
  judged: 'judgement alone',
};

/** What it turned out to be, or not to be: the record itself, which the argument must not deny. */
export function outcomeEvidence(id: CauseId, { batch, seen }: CaseFacts): Evidence[] {
  const told = outcomesFor(batch, seen.kind, seen.casting).filter((o) => o.cause === id && POINTS[o.how] > 0);
  const last = told.at(-1);
  if (!last) return [];
  const refuted = isRefuted(last);
  return [
    {
      field: 'outcome',
      measured: refuted ? 'refuted' : 'confirmed',
      limit: null,
      unit: '',
      points: refuted ? -POINTS[last.how] : POINTS[last.how],
      says: `It turned out ${refuted ? 'not to be this' : 'to be this'}, by ${KNOWN_BY[last.how]}.`,
    },
  ];
}
