/** A chart told as a table: its headings, and rows of figures as they are read. */
export interface ChartTable {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

type Point = readonly [number, number];

/** Rows that can still be listened to. */
const MAX_ROWS = 12;

const figure = (v: number | null) => (v === null ? '–' : String(Number(v.toPrecision(3))));

/** So many of a list, evenly taken, its ends among them. */
export function evenly<T>(items: readonly T[], most = MAX_ROWS): T[] {
  if (items.length <= most) return [...items];
  return Array.from({ length: most }, (_, i) => items[Math.round((i * (items.length - 1)) / (most - 1))]!);
}

/** A line's height at x, between its points; null beside them. */
function heightAt(points: readonly Point[], x: number): number | null {
  const after = points.findIndex(([px]) => px >= x);
  if (after < 0) return null;
  const [to, from] = [points[after]!, points[after - 1]];
  if (to[0] === x) return to[1];
  return from ? from[1] + ((to[1] - from[1]) * (x - from[0])) / (to[0] - from[0]) : null;
}

/** The lines of a chart at a few places of its x axis, the longest line's own. */
export function lineTable(spec: {
  readonly x: string;
  readonly y: string;
  readonly lines: readonly { readonly name: string; readonly points: readonly Point[] }[];
}): ChartTable {
  const longest = [...spec.lines].sort((a, b) => b.points.length - a.points.length)[0];
  const sorted = spec.lines.map((l) => [...l.points].sort((a, b) => a[0] - b[0]));
  const places = evenly([...(longest?.points ?? [])].map(([x]) => x).sort((a, b) => a - b));
  return {
    heads: [spec.x, ...spec.lines.map((l) => (spec.lines.length > 1 ? `${l.name}, ${spec.y}` : spec.y))],
    rows: places.map((x) => [figure(x), ...sorted.map((points) => figure(heightAt(points, x)))]),
  };
}
