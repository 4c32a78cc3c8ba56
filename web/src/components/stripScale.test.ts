import { describe, expect, it } from 'vitest';
import { stripScale } from './stripScale';

describe('stripScale', () => {
  it("puts a value inside its band between the band's edges, one outside beyond them", () => {
    const inside = stripScale({ measured: 22, low: 19, high: 27 });
    expect(inside.mark).toBeGreaterThan(inside.bandFrom!);
    expect(inside.mark).toBeLessThan(inside.bandTo!);
    const below = stripScale({ measured: 17.5, low: 19, high: 27 });
    expect(below.mark).toBeLessThan(below.bandFrom!);
    expect(below.clipped).toBeNull();
  });
  it("runs a lone limit's band to the end of the strip", () => {
    expect(stripScale({ measured: 64, low: null, high: 60 })).toMatchObject({ bandFrom: 0 });
    expect(stripScale({ measured: 1, low: 1.5, high: null })).toMatchObject({ bandTo: 1 });
  });
  it('draws what is far out at the end, and says so', () => {
    expect(stripScale({ measured: 300, low: 19, high: 27 })).toMatchObject({ clipped: 'high', mark: 0.985 });
    expect(stripScale({ measured: -80, low: 19, high: 27 })).toMatchObject({ clipped: 'low', mark: 0.015 });
  });
  it('has no band where nothing is stated, and no mark where nothing was measured', () => {
    expect(stripScale({ measured: 5, low: null, high: null })).toMatchObject({ bandFrom: null, bandTo: null });
    expect(stripScale({ measured: null, low: 1, high: 2 }).mark).toBeNull();
  });
  it('copes with a limit of zero and a band of no width', () => {
    for (const r of [
      { measured: -90, low: null, high: 0 },
      { measured: 4, low: 4, high: 4 },
      { measured: 0, low: null, high: null },
    ]) {
      const { mark } = stripScale(r);
      expect(mark).toBeGreaterThan(0);
      expect(mark).toBeLessThan(1);
    }
  });
});
