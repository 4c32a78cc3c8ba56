import { describe, expect, it } from 'vitest';
import { studioClock } from './studioClock';

describe("the studio's clock", () => {
  const wall = { ms: Date.UTC(2026, 2, 14, 9) };
  const read = () => wall.ms;

  it('follows the wall, and then nobody moves it', () => {
    const clock = studioClock(1, read);
    wall.ms += 90_000;
    expect(clock.now().getTime()).toBe(wall.ms);
    expect(clock.advance).toBeUndefined();
  });
  it('runs faster from where the wall was', () => {
    const began = wall.ms;
    const clock = studioClock(10, read);
    wall.ms += 60_000;
    expect(clock.now().getTime() - began).toBe(600_000);
  });
  it('starts where it is set, stands where its speed is nought, and is moved on to the second', () => {
    const from = new Date('2027-03-18T14:30:00Z');
    const clock = studioClock(0, read, from);
    wall.ms += 60_000;
    expect(clock.now()).toEqual(from);
    clock.advance!(61);
    expect(clock.now().toISOString()).toBe('2027-03-18T14:31:01.000Z');
    const running = studioClock(2, read, from);
    wall.ms += 5000;
    running.advance!(10);
    expect(running.now().toISOString()).toBe('2027-03-18T14:30:20.000Z');
  });
});
