import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { expectedBits } from './ask';
import { diagnose } from './diagnose';

const ask = (slug: string, patch: Record<string, unknown>, kind: string, pattern: string) =>
  diagnose(saltmarshCard(slug), soundBatch(slug, { ...patch, checks: [{ afterH: 24, symptoms: [{ kind, pattern }] }] }))
    .symptoms[0]!.ask;

describe('what to ask next', () => {
  it('asks for the damp of the air first when urethane foams and nobody read it', () => {
    const asked = ask(
      'house-clear-6',
      { room: { humidityPct: null }, lotB: { openedOn: null } },
      'bubbles',
      'top-foam',
    );
    expect(asked[0]!.field).toBe('room.humidityPct');
    expect(asked.map((a) => a.field)).toContain('lotB.openedOn');
  });

  it('asks what can be typed before what has to be done, and never what was recorded', () => {
    const asked = ask(
      'house-coat-9',
      { mix: { stirMin: null, scrapedWalls: null }, pour: { scrapedCup: null } },
      'tacky',
      'sticky-spots',
    );
    const typed = asked.filter((a) => a.effortMin < 1);
    expect(typed.map((a) => a.bits)).toEqual([...typed.map((a) => a.bits)].sort((a, b) => b - a));
    const efforts = asked.map((a) => [1, 20, 1440].filter((edge) => a.effortMin >= edge).length);
    expect(efforts).toEqual([...efforts].sort((a, b) => a - b));
    expect(asked.some((a) => a.test)).toBe(true);
    expect(asked.map((a) => a.field)).toEqual(
      expect.arrayContaining(['mix.stirMin', 'mix.scrapedWalls', 'pour.scrapedCup']),
    );
    expect(asked.map((a) => a.field)).not.toContain('mix.tool');
  });

  it('does not ask an epoxy about moisture on the stick, which tells nothing there', () => {
    expect(
      ask('house-coat-9', { mix: { tool: null } }, 'bubbles', 'micro-throughout').map((a) => a.field),
    ).not.toContain('mix.tool');
  });
});

describe('expectedBits', () => {
  it('is one bit for an answer that decides between two equal causes', () => {
    const bits = expectedBits(
      new Map([
        ['a', 0.5],
        ['b', 0.5],
      ]),
      new Map([
        ['a', [1, 0]],
        ['b', [0, 1]],
      ]),
      [0.5, 0.5],
    );
    expect(bits).toBeCloseTo(1, 12);
  });
  it('is nothing where every cause answers alike', () => {
    const bits = expectedBits(
      new Map([
        ['a', 0.3],
        ['b', 0.7],
      ]),
      new Map([
        ['a', [0.2, 0.8]],
        ['b', [0.2, 0.8]],
      ]),
      [0.2, 0.8],
    );
    expect(bits).toBeCloseTo(0, 12);
  });
  it('matches a hand-worked case: H(0.8) − (1/2)·0.6·H… for a 0.8/0.2 channel', () => {
    const bits = expectedBits(
      new Map([
        ['a', 0.5],
        ['b', 0.5],
      ]),
      new Map([
        ['a', [0.8, 0.2]],
        ['b', [0.2, 0.8]],
      ]),
      [0.5, 0.5],
    );
    const binaryEntropy = -(0.8 * Math.log2(0.8) + 0.2 * Math.log2(0.2));
    expect(bits).toBeCloseTo(1 - binaryEntropy, 12);
  });
});
