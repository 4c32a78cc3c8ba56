import { CoreError } from '../formats/errors';

/** Three channels of sRGB, 0 to 255 as a picture holds them; parts of a step are taken where patches are averaged. */
export type Srgb = readonly [red: number, green: number, blue: number];
/** CIE 1931 tristimulus values under D65, 2°, with Y = 1 for white. */
export interface Xyz {
  readonly X: number;
  readonly Y: number;
  readonly Z: number;
}

/** D65 white of the 2° observer, the row sums of the matrix below. */
export const D65: Xyz = { X: 0.4124564 + 0.3575761 + 0.1804375, Y: 1, Z: 0.0193339 + 0.119192 + 0.9503041 };

/** A channel of sRGB, 0 to 1, made linear in light (IEC 61966-2-1). */
export const linearChannel = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
/** The inverse: linear light to a channel of sRGB, 0 to 1. */
export const encodedChannel = (v: number): number => (v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055);

/** Linear light of a pixel, 0 to 1 each. @throws CoreError `out-of-range` for a channel that no picture holds */
export function linearRgb(srgb: Srgb): [number, number, number] {
  const bad = srgb.findIndex((v) => !Number.isFinite(v) || v < 0 || v > 255);
  if (bad >= 0) throw new CoreError('out-of-range', 'A colour channel lies between 0 and 255.', `srgb[${bad}]`);
  return [linearChannel(srgb[0] / 255), linearChannel(srgb[1] / 255), linearChannel(srgb[2] / 255)];
}

/** Tristimulus values of a pixel, D65 and 2°. Source of the matrix: IEC 61966-2-1. */
export function xyzOf(srgb: Srgb): Xyz {
  const [r, g, b] = linearRgb(srgb);
  return {
    X: 0.4124564 * r + 0.3575761 * g + 0.1804375 * b,
    Y: 0.2126729 * r + 0.7151522 * g + 0.072175 * b,
    Z: 0.0193339 * r + 0.119192 * g + 0.9503041 * b,
  };
}
