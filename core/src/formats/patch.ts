/** A place on a photo, in shares of its width and height. */
export interface PatchPlace {
  readonly x: number;
  readonly y: number;
}

/** Half the side of a measured patch, as a share of the photo's longest side: more than a glint, less than the piece. */
export const PATCH_HALF_SHARE = 9 / 1600;
/** A photo is at most this much longer than wide: there a patch is this much larger in shares of the short side. */
const MOST_ASPECT = 2;
const APART = 2 * PATCH_HALF_SHARE * MOST_ASPECT;

/**
 * Whether two picked patches may hold the same pixels: then they cannot be the white card and the cast.
 * @param a place in shares, 0 to 1
 * @example samePatch({ x: 0.5, y: 0.5 }, { x: 0.51, y: 0.5 }) // true
 */
export const samePatch = (a: PatchPlace, b: PatchPlace): boolean =>
  Math.abs(a.x - b.x) < APART && Math.abs(a.y - b.y) < APART;
