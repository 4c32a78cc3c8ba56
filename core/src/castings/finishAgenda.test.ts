import { describe, expect, it } from 'vitest';
import type { Batch } from '../formats/batch';
import { FINISH_STEPS } from '../formats/vocabulary';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { finishAgenda, joinTimes } from './finishAgenda';

const card = saltmarshCard('house-clear-6');
const STARTED = '2026-03-14T09:00:00Z';
const after = (hours: number) => new Date(Date.parse(STARTED) + hours * 3_600_000).toISOString();
const cast = (over: Partial<Batch> = {}) =>
  soundBatch('house-clear-6', {
    startedAt: STARTED,
    cure: { temperatureC: 23, demouldedMin: 150 },
    castings: [{ id: 'k1' }, { id: 'k2', demouldedMin: 200 }],
    ...over,
  });
const from = (b: Batch, id: string, step: string) => finishAgenda(card, b, id).find((t) => t.step === step)!;

describe('what is to be done to a casting once it is out', () => {
  it('is every step of the format, once, in the order of the work', () => {
    const steps = finishAgenda(card, cast(), 'k1').map((t) => t.step);
    expect([...steps].sort()).toEqual([...FINISH_STEPS].sort());
    expect(steps.indexOf('wash')).toBeLessThan(steps.indexOf('prime'));
    expect(steps.indexOf('prime')).toBeLessThan(steps.indexOf('paint'));
  });
  it('trims while it is fresh and polishes at full cure, each casting from when it was out itself', () => {
    expect(from(cast(), 'k1', 'trim').fromMin).toBe(150);
    expect(from(cast(), 'k2', 'trim').fromMin).toBe(200);
    expect(from(cast(), 'k1', 'polish').fromMin).toBeCloseTo(120 * 60, 0);
    expect(from(cast({ cure: { temperatureC: 15, demouldedMin: 150 } }), 'k1', 'polish').fromMin).toBeGreaterThan(
      120 * 60,
    );
  });
  it('primes an hour after it was washed, and paints an hour after it was primed', () => {
    const washed = cast({ castings: [{ id: 'k1', finish: [{ step: 'wash', at: after(30), by: 'KO' }] }] });
    expect(from(washed, 'k1', 'wash')).toMatchObject({ done: true, at: after(30), by: 'KO' });
    expect(from(washed, 'k1', 'prime').fromMin).toBeCloseTo(31 * 60, 6);
    const primed = cast({ castings: [{ id: 'k1', finish: [{ step: 'prime', at: after(40) }] }] });
    expect(from(primed, 'k1', 'paint').fromMin).toBeCloseTo(41 * 60, 6);
  });
  it('is nothing while it is in its mould, and tells no time that the card does not', () => {
    const inside = cast({ cure: { demouldedMin: null }, castings: [{ id: 'k1' }], checks: null });
    expect(finishAgenda(card, inside, 'k1')).toEqual([]);
    const silent = { ...card, demould: null, fullCure: null };
    for (const task of finishAgenda(silent, cast(), 'k1').filter((t) => t.step === 'polish'))
      expect(task.fromMin).toBeNull();
  });
});

describe('a joint', () => {
  it('is held and loaded by the resin’s own card, longer in the cold', () => {
    for (const resin of SALTMARSH_CARDS.filter((c) => c.demould && c.fullCure)) {
      const [cold, warm] = [joinTimes(resin, 15), joinTimes(resin, 25)];
      expect(cold.holdMin!, resin.slug).toBeGreaterThanOrEqual(warm.holdMin!);
      expect(warm.bearsAfterMin!, resin.slug).toBeGreaterThan(warm.holdMin!);
    }
    expect(joinTimes(card, card.demould!.atC!).holdMin).toBeCloseTo(card.demould!.minutes!, 6);
    expect(joinTimes({ ...card, demould: null, fullCure: null }, 20)).toEqual({ holdMin: null, bearsAfterMin: null });
  });
});
