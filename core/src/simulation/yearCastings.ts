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
const CHIPS = ['chipped tip', 'seam sanded through', 'dust in the face', 'dropped in trimming'] as const;

const pass = (afterH: number): Check => ({ afterH, symptoms: [], grade: 'pass' });

/** A fault that the mould makes shows on the casting of its cavity alone; whatever the mix did shows on all. */
function ofOneCavity(checks: readonly Check[], ids: readonly string[], at: number): Check[] {
  const flawed = checks.filter((c) => (c.symptoms ?? []).some((s) => s.pattern === 'same-spot'));
  const id = ids[at];
  if (flawed.length === 0 || id === undefined) return [...checks];
  return [pass(flawed[0]!.afterH), ...checks.map((c) => (flawed.includes(c) ? { ...c, casting: id } : c))];
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
  const checks = ofOneCavity(
    batch.checks ?? [],
    castings.map((k) => k.id),
    2,
  );
  const last = checks.at(-1);
  const chipped = last?.grade === 'pass' && chance.flip(CHIPPED_RATE) ? chance.pick(castings) : null;
  if (chipped && last) checks.push({ afterH: last.afterH, casting: chipped.id, symptoms: [], grade: 'second' });
  const full = PRICES[batch.mould?.code ?? ''] ?? null;
  const why = chance.pick(CHIPS);
  return { ...batch, castings: castings.map((k) => priced(k, checks, full, k === chipped ? why : null)), checks };
}
