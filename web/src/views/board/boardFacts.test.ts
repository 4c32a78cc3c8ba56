import { saltmarshCard, soundBatch, wordsIn, type BenchStep } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { boardFacts, type BoardInput } from './boardFacts';

const card = saltmarshCard('house-clear-6');
const STEPS: BenchStep[] = ['weigh-a', 'weigh-b', 'stir', 'clear', 'pour', 'close', 'press', 'hold', 'watch'];
const clock = { spent: 0.4, potLifeEndsMin: 10, gelsMin: 14, resinNowC: 24, from: 'readings' } as const;

function board(step: BenchStep, more: Partial<BoardInput> = {}) {
  return boardFacts({
    product: card,
    batch: soundBatch('house-clear-6', { mix: { amountA: 147.2 } }),
    step,
    steps: STEPS.map((s) => ({ step: s, done: STEPS.indexOf(s) < STEPS.indexOf(step) })),
    nowMin: 4,
    clock,
    due: { pourByMin: 7, pressureByMin: 12 },
    netG: null,
    gaugeKPa: null,
    say: wordsIn(),
    ...more,
  });
}

describe('the big number of the board', () => {
  it('is what is still to come while weighing, and says when it is over', () => {
    expect(board('weigh-b')).toMatchObject({ says: 'B', over: false });
    expect(board('weigh-b', { netG: 100 }).says).toMatch(/^B to come of/);
    expect(board('weigh-b', { netG: 500 })).toMatchObject({ says: 'B: over', over: true });
    expect(board('weigh-a')).toMatchObject({ number: '–', says: 'A: no target' });
  });
  it('counts the stir down by the card, then says long enough', () => {
    const batch = soundBatch('house-clear-6', { bench: { stirFromMin: 3.5 } });
    expect(board('stir', { batch }).says).toBe('wall and bottom');
    expect(board('stir', { batch, nowMin: 30 })).toMatchObject({ number: '0:00', says: 'long enough' });
  });
  it('counts the clearing up', () => {
    expect(board('clear', { batch: soundBatch('house-clear-6', { bench: { clearFromMin: 1 } }) })).toMatchObject({
      number: '3:00',
      says: 'so far',
    });
  });
  it('is the time to pour, and says when it is too late', () => {
    expect(board('pour')).toMatchObject({ number: '3:00', says: 'to pour', over: false });
    expect(board('pour', { nowMin: 8 })).toMatchObject({ number: '1:00', says: 'too late', over: true });
    expect(board('pour', { due: { pourByMin: null, pressureByMin: null } }).number).toBe('–');
  });
  it('is the gauge while pressing, and a dash where it is silent', () => {
    expect(board('press', { gaugeKPa: 210 })).toMatchObject({ number: '210 kPa', says: 'on the gauge' });
    expect(board('close').number).toBe('–');
    expect(board('hold', { gaugeKPa: 310 }).says).toBe('hold');
  });
  it('is the time since the parts met for all else', () => {
    expect(board('watch', { nowMin: 75 })).toMatchObject({ number: '1:15:00', says: 'since the parts met' });
  });
});

describe('the time beside it', () => {
  it('is what is left of pot life while it is liquid', () => {
    expect(board('stir')).toMatchObject({ time: '6:00', timeLabel: 'pot life left', timeOver: false });
    expect(board('pour', { nowMin: 11 })).toMatchObject({ time: '−1:00', timeOver: true });
  });
  it('says where nothing is known, or has not begun', () => {
    expect(board('stir', { clock: null }).time).toBe('not known');
    expect(board('weigh-a', { nowMin: null }).time).toBe('not begun');
  });
  it('is the time since the parts met once it has set', () => {
    expect(board('hold', { nowMin: 11 })).toMatchObject({
      time: '11:00',
      timeLabel: 'since the parts met',
      timeOver: false,
    });
  });
});

describe('the step after', () => {
  it('is the next that is not done, and none at the end', () => {
    expect(board('stir').next).toBe('Clear the air');
    expect(board('watch').next).toBe('–');
  });
});
