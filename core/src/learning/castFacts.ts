import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { Grade } from '../formats/vocabulary';
import { mendMassG } from '../diagnosis/mendChain';
import { catalystPct, mixMasses } from '../mixing/batchAmounts';
import { scaleErrorPct } from '../mixing/ratio';
import { FACTORS, type Factor } from './factors';

/** What learning needs of a batch: the level of each factor, what was seen, and how it ended. A level that was not recorded is absent. */
export interface CastFacts {
  readonly code: string;
  /** ISO moment; null where nobody wrote it down. */
  readonly startedAt: string | null;
  readonly levels: Readonly<Partial<Record<Factor, string>>>;
  /** Symptoms seen, as `kind` and as `kind/pattern`. */
  readonly seen: readonly string[];
  /** Fields outside their limits, `field:above`; `near` ones as `field:near`. */
  readonly limits: readonly string[];
  /** Whether anybody looked at the piece: only then does nothing seen mean nothing there. */
  readonly looked: boolean;
  readonly grade: Grade | null;
  readonly massG: number | null;
  readonly massAG: number | null;
  readonly massBG: number | null;
  /** Resin that went into mending, and what stayed in the cup, g; null where nobody weighed it. */
  readonly mendG: number;
  readonly leftG: number | null;
  /** Pulls of the mould before this one, where it was written down. */
  readonly pulls: number | null;
  /** The witness cup's own gel: minutes, resin and room °C, mass. */
  readonly gel: {
    readonly minutes: number;
    readonly resinC: number;
    readonly roomC: number;
    readonly massG: number;
    /** Dose of catalyst, where the product takes one and it was recorded. */
    readonly catalystPct?: number;
  } | null;
}

const hourOf = (iso: string) => Number(iso.slice(11, 13));

/** Time of day by the clock on the wall where it was made. */
function timeOfDay(startedAt: string): string {
  const hour = hourOf(startedAt);
  return hour < 9 ? 'before-nine' : hour < 12 ? 'morning' : hour < 14 ? 'midday' : hour < 18 ? 'afternoon' : 'evening';
}

const side = (
  state: LimitReading['state'] | undefined,
  words: { below?: string; inside: string; above?: string },
): string | undefined => {
  if (state === 'below') return words.below ?? words.inside;
  if (state === 'above') return words.above ?? words.inside;
  return state === 'inside' || state === 'near' ? words.inside : undefined;
};

/** The worst of several readings: outside in either direction before inside. */
function worstOf(readings: readonly LimitReading[], fields: readonly string[]): LimitReading['state'] | undefined {
  const states = readings
    .filter((r) => fields.includes(r.field))
    .map((r) => r.state)
    .filter((s) => s !== 'not-recorded' && s !== 'not-stated');
  return states.find((s) => s === 'below') ?? states.find((s) => s === 'above') ?? states[0];
}

function loadingLevel(batch: Batch, readings: readonly LimitReading[]): string | undefined {
  if (batch.additives == null) return undefined;
  if (batch.additives.length === 0) return 'none';
  const over = readings.some((r) => r.field.startsWith('additives.') && r.state === 'above');
  return over ? 'over' : 'within';
}

function routeLevel(batch: Batch): string | undefined {
  const pressed = (batch.pressure?.gaugeKPa ?? 0) > 0;
  const method = batch.degas?.method;
  if (method == null) return pressed ? 'pressure' : undefined;
  if (method === 'vacuum-then-pressure' || (method === 'vacuum' && pressed)) return 'vacuum-then-pressure';
  return pressed ? 'pressure' : method;
}

function pressingLevel(batch: Batch, state: (field: string) => LimitReading['state'] | undefined): string | undefined {
  if (batch.pressure == null || batch.pressure.gaugeKPa == null) return undefined;
  if (batch.pressure.gaugeKPa === 0) return 'not-pressed';
  if (state('pressure.reachedMin') === 'above') return 'late';
  if (state('pressure.gaugeKPa') === 'below') return 'low';
  if (state('pressure.releasedMin') === 'below') return 'let-go';
  return 'in-time';
}

/** Coarse where the scale's step alone may put the ratio off by more than half of what the card allows. */
function scaleLevel(
  product: Product,
  batch: Batch,
  masses: { massAG: number | null; massBG: number | null },
): string | undefined {
  const [step, tolerance] = [batch.mix?.scaleStepG, product.ratio.tolerancePct];
  if (step == null || tolerance == null || !masses.massAG || !masses.massBG) return undefined;
  return scaleErrorPct(masses.massAG, masses.massBG, step) > tolerance / 2 ? 'coarse' : 'fine-enough';
}

function levelsOf(
  product: Product,
  batch: Batch,
  readings: readonly LimitReading[],
  masses: { massAG: number | null; massBG: number | null },
): CastFacts['levels'] {
  const state = (field: string) => readings.find((r) => r.field === field)?.state;
  const light = batch.cure?.lightMJPerCM2;
  const all: Record<Factor, string | null | undefined> = {
    product: product.slug,
    'lot-a': batch.lotA?.code,
    'lot-b': batch.lotB?.code,
    'lot-age': side(worstOf(readings, ['lotA.openedOn', 'lotB.openedOn', 'lotA.useBy', 'lotB.useBy']), {
      below: 'past',
      inside: 'in-date',
      above: 'past',
    }),
    mould: batch.mould?.code,
    person: batch.by,
    room: side(state('room.temperatureC'), { below: 'cold', inside: 'in-range', above: 'warm' }),
    damp: side(state('room.humidityPct'), { inside: 'within', above: 'over' }),
    'resin-temperature': side(worstOf(readings, ['resin.temperatureAC', 'resin.temperatureBC', 'resin.atPourC']), {
      below: 'cold',
      inside: 'in-range',
      above: 'warm',
    }),
    ratio: side(state('mix.ratioErrorPct') ?? state('mix.catalystPct'), {
      below: 'off',
      inside: 'in-ratio',
      above: 'off',
    }),
    scale: scaleLevel(product, batch, masses),
    loading: loadingLevel(batch, readings),
    stir: side(state('mix.stirMin'), { below: 'short', inside: 'long-enough' }),
    route: routeLevel(batch),
    pressing: pressingLevel(batch, state),
    depth: side(state('pour.depthMm'), { below: 'shallow', inside: 'in-range', above: 'deep' }),
    // A lamp left on shows as a dose on what no lamp should have reached.
    lamp:
      light == null || product.family === 'uv-acrylate' || product.light?.stable !== false
        ? undefined
        : light > 0
          ? 'on'
          : 'off',
    season: batch.startedAt ? batch.startedAt.slice(5, 7) : undefined,
    'time-of-day': batch.startedAt ? timeOfDay(batch.startedAt) : undefined,
  };
  return Object.fromEntries(FACTORS.flatMap((f) => (all[f] == null || all[f] === '' ? [] : [[f, all[f]]])));
}

function gelOf(batch: Batch, massG: number | null, dosePct: number | null): CastFacts['gel'] {
  const [minutes, resinC, roomC] = [
    batch.witness?.setMin,
    batch.resin?.atPourC ?? batch.resin?.temperatureAC,
    batch.room?.temperatureC,
  ];
  return minutes != null && minutes > 0 && resinC != null && roomC != null && massG
    ? { minutes, resinC, roomC, massG, ...(dosePct === null ? {} : { catalystPct: dosePct }) }
    : null;
}

const latestGrade = (batch: Batch): Grade | null =>
  [...(batch.checks ?? [])]
    .sort((a, b) => a.afterH - b.afterH)
    .flatMap((c) => c.grade ?? [])
    .at(-1) ?? null;

/** The facts of one batch. @param readings its limits, where the caller has them */
export function castFacts(product: Product, batch: Batch, readings: readonly LimitReading[]): CastFacts {
  const { massAG, massBG } = mixMasses(product, batch);
  const massG = massAG === null ? null : massAG + (massBG ?? 0);
  const symptoms = (batch.checks ?? []).flatMap((c) => c.symptoms ?? []);
  const seen = new Set(symptoms.flatMap((s): string[] => [s.kind, `${s.kind}/${s.pattern}`]));
  return {
    code: batch.code ?? '',
    startedAt: batch.startedAt ?? null,
    levels: levelsOf(product, batch, readings, { massAG, massBG }),
    seen: [...seen],
    limits: readings
      .filter((r) => r.state === 'below' || r.state === 'above' || r.state === 'near')
      .map((r) => `${r.field}:${r.state}`),
    looked: (batch.checks ?? []).length > 0,
    grade: latestGrade(batch),
    massG,
    massAG,
    massBG,
    mendG: mendMassG(batch),
    leftG: batch.pour?.leftG ?? null,
    pulls: batch.mould?.pulls ?? null,
    gel: gelOf(batch, massG, catalystPct(product, batch)),
  };
}
