import { describe, expect, it } from 'vitest';
import { expectedShore } from '../cure/hardness';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { hardnessStory } from './hardnessStory';

const card = saltmarshCard('house-deep-40');
const story = (cureC: number, ...checks: [afterH: number, shore: number][]) =>
  hardnessStory(
    card,
    soundBatch('house-deep-40', {
      cure: { temperatureC: cureC },
      checks: checks.map(([afterH, shore]) => ({ afterH, shore })),
    }),
  )!;

describe('hardness over time', () => {
  it('tells slow but rising from flat, and one reading from two', () => {
    expect(story(20, [72, 40]).verdict).toBe('one reading');
    expect(story(20, [72, 40], [96, 50]).verdict).toBe('slow but rising');
    expect(story(20, [72, 40], [96, 41]).verdict).toBe('flat');
    expect(story(20, [72, 40], [96, 41]).says).toContain('waiting will not help');
  });
  it("counts a cold cure's age, so that the same reading is on the curve when it was cold", () => {
    const late = expectedShore(card, 60 * 60, 12)!;
    expect(story(12, [60, Math.ceil(late)]).verdict).toBe('on the curve');
    expect(story(24, [60, Math.ceil(late)]).verdict).toBe('one reading');
  });
  it('orders the readings whatever order they were written in', () =>
    expect(story(20, [96, 41], [72, 40]).points.map((p) => p.afterH)).toEqual([72, 96]));
  it("draws a curve that only rises, to the card's full hardness", () => {
    const { curve, full } = story(23);
    const values = curve.map((p) => p.shore);
    expect(values[0]).toBe(0);
    expect([...values].sort((a, b) => a - b)).toEqual(values);
    expect(values.at(-1)! / full).toBeGreaterThan(0.97);
    expect(values.at(-1)).toBeLessThan(full);
  });
  it('is nothing where the card gives no hardness', () =>
    expect(hardnessStory({ ...card, hardness: null }, soundBatch('house-deep-40'))).toBeNull());
});
