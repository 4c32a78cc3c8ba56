import { describe, expect, it } from 'vitest';
import { soundBatch } from '../simulation/soundBatch';
import { batchesNeeded, fairTrial } from './fairTrial';
import { seriesTrend } from './seriesTrend';

const tacky = (severity: number) => ({
  checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over', severity }] }],
});
const dry = { checks: [{ afterH: 24, symptoms: [] }] };
const batch = (code: string, patch: Record<string, unknown>) => soundBatch('house-coat-9', { code, ...patch });

describe('batches side by side', () => {
  it('with more than one difference cannot tell which of them did it', () => {
    const trial = fairTrial([
      batch('B-1', { mix: { stirMin: 1.5 }, room: { temperatureC: 16 }, ...tacky(3) }),
      batch('B-2', dry),
    ]);
    expect(trial.verdict).toMatchObject({ can: 'no' });
    expect(trial.verdict.says).toContain('2 things differ (stir, room)');
    expect(trial.differs.map((f) => f.field)).toEqual(['mix.stirMin', 'room.temperatureC'].sort());
  });
  it('with one difference and one batch each way are too few, and say how many more', () => {
    const { verdict } = fairTrial([batch('B-1', { mix: { stirMin: 1.5 }, ...tacky(3) }), batch('B-2', dry)]);
    expect(verdict.can).toBe('not-yet');
    expect(verdict.more).toBe(batchesNeeded() - 1);
    expect(verdict.says).toContain(`${batchesNeeded() - 1} more each way`);
  });
  it('with enough of them can', () => {
    const n = batchesNeeded();
    const many = [
      ...Array.from({ length: n }, (_, i) => batch(`A-${i}`, { mix: { stirMin: 1.5 }, ...tacky(2) })),
      ...Array.from({ length: n }, (_, i) => batch(`B-${i}`, dry)),
    ];
    expect(fairTrial(many).verdict).toMatchObject({ can: 'yes' });
    expect(fairTrial(many).verdict.says).toContain('stir');
  });
  it('need four each way, were they to part cleanly', () => {
    expect(batchesNeeded()).toBe(4);
  });
  it('wait for a look, and for a fault', () => {
    expect(
      fairTrial([batch('B-1', { mix: { stirMin: 1.5 }, checks: [] }), batch('B-2', tacky(2))]).verdict.says,
    ).toContain('looked at yet');
    expect(fairTrial([batch('B-1', { mix: { stirMin: 1.5 }, ...dry }), batch('B-2', dry)]).verdict.says).toContain(
      'nothing to tell apart',
    );
  });
  it('hold figures alike within a twentieth, and sizes and ratio instead of grams', () => {
    const trial = fairTrial([
      batch('B-1', { room: { temperatureC: 24 }, mix: { amountA: 100, amountB: 86 } }),
      batch('B-2', { room: { temperatureC: 24.4 }, mix: { amountA: 200, amountB: 172 } }),
    ]);
    expect(trial.differs.map((f) => f.field)).toEqual(['mix.total']);
    expect(trial.held.map((f) => f.field)).toEqual(expect.arrayContaining(['room.temperatureC', 'mix.ratioBFor100A']));
  });
  it('call unknown what one of them did not write down, never different', () => {
    const trial = fairTrial([batch('B-1', { mix: { stirMin: null } }), batch('B-2', {})]);
    expect(trial.unknown.map((f) => f.field)).toContain('mix.stirMin');
    expect(trial.differs).toEqual([]);
    expect(trial.verdict.can).toBe('no');
  });
  it('alone are no trial', () => {
    expect(fairTrial([batch('B-1', {})]).verdict.says).toContain('no trial');
  });
});

describe('a series of attempts', () => {
  const of = (...worst: (number | null)[]) =>
    seriesTrend(worst.map((w, i) => ({ code: `B-${i}`, worst: w, changes: [] })));
  it.each([
    [[3, 2, 0], 'better'],
    [[0, 2, 3], 'worse'],
    [[2, 2, 2], 'level'],
    [[3, null, 0], 'too-few'],
    [[2, 3, 2], 'level'],
  ] as const)('%j is %s', (worst, trend) => expect(of(...worst).trend).toBe(trend));
  it('says where so few steps could be chance', () => {
    expect(of(3, 2, 1).says).toContain('could be chance');
  });
});
