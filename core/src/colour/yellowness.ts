import { CoreError } from '../formats/errors';
import { D65, encodedChannel, linearRgb, xyzOf, type Srgb } from './srgb';

/** CIELAB's cube root, with its straight foot near black (CIE 15). */
const f = (t: number): number => (t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29);

/**
 * CIELAB of a pixel under D65, 2°.
 * @returns L* 0 to 100; a* above 0 towards red; b* above 0 towards yellow
 */
export function labOf(srgb: Srgb): { readonly L: number; readonly a: number; readonly b: number } {
  const { X, Y, Z } = xyzOf(srgb);
  const [x, y, z] = [f(X / D65.X), f(Y / D65.Y), f(Z / D65.Z)];
  return { L: 116 * y - 16, a: 500 * (x - y), b: 200 * (y - z) };
}

/**
 * CIELAB b* of a pixel: above 0 is yellow, below is blue.
 * @param srgb channels 0 to 255
 * @throws CoreError `out-of-range`
 * @example labB([255, 255, 0]) // about 94.5
 */
export const labB = (srgb: Srgb): number => labOf(srgb).b;

/** Darker than this, Y of white = 1, and a camera's noise is all the colour there is. */
const MIN_LIGHT = 1e-6;

/**
 * Yellowness index ASTM E313, D65 and 2°: `100·(1.2985 X − 1.1335 Z)/Y`. White is 0; yellow is above.
 * @param srgb channels 0 to 255
 * @throws CoreError `out-of-range` for a channel no picture holds, `too-dark` for black
 * @example yellownessIndexE313([255, 255, 0]) // about 90.8
 */
export function yellownessIndexE313(srgb: Srgb): number {
  const { X, Y, Z } = xyzOf(srgb);
  if (Y < MIN_LIGHT)
    throw new CoreError('too-dark', 'This patch is black: yellowness cannot be told. Pick a lighter one.', 'srgb');
  return (100 * (1.2985 * X - 1.1335 * Z)) / Y;
}

/**
 * A white card that is brighter than this in any channel is burnt out,
 * darker than that too dim to correct by; 0 to 1.
 */
const [DIMMEST_CARD, BURNT_OUT] = [0.04, 0.995];

/**
 * A patch as it would look were the white card beside it white: each channel's light divided by the card's.
 * @throws CoreError `card-burnt-out` or `card-too-dark`, saying what to do
 * @example whiteCorrected([120, 110, 90], [120, 110, 90]).map(Math.round) // [255, 255, 255]
 */
export function whiteCorrected(patch: Srgb, card: Srgb): Srgb {
  const [light, white] = [linearRgb(patch), linearRgb(card)];
  if (white.some((w) => w > BURNT_OUT))
    throw new CoreError(
      'card-burnt-out',
      'The white card is burnt out in the photo. Take it again a little darker, or pick a shaded place of the card.',
      'card',
    );
  if (white.some((w) => w < DIMMEST_CARD))
    throw new CoreError(
      'card-too-dark',
      'That is too dark to be the white card. Pick the card, or take the photo in more light.',
      'card',
    );
  const channel = (i: 0 | 1 | 2) => encodedChannel(Math.min(1, light[i] / white[i])) * 255;
  return [channel(0), channel(1), channel(2)];
}

/** Colour of a cast by its photo: corrected by the white card, with its yellow in both measures. */
export interface CastColour {
  readonly srgb: Srgb;
  readonly L: number;
  readonly b: number;
  readonly yellownessIndex: number;
}

/** @throws CoreError as {@link whiteCorrected} and {@link yellownessIndexE313} do */
export function castColour(cast: Srgb, card: Srgb): CastColour {
  const srgb = whiteCorrected(cast, card);
  const { L, b } = labOf(srgb);
  return { srgb, L, b, yellownessIndex: yellownessIndexE313(srgb) };
}
