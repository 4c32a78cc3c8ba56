import { saltmarshCard, SALTMARSH_CARDS } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { doseOutside, weighStop } from './weighChecks';

const target = (targetG: number | null) => ({ name: 'A', targetG });
const scale = (massG: number, settled = true) => ({ massG, settled, typed: false });
const typed = (massG: number) => ({ massG, settled: false, typed: true });

describe('a weight that is to be taken', () => {
  it('is taken where it came to rest near its target', () => {
    for (const massG of [112, 147, 183]) expect(weighStop(scale(massG), target(147)), `${massG} g`).toBeNull();
    expect(weighStop(typed(147), target(147))).toBeNull();
    expect(weighStop(scale(147), target(null))).toBeNull();
  });
  it('is nothing where nothing was poured: a scale that creeps is no second part', () => {
    for (const massG of [-3, 0, 0.4, 0.9]) expect(weighStop(scale(massG), target(120))?.kind).toBe('nothing');
    expect(weighStop(typed(0), target(120))?.kind).toBe('nothing');
  });
  it('may be as little as its target is', () => {
    expect(weighStop(scale(0.62), target(0.6))).toBeNull();
    expect(weighStop(typed(0.62), target(0.6))).toBeNull();
  });
  it('waits for the scale to come to rest', () => {
    expect(weighStop(scale(147, false), target(147))?.kind).toBe('unsettled');
    expect(weighStop(typed(147), target(147))).toBeNull();
  });
  it('is asked about far from its target, on either side', () => {
    expect(weighStop(scale(12.3), target(147))).toEqual({ kind: 'far', targetG: 147 });
    expect(weighStop(typed(1470), target(147))).toEqual({ kind: 'far', targetG: 147 });
    const near = Array.from({ length: 300 }, (_, i) => i).filter(
      (g) => g > 0 && weighStop(scale(g), target(147)) === null,
    );
    expect([near[0], near.at(-1)]).toEqual([111, 183]);
  });
});

describe('a dose of catalyst', () => {
  const card = SALTMARSH_CARDS.find((c) => c.ratio.catalyst)!;
  const { minPct, maxPct } = card.ratio.catalyst!;
  it('is stopped outside its card’s band and nowhere within it', () => {
    for (let pct = 0.05; pct < 6; pct += 0.05) {
      const stop = doseOutside(card, 300, (300 * pct) / 100);
      const outside = pct < minPct! - 1e-9 || pct > maxPct! + 1e-9;
      if (Math.abs(pct - minPct!) > 1e-6 && Math.abs(pct - maxPct!) > 1e-6)
        expect(stop !== null, `${pct.toFixed(2)} %`).toBe(outside);
    }
  });
  it('says the dose and the band', () => {
    expect(doseOutside(card, 300, 30)).toEqual({ kind: 'dose', pct: 10, minPct, maxPct });
  });
  it('is not judged without the resin, or for a product without one', () => {
    expect(doseOutside(card, null, 30)).toBeNull();
    expect(doseOutside(saltmarshCard('house-clear-6'), 300, 30)).toBeNull();
  });
});
