import { productSchema, type Product } from '../formats/product';
import bone3 from './cards/house-bone-3.json';
import chalk from './cards/house-chalk.json';
import clear6 from './cards/house-clear-6.json';
import coat9 from './cards/house-coat-9.json';
import deep40 from './cards/house-deep-40.json';
import mouldP from './cards/house-mould-p.json';
import mouldT from './cards/house-mould-t.json';
import noonWhite from './cards/house-noon-white.json';
import noon from './cards/house-noon.json';
import shell from './cards/house-shell.json';
import tide from './cards/house-tide.json';

/** The eleven product cards of Saltmarsh Cast Goods, the invented demo studio. */
export const SALTMARSH_CARDS: readonly Product[] = [
  clear6,
  bone3,
  deep40,
  coat9,
  tide,
  shell,
  noon,
  noonWhite,
  chalk,
  mouldP,
  mouldT,
].map((card) => productSchema.parse(card));

/** A card of the demo studio by its slug. @throws RangeError for a slug it does not have */
export function saltmarshCard(slug: string): Product {
  const card = SALTMARSH_CARDS.find((c) => c.slug === slug);
  if (!card) throw new RangeError(`Saltmarsh has no product "${slug}"`);
  return card;
}
