import type { CauseShare, SymptomDiagnosis, Together } from '../formats/diagnosis';
import { askLabel } from '../limits/fieldLabels';
import { causeTitle } from './catalogue';

/** From this share a cause is named alone. */
const PLAIN_SHARE = 0.55;
/** A second cause from this share is named beside it. */
const BESIDE_SHARE = 0.2;
/** Below this share the record does not tell, and a question is the honest answer. */
const TELLING_SHARE = 0.3;

/** A share as people read it: never wholly certain, and never nothing. */
export function sharePercent(share: number): string {
  if (share > 0.99) return 'over 99';
  return share < 0.005 ? 'under 1' : String(Math.round(share * 100));
}
const percent = (share: number) => `${sharePercent(share)}\u00a0%`;
const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** One sentence of a diagnosis, as a technician would say "because". */
export function summarySentence({
  causes,
  ask,
  together,
}: {
  readonly causes: readonly Pick<CauseShare, 'id' | 'share'>[];
  readonly ask: SymptomDiagnosis['ask'];
  readonly together?: Together | null;
}): string {
  if (together)
    return `${causeTitle(together.ids[0])} and ${lowerFirst(causeTitle(together.ids[1]))} both, by the record.`;
  const [first, second] = causes.filter((c) => c.id !== 'something-else');
  const unknown = causes.find((c) => c.id === 'something-else')?.share ?? 1;
  if (!first || first.share < TELLING_SHARE || unknown > first.share) {
    const question = ask[0] ? ` Find out first: ${lowerFirst(askLabel(ask[0].field))}.` : ' Nothing in it stands out.';
    return `The record does not tell why.${question}`;
  }
  const name = causeTitle(first.id);
  if (first.share >= PLAIN_SHARE && (!second || second.share < BESIDE_SHARE))
    return `${name}, ${percent(first.share)} sure by the record.`;
  return second && second.share >= BESIDE_SHARE
    ? `${name} (${percent(first.share)}), or ${lowerFirst(causeTitle(second.id))} (${percent(second.share)}).`
    : `${name} is the likeliest (${percent(first.share)}), but not by much.`;
}
