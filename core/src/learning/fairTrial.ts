import type { Batch } from '../formats/batch';
import type { SymptomKind } from '../formats/vocabulary';
import { leavesOf } from '../formats/changedFields';
import { fieldLabel } from '../limits/fieldLabels';
import { binomialAtLeast } from './binomial';
import { heldAlike, isMaking, worstOf } from './changeAnswer';
import { fisherExact } from './fisherExact';

/** One field over the batches of a trial. */
export interface TrialField {
  readonly field: string;
  readonly label: string;
  readonly values: readonly (string | number | boolean | null)[];
  readonly state: 'differs' | 'held' | 'unknown';
}

export interface TrialVerdict {
  readonly can: 'yes' | 'no' | 'not-yet';
  readonly says: string;
  readonly more: number | null;
}

export interface FairTrial {
  readonly codes: readonly string[];
  readonly differs: readonly TrialField[];
  readonly held: readonly TrialField[];
  readonly unknown: readonly TrialField[];
  /** Worst severity of each symptom in each batch; null where nobody looked. */
  readonly outcomes: readonly { readonly kind: SymptomKind; readonly severities: readonly (number | null)[] }[];
  readonly verdict: TrialVerdict;
}

/** A difference that one batch each way could show: chance would do that in more than this. */
const CONVINCED = 0.05;
/** Batches a side beyond which one more answer is not asked for. */
const MAX_A_SIDE = 40;

const OWN_LABELS: Readonly<Record<string, string>> = {
  'mix.total': 'Size of the batch',
  'mix.ratioBFor100A': 'B for 100 of A',
};
/** A label within a sentence: `Lot A` stays, `Stir` becomes `stir`. */
const within = (label: string) =>
  /^(Lot|Part) [AB]|^B for/.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);
const plain = (v: unknown): string | number | boolean | null =>
  typeof v === 'string' || typeof v === 'number' || typeof v === 'boolean' ? v : null;

/** Grams alone say how much was made; the ratio and the size of the batch are what a piece feels. */
function made(batch: Batch): ReadonlyMap<string, unknown> {
  const all = new Map(leavesOf(batch));
  const [a, b] = [batch.mix?.amountA, batch.mix?.amountB];
  for (const field of ['mix.amountA', 'mix.amountB', 'mix.unit']) all.delete(field);
  if (a != null && b != null) all.set('mix.total', a + b);
  if (a != null && b != null && a > 0) all.set('mix.ratioBFor100A', Math.round((1000 * b) / a) / 10);
  return all;
}

function fieldsOf(batches: readonly Batch[]): TrialField[] {
  const all = batches.map(made);
  const names = [...new Set(all.flatMap((m) => [...m.keys()]))].filter(isMaking).sort();
  return names.map((field) => {
    const values = all.map((m) => plain(m.get(field)));
    const known = values.filter((v) => v !== null);
    const alike = known.every((v) => heldAlike(v, known[0]) || v === known[0]);
    return {
      field,
      label: OWN_LABELS[field] ?? fieldLabel(field),
      values,
      state: !alike ? 'differs' : known.length < values.length ? 'unknown' : 'held',
    };
  });
}

const kindsSeen = (batches: readonly Batch[]): SymptomKind[] =>
  [...new Set(batches.flatMap((b) => (b.checks ?? []).flatMap((c) => (c.symptoms ?? []).map((s) => s.kind))))].sort();

/** Batches a side that it takes until Fisher's test is convinced, were all to come out as these did. */
export function batchesNeeded(): number {
  for (let n = 1; n <= MAX_A_SIDE; n += 1) if (fisherExact(n, 0, 0, n) <= CONVINCED) return n;
  return MAX_A_SIDE;
}

/** Groups the batches by the one thing that differs, and asks whether their outcomes part with it. */
function judge(field: TrialField, outcomes: FairTrial['outcomes']): TrialVerdict {
  const looked = field.values.map((_, i) => outcomes.every((o) => o.severities[i] !== null));
  const groups = [...new Set(field.values.map(String))];
  const needed = batchesNeeded();
  const best = outcomes
    .flatMap((o) =>
      groups.map((g) => {
        const counts = { a: 0, b: 0, c: 0, d: 0 };
        field.values.forEach((v, i) => {
          if (!looked[i]) return;
          const bad = (o.severities[i] ?? 0) > 0;
          const mine = String(v) === g;
          if (mine) {
            if (bad) counts.a += 1;
            else counts.b += 1;
          } else if (bad) counts.c += 1;
          else counts.d += 1;
        });
        return { kind: o.kind, g, ...counts, p: fisherExact(counts.a, counts.b, counts.c, counts.d) };
      }),
    )
    .sort((x, y) => x.p - y.p)[0];
  if (looked.some((l) => !l)) return { can: 'not-yet', says: 'Not every one was looked at yet.', more: null };
  if (!best)
    return { can: 'not-yet', says: 'No fault was seen on any of them: there is nothing to tell apart.', more: null };
  if (best.p <= CONVINCED)
    return {
      can: 'yes',
      says: `One thing differs, ${within(field.label)}, and ${best.kind} parts with it: chance would do that in ${(best.p * 100).toFixed(1)} %.`,
      more: 0,
    };
  const fewest = Math.min(...groups.map((g) => field.values.filter((v) => String(v) === g).length));
  const more = Math.max(1, needed - fewest);
  const mixed = best.b > 0 && best.a > 0;
  return {
    can: 'not-yet',
    says: mixed
      ? `One thing differs, ${within(field.label)}, but the outcomes do not part cleanly with it. Do it again.`
      : `One thing differs, ${within(field.label)}. Too few to tell from chance: ${more} more each way, were they to come out the same.`,
    more,
  };
}

/**
 * Batches held side by side: what differs between them, what was held, what nobody wrote down, what came out, and whether
 * that can tell what did it.
 * @param batches two or more
 */
export function fairTrial(batches: readonly Batch[]): FairTrial {
  const fields = fieldsOf(batches);
  const [differs, held, unknown] = (['differs', 'held', 'unknown'] as const).map((state) =>
    fields.filter((f) => f.state === state),
  ) as [TrialField[], TrialField[], TrialField[]];
  const outcomes = kindsSeen(batches).map((kind) => ({ kind, severities: batches.map((b) => worstOf(b, kind)) }));
  const verdict: TrialVerdict =
    batches.length < 2
      ? { can: 'no', says: 'One batch is no trial. Take a second.', more: null }
      : differs.length === 0
        ? {
            can: 'no',
            says: 'Nothing that was written down differs: what parts them, if anything does, is chance or was not recorded.',
            more: null,
          }
        : differs.length > 1
          ? {
              can: 'no',
              says: `${differs.length} things differ (${differs
                .slice(0, 5)
                .map((f) => within(f.label))
                .join(
                  ', ',
                )}${differs.length > 5 ? ' …' : ''}), so it cannot say which of them did it. Change one thing and keep the rest.`,
              more: null,
            }
          : judge(differs[0]!, outcomes);
  return { codes: batches.map((b) => b.code ?? ''), differs, held, unknown, outcomes, verdict };
}

/** An attempt of a series, in the order they were made. */
export interface Attempt {
  readonly code: string;
  readonly worst: number | null;
  readonly changes: readonly string[];
}

/** Whether attempts one after the other get better, by the sign of their steps. */
export function seriesTrend(attempts: readonly Attempt[]): {
  readonly trend: 'better' | 'worse' | 'level' | 'too-few';
  readonly says: string;
} {
  const seen = attempts.flatMap((a) => (a.worst === null ? [] : [a.worst]));
  if (seen.length < 3)
    return { trend: 'too-few', says: `${seen.length} of ${attempts.length} looked at; three make a trend.` };
  const steps = seen
    .slice(1)
    .map((v, i) => Math.sign(v - seen[i]!))
    .filter((s) => s !== 0);
  const down = steps.filter((s) => s < 0).length;
  if (steps.length === 0) return { trend: 'level', says: 'It stays as it was.' };
  const trend = seen.at(-1)! < seen[0]! ? 'better' : seen.at(-1)! > seen[0]! ? 'worse' : 'level';
  const p = binomialAtLeast(Math.max(down, steps.length - down), steps.length, 0.5);
  return {
    trend,
    says:
      trend === 'level'
        ? 'It ends as it began.'
        : `${trend === 'better' ? 'Less' : 'More'} from the first to the last${p > 0.1 ? ', though so few steps could be chance' : ''}.`,
  };
}
