import { castingOf, laidAs } from '../castings/castingList';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { LimitState } from '../formats/vocabulary';
import type { MixMasses } from '../mixing/batchAmounts';
import { scaleErrorPct } from '../mixing/ratio';
import { FACTORS, type Factor } from '../formats/vocabulary';

/** A batch with its limits, as each factor looks at it. */
interface Case {
  readonly product: Product;
  readonly batch: Batch;
  readonly readings: readonly LimitReading[];
  readonly masses: Pick<MixMasses, 'massAG' | 'massBG'>;
}

/** The level of one factor; nothing where it was not recorded. */
type LevelOf = (c: Case) => string | null | undefined;

/** Hours of the day from which each part of it counts. */
const DAY_PARTS = [
  [18, 'evening'],
  [14, 'afternoon'],
  [12, 'midday'],
  [9, 'morning'],
  [0, 'before-nine'],
] as const;

/** Time of day by the clock on the wall where it was made. */
function timeOfDay({ batch }: Case): string | undefined {
  if (!batch.startedAt || batch.dayOnly === true) return undefined;
  const hour = Number(batch.startedAt.slice(11, 13));
  return DAY_PARTS.find(([from]) => hour >= from)?.[1];
}

/** The worst of several readings: outside in either direction before inside. */
function worstOf({ readings }: Case, fields: readonly string[]): LimitState | undefined {
  const states = readings
    .filter((r) => fields.includes(r.field))
    .map((r) => r.state)
    .filter((s) => s !== 'not-recorded' && s !== 'not-stated');
  return states.find((s) => s === 'below') ?? states.find((s) => s === 'above') ?? states[0];
}

/** On which side of its limits a field lies, in the factor's own words; the first of the fields that was read. */
const side =
  (fields: readonly string[], words: { below?: string; inside: string; above?: string }): LevelOf =>
  (c) => {
    const state = worstOf(c, fields);
    if (state === 'below') return words.below ?? words.inside;
    if (state === 'above') return words.above ?? words.inside;
    return state === 'inside' || state === 'near' ? words.inside : undefined;
  };

const stateOf = ({ readings }: Case, field: string) => readings.find((r) => r.field === field)?.state;

function loading({ batch, readings }: Case): string | undefined {
  if (batch.additives == null) return undefined;
  if (batch.additives.length === 0) return 'none';
  const over = readings.some((r) => r.field.startsWith('additives.') && r.state === 'above');
  return over ? 'over' : 'within';
}

function route({ batch }: Case): string | undefined {
  const pressed = (batch.pressure?.gaugeKPa ?? 0) > 0;
  const method = batch.degas?.method;
  if (method == null) return pressed ? 'pressure' : undefined;
  if (method === 'vacuum-then-pressure' || (method === 'vacuum' && pressed)) return 'vacuum-then-pressure';
  return pressed ? 'pressure' : method;
}

function pressing(c: Case): string | undefined {
  const { gaugeKPa } = c.batch.pressure ?? {};
  if (gaugeKPa == null) return undefined;
  if (gaugeKPa === 0) return 'not-pressed';
  if (stateOf(c, 'pressure.reachedMin') === 'above') return 'late';
  if (stateOf(c, 'pressure.gaugeKPa') === 'below') return 'low';
  return stateOf(c, 'pressure.releasedMin') === 'below' ? 'let-go' : 'in-time';
}

/** Coarse where the scale's step alone may put the ratio off by more than half of what the card allows. */
function scale({ product, batch, masses }: Case): string | undefined {
  const [step, tolerance] = [batch.mix?.scaleStepG, product.ratio.tolerancePct];
  if (step == null || tolerance == null || !masses.massAG || !masses.massBG) return undefined;
  return scaleErrorPct(masses.massAG, masses.massBG, step) > tolerance / 2 ? 'coarse' : 'fine-enough';
}

/** One cavity of one mould, where a casting is seen by itself. */
function cavityOf({ batch }: Case): string | undefined {
  const id = laidAs(batch);
  const cavity = id === null ? null : castingOf(batch, id)?.mould?.cavity;
  return cavity == null || batch.mould?.code == null ? undefined : `${batch.mould.code}/${cavity}`;
}

/** A lamp left on shows as a dose on what no lamp should have reached. */
function lamp({ product, batch }: Case): string | undefined {
  const light = batch.cure?.lightMJPerCM2;
  if (light == null || product.family === 'uv-acrylate' || product.light?.stable !== false) return undefined;
  return light > 0 ? 'on' : 'off';
}

const OFF_RATIO = { below: 'off', inside: 'in-ratio', above: 'off' };
const WARMTH = { below: 'cold', inside: 'in-range', above: 'warm' };
const ratio: LevelOf = (c) => side(['mix.ratioErrorPct'], OFF_RATIO)(c) ?? side(['mix.catalystPct'], OFF_RATIO)(c);

/** One function a factor. */
const LEVELS: Readonly<Record<Factor, LevelOf>> = {
  product: ({ product }) => product.slug,
  'lot-a': ({ batch }) => batch.lotA?.code,
  'lot-b': ({ batch }) => batch.lotB?.code,
  'lot-age': side(['lotA.openedOn', 'lotB.openedOn', 'lotA.useBy', 'lotB.useBy'], {
    below: 'past',
    inside: 'in-date',
    above: 'past',
  }),
  mould: ({ batch }) => batch.mould?.code,
  cavity: cavityOf,
  person: ({ batch }) => batch.by,
  room: side(['room.temperatureC'], WARMTH),
  damp: side(['room.humidityPct'], { inside: 'within', above: 'over' }),
  'resin-temperature': side(['resin.temperatureAC', 'resin.temperatureBC', 'resin.atPourC'], WARMTH),
  ratio,
  scale,
  loading,
  stir: side(['mix.stirMin'], { below: 'short', inside: 'long-enough' }),
  route,
  pressing,
  depth: side(['pour.depthMm'], { below: 'shallow', inside: 'in-range', above: 'deep' }),
  lamp,
  season: ({ batch }) => batch.startedAt?.slice(5, 7),
  'time-of-day': timeOfDay,
};

/** The level of each factor that was recorded. */
export function castLevels(
  product: Product,
  batch: Batch,
  readings: readonly LimitReading[],
  masses: Case['masses'],
): Readonly<Partial<Record<Factor, string>>> {
  const c: Case = { product, batch, readings, masses };
  return Object.fromEntries(
    FACTORS.flatMap((factor) => {
      const level = LEVELS[factor](c);
      return level == null || level === '' ? [] : [[factor, level]];
    }),
  );
}
