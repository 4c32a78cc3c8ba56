import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { encodedChannel, linearChannel, xyzOf, type Srgb } from './srgb';
import { castColour, labB, labOf, whiteCorrected, yellownessIndexE313 } from './yellowness';

const channel = fc.integer({ min: 12, max: 240 });
const colour = fc.tuple(channel, channel, channel) as fc.Arbitrary<Srgb>;

describe('colour of a patch', () => {
  // CIELAB of the primaries under D65 as every table of sRGB prints them.
  it.each<[string, Srgb, number, number, number]>([
    ['yellow', [255, 255, 0], 97.14, -21.55, 94.48],
    ['red', [255, 0, 0], 53.24, 80.09, 67.2],
    ['blue', [0, 0, 255], 32.3, 79.19, -107.86],
    ['white', [255, 255, 255], 100, 0, 0],
    ['mid grey', [119, 119, 119], 50.03, 0, 0],
  ])('%s', (_name, srgb, L, a, b) => {
    const lab = labOf(srgb);
    expect(lab.L).toBeCloseTo(L, 1);
    expect(lab.a).toBeCloseTo(a, 1);
    expect(lab.b).toBeCloseTo(b, 1);
    expect(labB(srgb)).toBe(lab.b);
  });
  it('has the white point of D65', () => {
    const { X, Y, Z } = xyzOf([255, 255, 255]);
    expect([X, Y, Z].map((v) => v.toFixed(4))).toEqual(['0.9505', '1.0000', '1.0888']);
  });
  it('takes black for black: a channel of one is one of 255', () => {
    expect(labOf([1, 1, 1]).L).toBeCloseTo(0.27, 1);
    expect(labOf([0, 0, 0]).L).toBe(0);
    expect(labOf([1, 0, 0]).L).toBeLessThan(labOf([2, 0, 0]).L);
  });
  it('refuses a channel no picture holds, naming it', () =>
    expect(() => labB([10, 300, 10])).toThrow(expect.objectContaining({ code: 'out-of-range', path: 'srgb[1]' })));
  it('encodes what it made linear', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (v) => {
        expect(encodedChannel(linearChannel(v))).toBeCloseTo(v, 6);
      }),
    ));
});

describe('yellowness index E313', () => {
  it('is nothing for white and grey, and by hand for yellow: 100·(1.2985·0.7700 − 1.1335·0.1385)/0.9278', () => {
    expect(Math.abs(yellownessIndexE313([255, 255, 255]))).toBeLessThan(0.1);
    expect(Math.abs(yellownessIndexE313([90, 90, 90]))).toBeLessThan(0.1);
    expect(yellownessIndexE313([255, 255, 0])).toBeCloseTo(90.8, 0);
  });
  it('rises as blue is taken away, with b*', () => {
    const blues = [240, 200, 160, 120, 80];
    const index = blues.map((b) => yellownessIndexE313([240, 235, b]));
    expect([...index].sort((a, b) => a - b)).toEqual(index);
    expect(blues.map((b) => labB([240, 235, b]))).toEqual(
      [...blues.map((b) => labB([240, 235, b]))].sort((a, b) => a - b),
    );
  });
  it('cannot be told of black', () =>
    expect(() => yellownessIndexE313([0, 0, 0])).toThrow(expect.objectContaining({ code: 'too-dark' })));
});

describe('the white card', () => {
  it('is white itself after its own correction, whatever the lamp', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.integer({ min: 90, max: 240 }),
          fc.integer({ min: 90, max: 240 }),
          fc.integer({ min: 90, max: 240 }),
        ) as fc.Arbitrary<Srgb>,
        (card) => {
          for (const v of whiteCorrected(card, card)) expect(v).toBeCloseTo(255, 6);
        },
      ),
    );
  });
  it("takes a lamp's yellow out: the same cast in two lights comes to the same colour", () => {
    const cast = [0.62, 0.55, 0.3] as const;
    const under = (lamp: readonly [number, number, number]): { cast: Srgb; card: Srgb } => ({
      cast: cast.map((c, i) => 255 * encodedChannel(c * lamp[i]! * 0.9)) as unknown as Srgb,
      card: lamp.map((l) => 255 * encodedChannel(0.9 * l)) as unknown as Srgb,
    });
    const [day, bulb] = [under([0.95, 0.97, 1]), under([1, 0.8, 0.5])];
    expect(castColour(bulb.cast, bulb.card).b).toBeCloseTo(castColour(day.cast, day.card).b, 6);
    expect(labB(bulb.cast) - labB(day.cast)).toBeGreaterThan(10);
  });
  it('is refused burnt out or dark, with what to do', () => {
    expect(() => whiteCorrected([100, 100, 100], [255, 255, 250])).toThrow(
      expect.objectContaining({ code: 'card-burnt-out' }),
    );
    expect(() => whiteCorrected([100, 100, 100], [30, 30, 20])).toThrow(
      expect.objectContaining({ code: 'card-too-dark' }),
    );
  });
  it('never makes a patch brighter than white', () =>
    fc.assert(
      fc.property(colour, fc.constant<Srgb>([120, 110, 100]), (patch, card) => {
        expect(Math.max(...whiteCorrected(patch, card))).toBeLessThanOrEqual(255 + 1e-9);
      }),
    ));
});
