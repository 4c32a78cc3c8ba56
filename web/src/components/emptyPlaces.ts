import type { RouteLocationRaw } from 'vue-router';

/** What belongs in a place that holds nothing yet, and the ways to bring it there. */
export interface EmptyPlaceWords {
  readonly what: string;
  readonly ways: readonly { readonly words: string; readonly to: RouteLocationRaw }[];
}

const way = (words: string, to: RouteLocationRaw) => ({ words, to });
const newOf = (place: string) => ({ name: 'shelf', params: { place, code: 'new' } });
const CARD = way('Card from a data sheet', { name: 'sheet-card' });
const PLAN = way('Plan a batch', { name: 'plan' });
const LOG = way('Log a batch', { name: 'new-batch' });
const table = (kind: string, words: string) => way(words, { name: 'import-table', query: { kind } });
const BATCHES = table('batch', 'Bring in a spreadsheet of batches');

/** Every place that can be empty. */
export const EMPTY_PLACES = {
  work: {
    what: 'Nothing is in work. Batches at the bench stand here, the one that runs out first in front.',
    ways: [PLAN, LOG],
  },
  plan: {
    what: 'A plan is held against a product’s card: its ratio, times and limits. There is no card yet.',
    ways: [CARD, way('Type a card by hand', { name: 'new-product' })],
  },
  log: {
    what: 'Every batch that was made stands here, to be found, compared and learned from.',
    ways: [PLAN, LOG, BATCHES],
  },
  pieces: {
    what: 'A piece is poured in several layers, or joined from several castings: here it is planned when each comes.',
    ways: [way('Begin a piece', { name: 'pieces', hash: '#new-piece' })],
  },
  patterns: {
    what: 'What costs this studio castings, told from chance. It needs some dozens of batches that somebody looked at.',
    ways: [BATCHES, PLAN],
  },
  trials: {
    what: 'A batch copied with one thing changed is a trial: here stand both, side by side. Copy one from its page.',
    ways: [way('To the log', { name: 'log' })],
  },
  figures: {
    what: 'Gel times, losses and yields of your own, worked out of the log. They come with the batches.',
    ways: [BATCHES, PLAN],
  },
  products: {
    what: 'A card holds what the data sheet says: ratio, times, temperatures, limits. Plans and diagnoses rest on it.',
    ways: [
      CARD,
      way('Type a card by hand', { name: 'new-product' }),
      table('product', 'Bring in a spreadsheet'),
      way('Import cards', { name: 'import-products' }),
    ],
  },
  lots: {
    what: 'A lot is one delivery of a part: when it was opened, how long it keeps, what is left of it.',
    ways: [way('Add a lot', newOf('lots')), table('lot', 'Bring in a spreadsheet of lots')],
  },
  moulds: {
    what: 'A mould with its cavities: volume, depth, thinnest section, and how it wears.',
    ways: [way('Add a mould', newOf('moulds')), table('mould', 'Bring in a spreadsheet of moulds')],
  },
  inclusions: {
    what: 'What is cast in: how dry it is by its weighings, whether it is sealed, how it went with each product.',
    ways: [way('Add an inclusion', newOf('inclusions'))],
  },
  additives: {
    what: 'Colours and fillers: their kind, and what a drop of each weighs.',
    ways: [way('Add an additive', newOf('additives'))],
  },
  gear: {
    what: 'Scales, vessels, pumps and lamps: a scale’s step and a vessel’s rating go into every plan.',
    ways: [way('Add a piece of gear', newOf('gear'))],
  },
} as const satisfies Readonly<Record<string, EmptyPlaceWords>>;

export type EmptyPlaceName = keyof typeof EMPTY_PLACES;
