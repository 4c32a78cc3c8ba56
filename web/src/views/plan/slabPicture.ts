import { placeOnAxis } from '@warm-jar/core';

/** A slab's temperatures on an even grid of time and depth, for a picture. */
export interface SlabPicture {
  readonly minutes: readonly number[];
  readonly depthsMm: readonly number[];
  /** Column, row, °C: column is time, row is depth from the top. */
  readonly cells: readonly (readonly [number, number, number])[];
  readonly lowC: number;
  readonly highC: number;
}

interface Slab {
  readonly minutes: readonly number[];
  readonly positionsMm: readonly number[];
  readonly temperatureC: readonly (readonly number[])[];
}

const [COLUMNS, ROWS] = [110, 28];

/** Temperatures of a slab at a minute, between the times that were kept. */
export function slabAt(slab: Slab, minute: number): number[] {
  const { before, after, share } = placeOnAxis(slab.minutes, minute);
  return slab.temperatureC[after]!.map((v, i) => {
    const from = slab.temperatureC[before]![i]!;
    return from + share * (v - from);
  });
}

/** @param shown turns °C into what people chose to read */
export function slabPicture(slab: Slab, shown: (c: number) => number = (c) => c): SlabPicture {
  const end = slab.minutes.at(-1) ?? 0;
  const minutes = Array.from({ length: COLUMNS }, (_, i) => (end * i) / (COLUMNS - 1));
  const rows = Math.min(ROWS, slab.positionsMm.length);
  const node = (row: number) =>
    Math.min(slab.positionsMm.length - 1, Math.round(((row + 0.5) * slab.positionsMm.length) / rows - 0.5));
  const cells = minutes.flatMap((m, column) => {
    const at = slabAt(slab, m);
    return Array.from({ length: rows }, (_, row): [number, number, number] => [column, row, shown(at[node(row)]!)]);
  });
  const temperatures = cells.map((c) => c[2]);
  return {
    minutes,
    depthsMm: Array.from({ length: rows }, (_, row) => slab.positionsMm[node(row)]!),
    cells,
    lowC: Math.min(...temperatures),
    highC: Math.max(...temperatures),
  };
}
