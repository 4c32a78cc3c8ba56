/** Between which two points of a rising axis a value lies, and how far from the first to the second, 0 to 1. */
export interface PlaceOnAxis {
  readonly before: number;
  readonly after: number;
  readonly share: number;
}

/**
 * Where a value lies on an axis that never falls; beyond an end it is that end.
 * @throws RangeError where the axis has no point
 */
export function placeOnAxis(axis: readonly number[], value: number): PlaceOnAxis {
  if (axis.length === 0) throw new RangeError('An axis needs a point.');
  const after = axis.findIndex((a) => a >= value);
  if (after <= 0) {
    const end = after < 0 ? axis.length - 1 : 0;
    return { before: end, after: end, share: 0 };
  }
  const [low, high] = [axis[after - 1]!, axis[after]!];
  return { before: after - 1, after, share: high > low ? (value - low) / (high - low) : 1 };
}

/** The curve's value at a place of its axis, by a straight line between its points; beyond an end, that end's. */
export function valueAlong(axis: readonly number[], values: readonly number[], at: number): number {
  const { before, after, share } = placeOnAxis(axis, at);
  return values[before]! + share * (values[after]! - values[before]!);
}

/** Where a curve first comes up to a level, by a straight line between its points; null where it never does. */
export function firstReach(axis: readonly number[], values: readonly number[], level: number): number | null {
  const after = values.findIndex((v) => v >= level);
  if (after < 0) return null;
  if (after === 0) return axis[0]!;
  const [low, high] = [values[after - 1]!, values[after]!];
  return axis[after - 1]! + ((level - low) / (high - low)) * (axis[after]! - axis[after - 1]!);
}
