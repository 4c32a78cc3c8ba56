import { castingName, castingsOf, type Batch, type LotCard, type Mould, type Product } from '@warm-jar/core';
import type { LabelWords } from './labelSheets';

/** What a label can be made for. */
export const LABEL_KINDS = ['lots', 'moulds', 'batches'] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];

const code = encodeURIComponent;
const filled = (lines: readonly (string | null | undefined | false)[]) => lines.filter((l): l is string => Boolean(l));

/** The label of a bottle: whose part it is, and until when it keeps. */
export const labelOfLot = (lot: LotCard, product: string): LabelWords => ({
  id: `lot ${lot.productSlug} ${lot.part} ${lot.code}`,
  title: lot.code,
  lines: filled([
    `${product}, part ${lot.part}`,
    lot.openedOn && `opened ${lot.openedOn}`,
    lot.useBy && `use by ${lot.useBy}`,
  ]),
  path: `/lots/${code(lot.code)}`,
});

export const labelOfMould = (mould: Mould): LabelWords => ({
  id: `mould ${mould.code}`,
  title: mould.code,
  lines: filled([mould.makes, mould.rubber?.replaceAll('-', ' ')]),
  path: `/moulds/${code(mould.code)}`,
});

/** The labels of a batch: its cup or cups, and each casting that is told apart. */
export function labelsOfBatch(batch: Batch, product: Product): LabelWords[] {
  const name = batch.code ?? '';
  const day = batch.startedAt?.slice(0, 10);
  const cups = batch.cups ?? [];
  const at = `/at/${code(name)}`;
  const ofCups = (cups.length > 0 ? cups : [null]).map((cup) => ({
    id: `cup ${name} ${cup?.id ?? ''}`,
    title: cup ? `${name} ${cup.id}` : name,
    lines: filled([product.name, day && `mixed ${day}`, cup?.note, 'cup']),
    path: cup ? `${at}?cup=${code(cup.id)}` : at,
  }));
  const ofCastings = castingsOf(batch).map((k) => ({
    id: `casting ${name} ${k.id}`,
    title: castingName(name, k.id),
    lines: filled([product.name, day, k.mould?.code ?? batch.mould?.code]),
    path: `${at}?casting=${code(k.id)}`,
  }));
  return [...ofCups, ...ofCastings];
}
