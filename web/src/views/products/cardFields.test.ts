import { FAMILIES, SALTMARSH_CARDS, productSchema, toRow } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { withValue, type Tree } from '../../stores/draftPath';
import { cardSections } from './cardFields';

describe('the fields of a card', () => {
  it('hold every figure of every demo card', () => {
    for (const card of SALTMARSH_CARDS) {
      const shown = new Set(
        cardSections(card.family, true)
          .flatMap((s) => s.fields)
          .map((f) => f.path),
      );
      const stated = Object.keys(toRow(card)).filter((p) => !['format', 'revision', 'densityBGPerML'].includes(p));
      expect(
        stated.filter((p) => !shown.has(p) && !(p.startsWith('ratio.') && card.ratio.catalyst)),
        card.slug,
      ).toEqual([]);
    }
  });
  it('write what the format takes', () => {
    for (const family of FAMILIES) {
      for (const field of cardSections(family, true).flatMap((s) => s.fields)) {
        const samples = {
          number: 5,
          'yes-no': true,
          text: 'house-x',
          choice: field.options?.[0],
          choices: [field.options?.[0]],
        };
        const value = samples[field.kind as keyof typeof samples];
        const base: Tree = { format: 'warm-jar.product/1', slug: 'house-x', revision: 1, name: 'X', family, ratio: {} };
        const pair = {
          'ratio.byWeight.a': 'b',
          'ratio.byWeight.b': 'a',
          'ratio.byVolume.a': 'b',
          'ratio.byVolume.b': 'a',
          'ratio.powder.liquid': 'powder',
          'ratio.powder.powder': 'liquid',
        }[field.path];
        const document = withValue(
          pair ? withValue(base, `${field.path.slice(0, field.path.lastIndexOf('.'))}.${pair}`, 5) : base,
          field.path,
          value,
        );
        expect(productSchema.safeParse(document).success, `${family} ${field.path}`).toBe(true);
      }
    }
  });
});
