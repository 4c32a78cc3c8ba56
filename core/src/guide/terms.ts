import { anyPlace } from '../formats/batchFields';
import type { Term } from './term';
import { TERMS_OF_CARDS } from './termsOfCards';
import { TERMS_OF_WORK } from './termsOfWork';

/** Every word that is explained, once: help, guide and pages take it from here. */
export const TERMS: readonly Term[] = [...TERMS_OF_CARDS, ...TERMS_OF_WORK];

const BY_ID = new Map(TERMS.map((term) => [term.id, term]));

/** A term by its id; undefined for none. */
export const termOf = (id: string): Term | undefined => BY_ID.get(id);

const isOf = (path: string, field: string) =>
  path === field || (path.startsWith(field) && /^[.[A-Z]/.test(path.slice(field.length)));

/**
 * The word for a field of a card, a batch or a thing on the shelf; undefined where the field's own label says it.
 * @param path dotted, such as `potLife.minutes` or `checks[0].shore`
 * @example termOfField('potLife.minutes')?.id // 'pot-life'
 */
export function termOfField(path: string): Term | undefined {
  const any = anyPlace(path);
  const fits = TERMS.flatMap((term) =>
    (term.fields ?? []).filter((f) => isOf(any, f)).map((f) => ({ term, length: f.length })),
  );
  return fits.sort((x, y) => y.length - x.length)[0]?.term;
}
