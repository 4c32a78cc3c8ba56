import type { Batch, Casting, Check } from '../formats/batch';
import type { Chance } from './chance';
import { saltmarshMoulds } from './saltmarshMoulds';

/** From when the studio told its castings apart, days before today. */
const SINCE_DAYS = 210;
const DAY_MS = 86_400_000;
/** One casting of a good mix is a second for something at the bench, this often; and what a second brings. */
const [CHIPPED_RATE, SECOND_SHARE] = [0.3, 0.65];
/** What a sound casting out of each mould sells for. */
const PRICES: Readonly<Record<string, number>> = {
  'M-01': 12,
  'M-02': 14,
  'M-05': 22,
  'M-08': 12,
  'M-12': 18,
  'M-14': 12,
  'M-15': 26,
  'M-17': 16,
  'M-21': 20,
};
/** The cavity with the nick, counted from 0; faults that not every casting of a mix catches, and how many do. */
const NICKED = 2;
const SOME_CATCH: ReadonlySet<string> = new Set(['bubbles', 'haze', 'sink', 'cracks', 'mark']);
const CAUGHT_RATE = 0.6;
const CHIPS = ['chipped tip', 'seam sanded through', 'dust in the face', 'dropped in trimming'] as const;

const pass = (afterH: number): Check => ({ afterH, symptoms: [], grade: 'pass' });

const seenIn = (check: Check) => check.symptoms ?? [];

/**
 * Which castings show what was seen: the nick's own cavity a fault that the mould makes, each by chance what not every
 * casting of a mix catches, and all of them what the mix itself did.
 */
function shownBy(checks: readonly Check[], ids: readonly string[], chance: Chance): readonly string[] | null {
  const seen = checks.flatMap(seenIn);
  if (seen.some((s) => s.pattern === 'same-spot')) return ids.slice(NICKED, NICKED + 1);
  if (seen.length === 0 || !seen.every((s) => SOME_CATCH.has(s.kind))) return null;
  const caught = ids.filter(() => chance.flip(CAUGHT_RATE));
  return caught.length > 0 ? caught : [chance.pick(ids)];
}

/** The looks at those castings that show something, after one at all of them in which the others passed. */
function looksAtEach(checks: readonly Check[], ids: readonly string[], chance: Chance): Check[] {
  const shown = shownBy(checks, ids, chance);
  const first = checks.find((c) => seenIn(c).length > 0);
  if (shown === null || !first || shown.length === ids.length) return [...checks];
  return [
    pass(first.afterH),
    ...checks.flatMap((c) =>
      seenIn(c).length > 0 || c.afterH > first.afterH ? shown.map((casting) => ({ ...c, casting })) : [c],
    ),
  ];
}

/** How many castings a mould gave that the studio tells apart; none where it does not. */
function apartOf(batch: Batch, nowMs: number): number {
  const mould = saltmarshMoulds().find((m) => m.code === batch.mould?.code);
  const count = mould?.cavities?.length ?? 0;
  const before = nowMs - Date.parse(batch.startedAt ?? '') > SINCE_DAYS * DAY_MS;
  return mould?.hollow || count < 2 || count > 6 || before ? 0 : count;
}

/** One casting a cavity, poured one after the other. */
function pouredInto(batch: Batch, count: number, chance: Chance): Casting[] {
  const { startedMin, finishedMin } = batch.pour ?? {};
  const start = startedMin ?? 0;
  const step = Math.max(0.1, ((finishedMin ?? start + count * 0.4) - start) / count);
  const oneG = (((batch.mix?.amountA ?? 0) + (batch.mix?.amountB ?? 0)) * 0.95) / count;
  const code = batch.mould?.code ?? null;
  return Array.from({ length: count }, (_, i) => ({
    id: `k${i + 1}`,
    mould: { code, cavity: i + 1 },
    massG: Math.round(oneG * (1 + chance.normal(0, 0.01)) * 10) / 10,
    pouredMin: Math.round((start + (i + 1) * step) * 10) / 10,
  }));
}

/** What a casting sells for, and why for less. */
function priced(casting: Casting, checks: readonly Check[], full: number | null, reason: string | null): Casting {
  const grade = checks.filter((c) => c.casting == null || c.casting === casting.id).at(-1)?.grade;
  if (full === null || (grade !== 'pass' && grade !== 'second')) return casting;
  const price = grade === 'pass' ? full : Math.round(full * SECOND_SHARE);
  return { ...casting, ...(reason === null ? {} : { reason }), price };
}

/**
 * A batch with its castings told apart, as the studio has it since the spring: one a cavity, weighed as it came out,
 * poured one after the other. A mix that passed may have one casting that did not.
 * @param nowMs today, which the spring is counted from
 */
export function toldApart(batch: Batch, nowMs: number, chance: Chance): Batch {
  const count = apartOf(batch, nowMs);
  if (count === 0) return batch;
  const castings = pouredInto(batch, count, chance);
  const checks = looksAtEach(
    batch.checks ?? [],
    castings.map((k) => k.id),
    chance,
  );
  const last = checks.at(-1);
  const chipped = last?.grade === 'pass' && chance.flip(CHIPPED_RATE) ? chance.pick(castings) : null;
  if (chipped && last) checks.push({ afterH: last.afterH, casting: chipped.id, symptoms: [], grade: 'second' });
  const full = PRICES[batch.mould?.code ?? ''] ?? null;
  const why = chance.pick(CHIPS);
  return { ...batch, castings: castings.map((k) => priced(k, checks, full, k === chipped ? why : null)), checks };
}
