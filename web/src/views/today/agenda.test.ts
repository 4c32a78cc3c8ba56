import { saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { workItem } from '../../stores/urgency';
import { agendaOf } from './agenda';

const start = Date.parse('2026-11-24T08:00:00Z');
const hours = (h: number) => start + h * 3_600_000;
const item = (slug: string, patch: Record<string, unknown>) =>
  workItem(saltmarshCard(slug), soundBatch(slug, { startedAt: '2026-11-24T08:00:00+00:00', checks: [], ...patch }));

describe('the agenda', () => {
  const out = item('house-clear-6', { code: 'B-1', pour: { releaseMist: true } });
  it('orders what the pieces ask for, soonest first, with what is long past left out', () => {
    const lines = agendaOf([out], hours(1));
    expect(lines.map((l) => l.says.split(' ')[0])).toEqual(['Trim', 'Sand', 'Wash', 'Prime']);
    expect(lines.map((l) => l.atMs)).toEqual([...lines.map((l) => l.atMs)].sort((a, b) => a - b));
    expect(agendaOf([out], hours(20)).map((l) => l.says)).not.toContain('Trim sprue and flash while they still cut.');
  });
  it('looks in on a slow cast while it is watched', () => {
    const slow = item('house-deep-40', { code: 'B-2', cure: { demouldedMin: null }, pressure: { gaugeKPa: 0 } });
    expect(slow.stage).toBe('watch');
    expect(agendaOf([slow], hours(0.5)).length).toBeGreaterThan(1);
    expect(agendaOf([slow], hours(0.5))[0]!.says).toContain('Break bubbles');
  });
  it('asks once for a look that was missed three times', () => {
    const slow = item('house-deep-40', { code: 'B-2', cure: { demouldedMin: null }, pressure: { gaugeKPa: 0 } });
    const all = agendaOf([slow], start);
    expect(all.length).toBeGreaterThan(2);
    const third = all[2]!.atMs;
    expect(agendaOf([slow], third).filter((l) => l.atMs <= third && l.says === all[2]!.says)).toEqual([all[2]]);
  });
  it('has nothing for a batch whose parts have not met', () =>
    expect(agendaOf([item('house-clear-6', { startedAt: null })], hours(1))).toEqual([]));
});
