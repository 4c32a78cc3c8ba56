import type { LimitReading } from '@warm-jar/core';

/** A limit strip in shares of its width, 0 to 1. */
export interface StripScale {
  readonly bandFrom: number | null;
  readonly bandTo: number | null;
  readonly mark: number | null;
  /** Whether the mark lies beyond the strip's end and is drawn there instead. */
  readonly clipped: 'low' | 'high' | null;
  readonly ticks: readonly number[];
}

/** Room beyond a band's edges, in widths of the band. */
const BEYOND = 0.6;
const TICKS = 8;

const number = (v: number | string | null) => (typeof v === 'number' ? v : null);

function span(low: number | null, high: number | null, measured: number | null): [number, number] {
  if (low !== null && high !== null) {
    const width = high - low || Math.abs(high) || 1;
    return [low - BEYOND * width, high + BEYOND * width];
  }
  const limit = high ?? low;
  if (limit === null) return measured === null ? [0, 1] : [Math.min(0, measured * 2), Math.max(1, measured * 2)];
  const size = Math.abs(limit) || Math.abs(measured ?? 0) || 1;
  return high !== null ? [Math.min(0, limit - size), limit + 0.75 * size] : [Math.min(0, limit - size), limit + size];
}

function clippedAt(share: number): StripScale['clipped'] {
  if (share < 0) return 'low';
  return share > 1 ? 'high' : null;
}

/** Where band and mark stand on the strip of a reading. A lone limit's band runs to the strip's end. */
export function stripScale(reading: Pick<LimitReading, 'measured' | 'low' | 'high'>): StripScale {
  const [low, high, measured] = [number(reading.low), number(reading.high), number(reading.measured)];
  const [from, to] = span(low, high, measured);
  const at = (v: number) => (v - from) / (to - from);
  const raw = measured === null ? null : at(measured);
  const hasBand = low !== null || high !== null;
  return {
    bandFrom: hasBand ? at(low ?? from) : null,
    bandTo: hasBand ? at(high ?? to) : null,
    mark: raw === null ? null : Math.min(0.985, Math.max(0.015, raw)),
    clipped: raw === null ? null : clippedAt(raw),
    ticks: Array.from({ length: TICKS + 1 }, (_, i) => i / TICKS),
  };
}
