import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { checkPlan, dueCheck, lateFaults } from './checkSchedule';
import { stageLine, stageOf } from './stage';

const bare = {
  mix: { amountA: null, amountB: null, catalystPct: null, stirMin: null, measuredBy: 'weight' },
  degas: { method: null, minutes: null },
  pour: { startedMin: null, finishedMin: null },
  pressure: null,
  cure: { demouldedMin: null },
  checks: [],
};
const stage = (record: Record<string, unknown>, slug = 'house-clear-6') =>
  stageOf(saltmarshCard(slug), soundBatch(slug, { ...bare, ...record }));

describe('where a batch is', () => {
  it.each([
    ['weigh', {}],
    ['weigh', { mix: { ...bare.mix, amountA: 100 } }],
    ['mix', { mix: { ...bare.mix, amountA: 100, amountB: 90 } }],
    ['clear', { mix: { ...bare.mix, amountA: 100, amountB: 90, stirMin: 2 } }],
    ['pour', { degas: { method: 'vacuum', minutes: 3 } }],
    ['pour', { degas: { method: 'none', minutes: null } }],
    [
      'press',
      {
        pour: { startedMin: 3, finishedMin: 4 },
        pressure: { gaugeKPa: 300, startedMin: null, reachedMin: null, releasedMin: null },
      },
    ],
    ['watch', { pour: { startedMin: 3, finishedMin: 4 }, pressure: { gaugeKPa: 0 } }],
    ['check', { cure: { demouldedMin: 600 } }],
    ['check', { checks: [{ afterH: 24 }] }],
    ['check', { checks: [{ afterH: 24, grade: 'mend' }] }],
    ['done', { checks: [{ afterH: 24, grade: 'pass' }] }],
  ])('is %s after %j', (expected, record) => {
    expect(stage(record)).toBe(expected);
  });
  it('is told by the furthest thing on record: a gap behind it is a gap in the record', () => {
    expect(stage({ cure: { demouldedMin: 600 } })).toBe('check');
  });
  it('is drawn as one line, with pressing left out where it is not pressed', () => {
    const line = stageLine(
      saltmarshCard('house-coat-9'),
      soundBatch('house-coat-9', { ...bare, pour: { startedMin: 4, finishedMin: 5 }, pressure: { gaugeKPa: 0 } }),
    );
    expect(line.map((m) => m.place)).toEqual(['past', 'past', 'past', 'past', 'not-needed', 'now', 'ahead']);
    expect(line.find((m) => m.stage === 'pour')!.atMin).toBe(4);
  });
});

describe('when to look again', () => {
  it.each([
    ['house-coat-9', { layerBelow: { family: 'mineral-acrylic' } }, /water shut in below/],
    ['house-chalk', {}, /hard a day or more before it is dry/],
    ['house-coat-9', { inclusions: [{ kind: 'wood' }] }, /darken late/],
    ['house-coat-9', { inclusions: [{ kind: 'metal' }] }, /may tarnish/],
    ['house-noon', { layerBelow: { family: 'epoxy' } }, /lamp of a light-cured top coat/],
    ['house-clear-6', {}, /clear urethane ambers late/],
    ['house-coat-9', {}, /clear epoxy ambers with age/],
  ] as const)('%s with %j may fail late', (slug, record, words) => {
    const why = lateFaults(saltmarshCard(slug), soundBatch(slug, record)).map((f) => f.why);
    expect(why.join(' ')).toMatch(words);
  });
  it('begins with the first look, and goes on only as late as its makings may fail', () => {
    const plan = checkPlan(saltmarshCard('house-clear-6'), soundBatch('house-clear-6'));
    expect(plan[0]!.why).toContain('first look');
    expect(plan.map((p) => p.afterH)).toEqual([...plan.map((p) => p.afterH)].sort((a, b) => a - b));
    expect(plan.at(-1)!.name).toBe('a month');
  });
  it.each([
    [[], 'next day'],
    [[{ afterH: 24 }], 'not graded yet'],
    [[{ afterH: 24, grade: 'mend' }], 'after the mend'],
    [[{ afterH: 24, grade: 'pass' }], 'a week'],
    [[{ afterH: 24, grade: 'scrap' }], null],
  ])('after the looks %j it is %s', (checks, name) => {
    const batch = soundBatch('house-clear-6', { checks });
    expect(dueCheck(saltmarshCard('house-clear-6'), batch)?.name ?? null).toBe(name);
  });
  it('is nothing while it is still in its mould', () => {
    const batch = soundBatch('house-clear-6', { cure: { demouldedMin: null }, checks: [] });
    expect(dueCheck(saltmarshCard('house-clear-6'), batch)).toBeNull();
  });
});
