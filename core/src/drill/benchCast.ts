import { boyleDiameterRatio } from '../air/boyle';
import { dewPointC } from '../air/dewPoint';
import { largestDissolvedMm } from '../bubbles/dissolve';
import { fluidityIntegral, smallestClearedMm } from '../bubbles/rise';
import { minutesAt } from '../cure/equivalentAge';
import { SHEET_DENSITY_G_PER_ML, SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import { mixCurve, type MixCurve } from '../cure/mixCurve';
import { causeTitle } from '../diagnosis/catalogue';
import type { BenchResult, MadeFault } from '../formats/benchDrill';
import { batchSchema, type Batch } from '../formats/batch';
import type { CauseId } from '../formats/vocabulary';
import { diagnose } from '../diagnosis/diagnose';
import { ratioErrorPct } from '../mixing/ratio';
import { wordsIn, type Say } from '../units/wording';
import { gaugeAt, highestKPa, mixedMin, pouredG, stirredMin, type BenchCase, type BenchState } from './benchRun';

/** A mix as it met its mould, by the core's models: minutes are from when its parts met. */
interface Run {
  readonly curve: MixCurve;
  readonly gelMin: number;
  readonly potLifeMin: number;
  readonly massAG: number;
  readonly massBG: number;
  readonly castMin: number;
  readonly castEndMin: number;
  /** When the lid went on, and when the card's least pressure was there; null for never. */
  readonly shutMin: number | null;
  readonly fullMin: number | null;
  readonly releasedMin: number | null;
  readonly gaugeAtGelKPa: number;
  readonly demouldedMin: number | null;
}

const minutesSince = (s: BenchState, atS: number | null): number | null =>
  atS === null || s.metS === null ? null : (atS - s.metS) / 60;

/** The cup of a run, with the resin as it was or as it might have been. */
const curveAt = (c: BenchCase, massG: number, resinC: number): MixCurve =>
  mixCurve(c.product, { massG: Math.max(1, massG), resinC, roomC: c.roomC });

/** When the gauge first shows the card's least, run seconds; null for never. Looked for second by second. */
function firstFullS(c: BenchCase, s: BenchState): number | null {
  const least = c.product.pressure?.minKPa ?? 0;
  if (s.shutS === null) return null;
  const until = s.releasedS ?? s.nowS;
  for (let at = s.shutS; at <= Math.min(until, s.shutS + 3600); at += 1) if (gaugeAt(s, at) >= least) return at;
  return null;
}

/** What a run was, once its parts met; null before. */
export function benchRun(c: BenchCase, s: BenchState): Run | null {
  if (s.metS === null) return null;
  const [massAG, massBG] = [pouredG(c, s, 'A'), pouredG(c, s, 'B')];
  const curve = curveAt(c, massAG + massBG, s.lotC);
  const { gelMin, potLifeMin } = curve;
  if (gelMin === null || potLifeMin === null) return null;
  return {
    curve,
    gelMin,
    potLifeMin,
    massAG,
    massBG,
    castMin: minutesSince(s, s.cast?.fromS ?? null) ?? Infinity,
    castEndMin: minutesSince(s, s.cast?.toS ?? null) ?? Infinity,
    shutMin: minutesSince(s, s.shutS),
    fullMin: minutesSince(s, firstFullS(c, s)),
    releasedMin: minutesSince(s, s.releasedS),
    gaugeAtGelKPa: gaugeAt(s, s.metS + gelMin * 60),
    demouldedMin: minutesSince(s, s.demouldedS),
  };
}

/** Bubbles that stirring and pouring carry in, mm: bench judgement, no measurement. */
const [GENTLE_MM, BRISK_MM, FAST_POUR_MM] = [0.22, 0.75, 0.35];
/** A bubble from this size on is seen, mm, and from this on it is a void: bench judgement. */
const [SEEN_MM, VOID_MM] = [0.12, 0.55];
/** Brisk from this on is whipping, min. */
const WHIPPED_MIN = 0.5;

/** What decides which bubbles stay. */
interface Air {
  readonly curve: MixCurve;
  readonly gelMin: number;
  readonly entrainedMm: number;
  readonly castMin: number;
  readonly lidMin: number;
  readonly fullMin: number;
  readonly gaugeKPa: number;
}

/** The largest bubble that is left, as it stays in the cast, mm: what neither rose nor dissolved before it gelled. */
export function leftMm(c: BenchCase, a: Air): number {
  const ratio = boyleDiameterRatio(a.gaugeKPa);
  const open = fluidityIntegral(a.curve.minutes, a.curve.viscosityMPaS, a.castMin, Math.min(a.lidMin, a.gelMin));
  const under = fluidityIntegral(a.curve.minutes, a.curve.viscosityMPaS, Math.min(a.lidMin, a.gelMin), a.gelMin);
  const clearedMm = smallestClearedMm({
    depthMm: c.depthMm,
    densityGPerML: c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML,
    fluidity: open + under * ratio ** 2,
  });
  const pressedMin = Math.max(0, a.gelMin - a.fullMin);
  const dissolvedMm = pressedMin > 0 ? largestDissolvedMm({ gaugeKPa: a.gaugeKPa, minutes: pressedMin }) / ratio : 0;
  const stays = Math.min(a.entrainedMm, clearedMm);
  return stays <= dissolvedMm ? 0 : stays * ratio;
}

const isWhipped = (s: BenchState) => stirredMin(s, 'brisk') >= WHIPPED_MIN;
const entrainedMm = (s: BenchState): number =>
  (isWhipped(s) ? BRISK_MM : GENTLE_MM) + (s.cast?.fast === true ? FAST_POUR_MM : 0);

const airOf = (s: BenchState, r: Run): Air => ({
  curve: r.curve,
  gelMin: r.gelMin,
  entrainedMm: entrainedMm(s),
  castMin: r.castEndMin,
  lidMin: r.shutMin ?? r.gelMin,
  fullMin: r.fullMin ?? r.shutMin ?? r.gelMin,
  gaugeKPa: r.gaugeAtGelKPa,
});

/** A slip of a run that lets bubbles stay, and the run without it. */
interface Slip {
  readonly cause: CauseId;
  readonly because: string;
  readonly without: Air;
}

/** What was wrong with the pressure; null where it was in time, high enough and held. */
function pressureSlip(c: BenchCase, s: BenchState, r: Run, say: Say): Slip | null {
  const air = airOf(s, r);
  const leastKPa = c.product.pressure?.minKPa ?? 0;
  const inTime = Math.min(air.fullMin, r.castEndMin + 1);
  const without = { ...air, gaugeKPa: leastKPa, lidMin: Math.min(air.lidMin, inTime), fullMin: inTime };
  if (r.shutMin === null) {
    const because = `It was never pressed, and gelled at ${say(r.gelMin, 'min')} with its air.`;
    return { cause: 'not-cleared', because, without };
  }
  if (r.releasedMin !== null && r.releasedMin < r.gelMin) {
    const because = `The pressure was let go ${say(r.releasedMin, 'min')} after the parts met; it gelled at ${say(r.gelMin, 'min')}.`;
    return { cause: 'pressure-let-go', because, without };
  }
  if ((r.fullMin ?? Infinity) > r.gelMin - 1)
    return { cause: lateOrLow(s, leastKPa), because: lateWords(r, s, leastKPa, say), without };
  if (r.gaugeAtGelKPa >= leastKPa) return null;
  const because = `When it gelled the gauge stood at ${say(r.gaugeAtGelKPa, 'kPa')}; the card says ${say(leastKPa, 'kPa')}.`;
  return { cause: 'pressure-low', because, without };
}

/** Air that was stirred or folded in. */
function handSlip(s: BenchState, air: Air, say: Say): Slip | null {
  const without = { ...air, entrainedMm: GENTLE_MM };
  if (isWhipped(s)) {
    const because = `${say(stirredMin(s, 'brisk'), 'min')} of brisk stirring whipped air in.`;
    return { cause: 'whipped-air', because, without };
  }
  return s.cast?.fast === true
    ? { cause: 'trapped-by-shape', because: 'Poured fast it folded air in.', without }
    : null;
}

/** The slips that were made with the air, each with what the run would have been without it. */
const airSlips = (c: BenchCase, s: BenchState, r: Run, say: Say): Slip[] =>
  [pressureSlip(c, s, r, say), handSlip(s, airOf(s, r), say)].filter((slip) => slip !== null);

/** Whether the pot was set too low to ever reach the card's least, or came to it too late. */
const lateOrLow = (s: BenchState, leastKPa: number): CauseId =>
  (s.toKPa ?? 0) < leastKPa ? 'pressure-low' : 'pressure-late';

function lateWords(r: Run, s: BenchState, leastKPa: number, say: Say): string {
  if ((s.toKPa ?? 0) < leastKPa)
    return `The pot was set to ${say(s.toKPa ?? 0, 'kPa')}; the card says ${say(leastKPa, 'kPa')}.`;
  const full = r.fullMin === null ? 'It never came to full pressure' : `Full pressure came at ${say(r.fullMin, 'min')}`;
  return `${full}; it gelled at ${say(r.gelMin, 'min')}.`;
}

/** Bottles colder than the air's dew point: water comes down on what is poured, and isocyanate foams with it. */
function dampFault(c: BenchCase, s: BenchState, say: Say): MadeFault[] {
  const dewC = dewPointC(c.roomC, c.humidityPct);
  if (s.lotC >= dewC) return [];
  const because = `The bottles stood at ${say(s.lotC, '°C')}, below the dew point of ${say(dewC, '°C')}: water came down on the resin, and it foamed. No pressure takes that back.`;
  return [fault(['bubbles', 'micro-throughout'], 'damp-resin', because)];
}

/** Bubbles that stayed, by the slip without which fewest would have; none where none is seen. */
function bubbleFault(c: BenchCase, s: BenchState, r: Run, say: Say): MadeFault[] {
  const left = leftMm(c, airOf(s, r));
  if (left < SEEN_MM) return [];
  const [worst] = airSlips(c, s, r, say)
    .map((slip) => ({ ...slip, leaves: leftMm(c, slip.without) }))
    .sort((a, b) => a.leaves - b.leaves);
  const cause = worst?.cause ?? 'not-cleared';
  return [
    {
      kind: 'bubbles',
      pattern: left < VOID_MM ? 'micro-throughout' : 'large-voids',
      cause,
      title: causeTitle(cause),
      because: `${worst?.because ?? 'What was stirred in had no time to leave.'} Bubbles to ${say(left, 'mm')} stayed.`,
    },
  ];
}

/** Out of ratio by so many tolerances it stays soft, not only tacky: bench judgement. */
const SOFT_FROM = 3;
/** A stir is short below this share of the card's, demoulding too soon below this of its time: bench judgement. */
const [SHORT_STIR, TOO_SOON] = [0.85, 0.8];

/** Out of ratio by more than its card allows; a card that allows nothing named finds no fault. */
function ratioFault(c: BenchCase, r: Run, say: Say): MadeFault[] {
  const { tolerancePct } = c.product.ratio;
  const off = ratioErrorPct(c.product, r.massAG, Math.max(r.massBG, 1e-6));
  if (tolerancePct == null || Math.abs(off) <= tolerancePct) return [];
  const because = `B was ${say(Math.abs(off), '%')} ${off > 0 ? 'over' : 'under'}; the card allows ${say(tolerancePct, '%')}.`;
  return [
    fault(
      Math.abs(off) > SOFT_FROM * tolerancePct ? ['soft', 'all-over'] : ['tacky', 'tacky-all-over'],
      'ratio-off',
      because,
    ),
  ];
}

function stirFault(c: BenchCase, s: BenchState, say: Say): MadeFault[] {
  const least = c.product.mix?.minMin;
  const mixed = mixedMin(s);
  const isShort = least != null && mixed < SHORT_STIR * least;
  if (!isShort && s.scraped) return [];
  const because = isShort
    ? `Stirred ${say(mixed, 'min')} once both parts were in; the card says ${say(least, 'min')}.`
    : 'Wall and bottom were not scraped: what clung there was not mixed.';
  return [fault(['tacky', 'sticky-spots'], 'under-mixed', because)];
}

function soonFault(c: BenchCase, r: Run, say: Say): MadeFault[] {
  const { minutes, atC } = c.product.demould ?? {};
  if (minutes == null || r.demouldedMin === null) return [];
  const needed = minutesAt(c.product, minutes, c.roomC, atC ?? SHEET_TEMPERATURE_C);
  if (r.demouldedMin >= TOO_SOON * needed) return [];
  const because = `Demoulded after ${say(r.demouldedMin, 'min')}; at ${say(c.roomC, '°C')} it needs ${say(needed, 'min')}.`;
  return [fault(['soft', 'all-over'], 'too-soon', because)];
}

const fault = ([kind, pattern]: readonly [MadeFault['kind'], string], cause: CauseId, because: string): MadeFault => ({
  kind,
  pattern,
  cause,
  title: causeTitle(cause),
  because,
});

/** Faults that a run made on its cast, by the core's own models; none on a sound one. */
export function madeFaults(c: BenchCase, s: BenchState, say: Say = wordsIn()): MadeFault[] {
  const run = benchRun(c, s);
  if (!run || run.castMin > run.gelMin) return [];
  const all = [
    ...ratioFault(c, run, say),
    ...stirFault(c, s, say),
    ...soonFault(c, run, say),
    ...dampFault(c, s, say),
    ...bubbleFault(c, s, run, say),
  ];
  return all.filter((f, i) => all.findIndex((o) => o.kind === f.kind) === i);
}

const tenth = (v: number) => Math.round(v * 10) / 10;
const shownMin = (v: number | null) => (v === null || !Number.isFinite(v) ? null : tenth(v));
/** When the run was, of which only the order matters. */
const STARTED = '2027-03-18T09:00:00+00:00';

/** The gauge as it was looked at, with the minute of each look. */
const gaugeReadings = (s: BenchState) =>
  s.looksS
    .filter((at) => s.shutS !== null && s.metS !== null && at >= s.shutS)
    .map((at) => ({
      what: 'gauge' as const,
      atMin: tenth((at - s.metS!) / 60),
      value: Math.round(gaugeAt(s, at)),
      unit: 'kPa',
    }));

/** How it was stirred; null where it was not. */
function vigourOf(s: BenchState): 'gentle' | 'brisk' | 'whipped' | null {
  if (s.stirs.length === 0) return null;
  if (isWhipped(s)) return 'whipped';
  return s.stirs.some((stir) => stir.how === 'brisk') ? 'brisk' : 'gentle';
}

/** How it was mixed, poured and pressed, by the clock. */
function recordOfRun(c: BenchCase, s: BenchState, r: Run): Record<string, unknown> {
  return {
    mix: {
      amountA: tenth(r.massAG),
      amountB: tenth(r.massBG),
      measuredBy: 'weight',
      unit: 'g',
      stirMin: tenth(mixedMin(s)),
      scrapedWalls: s.scraped,
      vigour: vigourOf(s),
    },
    pour: {
      startedMin: shownMin(r.castMin),
      finishedMin: shownMin(r.castEndMin),
      depthMm: c.depthMm,
      fast: s.cast?.fast ?? false,
    },
    pressure: {
      gaugeKPa: Math.round(highestKPa(s)),
      startedMin: shownMin(r.shutMin),
      reachedMin: shownMin(r.fullMin),
      releasedMin: shownMin(r.releasedMin),
    },
    cure: { temperatureC: c.roomC, demouldedMin: shownMin(r.demouldedMin), lightMJPerCM2: null },
  };
}

/** The record of a run: what was read, weighed, done and timed, and nothing else. */
export function benchRecord(c: BenchCase, s: BenchState, r: Run, faults: readonly MadeFault[]): Batch {
  const lotC = s.lotReadC === null ? null : tenth(s.lotReadC);
  return batchSchema.parse({
    ...recordOfRun(c, s, r),
    format: 'warm-jar.batch/1',
    code: 'DRILL',
    startedAt: STARTED,
    product: { slug: c.product.slug, revision: c.product.revision },
    room: { temperatureC: c.roomC, humidityPct: c.humidityPct },
    resin: { temperatureAC: lotC, temperatureBC: lotC, warming: s.warmed ? 'bath' : 'none' },
    additives: [],
    degas: { method: 'none' },
    readings: gaugeReadings(s),
    checks: [
      {
        afterH: Math.max(LEAST_LOOK_H, (r.demouldedMin ?? 0) / 60),
        symptoms: faults.map(({ kind, pattern }) => ({ kind, pattern })),
      },
    ],
  });
}
/** Nothing is looked at sooner, h. */
const LEAST_LOOK_H = 0.2;

const MISHAP_WORDS: Readonly<
  Record<NonNullable<BenchCase['mishap']>, (c: BenchCase, say: Say) => { title: string; says: string }>
> = {
  'cold-lot': (c, say) => ({
    title: 'The lot was cold',
    says: `Both bottles stood at ${say(c.lotC, '°C')}, colder than the dew point. Read them before you weigh, and warm them closed, in a bath.`,
  }),
  leak: (c, say) => ({
    title: 'The pot leaked',
    says: `It lost ${say(c.leakKPaPerMin, 'kPa')} a minute. Look at the gauge, and top it up until it has gelled.`,
  }),
  'heavy-hand': () => ({
    title: 'The jug poured heavily',
    says: 'Stop early, finish in a thin stream, and bring an over-pour back with the other part.',
  }),
  interruption: () => ({
    title: 'Somebody came in',
    says: 'The clock of the parts ran on. What was left of the pot life decided whether the rest could still be done.',
  }),
  'small-compressor': (c) => ({
    title: 'The compressor was small',
    says: `A tank of ${c.pot.tankL} L and ${c.pot.pumpLPerMin} L a minute: the lid has to be shut that much sooner.`,
  }),
};

function runFigures(c: BenchCase, s: BenchState, run: Run | null, say: Say): BenchResult['figures'] {
  if (!run) return [];
  const off = ratioErrorPct(c.product, run.massAG, Math.max(run.massBG, 1e-6));
  const told = (label: string, value: number | null, unit: string) =>
    value === null || !Number.isFinite(value) ? [] : [{ label, says: say(value, unit) }];
  return [
    ...told('Resin in the bottles', s.lotC, '°C'),
    { label: 'Ratio, B for A', says: `${off > 0 ? '+' : ''}${say(off, '%')}` },
    ...told('Stirred once both were in', mixedMin(s), 'min'),
    ...told('Poured by', run.castEndMin, 'min'),
    ...told('Lid shut at', run.shutMin, 'min'),
    ...told('Full pressure at', run.fullMin, 'min'),
    ...told('Gelled at, by the model', run.gelMin, 'min'),
    ...(run.shutMin === null ? [] : told('Gauge when it gelled', run.gaugeAtGelKPa, 'kPa')),
    ...told('Demoulded at', run.demouldedMin, 'min'),
  ];
}

/** As many causes of each fault as are told. */
const CAUSES_TOLD = 3;

/** What a run came to: its cast, what made it so by the models, and what the ledger makes of the record alone. */
export function benchResult(c: BenchCase, s: BenchState, say: Say = wordsIn()): BenchResult {
  const run = benchRun(c, s);
  const lost = run !== null && run.castMin > run.gelMin;
  const faults = madeFaults(c, s, say);
  const symptoms =
    faults.length === 0 || !run ? [] : diagnose(c.product, benchRecord(c, s, run, faults), { say }).symptoms;
  return {
    lost,
    faults,
    figures: runFigures(c, s, run, say),
    mishap: c.mishap && MISHAP_WORDS[c.mishap](c, say),
    diagnosis: symptoms.map(({ kind, pattern, causes }) => ({
      kind,
      pattern,
      causes: causes.slice(0, CAUSES_TOLD).map(({ id, share, evidence }) => ({
        id,
        share,
        title: causeTitle(id),
        says: evidence.filter((e) => e.points > 0).map((e) => e.says),
      })),
    })),
  };
}
