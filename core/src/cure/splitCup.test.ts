import { describe, expect, it } from 'vitest';
import { benchClock } from '../bench/benchClock';
import { castingAsBatch } from '../castings/castingAsBatch';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { calibrate, isCalibrated } from './calibration';
import { alphaAtMinute, integrateCup, minuteAtAlpha } from './cup';
import { integrateSplitCup } from './splitCup';
import { workingTime } from './workingTime';

const card = saltmarshCard('house-clear-6');
const fit = calibrate(card);
if (!isCalibrated(fit)) throw new Error('The card has a model.');
const cup = { massG: 600, densityGPerML: fit.densityGPerML, resinC: 23, roomC: 21, maxMinutes: 600 };
const pot = (curve: Parameters<typeof minuteAtAlpha>[0]) => minuteAtAlpha(curve, fit.alphaPot)!;

describe('a mix that is split', () => {
  it('goes on from its conversion and temperature: no jump at the split', () => {
    const split = integrateSplitCup(fit, cup, { atMin: 2, massG: 100 });
    const whole = integrateCup(fit, cup);
    for (const at of [0.5, 1, 1.9]) expect(alphaAtMinute(split, at)).toBeCloseTo(alphaAtMinute(whole, at), 4);
    const i = split.minutes.findIndex((m) => m > 2);
    expect(split.alpha[i]! - split.alpha[i - 1]!).toBeLessThan(0.02);
    expect(Math.abs(split.temperatureC[i]! - split.temperatureC[i - 1]!)).toBeLessThan(1);
    expect(split.minutes.every((m, j) => j === 0 || m > split.minutes[j - 1]!)).toBe(true);
  });
  it('lies between the whole and a part that was one from the start, the later the nearer to the whole', () => {
    const [whole, part] = [pot(integrateCup(fit, cup)), pot(integrateCup(fit, { ...cup, massG: 100 }))];
    let last = part;
    for (const atMin of [0, 0.5, 1, 2, 3, 4]) {
      const at = pot(integrateSplitCup(fit, cup, { atMin, massG: 100 }));
      expect(at).toBeLessThanOrEqual(last + 1e-6);
      expect(at).toBeGreaterThanOrEqual(whole - 1e-6);
      last = at;
    }
  });
  it('is the whole where nothing was split, or it was over before', () => {
    expect(integrateSplitCup(fit, cup, null)).toEqual(integrateCup(fit, cup));
    expect(integrateSplitCup(fit, cup, { atMin: 500, massG: 10 }).peakC).toBeCloseTo(integrateCup(fit, cup).peakC, 6);
    expect(integrateSplitCup(fit, cup, { atMin: 9999, massG: 10 })).toEqual(integrateCup(fit, cup));
  });
  it('keeps its energy', () => {
    expect(integrateSplitCup(fit, cup, { atMin: 2, massG: 100 }).energyError).toBeLessThan(0.02);
  });
  it('has its own clock at the bench and its own limits in the record', () => {
    const now = { massG: 600, resinC: 23, roomC: 21, readings: [], nowMin: 3 };
    const whole = benchClock(card, now)!;
    const part = benchClock(card, { ...now, split: { atMin: 2, massG: 100 } })!;
    expect(part.potLifeEndsMin!).toBeGreaterThan(whole.potLifeEndsMin!);
    const read = [{ atMin: 2.5, what: 'resin' as const, value: 24 }];
    expect(benchClock(card, { ...now, readings: read, split: { atMin: 2, massG: 100 } })!.from).toBe('readings');
    const batch = soundBatch('house-clear-6', {
      mix: { amountA: 330, amountB: 270, unit: 'g' },
      cups: [
        { id: 'c1', massG: 100, splitMin: 2 },
        { id: 'c2', massG: 500 },
      ],
      castings: [
        { id: 'k1', cup: 'c1' },
        { id: 'k2', cup: 'c2' },
      ],
    });
    const life = (id: string | null) => workingTime(card, castingAsBatch(card, batch, id)).potLifeMin!;
    expect(life('k1')).toBeGreaterThan(life(null));
    // Nobody wrote down when the second was poured off.
    expect(life('k2')).toBe(life(null));
  });
});
