import { pressurisationMin } from '../air/compressor';
import { SEA_LEVEL_KPA } from '../air/ambient';
import { partsForTotal } from '../mixing/partsForTotal';
import { MISHAPS, type BenchAct, type Mishap, type TimedAct } from '../formats/benchDrill';
import type { Product } from '../formats/product';
import { chanceApart } from '../simulation/chance';
import { saltmarshCard } from '../simulation/saltmarshCards';

/** A run to be made: what it is of, and what nobody says. */
export interface BenchCase {
  readonly seed: number;
  readonly product: Product;
  readonly mishap: Mishap | null;
  readonly roomC: number;
  readonly humidityPct: number;
  /** Both parts as they stand in their bottles, °C. */
  readonly lotC: number;
  readonly targetAG: number;
  readonly targetBG: number;
  readonly depthMm: number;
  /** What a hand pours, and what still falls after it stopped. */
  readonly hand: { readonly gPerS: number; readonly thinGPerS: number; readonly dripG: number };
  readonly pot: {
    readonly freeL: number;
    readonly tankL: number;
    readonly tankKPa: number;
    readonly pumpLPerMin: number;
  };
  readonly leakKPaPerMin: number;
  /** From when to when somebody is at the door, run seconds after the parts met; null for nobody. */
  readonly interruption: { readonly fromS: number; readonly toS: number } | null;
}

const SLUG = 'house-clear-6';
/** How often a run goes wrong by itself. */
const MISHAP_RATE = 0.85;
/** What a hand pours, thick and thin, g a run second, and what falls after it stopped, g: bench judgement. */
const HAND = { gPerS: 3, thinGPerS: 0.7, dripG: 0.4 };
const HEAVY = { gPerS: 7, thinGPerS: 2.4, dripG: 2.5 };
/** The studio's pot: air it holds, L; its compressor's tank, L and kPa, and its pump, L of free air a minute. */
const POT = { freeL: 18, tankL: 24, tankKPa: 800, pumpLPerMin: 60 };
/** A compressor without a tank to speak of. */
const SMALL = { ...POT, tankL: 1, pumpLPerMin: 11 };
/** A sound pot loses so much, and a leaking one, kPa a minute. */
const [NATURAL_LEAK, LEAK] = [0.02, 40];
/** A warm bath takes so long, and brings bottles to this, °C. */
const [BATH_S, BATH_C] = [1200, 24];

/** A run by its seed: the same seed gives the same one. */
export function benchCase(seed: number): BenchCase {
  const chance = chanceApart(seed, 60);
  const product = saltmarshCard(SLUG);
  const mishap = chance.flip(MISHAP_RATE) ? chance.pick(MISHAPS) : null;
  const { massAG, massBG } = partsForTotal(product, Math.round(chance.between(120, 220)));
  const fromS = Math.round(chance.between(60, 170));
  return {
    seed,
    product,
    mishap,
    roomC: Math.round(chance.between(21, 24) * 10) / 10,
    humidityPct: Math.round(chance.between(50, 57)),
    lotC: mishap === 'cold-lot' ? Math.round(chance.between(5, 8)) : Math.round(chance.between(21, 24)),
    targetAG: Math.round(massAG * 10) / 10,
    targetBG: Math.round(massBG * 10) / 10,
    depthMm: Math.round(chance.between(14, 28)),
    hand: mishap === 'heavy-hand' ? HEAVY : HAND,
    pot: mishap === 'small-compressor' ? SMALL : POT,
    leakKPaPerMin: mishap === 'leak' ? LEAK : NATURAL_LEAK,
    interruption: mishap === 'interruption' ? { fromS, toS: fromS + Math.round(chance.between(60, 120)) } : null,
  };
}

interface Span {
  readonly fromS: number;
  readonly toS: number;
}
/** One stretch of a pour: of which part, and how thick. */
interface PourSpan extends Span {
  readonly part: 'A' | 'B';
  readonly gPerS: number;
  readonly open: boolean;
}
interface StirSpan extends Span {
  readonly how: 'gentle' | 'brisk';
  readonly open: boolean;
}
/** A stretch of the gauge: from one pressure to another, then leaking. */
interface Ramp {
  readonly atS: number;
  readonly fromKPa: number;
  readonly toKPa: number;
  readonly minutes: number;
  readonly leakKPaPerMin: number;
}

/** A run as far as it has gone. */
export interface BenchState {
  readonly nowS: number;
  readonly lotC: number;
  /** What the thermometer said of the bottles, as they stand now, °C; null where nobody read them since. */
  readonly lotReadC: number | null;
  readonly warmed: boolean;
  readonly pours: readonly PourSpan[];
  readonly stirs: readonly StirSpan[];
  /** When the parts met, run seconds; null before. */
  readonly metS: number | null;
  readonly scraped: boolean;
  readonly cast: (Span & { readonly fast: boolean }) | null;
  readonly ramps: readonly Ramp[];
  readonly shutS: number | null;
  readonly toKPa: number | null;
  readonly releasedS: number | null;
  readonly demouldedS: number | null;
  /** Moments at which the gauge was looked at. */
  readonly looksS: readonly number[];
}

const EMPTY: BenchState = {
  nowS: 0,
  lotC: 0,
  lotReadC: null,
  warmed: false,
  pours: [],
  stirs: [],
  metS: null,
  scraped: false,
  cast: null,
  ramps: [],
  shutS: null,
  toKPa: null,
  releasedS: null,
  demouldedS: null,
  looksS: [],
};

/** Pressure of the pot at a moment, kPa. */
export function gaugeAt({ ramps }: Pick<BenchState, 'ramps'>, atS: number): number {
  const ramp = ramps.findLast((r) => r.atS <= atS);
  if (!ramp) return 0;
  const minutes = (atS - ramp.atS) / 60;
  if (minutes < ramp.minutes) return ramp.fromKPa + ((ramp.toKPa - ramp.fromKPa) * minutes) / ramp.minutes;
  return Math.max(0, ramp.toKPa - ramp.leakKPaPerMin * (minutes - ramp.minutes));
}

/** What was poured of a part, what fell after the hand stopped with it, g. */
export function pouredG(c: BenchCase, { pours, nowS }: BenchState, part: 'A' | 'B'): number {
  return pours
    .filter((p) => p.part === part)
    .reduce((sum, p) => {
      const toS = p.open ? nowS : p.toS;
      return sum + p.gPerS * Math.max(0, toS - p.fromS) + (p.open ? 0 : c.hand.dripG);
    }, 0);
}

/** Minutes of stirring so far, of one kind or all. */
export const stirredMin = ({ stirs, nowS }: BenchState, how?: StirSpan['how']): number =>
  stirs
    .filter((s) => how === undefined || s.how === how)
    .reduce((sum, s) => sum + Math.max(0, (s.open ? nowS : s.toS) - s.fromS), 0) / 60;

/** Minutes of stirring since the last of either part went in: what was stirred before mixed nothing of it. */
export function mixedMin(s: BenchState): number {
  const lastPourS = Math.max(0, ...s.pours.map((p) => (p.open ? s.nowS : p.toS)));
  return stirredMin({ ...s, stirs: s.stirs.filter((stir) => stir.fromS >= lastPourS) });
}

/** The most that the gauge showed while the pot was shut, kPa; 0 where it never was. */
export function highestKPa(s: BenchState): number {
  const untilS = s.releasedS ?? s.nowS;
  const ends = s.ramps.map((r, i) => Math.min(r.atS + r.minutes * 60, (s.ramps[i + 1]?.atS ?? untilS) - 1e-6, untilS));
  return Math.max(0, ...ends.map((at) => gaugeAt(s, at)));
}

/** When somebody is at the door, run seconds from the start; null for nobody, or before it is known. */
export function doorSpan({ interruption }: BenchCase, metS: number | null): Span | null {
  return interruption && metS !== null ? { fromS: metS + interruption.fromS, toS: metS + interruption.toS } : null;
}
export const isAtDoor = (c: BenchCase, { metS, nowS }: BenchState): boolean => {
  const door = doorSpan(c, metS);
  return door !== null && nowS >= door.fromS && nowS < door.toS;
};

/** Ends what hands are doing, at a moment. */
const handsOff = (s: BenchState, atS: number): BenchState => ({
  ...s,
  pours: s.pours.map((p) => (p.open ? { ...p, toS: Math.max(p.fromS, atS), open: false } : p)),
  stirs: s.stirs.map((p) => (p.open ? { ...p, toS: Math.max(p.fromS, atS), open: false } : p)),
});

/** The run some time later: at the door hands let go of the jug and the stick. */
function later(c: BenchCase, s: BenchState, nowS: number): BenchState {
  const door = doorSpan(c, s.metS);
  const busy = s.pours.some((p) => p.open) || s.stirs.some((p) => p.open);
  const stopped = door && busy && s.nowS < door.fromS && nowS >= door.fromS ? handsOff(s, door.fromS) : s;
  return { ...stopped, nowS };
}

/** How fast the mix leaves its cup, in a thin stream and fast, g a run second. */
const [THIN_CAST, FAST_CAST] = [3.2, 12];

function pourStarted(c: BenchCase, s: BenchState, act: BenchAct & { do: 'pour' }): BenchState {
  const free = handsOff(s, s.nowS);
  const other = act.part === 'A' ? 'B' : 'A';
  const gPerS = act.thin ? c.hand.thinGPerS : c.hand.gPerS;
  const span: PourSpan = { part: act.part, gPerS, fromS: s.nowS, toS: s.nowS, open: true };
  const met = s.metS ?? (free.pours.some((p) => p.part === other) ? s.nowS : null);
  return { ...free, pours: [...free.pours, span], metS: met };
}

function shutPot(c: BenchCase, s: BenchState, toKPa: number): BenchState {
  const { pot } = c;
  const minutes = pressurisationMin({
    freeL: pot.freeL,
    targetKPa: toKPa,
    tankL: pot.tankL,
    tankKPa: pot.tankKPa,
    freeAirLPerMin: pot.pumpLPerMin,
  });
  // However large the tank, a valve takes a moment.
  const ramp: Ramp = {
    atS: s.nowS,
    fromKPa: 0,
    toKPa,
    minutes: Math.max(VALVE_MIN, minutes),
    leakKPaPerMin: c.leakKPaPerMin,
  };
  return { ...s, ramps: [...s.ramps, ramp], shutS: s.nowS, toKPa };
}
/** The least time in which a pot is filled, and bled, min. */
const [VALVE_MIN, BLEED_MIN] = [0.25, 1];

function toppedUp(c: BenchCase, s: BenchState): BenchState {
  const now = gaugeAt(s, s.nowS);
  const toKPa = s.toKPa ?? now;
  const minutes = (c.pot.freeL * Math.max(0, toKPa - now)) / SEA_LEVEL_KPA / c.pot.pumpLPerMin;
  const ramp: Ramp = { atS: s.nowS, fromKPa: now, toKPa, minutes, leakKPaPerMin: c.leakKPaPerMin };
  return { ...s, ramps: [...s.ramps, ramp], looksS: [...s.looksS, s.nowS] };
}

function released(s: BenchState): BenchState {
  const ramp: Ramp = { atS: s.nowS, fromKPa: gaugeAt(s, s.nowS), toKPa: 0, minutes: BLEED_MIN, leakKPaPerMin: 0 };
  return { ...s, ramps: [...s.ramps, ramp], releasedS: s.nowS, looksS: [...s.looksS, s.nowS - 1] };
}

function castIn(c: BenchCase, s: BenchState, fast: boolean): BenchState {
  const free = handsOff(s, s.nowS);
  const massG = pouredG(c, free, 'A') + pouredG(c, free, 'B');
  return { ...free, cast: { fromS: s.nowS, toS: s.nowS + massG / (fast ? FAST_CAST : THIN_CAST), fast } };
}

/** What an act makes of a run. */
function done(c: BenchCase, s: BenchState, act: BenchAct): BenchState {
  switch (act.do) {
    case 'read-lots':
      return { ...s, lotReadC: s.lotC };
    case 'warm':
      // What was read before the bath is no longer so.
      return { ...s, warmed: true, lotReadC: null, lotC: Math.max(s.lotC, BATH_C), nowS: s.nowS + BATH_S };
    case 'pour':
      return pourStarted(c, s, act);
    case 'stop':
      return handsOff(s, s.nowS);
    case 'stir': {
      const free = handsOff(s, s.nowS);
      const span: StirSpan = { how: act.how, fromS: s.nowS, toS: s.nowS, open: true };
      return { ...free, stirs: [...free.stirs, span] };
    }
    case 'scrape':
      return { ...s, scraped: true };
    case 'cast':
      return castIn(c, s, act.fast);
    case 'shut':
      return shutPot(c, s, act.toKPa);
    case 'top-up':
      return toppedUp(c, s);
    case 'skip':
      return { ...s, nowS: s.nowS + act.minutes * 60, looksS: [...s.looksS, s.nowS] };
    case 'release':
      return released(s);
    case 'demould':
      return { ...s, demouldedS: s.nowS };
  }
}

/** A run after all that was done, at a moment. Moments are those of the run: what skips time moves them on. */
export function benchState(c: BenchCase, acts: readonly TimedAct[], nowS: number): BenchState {
  const start: BenchState = { ...EMPTY, lotC: c.lotC };
  const after = acts.reduce((s, { atS, act }) => done(c, later(c, s, Math.max(s.nowS, atS)), act), start);
  return later(c, after, Math.max(after.nowS, nowS));
}

/** Whether the mix has left its cup, and whether all of it has. */
const isCast = ({ cast, nowS }: BenchState) => cast !== null && nowS >= cast.toS;
/** Nothing is demoulded in less than this from the pour, s: it has not even gelled. */
const LEAST_S = 600;

/** A pot is opened at nought on its gauge, never before, kPa. */
const NOUGHT_KPA = 1;
const isOpen = (s: BenchState) => s.shutS === null || (s.releasedS !== null && gaugeAt(s, s.nowS) < NOUGHT_KPA);

const MAY: Readonly<Record<BenchAct['do'], (s: BenchState, c: BenchCase) => boolean>> = {
  'read-lots': (s) => s.cast === null,
  warm: (s) => !s.warmed && s.pours.length === 0,
  pour: (s) => s.cast === null,
  stop: (s) => s.pours.some((p) => p.open) || s.stirs.some((p) => p.open),
  stir: (s) => s.cast === null && s.metS !== null,
  scrape: (s) => s.cast === null && s.stirs.length > 0,
  cast: (s) => s.cast === null && s.metS !== null,
  shut: (s) => isCast(s) && s.shutS === null,
  'top-up': (s) => s.shutS !== null && s.releasedS === null,
  skip: (s) => isCast(s),
  release: (s) => s.shutS !== null && s.releasedS === null,
  demould: (s) => isCast(s) && isOpen(s) && s.nowS - s.cast!.toS >= LEAST_S,
};

/** Acts that can be done now: none while somebody is at the door, or once it is over. */
export function mayDo(c: BenchCase, s: BenchState): BenchAct['do'][] {
  if (s.demouldedS !== null || isAtDoor(c, s)) return [];
  return (Object.keys(MAY) as BenchAct['do'][]).filter((act) => MAY[act](s, c));
}
