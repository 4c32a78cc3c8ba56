import { causeTitle } from '../diagnosis/catalogue';
import type { CauseOutcome } from '../formats/batch';
import { isRefuted, movesRates, type OutcomeHow } from './turnedOut';

/** How it is known, as a person chooses it. */
export const HOW_WORDS: Readonly<Record<OutcomeHow, string>> = {
  'next-batch': 'changed it in the next batch',
  test: 'tested it',
  seen: 'saw it',
  judged: 'judged by the record',
};

/** One outcome in a sentence, without who said it. */
export function outcomeSentence(o: CauseOutcome): string {
  const of = o.casting == null ? '' : ` on ${o.casting}`;
  const known = movesRates(o) ? HOW_WORDS[o.how] : 'judged by the record, which moves no rates';
  return `${o.symptom.replaceAll('-', ' ')}${of}: ${isRefuted(o) ? 'not ' : ''}${causeTitle(o.cause).toLowerCase()} (${known})`;
}
