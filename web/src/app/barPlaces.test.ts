import { describe, expect, it } from 'vitest';
import type { WorkItem } from '../stores/urgency';
import { barLinks, barLit } from './barPlaces';
import { jarPlace, shelfJars } from './jarPlaces';

const item = (code: string, stage: WorkItem['stage'], dueMs: number | null = null) =>
  ({ code, stage, dueMs }) as WorkItem;
const WORK = [item('B-1', 'pour'), item('B-2', 'check', 900), item('B-3', 'check', 300), item('B-4', 'watch')];
const to = (items: readonly WorkItem[], here?: string) =>
  Object.fromEntries(barLinks(items, here).map(({ words, to: place }) => [words, place]));

describe('the bar at the thumb', () => {
  it('leads to the bench that cannot wait, and to the check that is due first', () => {
    expect(to(WORK)).toMatchObject({
      Bench: { name: 'bench', params: { code: 'B-1' } },
      Check: { name: 'check', params: { code: 'B-3' } },
      Today: { name: 'today' },
      Log: { name: 'log' },
    });
  });
  it('stays with the batch at hand', () => {
    expect(to(WORK, 'B-4')['Bench']).toMatchObject({ params: { code: 'B-4' } });
    expect(to(WORK, 'B-2')['Check']).toMatchObject({ params: { code: 'B-2' } });
  });
  it('leads to a plan where nothing is in work, and to what is due where no check waits', () =>
    expect(to([])).toMatchObject({ Plan: { name: 'plan' }, Check: { name: 'today', hash: '#due' } }));
  it('has no two links of one name, and lights the one that a screen belongs to', () => {
    expect(new Set(barLinks(WORK, undefined).map((l) => l.name)).size).toBe(4);
    expect(['bench', 'today', 'check', 'diagnosis', 'mend', 'patterns'].map(barLit)).toEqual([
      'bench',
      'today',
      'check',
      'log',
      'log',
      null,
    ]);
  });
});

describe('a jar', () => {
  it('leads to the bench while it is worked, and to its record once it is checked', () => {
    expect(jarPlace(item('B-1', 'press'))).toMatchObject({ name: 'bench' });
    expect(jarPlace(item('B-2', 'check'))).toMatchObject({ name: 'batch' });
  });
  it('is one of nine at most', () =>
    expect(shelfJars(Array.from({ length: 14 }, (_, i) => item(`B-${i}`, 'watch')))).toHaveLength(9));
});
