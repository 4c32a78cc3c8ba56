import type { Finding, Unanswered } from '@warm-jar/core';

const percent = (v: number) => `${Math.round(v * 100)} %`;
const about = (v: number) => (v < 9.5 ? (Math.round(v * 2) / 2).toString() : Math.round(v).toString());

/** What is due to a finding, and what acting on it would save in a year. */
export function dueWords({ due, actionable }: Finding, fault: string): string {
  if (due.castingsAYear < 0.5) return `Hardly any of all ${fault} is due to it.`;
  const share = `About ${percent(due.share)} of all ${fault} is due to it`;
  const castings = `${about(due.castingsAYear)} castings a year (${about(due.low)} to ${about(due.high)})`;
  const money = due.moneyAYear === null || due.moneyAYear < 0.5 ? '' : `, worth ${about(due.moneyAYear)}`;
  return actionable ? `${share}: acting on it would save ${castings}${money}.` : `${share}: ${castings}${money}.`;
}

/** What this log would have found of a question that was not answered yes. */
export function wouldFindWords({ wouldFind, without }: Unanswered): string {
  if (wouldFind === null) return 'nothing: too few castings';
  return `${percent(wouldFind)} or more, against ${percent(without.rate)}`;
}
