import { mixedMassG } from '../castings/castingAsBatch';
import type { Additive, Batch, Cup } from '../formats/batch';
import { CoreError } from '../formats/errors';
import type { Product } from '../formats/product';

/** More than was mixed by this share is a slip of the scale or of a figure, not of the pouring. */
const SCALE_SLACK = 0.02;

/**
 * A stirred mix as it is split: a cup for each amount, in the order they were poured off.
 * @param massesG what was poured into each, g, above 0
 * @throws CoreError `out-of-range` for an amount that is none, or more in all than was mixed
 */
export function splitCups(product: Product, batch: Batch, massesG: readonly number[], atMin: number | null): Cup[] {
  massesG.forEach((massG, i) => {
    if (!(massG > 0)) throw new CoreError('out-of-range', `Write what is in cup ${i + 1}.`, `cups[${i}].massG`);
  });
  const [all, mixed] = [massesG.reduce((a, b) => a + b, 0), mixedMassG(product, batch)];
  if (mixed !== null && all > mixed * (1 + SCALE_SLACK))
    throw new CoreError(
      'out-of-range',
      `The cups hold ${Math.round(all)} g together; ${Math.round(mixed)} g were mixed.`,
      `cups[${massesG.length - 1}].massG`,
    );
  return massesG.map((massG, i) => ({
    id: `c${i + 1}`,
    massG: Math.round(massG * 100) / 100,
    ...(atMin === null ? {} : { splitMin: atMin }),
  }));
}

/** What a cup took along of what was in the mix before the split, by its share of the whole. */
export function tookAlong(product: Product, batch: Batch, cup: Cup): Additive[] {
  const mixed = mixedMassG(product, batch);
  const share = mixed !== null && cup.massG != null ? Math.min(1, cup.massG / mixed) : null;
  return (batch.additives ?? [])
    .filter((a) => a.applied == null || a.applied === 'mixed')
    .map((a) => {
      const massG = a.massG == null || share === null ? null : Math.round(a.massG * share * 1000) / 1000;
      return { ...a, massG, drops: null };
    });
}

/** The additives of a cup once a colour went in: what it took along, what it has, and this, counted into what is there. */
export function withColour(product: Product, batch: Batch, cup: Cup, colour: Additive): Additive[] {
  const own = cup.additives ?? tookAlong(product, batch, cup);
  const at = own.findIndex((a) => a.name === colour.name && a.kind === colour.kind && a.drops != null);
  if (at < 0) return [...own, colour];
  const there = own[at]!;
  const more = {
    ...there,
    massG: there.massG == null || colour.massG == null ? null : there.massG + colour.massG,
    drops: (there.drops ?? 0) + (colour.drops ?? 0),
  };
  return own.with(at, more);
}
