import { BATCH_PLACES } from './batchPlaces';
import type { KeyHelp, Place } from './place';
import { STUDIO_PLACES } from './studioPlaces';

const MISSING: Place = {
  name: 'missing',
  path: '/:rest(.*)*',
  title: 'Not here',
  view: () => import('../views/settings/MissingView.vue'),
};

/** Every screen of the application: the router, the menu, the keys and the list of keys are read from here. */
export const PLACES: readonly Place[] = [...STUDIO_PLACES, ...BATCH_PLACES, MISSING];

/** Keys of the shell itself, which lead nowhere. */
export const SHELL_KEYS: readonly KeyHelp[] = [
  { key: '/', does: 'Find anything' },
  { key: '?', does: 'Help: the words and keys of this page' },
  { key: '1 … 9', does: 'A jar on the shelf, from the top' },
];

/** A line of the list of keys. */
export interface KeyLine extends KeyHelp {
  readonly where: string;
}

/** Keys that do the same on several screens stand on one line. */
function pageKeys(): KeyLine[] {
  const lines = new Map<string, { help: KeyHelp; where: string[] }>();
  for (const { keys = [], called = '' } of PLACES) {
    for (const help of keys) {
      const id = `${help.key} ${help.does}`;
      const line = lines.get(id) ?? { help, where: [] };
      line.where.push(called);
      lines.set(id, line);
    }
  }
  return [...lines.values()].map(({ help, where }) => ({ ...help, where: where.join(', ') }));
}

/** The list of keys, those that work everywhere first. */
export function keyLines(): KeyLine[] {
  const leading = PLACES.flatMap((place) => (place.key ? [place.key] : []));
  return [...leading, ...SHELL_KEYS].map((help) => ({ ...help, where: 'everywhere' })).concat(pageKeys());
}

/** The keys that work on one screen, and those that work everywhere. */
export function keysOf(name: string): { readonly here: readonly KeyHelp[]; readonly everywhere: readonly KeyHelp[] } {
  const leading = PLACES.flatMap((place) => (place.key ? [place.key] : []));
  return { here: PLACES.find((p) => p.name === name)?.keys ?? [], everywhere: [...leading, ...SHELL_KEYS] };
}
