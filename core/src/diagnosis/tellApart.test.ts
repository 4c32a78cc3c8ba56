import { describe, expect, it } from 'vitest';
import { diagnosisSchema } from '../formats/diagnosis';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { CAUSE_IDS } from '../formats/vocabulary';
import { diagnose } from './diagnose';
import { QUICK_TESTS } from './quickTests';
import { summarySentence } from './summary';

const of = (slug: string, patch: Record<string, unknown>, kind: string, pattern: string, afterH = 240) =>
  diagnose(saltmarshCard(slug), soundBatch(slug, { checks: [{ afterH, symptoms: [{ kind, pattern }] }], ...patch }))
    .symptoms[0]!;
const share = (s: ReturnType<typeof of>, id: string) => s.causes.find((c) => c.id === id)?.share ?? 0;

describe('quick tests at the bench', () => {
  const unsure = {
    room: { temperatureC: null },
    cure: { temperatureC: null },
    mix: { amountA: null, amountB: null, stirMin: null, scrapedWalls: null },
    resin: null,
  };
  it('are asked for with their bits, and no more once made', () => {
    const asked = of('house-deep-40', unsure, 'soft', 'all-over').ask.filter((a) => a.test);
    expect(asked.map((a) => a.field)).toContain('quickTests.warm-spoon');
    expect(asked.every((a) => a.bits > 0 && a.test!.outcomes.length >= 2)).toBe(true);
    const made = of(
      'house-deep-40',
      { ...unsure, quickTests: [{ test: 'warm-spoon', outcome: 'firmer', atH: 241 }] },
      'soft',
      'all-over',
    );
    expect(made.ask.map((a) => a.field)).not.toContain('quickTests.warm-spoon');
  });
  it('move the shares the way they came out, with the test as evidence', () => {
    const before = of('house-deep-40', unsure, 'soft', 'all-over');
    const firmer = of(
      'house-deep-40',
      { ...unsure, quickTests: [{ test: 'warm-spoon', outcome: 'firmer' }] },
      'soft',
      'all-over',
    );
    const same = of(
      'house-deep-40',
      { ...unsure, quickTests: [{ test: 'warm-spoon', outcome: 'same' }] },
      'soft',
      'all-over',
    );
    expect(share(firmer, 'cold-cure')).toBeGreaterThan(share(before, 'cold-cure'));
    expect(share(firmer, 'ratio-off')).toBeLessThan(share(before, 'ratio-off'));
    expect(share(same, 'ratio-off')).toBeGreaterThan(share(before, 'ratio-off'));
    expect(
      firmer.causes
        .find((c) => c.id === 'cold-cure')!
        .evidence.some((e) => e.field === 'quickTests.warm-spoon' && e.says.includes('firmer')),
    ).toBe(true);
  });
  it('count the latest where one was made twice, and nothing for an outcome nobody knows', () => {
    const latest = of(
      'house-coat-9',
      {
        quickTests: [
          { test: 'water-wipe', outcome: 'stays' },
          { test: 'water-wipe', outcome: 'gone' },
        ],
      },
      'tacky',
      'greasy-film',
    );
    const once = of('house-coat-9', { quickTests: [{ test: 'water-wipe', outcome: 'gone' }] }, 'tacky', 'greasy-film');
    expect(share(latest, 'amine-blush')).toBeCloseTo(share(once, 'amine-blush'), 12);
    const none = of('house-coat-9', {}, 'tacky', 'greasy-film');
    expect(
      share(
        of('house-coat-9', { quickTests: [{ test: 'water-wipe', outcome: 'purple' }] }, 'tacky', 'greasy-film'),
        'amine-blush',
      ),
    ).toBeCloseTo(share(none, 'amine-blush'), 12);
  });
  it.each(QUICK_TESTS.map((t) => [t.id, t] as const))(
    '%s is made of outcomes that happen, and speaks both ways of known causes',
    (_id, test) => {
      expect(test.outcomes.reduce((sum, o) => sum + o.base, 0)).toBeCloseTo(1, 9);
      const points = test.outcomes.flatMap((o) => Object.entries(o.points));
      expect(points.every(([id]) => (CAUSE_IDS as readonly string[]).includes(id))).toBe(true);
      expect(points.some(([, p]) => p > 0) && points.some(([, p]) => p < 0)).toBe(true);
    },
  );
});

describe('a second hardness reading', () => {
  it('is asked for after one soft reading, and not once there are two', () => {
    const one = of(
      'house-deep-40',
      { checks: [{ afterH: 72, shore: 40, symptoms: [{ kind: 'soft', pattern: 'all-over' }] }] },
      'soft',
      'all-over',
    );
    expect(one.ask.map((a) => a.field)).toContain('checks[].shore');
    const two = of(
      'house-deep-40',
      {
        checks: [
          { afterH: 72, shore: 40, symptoms: [{ kind: 'soft', pattern: 'all-over' }] },
          { afterH: 96, shore: 41 },
        ],
      },
      'soft',
      'all-over',
    );
    expect(two.ask.map((a) => a.field)).not.toContain('checks[].shore');
  });
  it('under the curve speaks for the mix, on it for patience', () => {
    const at = (shore: number) =>
      of(
        'house-deep-40',
        { checks: [{ afterH: 50, shore, symptoms: [{ kind: 'soft', pattern: 'all-over' }] }] },
        'soft',
        'all-over',
      );
    expect(share(at(30), 'ratio-off')).toBeGreaterThan(share(at(56), 'ratio-off'));
    expect(share(at(56), 'too-soon')).toBeGreaterThan(share(at(30), 'too-soon'));
  });
});

describe('two causes together', () => {
  const both = { mix: { amountA: 140, amountB: 70, stirMin: 1, scrapedWalls: false } };
  it('are named where the record shows both, by different evidence', () => {
    const found = of('house-deep-40', both, 'tacky', 'tacky-all-over', 96);
    expect(found.together!.ids).toEqual(expect.arrayContaining(['ratio-off', 'under-mixed']));
    expect(found.together!.share).toBeGreaterThan(0.36);
    expect(summarySentence(found)).toContain('both');
  });
  it('are not named where one explains it, nor where two lean on the same reading', () => {
    expect(
      of('house-deep-40', { mix: { amountA: 140, amountB: 70 } }, 'tacky', 'tacky-all-over', 96).together,
    ).toBeNull();
    const cold = of('house-deep-40', { room: { temperatureC: 9 }, cure: { temperatureC: 9 } }, 'soft', 'all-over', 96);
    expect(cold.together).toBeNull();
  });
  it('stay a document of the format', () => {
    const document = diagnose(
      saltmarshCard('house-deep-40'),
      soundBatch('house-deep-40', {
        ...both,
        checks: [{ afterH: 96, symptoms: [{ kind: 'tacky', pattern: 'liquid' }] }],
      }),
    );
    expect(diagnosisSchema.parse(JSON.parse(JSON.stringify(document)))).toEqual(document);
  });
});
