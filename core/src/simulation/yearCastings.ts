import type { Batch, Casting, Check } from '../formats/batch';
import type { Chance } from './chance';
import { saltmarshMoulds } from './saltmarshMoulds';

/** From when the studio told its castings apart, days before today. */
const SINCE_DAYS = 210;
const DAY_MS = 86_400_000;
/** One casting of a good mix is a second for something at the bench, this often; and what a second brings. */
const [CHIPPED_RATE, SECOND_SHARE] = [0.16, 0.65];
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

/**
 * A batch with its castings told apart, as the studio has it since the spring: one a cavity, weighed as it came out,
 * poured one after the other. A mix that passed may have one casting that did not.
 * @param nowMs today, which the spring is counted from
 */
export function toldApart(batch: Batch, nowMs: number, chance: Chance): Batch {
  const mould = saltmarshMoulds().find((m) => m.code === batch.mould?.code);
  const count = mould?.cavities?.length ?? 0;
  const began = Date.parse(batch.startedAt ?? '');
  if (!mould || mould.hollow || count < 2 || count > 6 || nowMs - began > SINCE_DAYS * DAY_MS) return batch;
  const price = PRICES[mould.code] ?? null;
  const totalG = (batch.mix?.amountA ?? 0) + (batch.mix?.amountB ?? 0);
  const start = batch.pour?.startedMin ?? 0;
  const step = Math.max(0.1, ((batch.pour?.finishedMin ?? start + count * 0.4) - start) / count);
  const oneG = (totalG * 0.95) / count;
  const castings: Casting[] = Array.from({ length: count }, (_, i) => ({
    id: `k${i + 1}`,
    mould: { code: mould.code, cavity: i + 1 },
    massG: Math.round(oneG * (1 + chance.normal(0, 0.01)) * 10) / 10,
    pouredMin: Math.round((start + (i + 1) * step) * 10) / 10,
  }));
  const ids = castings.map((k) => k.id);
  const checks = ofOneCavity(batch.checks ?? [], ids, 2);
  const last = checks.at(-1);
  const chipped = last?.grade === 'pass' && chance.flip(CHIPPED_RATE) ? chance.pick(castings) : null;
  if (chipped && last) checks.push({ afterH: last.afterH, casting: chipped.id, symptoms: [], grade: 'second' });
  const priced = (k: Casting): Casting => {
    const grade = checks.filter((c) => c.casting == null || c.casting === k.id).at(-1)?.grade;
    if (k === chipped)
      return { ...k, reason: chance.pick(CHIPS), price: price === null ? null : Math.round(price * SECOND_SHARE) };
    if (grade === 'pass') return { ...k, price };
    return grade === 'second' ? { ...k, price: price === null ? null : Math.round(price * SECOND_SHARE) } : k;
  };
  return { ...batch, castings: castings.map(priced), checks };
}
