import { bondWindow } from '../cure/bondWindow';
import { minutesAt } from '../cure/equivalentAge';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { Layer } from '../formats/piece';
import type { Product } from '../formats/product';
import { dryingState, type Drying } from '../shelf/drying';
import { needsFullCure } from './layerPairs';

const [MINUTE_MS, HOUR_MS] = [60_000, 3_600_000];
/** A water-based layer is weighed again after about this long, h (studio practice). */
export const NEXT_WEIGHING_H = 24;
const USUAL_DRY_H = 48;

/** A lower layer as the next one meets it. */
export interface LowerLayer {
  readonly layer: Layer;
  readonly product: Product;
  /** When its last pour was or will be made, ms. */
  readonly lastMs: number;
  /** What of it dries, g; null where nobody knows. */
  readonly ownG: number | null;
}

/** From when a layer may go on, until when it bonds by itself, and for what it waits. */
export interface LayerWait {
  readonly fromMs: number;
  readonly untilMs: number | null;
  readonly wait: 'none' | 'bond' | 'dry' | 'cure';
  readonly says: string;
  /** How a water-based layer below dries; null for all others. */
  readonly drying: Drying | null;
}

function dryWords(name: string, drying: Drying, humidityPct: number | null): string {
  const damp =
    humidityPct === null
      ? 'Damp air stalls it.'
      : `The room is at ${Math.round(humidityPct)} % damp; damp air stalls it.`;
  switch (drying.state) {
    case 'dry':
      return `${name} is dry by weighing.`;
    case 'drying':
      return `${name} still loses ${drying.lossPct.toFixed(1)} % of its own mass a day; 0.5 % is dry. ${damp}`;
    case 'gaining':
      return `${name} weighed more than before: one of the two weighings is wrong. Weigh it again.`;
    case 'too-coarse':
      return `The scale's step is too coarse to tell over ${drying.hours?.toFixed(0) ?? 0} h: weigh it again later, or on a finer scale.`;
    case 'not-known':
      return `${name} dries by weighing, not by the clock: weigh it twice, ${NEXT_WEIGHING_H} h apart; two days is usual. ${damp}`;
  }
}

function dryWait({ layer, product, lastMs, ownG }: LowerLayer, humidityPct: number | null): LayerWait {
  const weighings = layer.weighings ?? [];
  const drying = dryingState(weighings, ownG);
  const lastWeighed = Math.max(lastMs, ...weighings.map((w) => Date.parse(w.at)));
  const dueMs = weighings.length > 0 ? lastWeighed + NEXT_WEIGHING_H * HOUR_MS : lastMs + USUAL_DRY_H * HOUR_MS;
  return {
    // Dry is dry from when it was weighed so; else the next weighing falls due a fixed time after the last one.
    fromMs: drying.state === 'dry' ? lastWeighed : dueMs,
    untilMs: null,
    wait: 'dry',
    says: dryWords(product.name, drying, humidityPct),
    drying,
  };
}

/** Minutes of cure, and the temperature that they count at. */
export interface CureTime {
  readonly minutes: number;
  readonly atC: number;
}

const cureTime = (minutes: number | null | undefined, atC: number | null | undefined): CureTime | null =>
  minutes == null ? null : { minutes, atC: atC ?? SHEET_TEMPERATURE_C };

/** When a layer is hard by its card: out of the mould, or else no longer tacky. */
export const hardOf = ({ demould, tackFree }: Product): CureTime | null =>
  cureTime(demould?.minutes ?? tackFree?.minutes, demould?.atC ?? tackFree?.atC);

const fullCureOf = ({ fullCure }: Product): CureTime | null =>
  cureTime(fullCure?.hours == null ? null : fullCure.hours * 60, fullCure?.atC);

function cureWords(lower: Product, upper: Product, known: boolean, full: { asked: boolean; stated: boolean }): string {
  if (!known) return `${lower.name}'s card says neither full cure nor demould time: wait until it is hard through.`;
  const pair = `${upper.name} on ${lower.name}`;
  if (full.asked && !full.stated)
    return `${pair} waits for its full cure, which the card does not state: its demould time is taken. Try a corner first.`;
  return `${pair}: wait until ${full.asked ? 'its full cure' : 'it is hard'}, and sand it.`;
}

/** When another resin may go on: at full cure where the pair asks for it, else once it is hard. */
function cureWait({ product, lastMs }: LowerLayer, upper: Product, roomC: number): LayerWait {
  const fullAsked = needsFullCure(product, upper);
  const full = fullAsked ? fullCureOf(product) : null;
  const due = full ?? hardOf(product);
  const fromMs = due === null ? lastMs : lastMs + minutesAt(product, due.minutes, roomC, due.atC) * MINUTE_MS;
  const says = cureWords(product, upper, due !== null, { asked: fullAsked, stated: full !== null });
  return { fromMs, untilMs: fromMs, wait: 'cure', says, drying: null };
}

/** When the next layer may go on what lies below. */
export function layerWait(below: LowerLayer, upper: Product, roomC: number, humidityPct: number | null): LayerWait {
  const { product, lastMs } = below;
  if (product.family === 'mineral-acrylic') return dryWait(below, humidityPct);
  if (product.family === 'uv-acrylate') {
    const says = `${product.name} is hard when the lamp is off; wipe it first.`;
    return { fromMs: lastMs, untilMs: null, wait: 'none', says, drying: null };
  }
  const window = bondWindow(product, roomC);
  // Only the same kind of resin grows into what lies below; others need it hard, and a key.
  if (!window || product.family !== upper.family) return cureWait(below, upper, roomC);
  return {
    fromMs: lastMs + window.fromMin * MINUTE_MS,
    untilMs: window.untilMin === null ? null : lastMs + window.untilMin * MINUTE_MS,
    wait: 'bond',
    says: `Bonds by itself to ${product.name} within its window at this room's temperature.`,
    drying: null,
  };
}
