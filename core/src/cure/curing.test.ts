import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { arrheniusFactor } from './arrhenius';
import { equivalentMinutes, minutesAt } from './equivalentAge';
import { expectedShore } from './hardness';
import { mixedViscosityMPaS, thickening } from './viscosity';
import { mixStartC, workingTime } from './workingTime';

describe('arrheniusFactor', () => {
  it('matches a hand-worked case: 55 kJ/mol, 23 to 33 °C, exponent 55000/8.314463·(1/296.15 − 1/306.15)', () => {
    expect(arrheniusFactor(55, 33, 23)).toBeCloseTo(Math.exp((55000 / 8.314462618) * (1 / 296.15 - 1 / 306.15)), 12);
    expect(arrheniusFactor(55, 33, 23)).toBeCloseTo(2.07, 2);
    expect(arrheniusFactor(55, 23, 23)).toBe(1);
  });
});

describe('equivalent age', () => {
  it('is half or less ten kelvin colder, and its inverse gives the minutes back', () => {
    const deep = saltmarshCard('house-deep-40');
    expect(equivalentMinutes(deep, 100, 13, 23)).toBeLessThan(50);
    expect(equivalentMinutes(deep, minutesAt(deep, 2880, 15, 23), 15, 23)).toBeCloseTo(2880, 6);
  });
  it('goes by the clock for a light-cured product', () => {
    expect(equivalentMinutes(saltmarshCard('house-noon'), 30, 5, 23)).toBe(30);
  });
});

describe('expectedShore', () => {
  const clear = saltmarshCard('house-clear-6');
  it('passes through 70 % of full at demould and 98 % at full cure', () => {
    expect(expectedShore(clear, 140, 23)).toBeCloseTo(0.7 * 78, 6);
    expect(expectedShore(clear, 120 * 60, 23)).toBeCloseTo(0.98 * 78, 6);
  });
  it('starts at nothing, only rises, is lower when colder and never passes full', () => {
    const curve = [0, 30, 140, 600, 3000, 1e6].map((m) => expectedShore(clear, m, 23)!);
    expect(curve[0]).toBe(0);
    expect([...curve].sort((a, b) => a - b)).toEqual(curve);
    expect(curve.at(-1)).toBeLessThanOrEqual(78);
    expect(expectedShore(clear, 600, 15)).toBeLessThan(expectedShore(clear, 600, 23)!);
  });
  it('is not known where the card lacks a figure', () => {
    expect(expectedShore({ ...clear, hardness: null }, 140, 23)).toBeNull();
  });
});

describe('viscosity', () => {
  it("is the card's at the card's temperature, thinner when warm", () => {
    const clear = saltmarshCard('house-clear-6');
    expect(mixedViscosityMPaS(clear, 23)).toBe(350);
    expect(mixedViscosityMPaS(clear, 33)).toBeCloseTo(
      350 / Math.exp((35000 / 8.314462618) * (1 / 296.15 - 1 / 306.15)),
      6,
    );
    expect(mixedViscosityMPaS(saltmarshCard('house-noon'), 23)).toBeNull();
  });
  it('thickens from 1 without end towards gel', () => {
    expect(thickening(0, 0.55)).toBe(1);
    expect(thickening(0.3, 0.55)).toBeGreaterThan(thickening(0.2, 0.55));
    expect(thickening(0.55, 0.55)).toBe(Infinity);
  });
});

describe('workingTime', () => {
  it('starts from both parts by their masses', () => {
    const batch = soundBatch('house-clear-6', {
      resin: { temperatureAC: 30, temperatureBC: 20 },
      mix: { amountA: 100, amountB: 50 },
    });
    expect(mixStartC(saltmarshCard('house-clear-6'), batch)).toBeCloseTo((30 * 100 + 20 * 50) / 150, 9);
  });
  it('names what it had to assume', () => {
    const batch = soundBatch('house-clear-6', {
      room: { temperatureC: null },
      cure: { temperatureC: null },
      resin: { temperatureAC: null, temperatureBC: null, atPourC: null },
      mix: { amountA: null },
    });
    const working = workingTime(saltmarshCard('house-clear-6'), batch);
    expect(working.assumed).toEqual(['resin temperature', 'room temperature', 'mass']);
    expect(working.potLifeMin).toBeCloseTo(6, 2);
  });
  it('falls back on the label for a family without a cure model', () => {
    expect(workingTime(saltmarshCard('house-chalk'), soundBatch('house-chalk'))).toMatchObject({
      potLifeMin: 18,
      gelMin: 25,
      from: 'card',
    });
    expect(workingTime(saltmarshCard('house-noon'), soundBatch('house-noon'))).toMatchObject({
      potLifeMin: null,
      from: 'none',
    });
  });
});
