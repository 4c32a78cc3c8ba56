import type { Layer, Piece } from '../formats/piece';
import type { LayerScene } from './layerPlan';
import { layerPairs, type PairNote } from './layerPairs';

/** Layers not poured yet, beyond which no other order is tried: there would be too many. */
const MOST_TRIED = 6;

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

/** What is only a matter of waiting, and goes wrong only for the hasty. */
const isWait = (n: PairNote) => n.code === 'damp-below';

function against(layers: readonly Layer[], cards: LayerScene['cards']): PairNote[] {
  return layers.slice(1).flatMap((upper, i) => {
    const [lowerCard, upperCard] = [cards[layers[i]!.productSlug], cards[upper.productSlug]];
    return lowerCard && upperCard
      ? layerPairs(lowerCard, upperCard, upper.depthMm ?? null).filter((n) => !isWait(n))
      : [];
  });
}

/**
 * Another order of the layers that are still to be poured, where one has less against it. What is poured stays.
 * @returns null where the present order is as good as any
 */
export function betterOrder(piece: Piece, cards: LayerScene['cards']): BetterOrder | null {
  const firstOpen = piece.layers.findIndex((l) => l.batch == null && l.pouredAt == null);
  if (firstOpen < 0) return null;
  const [below, open] = [piece.layers.slice(0, firstOpen), piece.layers.slice(firstOpen)];
  if (open.length < 2 || open.length > MOST_TRIED || open.some((l) => l.batch != null || l.pouredAt != null))
    return null;
  const now = against(piece.layers, cards);
  if (now.length === 0) return null;
  const best = orders(open)
    .map((order) => ({ order, notes: against([...below, ...order], cards) }))
    .reduce((a, b) => (b.notes.length < a.notes.length ? b : a));
  if (best.notes.length >= now.length) return null;
  const left = [...best.notes.map((n) => n.code)];
  const avoids = now
    .map((n) => n.code)
    .filter((code) => {
      const i = left.indexOf(code);
      if (i >= 0) left.splice(i, 1);
      return i < 0;
    });
  const name = (l: Layer) => cards[l.productSlug]?.name ?? l.productSlug;
  return {
    layers: [...below, ...best.order],
    avoids,
    says: `${best.order.map(name).join(', then ')}: ${best.notes.length === 0 ? 'nothing speaks against that order' : `${best.notes.length} thing${best.notes.length === 1 ? '' : 's'} instead of ${now.length} speak${best.notes.length === 1 ? 's' : ''} against it`}.`,
  };
}
