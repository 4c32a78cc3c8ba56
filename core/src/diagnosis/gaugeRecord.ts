import type { RecordFacts } from './caseFacts';

/** What the gauge showed between its highest and gel. */
export interface GaugeBeforeGel {
  readonly mostKPa: number;
  readonly leastKPa: number;
  /** When it stood lowest, minutes since the parts met. */
  readonly atMin: number;
  readonly gelMin: number;
  /** Whether it was read up to gel. */
  readonly throughout: boolean;
}

/** Read to within this share of gel counts as read up to it. */
const CLOSE_TO_GEL = 0.9;

/**
 * The gauge's readings from its highest on, until it gelled; null where gel is not known, or fewer than two were read
 * before it.
 */
export function gaugeBeforeGel({ batch, working }: RecordFacts): GaugeBeforeGel | null {
  const gelMin = working.gelMin;
  if (gelMin === null) return null;
  const read = (batch.readings ?? [])
    .flatMap((r) =>
      r.what === 'gauge' && r.atMin != null && r.value != null ? [{ atMin: r.atMin, kPa: r.value }] : [],
    )
    .filter((r) => r.atMin >= 0 && r.atMin <= gelMin && r.kPa >= 0)
    .sort((a, b) => a.atMin - b.atMin);
  const top = read.reduce((best, r, i) => (r.kPa > (read[best]?.kPa ?? -1) ? i : best), 0);
  const after = read.slice(top);
  const most = after[0];
  if (!most || after.length < 2 || most.kPa <= 0) return null;
  const least = after.reduce((a, b) => (b.kPa < a.kPa ? b : a));
  const last = after.at(-1)!;
  const holds = least.kPa >= most.kPa * 0.95;
  return {
    mostKPa: most.kPa,
    leastKPa: least.kPa,
    atMin: holds ? last.atMin : least.atMin,
    gelMin,
    throughout: last.atMin >= CLOSE_TO_GEL * gelMin,
  };
}
