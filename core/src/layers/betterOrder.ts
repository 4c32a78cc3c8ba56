import type { Layer, Piece } from '../formats/piece';
import type { Product } from '../formats/product';
import { dryingState } from '../shelf/drying';
import { own, ownMassG, type LayerScene } from './layerPlan';
import { layerPairs, type PairNote } from './layerPairs';

/** Layers not poured yet, beyond which no other order is tried: there would be too many. */
const MAX_TRIED = 6;

/** An order of the layers still to be poured in which less speaks against the pairs. */
export interface BetterOrder {
  readonly layers: readonly Layer[];
  readonly avoids: readonly PairNote['code'][];
  readonly says: string;
}

function orders<T>(items: readonly T[]): T[][] {
  if (items.length <= 1) return [[...items]];
  return items.flatMap((item, i) =>
    orders([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
  );
}

/** A thin layer that covers what lies behind it is there to be seen, mm. */
const THIN_MM = 3;

/** What is meant to be seen where it lies: said so, holding something, or a thin opaque layer. */
export function isDecoration(layer: Layer, product: Product | undefined): boolean {
  if (layer.decoration != null) return layer.decoration;
  if ((layer.inclusions ?? []).length > 0) return true;
  return product?.clarity === 'opaque' && layer.depthMm != null && layer.depthMm <= THIN_MM;
}

/** What speaks against an order: pairs that do not stick or react, and how many are sealed over something damp. */
interface Against {
  readonly notes: readonly PairNote[];
  readonly damp: number;
}

function against(layers: readonly Layer[], cards: LayerScene['cards'], drying: (layer: Layer) => boolean): Against {
  const notes = layers.slice(1).flatMap((upper, i) => {
    const lower = layers[i]!;
    const [lowerCard, upperCard] = [own(cards, lower.productSlug), own(cards, upper.productSlug)];
    if (!lowerCard || !upperCard) return [];
    // A water-based layer that is dry by weighing is no longer damp.
    const dry = lowerCard.family === 'mineral-acrylic' && !drying(lower);
    return layerPairs(lowerCard, upperCard, upper.depthMm ?? null).filter((n) => n.code !== 'damp-below' || !dry);
  });
  const damp = notes.filter((n) => n.code === 'damp-below').length;
  return { notes: notes.filter((n) => n.code !== 'damp-below'), damp };
}

const isBetter = (a: Against, b: Against) =>
  a.notes.length < b.notes.length || (a.notes.length === b.notes.length && a.damp < b.damp);

/** Every order of the layers that may move, the others left where they stand. */
function ordersOf(open: readonly Layer[], fixed: (layer: Layer) => boolean): Layer[][] {
  const movable = open.filter((l) => !fixed(l));
  return orders(movable).map((order) => {
    const next = [...order];
    return open.map((l) => (fixed(l) ? l : next.shift()!));
  });
}

function wordsFor(order: readonly Layer[], cards: LayerScene['cards'], now: Against, best: Against): string {
  const names = order.map((l) => own(cards, l.productSlug)?.name ?? l.productSlug).join(', then ');
  const [before, after] = [now.notes.length + now.damp, best.notes.length + best.damp];
  const verb = after === 1 ? 'thing speaks' : 'things speak';
  return `${names}: ${after === 0 ? 'nothing speaks against that order' : `${after} ${verb} against it instead of ${before}`}.`;
}

/**
 * Another order of the layers that are still to be poured, where one has less against it: pairs first, then what is
 * sealed over something damp. What is poured stays, and so does what is there to be seen.
 * @returns null where the present order is as good as any
 */
export function betterOrder(
  piece: Piece,
  cards: LayerScene['cards'],
  massG: LayerScene['massG'] = {},
): BetterOrder | null {
  const firstOpen = piece.layers.findIndex((l) => l.batch == null && l.pouredAt == null);
  if (firstOpen < 0) return null;
  const [below, open] = [piece.layers.slice(0, firstOpen), piece.layers.slice(firstOpen)];
  if (open.length < 2 || open.length > MAX_TRIED || open.some((l) => l.batch != null || l.pouredAt != null))
    return null;
  const drying = (l: Layer) =>
    dryingState(l.weighings ?? [], ownMassG(l, piece.layers.indexOf(l), massG)).state !== 'dry';
  const judge = (layers: readonly Layer[]) => against(layers, cards, drying);
  const now = judge(piece.layers);
  if (now.notes.length + now.damp === 0) return null;
  const best = ordersOf(open, (l) => isDecoration(l, own(cards, l.productSlug)))
    .map((order) => ({ order, found: judge([...below, ...order]) }))
    .reduce((a, b) => (isBetter(b.found, a.found) ? b : a));
  if (!isBetter(best.found, now)) return null;
  const left = best.found.notes.map((n) => n.code);
  const avoids = now.notes
    .map((n) => n.code)
    .filter((code) => {
      const i = left.indexOf(code);
      if (i >= 0) left.splice(i, 1);
      return i < 0;
    });
  return {
    layers: [...below, ...best.order],
    avoids: [...avoids, ...(best.found.damp < now.damp ? (['damp-below'] as const) : [])],
    says: wordsFor(best.order, cards, now, best.found),
  };
}
