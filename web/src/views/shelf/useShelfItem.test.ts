// @vitest-environment happy-dom
import type { LotCard } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { useShelf } from '../../stores/shelf';
import { refusal, used, type Answers, type Used } from '../../testing/mounted';
import { pretendStudio, sentTo } from '../../testing/pretendedStudio';
import { KINDS } from './kinds';
import { useShelfItem } from './useShelfKind';

let page: Used<ReturnType<typeof useShelfItem>> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
async function open(code: string | null, more: Answers = () => undefined) {
  const asked = pretendStudio([], more);
  const made = await used(() => {
    void useShelf().load();
    return useShelfItem(KINDS['lots']!, ref(code));
  });
  page = made;
  await made.settle();
  return { item: made.result, asked };
}

describe('a thing of the shelf', () => {
  it('that is new is added', async () => {
    const { item, asked } = await open(null, ({ method, body }) =>
      method === 'POST' ? { status: 201, body, version: 1 } : undefined,
    );
    item.form.set('code', 'A-99');
    item.form.set('productSlug', 'house-tide');
    item.form.set('part', 'A');
    await item.save();
    expect(sentTo(asked, 'POST', '/lots')).toMatchObject([{ code: 'A-99', productSlug: 'house-tide' }]);
    expect(item.problem.value).toBeNull();
  });
  it('is not stored while a field is missing, and then says which', async () => {
    const { item, asked } = await open(null);
    expect(item.form.issues.value).toEqual({});
    await item.save();
    expect(item.problem.value).toContain('look at the marked fields');
    expect(Object.keys(item.form.issues.value)).toContain('code');
    expect(sentTo(asked, 'POST', '/lots')).toEqual([]);
  });
  it('is replaced at the version it was read at', async () => {
    const { item, asked } = await open('A-70', ({ method, body }) =>
      method === 'PUT' ? { body, version: 2 } : undefined,
    );
    item.form.set('note', 'by the window');
    await item.save();
    const put = asked.find((a) => a.method === 'PUT')!;
    expect(put.path).toBe('/lots/A-70');
    expect(put.headers.get('if-match')).toBe('"1"');
    expect(put.body).toMatchObject({ code: 'A-70', note: 'by the window' });
  });
  it('that another screen changed gets what was typed here laid over theirs, field by field', async () => {
    let tries = 0;
    const { item } = await open('A-70', ({ method, body }) => {
      if (method !== 'PUT') return undefined;
      tries += 1;
      return tries === 1 ? { status: 409, body: refusal('version-conflict', 'Changed.') } : { body, version: 3 };
    });
    item.form.set('note', 'mine');
    await item.save();
    expect(item.problem.value).toContain('What you changed now lies over theirs');
    expect((item.form.document.value as unknown as LotCard).note).toBe('mine');
    await item.save();
    expect(item.problem.value).toBeNull();
  });
  it('keeps a figure that cannot be read yet as it was typed', async () => {
    const { item } = await open('A-70');
    item.form.set('quantityG', null, '5oo');
    await item.save();
    expect(item.form.issues.value['quantityG']).toContain('Write a number');
    expect(item.form.texts.value['quantityG']).toBe('5oo');
  });
});
