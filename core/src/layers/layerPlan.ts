import { bondWindow } from '../cure/bondWindow';
import { minutesAt } from '../cure/equivalentAge';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import { CoreError, requireNumber } from '../errors';
import type { Layer, Piece } from '../formats/piece';
import type { Product } from '../formats/product';
import { dryingState } from '../shelf/drying';
import { layerPairs, type PairNote } from './layerPairs';

/** A layer in the plan of a piece: when, and what has to be done first. */
export interface PlannedLayer {
  readonly index: number;
  readonly productSlug: string;
  readonly product: string;
  readonly batch: string | null;
  readonly state: 'poured' | 'next' | 'later';
  /** Poured then, or planned for then; ISO moment. */
  readonly at: string;
  /** From when it may be poured; null for the first and for one poured. */
  readonly earliest: string | null;
  /** Until when it bonds by itself; null where nothing closes. */
  readonly latest: string | null;
  readonly wait: 'none' | 'bond' | 'dry' | 'cure';
  /** Whether the layer below has to be sanded first: the window is past, or closes before the wait is over. */
  readonly sand: boolean;
  /** Pours it takes at the card's depth, and what each is deep. */
  readonly pours: number;
  readonly pourMm: number | null;
  readonly says: string;
  readonly notes: readonly PairNote[];
}

export interface LayerPlan {
  readonly layers: readonly PlannedLayer[];
  readonly filledMm: number;
  /** What stays free below the rim; null where the mould's height is not known. */
  readonly leftMm: number | null;
  readonly warnings: readonly string[];
  /** When the last layer is hard enough to come out. */
  readonly readyAt: string | null;
}

export interface LayerScene {
  readonly cards: Readonly<Record<string, Product>>;
  /** When each batch's parts met, by its code. */
  readonly startedAt: Readonly<Record<string, string>>;
  readonly now: Date;
  /** Room where the piece itself says none, °C. */
  readonly roomC?: number;
}

const [MINUTE_MS, HOUR_MS] = [60_000, 3_600_000];
const ROOM_C = 21;
/** A water-based layer is first worth weighing after about this long, h (studio practice; some take days more). */
const FIRST_WEIGHING_H = 24;
const USUAL_DRY_H = 48;
/** Left free below the rim, so that a last coat can level the back and either face can be the front, mm. */
export const RIM_MM = 1.5;
const iso = (ms: number) => new Date(ms).toISOString();

interface Wait {
  readonly fromMs: number;
  readonly untilMs: number | null;
  readonly wait: PlannedLayer['wait'];
  readonly says: string;
}

function dryWait(lower: Product, layer: Layer, pouredMs: number, nowMs: number): Wait {
  const drying = dryingState(layer.weighings ?? []);
  if (drying.state === 'dry')
    return { fromMs: Math.max(pouredMs, nowMs), untilMs: null, wait: 'dry', says: `${lower.name} is dry by weighing.` };
  const weighed = (layer.weighings ?? []).length > 0;
  const fromMs = weighed ? Math.max(nowMs, pouredMs) + FIRST_WEIGHING_H * HOUR_MS : pouredMs + USUAL_DRY_H * HOUR_MS;
  return {
    fromMs,
    untilMs: null,
    wait: 'dry',
    says:
      weighed && drying.lossPct !== null
        ? `${lower.name} still lost ${drying.lossPct.toFixed(1)} % between weighings; weigh it again tomorrow.`
        : `${lower.name} dries by weighing, not by the clock: first weigh it after ${FIRST_WEIGHING_H} h; two days is usual.`,
  };
}

/** When the next layer may go on what lies below. */
function waitOn(lower: Product, upper: Product, layer: Layer, pouredMs: number, roomC: number, nowMs: number): Wait {
  if (lower.family === 'mineral-acrylic') return dryWait(lower, layer, pouredMs, nowMs);
  if (lower.family === 'uv-acrylate')
    return {
      fromMs: pouredMs,
      untilMs: null,
      wait: 'none',
      says: `${lower.name} is hard when the lamp is off; wipe it first.`,
    };
  const window = bondWindow(lower, roomC);
  // Only the same kind of resin grows into what lies below; others need it hard, and a key.
  if (window && lower.family === upper.family)
    return {
      fromMs: pouredMs + window.fromMin * MINUTE_MS,
      untilMs: window.untilMin === null ? null : pouredMs + window.untilMin * MINUTE_MS,
      wait: 'bond',
      says: `Bonds by itself to ${lower.name} within its window at this room's temperature.`,
    };
  const hard = lower.demould?.minutes ?? lower.tackFree?.minutes;
  const fromMs =
    hard == null
      ? pouredMs
      : pouredMs +
        minutesAt(lower, hard, roomC, lower.demould?.atC ?? lower.tackFree?.atC ?? SHEET_TEMPERATURE_C) * MINUTE_MS;
  return {
    fromMs,
    untilMs: fromMs,
    wait: 'cure',
    says:
      hard == null
        ? `${lower.name}'s card says neither bond window nor demould time: wait until it is hard.`
        : `Another resin on ${lower.name}: wait until it is hard, and sand it.`,
  };
}

const poursOf = (product: Product, depthMm: number | null) => {
  const most = product.depth?.maxMm;
  const pours = depthMm === null || most == null ? 1 : Math.max(1, Math.ceil(depthMm / most - 1e-6));
  return { pours, pourMm: depthMm === null ? null : depthMm / pours };
};

function cardOf(cards: LayerScene['cards'], slug: string, index: number): Product {
  const card = cards[slug];
  if (!card)
    throw new CoreError(
      'out-of-range',
      `There is no card "${slug}". Add the card, or choose another product for the layer.`,
      `layers[${index}].productSlug`,
    );
  return card;
}

/** Hours from a layer's first pour to its last, at the card's depth for each. */
function laterPoursMs(product: Product, pours: number, roomC: number): number {
  return (pours - 1) * (bondWindow(product, roomC)?.fromMin ?? 0) * MINUTE_MS;
}

function poured(layer: Layer, scene: LayerScene): number | null {
  const at = layer.pouredAt ?? (layer.batch ? scene.startedAt[layer.batch] : null);
  return at ? Date.parse(at) : null;
}

function warningsOf(piece: Piece, filledMm: number, layers: readonly PlannedLayer[]): string[] {
  const left = piece.heightMm == null ? null : piece.heightMm - filledMm;
  return [
    ...(left !== null && left < 0
      ? [`The layers are ${(-left).toFixed(1)} mm higher than the mould. Take depth off a layer.`]
      : []),
    ...(left !== null && left >= 0 && left < RIM_MM
      ? [
          `Only ${left.toFixed(1)} mm stay free below the rim. Leave ${RIM_MM} mm, so that a last coat levels the back and either face can be the front.`,
        ]
      : []),
    ...layers.flatMap((l) =>
      l.pours > 1
        ? [
            `Layer ${l.index + 1} is deeper than its card allows at once: ${l.pours} pours of ${l.pourMm!.toFixed(0)} mm.`,
          ]
        : [],
    ),
  ];
}

/**
 * Lays a piece out in time: each layer after the one below has bonded, dried or hardened, at the room's temperature. What
 * was poured stands as it was; a late layer moves those after it.
 * @throws CoreError `out-of-range` for a layer without a card
 */
export function layerPlan(piece: Piece, scene: LayerScene): LayerPlan {
  const roomC = requireNumber(piece.roomC ?? scene.roomC ?? ROOM_C, 'roomC', -20, 60);
  const nowMs = scene.now.getTime();
  const planned: PlannedLayer[] = [];
  let [readyMs, filledMm]: [number | null, number] = [null, 0];
  let below: { layer: Layer; product: Product; lastMs: number } | null = null;
  for (const [index, layer] of piece.layers.entries()) {
    const product = cardOf(scene.cards, layer.productSlug, index);
    const depth = layer.depthMm ?? null;
    filledMm += depth ?? 0;
    const pouredMs = poured(layer, scene);
    const wait = below ? waitOn(below.product, product, below.layer, below.lastMs, roomC, nowMs) : null;
    const wished = layer.wishedAt ? Date.parse(layer.wishedAt) : 0;
    const atMs = pouredMs ?? Math.max(nowMs, wait?.fromMs ?? 0, wished);
    const late = wait?.untilMs != null && atMs > wait.untilMs + MINUTE_MS;
    const sand = wait !== null && layer.sanded !== true && (wait.wait === 'cure' || (wait.wait === 'bond' && late));
    const { pours, pourMm } = poursOf(product, depth);
    const words =
      sand && wait?.wait === 'bond'
        ? `The bond window ${pouredMs === null ? 'closes' : 'was closed'} before: sand with 60 to 100 grit and wipe first.`
        : (wait?.says ?? 'The first layer: what lies here becomes the face against the mould.');
    planned.push({
      index,
      productSlug: product.slug,
      product: product.name,
      batch: layer.batch ?? null,
      state: pouredMs !== null ? 'poured' : planned.every((l) => l.state === 'poured') ? 'next' : 'later',
      at: iso(atMs),
      earliest: pouredMs === null && wait ? iso(wait.fromMs) : null,
      latest: wait?.wait === 'bond' && wait.untilMs !== null ? iso(wait.untilMs) : null,
      wait: wait?.wait ?? 'none',
      sand,
      pours,
      pourMm,
      says: words,
      notes: below ? layerPairs(below.product, product, depth) : [],
    });
    const lastMs: number = atMs + laterPoursMs(product, pours, roomC);
    below = { layer, product, lastMs };
    const hard = product.demould?.minutes ?? product.tackFree?.minutes;
    readyMs =
      hard == null
        ? null
        : lastMs +
          minutesAt(product, hard, roomC, product.demould?.atC ?? product.tackFree?.atC ?? SHEET_TEMPERATURE_C) *
            MINUTE_MS;
  }
  return {
    layers: planned,
    filledMm,
    leftMm: piece.heightMm == null ? null : piece.heightMm - filledMm,
    warnings: warningsOf(piece, filledMm, planned),
    readyAt: readyMs === null ? null : iso(readyMs),
  };
}
