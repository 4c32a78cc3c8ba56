import { saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { planCopy } from './planCopy';

describe('a batch copied into a plan', () => {
  const product = saltmarshCard('house-coat-9');
  const batch = soundBatch(product.slug, { code: 'B-0007', mould: { code: 'M-08' } });
  const changes = [{ says: 'Stir 4 min.', set: { stirMin: 4 }, cause: 'under-mixed' }];

  it('is remembered with its code and with what is changed, which is laid over what was', () => {
    const copy = planCopy({ product, batch, changes, symptom: 'tacky' }, new Set(['M-08']));
    expect(copy).toMatchObject({ productSlug: product.slug, mouldCode: 'M-08', stirMin: 4 });
    expect(copy.copiedFrom).toMatchObject({ code: 'B-0007', symptom: 'tacky', changes: [{ says: 'Stir 4 min.' }] });
    expect(copy.copiedAs).not.toBeNull();
  });
  it('is of no mould that the shelf no longer has', () => {
    expect(planCopy({ product, batch, changes: [], symptom: null }, new Set()).mouldCode ?? null).toBeNull();
  });
});
