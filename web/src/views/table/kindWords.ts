import type { TableKind } from '@warm-jar/core';
import type { RouteLocationRaw } from 'vue-router';

/** What one and several of a kind are called. */
export const KIND_WORDS: Readonly<Record<TableKind, { readonly one: string; readonly many: string }>> = {
  batch: { one: 'batch', many: 'batches' },
  lot: { one: 'lot', many: 'lots' },
  mould: { one: 'mould', many: 'moulds' },
  product: { one: 'product', many: 'products' },
};

const PLACES: Readonly<Record<TableKind, RouteLocationRaw>> = {
  batch: { name: 'log' },
  lot: { name: 'shelf', params: { place: 'lots' } },
  mould: { name: 'shelf', params: { place: 'moulds' } },
  product: { name: 'products' },
};

/** Where things of a kind are seen. */
export const placeOfKind = (kind: TableKind): RouteLocationRaw => PLACES[kind];
