import { describe, expect, it } from 'vitest';
import { dueNow, openLooks, signalsOf, type SignalScene } from './runSignals';

const SECOND = 1 / 60;
const scene = (more: Partial<SignalScene> = {}): SignalScene => ({
  step: 'stir',
  potLifeEndsMin: 28,
  gelsMin: 60,
  window: null,
  poured: false,
  looks: [],
  looked: [],
  ...more,
});
const keys = (s: SignalScene, atMin: number) => dueNow(signalsOf(s), atMin).map(({ key }) => key);
const look = (afterMin: number) => ({ what: 'look', afterMin, says: 'Look.' });

describe('the signals of a run', () => {
  it('warn a minute before pot life ends and stop when it does, to the second', () => {
    expect(keys(scene(), 27 - SECOND)).toEqual([]);
    expect(keys(scene(), 27)).toEqual(['pot-1']);
    expect(keys(scene(), 28 - SECOND)).toEqual(['pot-1']);
    expect(keys(scene(), 28)).toEqual(['pot-over']);
    expect(keys(scene(), 300)).toEqual(['pot-over']);
  });
  it('say nothing of pot life once it is in the mould or has set, or where it is not known', () => {
    for (const step of ['hold', 'watch', 'turn', 'lamp', 'after'] as const)
      expect(keys(scene({ step }), 40)).toEqual([]);
    expect(keys(scene({ potLifeEndsMin: null }), 40)).toEqual([]);
  });
  it('ring when the pour window opens and half a minute before it closes', () => {
    const window = { opensMin: 9, closesMin: 14, open: false };
    const at = (min: number) => keys(scene({ window }), min);
    expect(at(9 - SECOND)).toEqual([]);
    expect(at(9)).toEqual(['window-opens']);
    expect(at(13.5 - SECOND)).toEqual(['window-opens']);
    expect(at(13.5)).toEqual(['window-opens', 'window-closes']);
    expect(at(14)).toEqual([]);
    expect(keys(scene({ window, poured: true }), 10)).toEqual([]);
    expect(keys(scene({ window: { opensMin: null, closesMin: null, open: false } }), 10)).toEqual([]);
  });
  it('that open for less than half a minute still open before they close', () => {
    const window = { opensMin: 9, closesMin: 9.2, open: false };
    expect(keys(scene({ window }), 9)).toEqual(['window-opens', 'window-closes']);
  });
  it('call for a look when it is due and not before, until it is ticked or the next is nearer', () => {
    const watching = scene({ step: 'watch', looks: [look(95), look(170)] });
    expect(keys(watching, 95 - SECOND)).toEqual([]);
    expect(keys(watching, 95)).toEqual(['look 95.0']);
    expect(keys(watching, 125)).toEqual([]);
    expect(keys({ ...watching, looked: [97] }, 98)).toEqual([]);
    expect(keys({ ...watching, looked: [97] }, 170)).toEqual(['look 170.0']);
  });
});

describe('a look that was made', () => {
  const looks = [look(95), look(170), look(245)];
  it.each([
    ['long before the first', 40, 3],
    ['a little before its time', 84, 2],
    ['late', 150, 2],
    ['for the second, the first forgotten', 172, 1],
  ])('%s', (_when, at, left) => {
    expect(openLooks(looks, [at])).toHaveLength(left);
  });
  it('counts once', () => {
    expect(openLooks(looks, [96, 97]).map((l) => l.afterMin)).toEqual([170, 245]);
  });
});
