import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS } from '../formats/vocabulary';
import { diagnose } from './diagnose';

const mendOf = (
  slug: string,
  kind: string,
  pattern: string,
  patch: Record<string, unknown> = {},
  shores: number[] = [],
) => {
  const checks = shores.map((shore, i) => ({ afterH: 24 * (i + 1), shore, symptoms: [] as unknown[] }));
  const last = { afterH: 24 * shores.length + 24, symptoms: [{ kind, pattern }] };
  return diagnose(saltmarshCard(slug), soundBatch(slug, { ...patch, checks: [...checks, last] })).symptoms.at(-1)!.mend;
};

describe('mending', () => {
  it('has steps for every symptom and pattern', () => {
    for (const kind of SYMPTOM_KINDS) {
      for (const pattern of PATTERNS_BY_SYMPTOM[kind])
        expect(mendOf('house-coat-9', kind, pattern).steps.length, `${kind} ${pattern}`).toBeGreaterThan(0);
    }
  });
  it('scrapes off everything liquid and looks again after a day', () => {
    const mend = mendOf('house-coat-9', 'tacky', 'liquid');
    expect(mend.steps[0]).toMatch(/^Scrape off all/);
    expect(mend.supplies).toContain('alcohol and rags');
    expect(mend.recheckAfterH).toBe(24);
  });
  it('warms a tacky part first where cold is the likely cause, and puts nothing on it', () => {
    const cold = mendOf('house-coat-9', 'tacky', 'tacky-all-over', {
      room: { temperatureC: 12 },
      cure: { temperatureC: 12 },
    });
    expect(cold.steps.join(' ')).toContain('warm for a day');
    expect(cold.steps.join(' ')).not.toContain('fresh, measured coat');
  });
  it('tells a soft part that stays flat from one that is rising', () => {
    expect(mendOf('house-deep-40', 'soft', 'all-over', {}, [40, 40]).steps.join(' ')).toContain(
      'waiting cannot save it',
    );
    expect(mendOf('house-deep-40', 'soft', 'all-over', {}, [40, 55]).steps.join(' ')).toContain(
      'second hardness reading',
    );
  });
  it('keeps the lamp off a base that is not light-stable, and the dust out of lungs', () => {
    const clear = mendOf('house-clear-6', 'bubbles', 'large-voids').steps.join(' ');
    expect(clear).toContain('this base yellows');
    expect(clear).toContain('dust mask');
    expect(mendOf('house-noon', 'bubbles', 'large-voids').supplies.join(' ')).toContain('lamp');
  });
});
