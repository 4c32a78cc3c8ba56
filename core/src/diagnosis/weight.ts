/** How strongly a margin speaks: slope in decibans for each unit of margin, and the most it may ever say either way. */
export interface Weight {
  /** Decibans for each unit of margin, near the limit. */
  readonly slope: number;
  /** Most decibans for the cause. */
  readonly most: number;
  /** Most decibans against it. */
  readonly least: number;
}

/**
 * Decibans that a signed margin is worth: rising smoothly with the margin, 0 at the limit, flattening at the caps.
 * @param margin above 0 where the record lies on the cause's side of the limit, in units of the weight's own scale
 * @example pointsFor(0, { slope: 10, most: 12, least: 6 }) // 0
 */
export function pointsFor(margin: number, { slope, most, least }: Weight): number {
  const cap = margin >= 0 ? most : least;
  return cap === 0 ? 0 : cap * Math.tanh((slope * margin) / cap);
}

/** Decibans to a likelihood ratio. */
export const likelihoodRatio = (points: number): number => 10 ** (points / 10);
