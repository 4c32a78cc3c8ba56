import { levelWords } from './factors';
import type { Finding, Share } from './finding';

/** What products are called, by their slugs. */
export type Names = Readonly<Record<string, string>> | undefined;

const percent = (v: number) => `${Math.round(v * 100)}`;
const rateWords = (s: Share) => `${s.k} of ${s.n} (${percent(s.rate)} %, ${percent(s.low)}–${percent(s.high)})`;
function chanceWords(p: number): string {
  if (p < 0.0005) return 'less than once in 2 000';
  return `${(p * 100).toFixed(p < 0.01 ? 2 : 1)} %`;
}
const times = (v: number) => (v < 10 ? v.toFixed(1) : v.toFixed(0));
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A finding in words, with its numbers. */
export function findingSentence(f: Omit<Finding, 'says'>, questions: number, names: Names): string {
  const seen = f.pattern ? `${f.kind}, ${f.pattern.replaceAll('-', ' ')},` : f.kind.replaceAll('-', ' ');
  const same =
    f.same.length > 0
      ? ` The same castings are those ${f.same.map((l) => levelWords(l.factor, l.level, names)).join(', and ')}.`
      : '';
  const rates = `${rateWords(f.with)} castings ${levelWords(f.factor, f.level, names)}, against ${rateWords(f.without)} otherwise`;
  const chance = `Of ${questions} questions asked, an answer this sure is chance in ${chanceWords(f.adjustedP)}.`;
  const hint = f.small ? ' Few castings: take it as a hint.' : '';
  return `${capital(seen)} in ${rates}. ${chance}${same}${besideWords(f, names)}${hint}`;
}

/** What is left of it beside what travels with it. */
function besideWords(f: Omit<Finding, 'says'>, names: Names): string {
  const { oddsRatio, low, high } = f.parted;
  const odds = `the odds are ${times(oddsRatio)} times as high (${times(low)}–${times(high)})`;
  if (f.independent) return ` Beside what travels with it, ${odds}.`;
  if (!f.confoundedWith) return ` Beside the products, ${odds}, which may still be chance.`;
  const other = levelWords(f.confoundedWith.factor, f.confoundedWith.level, names);
  return ` It travels with castings ${other}, and the log cannot part the two.`;
}
