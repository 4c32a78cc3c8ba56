import { saltmarshCard, type Product } from '@warm-jar/core';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pretendServer, refusal } from '../testing/mounted';
import { useProducts } from './products';

let cards: Product[] = [];
beforeEach(() => {
  setActivePinia(createPinia());
  cards = [saltmarshCard('house-clear-6'), saltmarshCard('house-tide')];
});
afterEach(() => {
  vi.unstubAllGlobals();
});
const serve = () =>
  pretendServer(({ path }) => {
    const [, slug, revision] = /products\/([\w-]+)\/revisions\/(\d+)/.exec(path) ?? [];
    if (slug === undefined) return { body: { items: cards } };
    return { body: { ...saltmarshCard(slug), revision: Number(revision) } };
  });

describe('the cards', () => {
  it('are read once for all that ask for one meanwhile', async () => {
    const asked = serve();
    const products = useProducts();
    void products.load();
    const found = await Promise.all(
      ['house-clear-6', 'house-tide', 'house-tide'].map((slug) => products.at(slug, null)),
    );
    expect(found.map((card) => card.slug)).toEqual(['house-clear-6', 'house-tide', 'house-tide']);
    expect(asked.map((a) => a.path)).toEqual(['/products']);
  });
  it('are read anew when asked to, though they are being read: what was written since is among them', async () => {
    serve();
    const products = useProducts();
    const before = products.load();
    cards = [...cards, saltmarshCard('house-chalk')];
    await Promise.all([before, products.load()]);
    expect(products.cards.map((c) => c.slug)).toContain('house-chalk');
    expect((await products.at('house-chalk', null)).name).toBe(saltmarshCard('house-chalk').name);
  });
  it('are asked for again by the next that needs one, where they could not be read', async () => {
    let away = true;
    const asked = pretendServer(({ path }) => {
      if (away) return { status: 503, body: refusal('busy', 'Not now.') };
      return path === '/products' ? { body: { items: cards } } : undefined;
    });
    const products = useProducts();
    await products.load();
    expect([products.loaded, products.problem]).toEqual([false, 'Not now.']);
    away = false;
    expect((await products.at('house-tide', null)).slug).toBe('house-tide');
    expect(asked.map((a) => a.path)).toEqual(['/products', '/products']);
    expect([products.loaded, products.problem]).toEqual([true, null]);
  });
  it('of an older revision are asked for once', async () => {
    cards = [{ ...saltmarshCard('house-tide'), revision: 3 }];
    const asked = serve();
    const products = useProducts();
    await products.load();
    const [one, other] = await Promise.all([products.at('house-tide', 2), products.at('house-tide', 2)]);
    expect([one.revision, other.revision]).toEqual([2, 2]);
    expect(asked.map((a) => a.path)).toEqual(['/products', '/products/house-tide/revisions/2']);
  });
});
