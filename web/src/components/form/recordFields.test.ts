import { SALTMARSH_CARDS, batchSchema, limitReadings, saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { withValue } from '../../stores/draftPath';
import { fieldsFor, sectionsFor } from './recordFields';

const SAMPLE = {
  number: 3,
  choice: null,
  'yes-no': true,
  text: 'x',
  words: ['clay'],
  choices: ['clay'],
  date: '2026-03-14',
  moment: '2026-03-14T09:20:00+01:00',
} as const;

describe('the fields of the log page', () => {
  it('all write where the format reads, and are taken by it', () => {
    for (const card of SALTMARSH_CARDS) {
      for (const field of sectionsFor(card).flatMap((s) => fieldsFor(s, card))) {
        const value = field.kind === 'choice' ? field.options![0] : SAMPLE[field.kind];
        const document = withValue(
          { format: 'warm-jar.batch/1', product: { slug: card.slug, revision: 1 } },
          field.path,
          field.path === 'layerBelow.productSlug' ? 'house-chalk' : value,
        );
        expect(batchSchema.safeParse(document).success, field.path).toBe(true);
      }
    }
  });
  it('give every limited figure that a person records its place on the page', () => {
    const card = saltmarshCard('house-clear-6');
    const held = new Set(
      sectionsFor(card)
        .flatMap((s) => fieldsFor(s, card))
        .map((f) => f.reading ?? f.path),
    );
    const limited = limitReadings(card, soundBatch('house-clear-6'))
      .map((r) => r.field)
      .filter((f) => !f.startsWith('additives.') && !f.startsWith('checks['));
    expect(limited.filter((f) => !held.has(f))).toEqual([]);
  });
  it('leave out what a product cannot have', () => {
    const paths = (slug: string) =>
      sectionsFor(saltmarshCard(slug))
        .flatMap((s) => fieldsFor(s, saltmarshCard(slug)))
        .map((f) => f.path);
    expect(paths('house-noon')).not.toContain('lotB.code');
    expect(paths('house-noon')).not.toContain('pressure.gaugeKPa');
    expect(paths('house-tide')).not.toContain('degas.vacuumKPaAbs');
    expect(paths('house-clear-6')).toContain('pressure.gaugeKPa');
  });
});
