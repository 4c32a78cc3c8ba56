/** Corners closer than this share of the mesh's size are one corner: exporters round each triangle on its own. */
const WELD_SHARE = 1e-6;
/** A table that is fuller than this is made twice as long. */
const MAX_LOAD = 0.5;
const FIRST_SLOTS = 1 << 12;

/** A place in a table of a power of two for three whole numbers, well spread. */
function slotOf(x: number, y: number, z: number, mask: number): number {
  let hash = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca77) ^ Math.imul(z, 0xc2b2ae3d);
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  return (hash ^ (hash >>> 13)) & mask;
}

/** Numbers the points of a grid in the order in which they come, the same point under the same number. */
class GridPoints {
  count = 0;
  /** Three whole numbers for each point. */
  private readonly at: Int32Array;
  /** Numbers of points, one more than they are; nought is an empty slot. */
  private slots = new Int32Array(FIRST_SLOTS);

  constructor(most: number) {
    this.at = new Int32Array(most * 3);
  }

  /** The number of the point at three whole numbers. */
  numberOf(x: number, y: number, z: number): number {
    const mask = this.slots.length - 1;
    let slot = slotOf(x, y, z, mask);
    for (let found = this.slots[slot]!; found !== 0; found = this.slots[slot]!) {
      const k = (found - 1) * 3;
      if (this.at[k] === x && this.at[k + 1] === y && this.at[k + 2] === z) return found - 1;
      slot = (slot + 1) & mask;
    }
    const k = this.count * 3;
    this.at[k] = x;
    this.at[k + 1] = y;
    this.at[k + 2] = z;
    this.count += 1;
    this.slots[slot] = this.count;
    if (this.count > MAX_LOAD * this.slots.length) this.grow();
    return this.count - 1;
  }

  private grow(): void {
    const slots = new Int32Array(this.slots.length * 2);
    const mask = slots.length - 1;
    for (let i = 0; i < this.count; i += 1) {
      let slot = slotOf(this.at[i * 3]!, this.at[i * 3 + 1]!, this.at[i * 3 + 2]!, mask);
      while (slots[slot] !== 0) slot = (slot + 1) & mask;
      slots[slot] = i + 1;
    }
    this.slots = slots;
  }
}

/** The corners of a mesh as numbers of welded points. */
function weldedCorners(corners: Float64Array): { readonly points: Int32Array; readonly count: number } {
  let low = Infinity;
  let high = -Infinity;
  for (let i = 0; i < corners.length; i += 1) {
    const v = corners[i]!;
    if (v < low) low = v;
    if (v > high) high = v;
  }
  const perStep = 1 / Math.max((high - low) * WELD_SHARE, Number.MIN_VALUE);
  const scale = Number.isFinite(perStep) ? perStep : 0;
  const grid = new GridPoints(corners.length / 3);
  const points = new Int32Array(corners.length / 3);
  for (let i = 0, at = 0; i < points.length; i += 1, at += 3)
    points[i] = grid.numberOf(
      Math.round((corners[at]! - low) * scale),
      Math.round((corners[at + 1]! - low) * scale),
      Math.round((corners[at + 2]! - low) * scale),
    );
  return { points, count: grid.count };
}

/** Edges by the lower of their points: where each point's begin, and of each the other point and its way round. */
function edgesByPoint(points: Int32Array, count: number): { readonly begins: Int32Array; readonly ends: Int32Array } {
  const begins = new Int32Array(count + 1);
  for (let i = 0; i < points.length; i += 1) {
    const a = points[i]!;
    const b = points[i % 3 === 2 ? i - 2 : i + 1]!;
    if (a !== b) begins[(a < b ? a : b) + 1]! += 1;
  }
  for (let i = 0; i < count; i += 1) begins[i + 1]! += begins[i]!;
  const ends = new Int32Array(begins[count]!);
  const next = begins.slice();
  for (let i = 0; i < points.length; i += 1) {
    const a = points[i]!;
    const b = points[i % 3 === 2 ? i - 2 : i + 1]!;
    if (a === b) continue;
    const low = a < b ? a : b;
    ends[next[low]!] = a < b ? 2 * b + 1 : 2 * a;
    next[low]! += 1;
  }
  return { begins, ends };
}

/** More edges than this at one point are sorted by the general sort. */
const FEW = 32;

/** Sorts a stretch of numbers in place. */
function sortStretch(of: Int32Array, from: number, until: number): void {
  if (until - from > FEW) {
    of.subarray(from, until).sort();
    return;
  }
  for (let i = from + 1; i < until; i += 1) {
    const v = of[i]!;
    let k = i - 1;
    for (; k >= from && of[k]! > v; k -= 1) of[k + 1] = of[k]!;
    of[k + 1] = v;
  }
}

/** Runs of edges to the same point, in a sorted stretch, that do not go there and back as often. */
function openRuns(ends: Int32Array, from: number, until: number): number {
  let open = 0;
  let balance = 0;
  for (let i = from; i < until; i += 1) {
    balance += ends[i]! & 1 ? 1 : -1;
    if (i + 1 < until && ends[i + 1]! >> 1 === ends[i]! >> 1) continue;
    if (balance !== 0) open += 1;
    balance = 0;
  }
  return open;
}

/**
 * Edges that do not join exactly as many triangles each way. In a closed, evenly wound mesh there are none. Linear in
 * the triangles: corners are welded by a table of whole numbers, edges sorted by the lower of their points.
 * @param corners nine numbers for each triangle
 */
export function countOpenEdges(corners: Float64Array): number {
  const { points, count } = weldedCorners(corners);
  const { begins, ends } = edgesByPoint(points, count);
  let open = 0;
  for (let i = 0; i < count; i += 1) {
    const from = begins[i]!;
    const until = begins[i + 1]!;
    sortStretch(ends, from, until);
    open += openRuns(ends, from, until);
  }
  return open;
}
