import { describe, expect, it } from 'vitest';
import { batchSchema } from '../formats/batch';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { overlay, soundBatch } from '../simulation/soundBatch';
import { stageLine, stageOf } from './stage';

const clear = saltmarshCard('house-clear-6');
const coat = saltmarshCard('house-coat-9');
const batch = (patch: Record<string, unknown>) =>
  batchSchema.parse(overlay({ format: 'warm-jar.batch/1', product: { slug: 'house-clear-6', revision: 1 } }, patch));

describe('stageOf', () => {
  it.each([
    ['nothing yet', {}, 'weigh'],
    ['A only', { mix: { amountA: 100 } }, 'weigh'],
    ['both parts', { mix: { amountA: 100, amountB: 82 } }, 'mix'],
    ['stirred', { mix: { amountA: 100, amountB: 82, stirMin: 2 } }, 'clear'],
    [
      'under vacuum and out',
      { mix: { amountA: 100, amountB: 82, stirMin: 2 }, degas: { method: 'vacuum', minutes: 2 } },
      'pour',
    ],
    ['poured', { pour: { startedMin: 3, finishedMin: 4 } }, 'press'],
    ['poured, said not to be pressed', { pour: { finishedMin: 4 }, pressure: { gaugeKPa: 0 } }, 'watch'],
    ['under pressure', { pour: { finishedMin: 4 }, pressure: { gaugeKPa: 345, reachedMin: 6 } }, 'press'],
    ['released', { pressure: { gaugeKPa: 345, reachedMin: 6, releasedMin: 130 } }, 'watch'],
    ['demoulded', { cure: { demouldedMin: 200 } }, 'check'],
    ['checked without a grade', { checks: [{ afterH: 24 }] }, 'check'],
    ['to be mended', { checks: [{ afterH: 24, grade: 'mend' }] }, 'check'],
    [
      'passed',
      {
        checks: [
          { afterH: 48, grade: 'pass' },
          { afterH: 24, grade: 'mend' },
        ],
      },
      'done',
    ],
  ])('%s: %j is at %s', (_what, patch, stage) => {
    expect(stageOf(clear, batch(patch))).toBe(stage);
  });
  it('does not press what the card does not ask to press', () => {
    expect(stageOf(coat, batch({ pour: { finishedMin: 4 } }))).toBe('watch');
  });
  it('is not thrown forward by a batch that was planned without pressure', () => {
    expect(stageOf(coat, batch({ mix: { amountA: 1, amountB: 1 }, pressure: { gaugeKPa: 0 } }))).toBe('mix');
  });
});

describe('stageLine', () => {
  it('has every stage in order, times where they are recorded, one place at most that is now', () => {
    const line = stageLine(clear, soundBatch('house-clear-6'));
    expect(line.map((m) => m.stage)).toEqual(['weigh', 'mix', 'clear', 'pour', 'press', 'watch', 'check']);
    expect(line.filter((m) => m.place === 'now').map((m) => m.stage)).toEqual(['check']);
    const times = line.map((m) => m.atMin).filter((t) => t !== null);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
  });
  it('marks pressing as not needed for a coating', () => {
    expect(stageLine(coat, soundBatch('house-coat-9')).find((m) => m.stage === 'press')!.place).toBe('not-needed');
  });
});
