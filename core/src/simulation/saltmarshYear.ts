import { batchSchema, type Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { PATTERNS_BY_SYMPTOM, type CauseId, type SymptomKind } from '../formats/vocabulary';
import { workingTime } from '../cure/workingTime';
import { chanceFrom, type Chance } from './chance';
import { INJECTED_FAULTS, couldBe } from './hiddenCase';
import { FIRST_CODE } from './saltmarshBatches';
import { saltmarshCard } from './saltmarshCards';
import { saltmarshLot } from './saltmarshShelf';
import type { Patch } from './injectedFault';
import { overlay, soundBatch } from './soundBatch';
import { benchAir, yearJobs, type Job } from './yearCalendar';
import { touchesOf, type Fault, type HiddenCause } from './yearCauses';
import { checksOf, mendsOfYear } from './yearChecks';
import { toldApart } from './yearCastings';
import { foundOut } from './yearOutcomes';
import { lotInUse } from './yearLots';

/** A casting of the made-up year, with what spoiled it, known to its maker alone. */
export interface YearBatch {
  readonly batch: Batch;
  readonly touched: readonly HiddenCause[];
  readonly cause: CauseId | null;
}

export interface YearOptions {
  readonly seed?: number;
  /** Without hidden causes, faults fall anywhere alike and leave no trace in the record. */
  readonly hidden?: boolean;
}

export const YEAR_SEED = 8;
/**
 * Share of castings spoiled by an ordinary fault, and, in the year
 * without hidden causes, by nothing that is on record.
 */
const [FAULT_RATE, ANYHOW_RATE] = [0.09, 0.28];
/** Share in which somebody timed the witness cup, and the lots' own pace against the card. */
const [WITNESS_RATE, WITNESS_SPREAD] = [0.55, 0.05];
const OWN_PACE: Readonly<Record<string, number>> = { 'house-deep-40': 1.17, 'house-clear-6': 0.93 };
const ORDINARY: readonly SymptomKind[] = [
  'bubbles',
  'bubbles',
  'bubbles',
  'tacky',
  'tacky',
  'soft',
  'yellowing',
  'haze',
  'sink',
  'cracks',
];

function everyday(job: Job, card: Product, chance: Chance): Patch {
  const { roomC, humidityPct, warmth } = benchAir(job.startMs, chance);
  // Resin stands on the shelf until it is wanted: a little under the card's middle, colder in winter.
  const resinC =
    card.resin?.minC != null && card.resin.maxC != null
      ? chance.normal(card.resin.minC + (card.resin.maxC - card.resin.minC) * 0.35 + 1.6 * warmth, 1.3)
      : roomC;
  return {
    room: { temperatureC: roomC, humidityPct },
    resin: { temperatureAC: resinC, temperatureBC: resinC + chance.normal(0, 0.3), atPourC: resinC + 0.4 },
    cure: { temperatureC: roomC + chance.normal(0, 0.4), covered: chance.flip(0.8) },
    mix: {
      scrapedWalls: chance.flip(0.92),
      tool: chance.pick(['steel', 'plastic'] as const),
      scaleStepG: job.totalG > 25 ? 0.1 : 0.01,
    },
    pour: { leftG: chance.flip(0.6) ? job.totalG * chance.between(0.015, 0.06) : null },
  };
}

/** An ordinary fault with its fault, as the catalogue has it; null where this one leaves none with the card. */
function ordinaryFault(job: Job, card: Product, base: Batch, chance: Chance): { patch: Patch; fault: Fault } | null {
  const kind = chance.pick(ORDINARY);
  const pattern = chance.pick<string>(PATTERNS_BY_SYMPTOM[kind]);
  const scene = {
    chance,
    card,
    seen: { kind, pattern },
    totalG: job.totalG,
    gelMin: workingTime(card, base).gelMin,
    startedAt: base.startedAt ?? '',
  };
  const { cause } = chance.weighted(couldBe(scene), (c) => c.weight);
  const injected = cause === 'something-else' ? { patch: {} } : INJECTED_FAULTS[cause]?.(scene);
  if (!injected || cause === 'mould-flaw') return null;
  // A mould keeps its code and its own pulls, a lot its code, whatever the fault does to the rest.
  const { mould, lotA, lotB, ...patch } = injected.patch;
  const without = (part: unknown) =>
    Object.fromEntries(Object.entries((part ?? {}) as Patch).filter(([k]) => k !== 'code' && k !== 'pulls'));
  return {
    patch: {
      ...patch,
      ...(mould && job.mould ? { mould: without(mould) } : {}),
      ...(lotA ? { lotA: without(lotA) } : {}),
      ...(lotB ? { lotB: without(lotB) } : {}),
    },
    fault: {
      kind,
      pattern,
      severity: chance.weighted([2, 3, 4], (s) => 5 - s),
      cause,
      ...('afterH' in injected && injected.afterH ? { afterH: injected.afterH } : {}),
    },
  };
}

/** What else was seen on a piece that more than one thing had gone wrong with. */
const alsoSeen = (checks: Patch[], others: readonly Fault[]): Patch[] =>
  checks.map((check) => {
    const seen = check['symptoms'] as Patch[];
    return seen.length === 0
      ? check
      : {
          ...check,
          symptoms: [...seen, ...others.map((f) => ({ kind: f.kind, pattern: f.pattern, severity: f.severity }))],
        };
  });

const anyhow = (chance: Chance): Fault => ({
  kind: chance.pick(['bubbles', 'tacky', 'soft', 'yellowing'] as const),
  pattern: 'unspecified',
  severity: 2,
  cause: 'something-else',
});

/** Figures as a scale, a clock and a thermometer give them. */
const rounded = (batch: Batch): Batch =>
  batchSchema.parse(
    JSON.parse(
      JSON.stringify(batch, (key, value: unknown) =>
        typeof value === 'number' &&
        key !== 'scaleStepG' &&
        /(Min|C|G|Mm|Pct|amountA|amountB|minutes|KPaAbs|KPa|H)$/.test(key)
          ? Math.round(value * 10) / 10
          : value,
      ),
    ),
  );

type Touch = ReturnType<typeof touchesOf>[number];

/** The lots that a job is poured from: those in use, or the forgotten ones where a hidden cause asks for it. */
function lotsOf(job: Job, card: Product, nowMs: number, forgotten: boolean) {
  const lot = (part: 'A' | 'B') =>
    lotInUse(card, part, job.startMs, forgotten ? saltmarshLot(job.slug, part, new Date(nowMs), true) : null);
  return { lotA: lot('A'), lotB: card.family === 'uv-acrylate' ? null : lot('B') };
}

/** What went wrong with a job: hidden causes first, then an ordinary fault, or one that nothing explains. */
function faultsOf(job: Job, card: Product, base: Batch, touches: readonly Touch[], chance: Chance, hidden: boolean) {
  const spoiled = touches.filter((t) => chance.flip(t.rate)).map((t) => t.fault(chance));
  const plain = hidden && touches.length === 0 && chance.flip(FAULT_RATE);
  const ordinary = plain ? ordinaryFault(job, card, base, chance) : null;
  const byItself = () => (chance.flip(ANYHOW_RATE) ? anyhow(chance) : null);
  const fault = hidden ? (spoiled[0] ?? ordinary?.fault ?? null) : byItself();
  return { fault, others: spoiled.slice(1).filter((f) => f.kind !== fault?.kind), patch: ordinary?.patch ?? {} };
}

/** When the witness cup gelled, where somebody timed it. */
function witnessOf(job: Job, card: Product, made: Batch, chance: Chance): Patch {
  const gelMin = workingTime(card, made).gelMin;
  if (gelMin === null || !chance.flip(WITNESS_RATE)) return {};
  return {
    witness: { setMin: gelMin * (OWN_PACE[job.slug] ?? 1) * Math.exp(chance.normal(0, WITNESS_SPREAD)) },
  };
}

function make(job: Job, nowMs: number, chance: Chance, hidden: boolean): YearBatch {
  const card = saltmarshCard(job.slug);
  const startedAt = new Date(job.startMs).toISOString().replace(/\.\d{3}Z$/, '+00:00');
  const context: Patch = {
    startedAt,
    by: job.by,
    mould: job.mould ? { code: job.mould, pulls: job.pulls } : null,
    note: '',
  };
  const base = soundBatch(job.slug, overlay(context, everyday(job, card, chance)), job.totalG);
  const gelMin = workingTime(card, base).gelMin;
  const touches = hidden ? touchesOf({ job, card, nowMs, gelMin, chance }) : [];
  const { fault, others, patch } = faultsOf(job, card, base, touches, chance, hidden);
  const lots = lotsOf(
    job,
    card,
    nowMs,
    touches.some((t) => t.forgottenLot),
  );
  const all = [...touches.map((t) => t.patch), patch].reduce<Patch>((sum, p) => overlay(sum, p), lots);
  const made = soundBatch(job.slug, overlay(overlay(context, everyday(job, card, chance)), all), job.totalG);
  const witness = witnessOf(job, card, made, chance);
  const checks = alsoSeen(checksOf(card, fault, chance), others);
  const mends = mendsOfYear(fault, checks, job.by, chance);
  const looks = mends ? { checks: mends.checks, mends: mends.mends } : { checks };
  const whole = overlay(overlay(made, witness), looks);
  return { batch: rounded(batchSchema.parse(whole)), touched: touches.map((t) => t.name), cause: fault?.cause ?? null };
}

/**
 * The demo year: two hundred castings by season, ending where the hand-told recent weeks begin, with causes hidden in
 * them that the log can give away. The same for the same seed and day. Codes run up to the recent weeks'.
 * @param now moment that "today" is counted from
 */
export function saltmarshYear(now: Date, { seed = YEAR_SEED, hidden = true }: YearOptions = {}): YearBatch[] {
  const chance = chanceFrom(seed);
  const made = yearJobs(now, chance).map((job) => make(job, now.getTime(), chance, hidden));
  const code = (i: number) => `B-${String(FIRST_CODE - made.length + i).padStart(4, '0')}`;
  // Dealt out by a chance of its own, so that the year itself is the same with castings told apart.
  const apart = chanceFrom(seed + 1);
  const known = chanceFrom(seed + 2);
  return made.map((m, i) => {
    const batch = { ...toldApart(m.batch, now.getTime(), apart), code: code(i) };
    return { ...m, batch: foundOut(batch, m.cause, now.getTime(), known) };
  });
}
