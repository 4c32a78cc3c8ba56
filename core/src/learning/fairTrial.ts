import { castingOf, laidAs } from '../castings/castingList';
import { castingName } from '../formats/codes';
import type { Batch } from '../formats/batch';
import type { SymptomKind } from '../formats/vocabulary';
import { leavesOf } from '../formats/documentPath';
import { fieldLabel } from '../limits/fieldLabels';
import { heldAlike, isMaking, worstOf } from './changeAnswer';
import { grouped } from './grouped';
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

/** A label within a sentence: `Lot A` stays, `Stir` becomes `stir`. */
const within = (label: string) =>
  /^(Lot|Part) [AB]|^B for/.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);
const plain = (v: unknown): string | number | boolean | null =>
  typeof v === 'string' || typeof v === 'number' || typeof v === 'boolean' ? v : null;

/** What was mixed in, as one thing: a colour has a name, a kind and a mass, and is one difference. */
const additiveWords = (batch: Batch): string | null =>
  batch.additives == null
    ? null
    : batch.additives
        .map((a) => [a.name ?? a.kind ?? 'something', a.massG].filter((v) => v != null).join(' '))
        .join(', ') || 'none';

/** The mould of a casting, as one thing: another mould is another rubber, finish and age at once. */
const mouldWords = (batch: Batch): string | null => {
  const cavity = castingOf(batch, laidAs(batch))?.mould?.cavity;
  return batch.mould?.code == null ? null : `${batch.mould.code}${cavity == null ? '' : `, cavity ${cavity}`}`;
};

/** Castings of one mix are told apart by what they do not share: their colour and their mould are one thing each. */
function asOneThing(batch: Batch, all: Map<string, unknown>): void {
  if (laidAs(batch) === null) return;
  const [mould, colour] = [mouldWords(batch), additiveWords(batch)];
  for (const field of [...all.keys()])
    if (field.startsWith('additives[') || (mould !== null && field.startsWith('mould.'))) all.delete(field);
  if (mould !== null) all.set('mould', mould);
  if (colour !== null) all.set('additives', colour);
}

/** Grams alone say how much was made; the ratio and the size of the batch are what a piece feels. */
function made(batch: Batch): ReadonlyMap<string, unknown> {
  const all = new Map(leavesOf(batch));
  const [a, b] = [batch.mix?.amountA, batch.mix?.amountB];
  for (const field of ['mix.amountA', 'mix.amountB']) all.delete(field);
  if (a != null && b != null) all.set('mix.total', a + b);
  if (a != null && b != null && a > 0) all.set('mix.ratioBFor100A', Math.round((1000 * b) / a) / 10);
  asOneThing(batch, all);
  return all;
}

function stateOf(values: readonly (string | number | boolean | null)[]): TrialField['state'] {
  const known = values.filter((v) => v !== null);
  const alike = known.every((v) => heldAlike(v, known[0]) || v === known[0]);
  if (!alike) return 'differs';
  return known.length < values.length ? 'unknown' : 'held';
}

function fieldsOf(batches: readonly Batch[]): TrialField[] {
  const all = batches.map(made);
  const names = [...new Set(all.flatMap((m) => [...m.keys()]))].filter(isMaking).sort();
  return names.map((field) => {
    const values = all.map((m) => plain(m.get(field)));
    return { field, label: fieldLabel(field), values, state: stateOf(values) };
  });
}

const kindsSeen = (batches: readonly Batch[]): SymptomKind[] =>
  [...new Set(batches.flatMap((b) => (b.checks ?? []).flatMap((c) => (c.symptoms ?? []).map((s) => s.kind))))].sort();

/** Batches a side that it takes until Fisher's test is convinced, were all to come out as these did. */
export function batchesNeeded(): number {
  for (let n = 1; n <= MAX_A_SIDE; n += 1) if (fisherExact(n, 0, 0, n) <= CONVINCED) return n;
  return MAX_A_SIDE;
}

/** What counts as one of a trial: a casting where the thing differs between castings of a mix, else a whole mix. */
interface Unit {
  readonly value: string;
  readonly severities: readonly (number | null)[];
}

/** Worst of some severities; null where one was not looked at. */
const worst = (values: readonly (number | null)[]): number | null =>
  values.includes(null) ? null : Math.max(0, ...values.map((v) => v!));

function unitsOf(batches: readonly Batch[], field: TrialField, outcomes: FairTrial['outcomes']): Unit[] {
  const each = batches.map((b, i) => ({
    mix: laidAs(b) === null ? `${i}` : `mix ${b.code}`,
    value: String(field.values[i]),
    severities: outcomes.map((o) => o.severities[i] ?? null),
  }));
  const mixes = grouped(each, (u) => u.mix);
  const within = mixes.some(([, some]) => new Set(some.map((u) => u.value)).size > 1);
  if (within) return each;
  // Castings of one mix share its faults: they are one answer.
  return mixes.map(([, some]) => ({
    value: some[0]!.value,
    severities: outcomes.map((_, o) => worst(some.map((u) => u.severities[o]!))),
  }));
}

interface Parting {
  readonly kind: SymptomKind;
  /** With the fault and without, in the group; then elsewhere. */
  readonly counts: readonly [number, number, number, number];
  readonly p: number;
}

/** How one symptom parts between the units of one group and the others. */
function partingOf(units: readonly Unit[], kind: SymptomKind, at: number, group: string): Parting {
  const count = (inGroup: boolean, bad: boolean) =>
    units.filter((u) => (u.value === group) === inGroup && (u.severities[at] ?? 0) > 0 === bad).length;
  const counts = [count(true, true), count(true, false), count(false, true), count(false, false)] as const;
  return { kind, counts, p: fisherExact(...counts) };
}

/** Groups the batches by the one thing that differs, and asks whether their outcomes part with it. */
function judge(batches: readonly Batch[], field: TrialField, outcomes: FairTrial['outcomes']): TrialVerdict {
  const units = unitsOf(batches, field, outcomes);
  if (batches.some((b) => (b.checks ?? []).length === 0))
    return { can: 'not-yet', says: 'Not every one was looked at yet.', more: null };
  const groups = [...new Set(units.map((u) => u.value))];
  const best = outcomes
    .flatMap((o, i) => groups.map((group) => partingOf(units, o.kind, i, group)))
    .sort((x, y) => x.p - y.p)[0];
  if (!best)
    return { can: 'not-yet', says: 'No fault was seen on any of them: there is nothing to tell apart.', more: null };
  const ofOneMix = batches.every((b) => laidAs(b) !== null) && new Set(batches.map((b) => b.code)).size === 1;
  const one = `${ofOneMix ? 'One mix, and one' : 'One'} thing differs, ${within(field.label)}`;
  if (best.p <= CONVINCED)
    return {
      can: 'yes',
      says: `${one}, and ${best.kind} parts with it: chance would do that in ${(best.p * 100).toFixed(1)} %.`,
      more: 0,
    };
  const smallest = Math.min(...groups.map((g) => units.filter((u) => u.value === g).length));
  const more = Math.max(1, batchesNeeded() - smallest);
  const [bad, good] = best.counts;
  const mixed = bad > 0 && good > 0;
  return {
    can: 'not-yet',
    says: mixed
      ? `${one}, but the outcomes do not part cleanly with it. Do it again.`
      : `${one}. Too few to tell from chance: ${more} more each way, were they to come out the same.`,
    more,
  };
}

/** Things named in a sentence; more of them are hinted at. */
const NAMED = 5;

function verdictOf(
  batches: readonly Batch[],
  differs: readonly TrialField[],
  outcomes: FairTrial['outcomes'],
): TrialVerdict {
  if (batches.length < 2) return { can: 'no', says: 'One batch is no trial. Take a second.', more: null };
  const [only] = differs;
  if (!only)
    return {
      can: 'no',
      says: 'Nothing that was written down differs: what parts them, if anything does, is chance or was not recorded.',
      more: null,
    };
  if (differs.length === 1) return judge(batches, only, outcomes);
  const names = differs.slice(0, NAMED).map((f) => within(f.label));
  const list = `${names.join(', ')}${differs.length > NAMED ? ' …' : ''}`;
  return {
    can: 'no',
    says: `${differs.length} things differ (${list}), so it cannot say which of them did it. Change one thing and keep the rest.`,
    more: null,
  };
}

/**
 * Batches held side by side: what differs between them, what was held, what nobody wrote down, what came out, and
 * whether that can tell what did it.
 * @param batches two or more
 */
export function fairTrial(batches: readonly Batch[]): FairTrial {
  const fields = fieldsOf(batches);
  const inState = (state: TrialField['state']) => fields.filter((f) => f.state === state);
  const differs = inState('differs');
  const outcomes = kindsSeen(batches).map((kind) => ({ kind, severities: batches.map((b) => worstOf(b, kind)) }));
  return {
    codes: batches.map((b) => castingName(b.code ?? '', laidAs(b))),
    differs,
    held: inState('held'),
    unknown: inState('unknown'),
    outcomes,
    verdict: verdictOf(batches, differs, outcomes),
  };
}
