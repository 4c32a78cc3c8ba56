import { saltmarshCard, soundBatch, wordsIn, type BenchStep } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { workItem } from '../../stores/urgency';
import { boardFacts, boardRows, type BoardInput } from './boardFacts';

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
    window: null,
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

describe('the window of the pour', () => {
  const window = { opensMin: 6, closesMin: 9, open: false };
  it.each([
    ['to come', 4, window, 'pour in 2:00'],
    ['open', 7, { ...window, open: true }, 'pour now, for 2:00'],
    ['closed', 9.5, window, 'pour window closed'],
    ['never', 4, { opensMin: null, closesMin: null, open: false }, 'never warm enough'],
  ] as const)('%s is told before the pour', (_how, nowMin, w, says) => {
    const batch = soundBatch('house-clear-6', { pour: null });
    expect(board('stir', { batch, window: w, nowMin }).window).toBe(says);
  });
  it('is nothing without one, and once it is poured', () => {
    expect(board('stir').window).toBe('');
    expect(board('watch', { window }).window).toBe('');
    expect(board('pour', { window, batch: soundBatch('house-clear-6', { pour: { startedMin: 2 } }) }).window).toBe('');
  });
});

describe('the others in work', () => {
  const NOW = Date.parse('2026-03-14T10:00:00Z');
  const item = (code: string, startedAt: string, record: object = {}) =>
    workItem(card, soundBatch('house-clear-6', { code, startedAt, checks: [], ...record }));
  it('stand beside the first, each with its stage and what is due, late ones as such', () => {
    const items = [
      item('B-0007', '2026-03-14T09:58:00Z', { pour: null, pressure: null, cure: null }),
      item('B-0008', '2026-03-13T09:00:00Z'),
      item('TRIAL', '2026-03-14T09:00:00Z'),
    ];
    const rows = boardRows(items, 'B-0007', NOW);
    expect(rows.map((r) => [r.code, r.short])).toEqual([
      ['B-0008', '0008'],
      ['TRIAL', 'TRIAL'],
    ]);
    expect(rows.every((r) => r.stage.length > 0)).toBe(true);
    for (const row of rows) expect(row.late).toBe(row.due.endsWith('late'));
    expect(boardRows(items, '', NOW)).toHaveLength(3);
  });
});

describe('the step after', () => {
  it('is the next that is not done, and none at the end', () => {
    expect(board('stir').next).toBe('Clear the air');
    expect(board('watch').next).toBe('–');
  });
});
