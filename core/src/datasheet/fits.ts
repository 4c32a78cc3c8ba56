import { isTree, type Tree } from '../formats/documentPath';
import { storedProductSchema } from '../formats/product';

const BLANK: Tree = {
  format: 'warm-jar.product/1',
  slug: 'sheet',
  revision: 1,
  name: 'Sheet',
  family: 'epoxy',
  ratio: {},
};

function nested(keys: readonly string[], value: unknown): unknown {
  const [key, ...rest] = keys;
  return key === undefined ? value : { [key]: nested(rest, value) };
}

/**
 * Whether a card can hold this value there: what is outside the format's range was read wrongly, or is no figure of a
 * resin.
 */
export function fitsCard(path: string, value: unknown): boolean {
  const [first, ...rest] = path.replaceAll(/\[\d+\]/g, '').split('.');
  if (first === undefined || path.includes('[')) return true;
  const at = nested(rest, value);
  const base = BLANK[first];
  const document = { ...BLANK, [first]: isTree(base) && isTree(at) ? { ...base, ...at } : at };
  return storedProductSchema.safeParse(document).success || path.startsWith('ratio.');
}
