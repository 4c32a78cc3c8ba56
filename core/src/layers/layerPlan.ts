import { minutesAt } from '../cure/equivalentAge';
import { bondWindow } from '../cure/bondWindow';
import { poursFor } from '../cure/deepPour';
import { CoreError } from '../formats/errors';
import type { Layer, Piece } from '../formats/piece';
import type { Product } from '../formats/product';
import { EDGE_MM, layerPairs, type PairNote } from './layerPairs';
import { hardOf, layerWait, type LayerWait, type LowerLayer } from './layerWait';

/** Something that stops the next pour until a reason is given. */
export interface LayerStop {
  readonly code: 'damp' | 'pair' | 'too-early' | 'room';
  readonly says: string;
}

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
  /** What stops this pour until a reason is given; of the next layer alone. */
  readonly stops: readonly LayerStop[];
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
  /** What each batch was mixed as, g, by its code. */
  readonly massG?: Readonly<Record<string, number>>;
  readonly now: Date;
  /** Room where the piece itself says none, °C and %. */
  readonly roomC?: number;
  readonly humidityPct?: number;
}

const MINUTE_MS = 60_000;
const ROOM_C = 21;
/** Left free below the rim, so that a last coat can level the back and either face can be the front, mm. */
export const RIM_MM = 1.5;
/** What is further off than this is as good as never, ms: a hundred years. */
const NEVER_MS = 100 * 365 * 24 * 60 * MINUTE_MS;

/** What is kept under a key, and nothing that every object has. */
export const own = <T>(kept: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(kept, key) ? kept[key] : undefined;

const poursOf = (product: Product, depthMm: number | null) => {
  const most = product.depth?.maxMm;
  const pours = depthMm === null || most == null ? 1 : poursFor(depthMm, most);
  return { pours, pourMm: depthMm === null ? null : depthMm / pours };
};

function cardOf(cards: LayerScene['cards'], slug: string, index: number): Product {
  const card = own(cards, slug);
  if (!card)
    throw new CoreError(
      'out-of-range',
      `There is no card "${slug}". Add the card, or choose another product for the layer.`,
      `layers[${index}].productSlug`,
    );
  return card;
}

/** From a layer's first pour to its last, at the card's depth for each. */
function laterPoursMs(product: Product, pours: number, roomC: number): number {
  return (pours - 1) * (bondWindow(product, roomC)?.fromMin ?? 0) * MINUTE_MS;
}

function poured(layer: Layer, scene: LayerScene): number | null {
  const at = layer.pouredAt ?? (layer.batch ? own(scene.startedAt, layer.batch) : null);
  const ms = at ? Date.parse(at) : NaN;
  return Number.isFinite(ms) ? ms : null;
}

/** What of a layer dries, g: as it says, as its batch was mixed, or the whole piece while nothing lies below it. */
export function ownMassG(layer: Layer, index: number, massG: LayerScene['massG'] = {}): number | null {
  const mixed = layer.massG ?? (layer.batch ? own(massG, layer.batch) : null) ?? null;
  if (mixed !== null) return mixed;
  const first = [...(layer.weighings ?? [])].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))[0];
  return index === 0 ? (first?.massG ?? null) : null;
}

function warningsOf(piece: Piece, filledMm: number, layers: readonly PlannedLayer[]): string[] {
  const left = piece.heightMm == null ? null : piece.heightMm - filledMm;
  const deep = layers.filter((l) => l.pours > 1);
  return [
    ...(left !== null && left < 0
      ? [`The layers are ${(-left).toFixed(1)} mm higher than the mould. Take depth off a layer.`]
      : []),
    ...(left !== null && left >= 0 && left < RIM_MM
      ? [
          `Only ${left.toFixed(1)} mm stay free below the rim. Leave ${RIM_MM} mm, so that a last coat levels the back and either face can be the front.`,
        ]
      : []),
    ...deep.map(
      (l) =>
        `Layer ${l.index + 1} is deeper than its card allows at once: ${l.pours} pours of ${l.pourMm!.toFixed(0)} mm.`,
    ),
  ];
}

/** Whether the piece's room lies outside what the product's card allows. */
function roomStop(product: Product, roomC: number): LayerStop | null {
  const { minC, maxC } = product.room ?? {};
  if (minC != null && roomC < minC)
    return { code: 'room', says: `The room is ${roomC.toFixed(1)} °C; ${product.name} needs ${minC} °C or more.` };
  if (maxC != null && roomC > maxC)
    return { code: 'room', says: `The room is ${roomC.toFixed(1)} °C; ${product.name}'s card ends at ${maxC} °C.` };
  return null;
}

/** Water-based compound that does not stick is held by the layers that meet around it. */
const keptOffEdge = (product: Product, layer: Layer) =>
  product.family === 'mineral-acrylic' && (layer.edgeMm ?? 0) >= EDGE_MM;

/** What speaks so plainly against pouring this layer now that a reason is asked for. */
function stopsOf(
  product: Product,
  layer: Layer,
  wait: LayerWait | null,
  notes: readonly PairNote[],
  room: PieceRoom,
): LayerStop[] {
  const stops: (LayerStop | null)[] = [
    wait?.drying && wait.drying.state !== 'dry' ? { code: 'damp', says: wait.says } : null,
    wait?.wait === 'cure' && wait.fromMs > room.nowMs + MINUTE_MS ? { code: 'too-early', says: wait.says } : null,
    ...notes
      .filter((n) => n.code === 'does-not-stick' && !keptOffEdge(product, layer))
      .map((n): LayerStop => ({ code: 'pair', says: `${n.says} ${n.todo}` })),
    room.stated ? roomStop(product, room.roomC) : null,
  ];
  return stops.filter((s) => s !== null);
}

/** The words under a layer: what it waits for, or that the window is past. */
function wordsOf(wait: LayerWait | null, sand: boolean, isPoured: boolean): string {
  if (sand && wait?.wait === 'bond') {
    return `The bond window ${isPoured ? 'was closed' : 'closes'} before: sand with 60 to 100 grit and wipe first.`;
  }
  return wait?.says ?? 'The first layer: what lies here becomes the face against the mould.';
}

/** The room that a piece is made in, and from when on it is planned. */
interface PieceRoom {
  readonly roomC: number;
  /** Whether somebody said how warm it is. */
  readonly stated: boolean;
  readonly humidityPct: number | null;
  readonly nowMs: number;
}

const pieceRoom = (piece: Piece, scene: LayerScene): PieceRoom => ({
  roomC: piece.roomC ?? scene.roomC ?? ROOM_C,
  stated: piece.roomC != null || scene.roomC !== undefined,
  humidityPct: piece.humidityPct ?? scene.humidityPct ?? null,
  nowMs: scene.now.getTime(),
});

/** When a layer was or will be poured, and whether it comes too late to bond by itself. */
function timing(
  layer: Layer,
  pouredMs: number | null,
  below: LowerLayer | null,
  wait: LayerWait | null,
  nowMs: number,
) {
  const wishedMs = layer.wishedAt ? Date.parse(layer.wishedAt) : 0;
  const atMs = pouredMs ?? Math.max(nowMs, wait?.fromMs ?? 0, wishedMs, below?.lastMs ?? 0);
  const late = wait?.untilMs != null && atMs > wait.untilMs + MINUTE_MS;
  const needsKey = wait?.wait === 'cure' || (wait?.wait === 'bond' && late);
  return { atMs, sand: needsKey && layer.sanded !== true };
}

function stateOf(pouredMs: number | null, before: readonly PlannedLayer[]): PlannedLayer['state'] {
  if (pouredMs !== null) return 'poured';
  return before.every((l) => l.state === 'poured') ? 'next' : 'later';
}

/** One layer on what lies below, and what the next one meets. */
function planLayer(
  layer: Layer,
  product: Product,
  before: readonly PlannedLayer[],
  below: LowerLayer | null,
  scene: LayerScene,
  room: PieceRoom,
): { planned: PlannedLayer; lastMs: number } {
  const iso = (ms: number) => new Date(Math.min(ms, room.nowMs + NEVER_MS)).toISOString();
  const depthMm = layer.depthMm ?? null;
  const pouredMs = poured(layer, scene);
  const wait = below ? layerWait(below, product, room.roomC, room.humidityPct) : null;
  const { atMs, sand } = timing(layer, pouredMs, below, wait, room.nowMs);
  const { pours, pourMm } = poursOf(product, depthMm);
  const notes = below ? layerPairs(below.product, product, depthMm) : [];
  const state = stateOf(pouredMs, before);
  const untilMs = wait?.wait === 'bond' ? wait.untilMs : null;
  return {
    planned: {
      index: before.length,
      productSlug: product.slug,
      product: product.name,
      batch: layer.batch ?? null,
      state,
      at: iso(atMs),
      earliest: pouredMs === null && wait ? iso(wait.fromMs) : null,
      latest: untilMs === null ? null : iso(untilMs),
      wait: wait?.wait ?? 'none',
      sand,
      pours,
      pourMm,
      says: wordsOf(wait, sand, pouredMs !== null),
      notes,
      stops: state === 'next' ? stopsOf(product, layer, wait, notes, room) : [],
    },
    lastMs: atMs + laterPoursMs(product, pours, room.roomC),
  };
}

/** When the topmost layer is hard by its card, ms; null where there is none, or the card does not say. */
function readyMs(top: LowerLayer | null, roomC: number): number | null {
  const hard = top && hardOf(top.product);
  return top && hard ? top.lastMs + minutesAt(top.product, hard.minutes, roomC, hard.atC) * MINUTE_MS : null;
}

/**
 * Lays a piece out in time: each layer after the one below has bonded, dried or hardened, at the room's temperature.
 * What
 * was poured stands as it was; a late layer moves those after it.
 * @throws CoreError `out-of-range` for a layer without a card
 */
export function layerPlan(piece: Piece, scene: LayerScene): LayerPlan {
  const room = pieceRoom(piece, scene);
  const layers: PlannedLayer[] = [];
  let below: LowerLayer | null = null;
  for (const [index, layer] of piece.layers.entries()) {
    const product = cardOf(scene.cards, layer.productSlug, index);
    const { planned, lastMs }: ReturnType<typeof planLayer> = planLayer(layer, product, layers, below, scene, room);
    layers.push(planned);
    below = { layer, product, lastMs, ownG: ownMassG(layer, index, scene.massG) };
  }
  const filledMm = piece.layers.reduce((sum, l) => sum + (l.depthMm ?? 0), 0);
  const ready = readyMs(below, room.roomC);
  return {
    layers,
    filledMm,
    leftMm: piece.heightMm == null ? null : piece.heightMm - filledMm,
    warnings: warningsOf(piece, filledMm, layers),
    readyAt: ready === null ? null : new Date(Math.min(ready, room.nowMs + NEVER_MS)).toISOString(),
  };
}
