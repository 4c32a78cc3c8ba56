import { dropsToG, type Product } from '@warm-jar/core';
import type { Pick } from './pick';
import type { PickScene } from './picksOfShelf';

/** Colours and fillers of the shelf; those in the cup that the product refuses are told. */
export function additivePick({ shelf, rows, set }: PickScene, product: Product): Pick {
  const names = new Set(rows('additives').map((r) => r['name']));
  const refused = shelf.additives.filter(
    ({ item }) =>
      names.has(item.name) &&
      (item.refusedBy?.includes(product.slug) || product.additives?.refused?.includes(item.kind)),
  );
  return {
    label: 'Add from the shelf',
    placeholder: 'colour or filler',
    chosen: null,
    warnings: refused.map(({ item }) => `${product.name} refuses ${item.name}.`),
    options: shelf.additives.map(({ item }) => ({
      value: item.code,
      words: `${item.name}, ${item.kind.replaceAll('-', ' ')}`,
    })),
    choose: (code) => {
      const additive = shelf.additives.find(({ item }) => item.code === code)?.item;
      if (!additive) return;
      // How it went on was not said, and so is not written.
      set('additives', [...rows('additives'), { name: additive.name, kind: additive.kind }]);
    },
  };
}

/** Drops that were counted but not weighed become grams by the studio's own weighing. */
export function dropsPicks({ shelf, say, rows, set }: PickScene): Pick[] {
  return rows('additives').flatMap(({ name, drops, massG }, i): Pick[] => {
    const additive = shelf.additives.find(({ item }) => item.name === name)?.item;
    const grams = additive && typeof drops === 'number' && massG == null ? dropsToG(additive, drops) : null;
    if (!additive || grams === null) return [];
    return [
      {
        label: `${additive.name}: ${String(drops)} drops weigh ${say(grams, 'g')}`,
        placeholder: 'take that as its mass?',
        chosen: null,
        warnings: [],
        options: [{ value: 'yes', words: `take ${say(grams, 'g')}` }],
        choose: () => {
          set(`additives[${i}].massG`, Math.round(grams * 1000) / 1000);
        },
      },
    ];
  });
}
