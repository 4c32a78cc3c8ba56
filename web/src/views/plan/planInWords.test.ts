import { plan, planRequestSchema, saltmarshCard, wordsIn } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { planInWords } from './planInWords';

const say = wordsIn();
const planned = (request: object, slug: Parameters<typeof saltmarshCard>[0] = 'house-clear-6') =>
  plan(planRequestSchema.parse({ product: saltmarshCard(slug), want: { mixedMassG: 200 }, ...request }));

describe('a plan in words', () => {
  it('begins with the verdict and the time, then the amounts', () => {
    const words = planInWords(planned({ conditions: { roomC: 21, humidityPct: 50, resinC: 22 } }), say);
    expect(words).toMatch(/^(Go|Tight), \d+(\.\d)? min to spare\. A 1\d\d(\.\d)? g, B \d+(\.\d)? g\./);
  });
  it('says what is too long, and what forbids it', () => {
    const words = planInWords(
      planned({
        conditions: { roomC: 30, humidityPct: 50, resinC: 30 },
        handling: { stirMin: 20 },
        route: 'pressure',
        gear: { vesselRatedKPa: 200, pressureKPa: 400 },
      }),
      say,
    );
    expect(words).toMatch(/^No go, .* too long\./);
    expect(words).toContain('Stop. ');
  });
  it('names no B where there is none', () => expect(planInWords(planned({}, 'house-noon'), say)).not.toContain(', B '));
});
