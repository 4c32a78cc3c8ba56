import type { Clarity } from '../formats/vocabulary';

/** What is to be made, and with what: the question of which product. */
export interface FitRequest {
  readonly depthMm: number | null;
  readonly thinnestMm: number | null;
  readonly volumeML: number | null;
  readonly roomC: number;
  readonly humidityPct: number | null;
  readonly clarity: Clarity | null;
  readonly hollow: boolean;
  readonly rubber: string | null;
  /** It will stand in the sun. */
  readonly sun: boolean;
  /** Hours until it must be out of the mould; null where nobody waits. */
  readonly waitH: number | null;
  readonly leastShoreD: number | null;
  readonly vesselRatedKPa: number | null;
  readonly vacuumKPaAbs: number | null;
  readonly lampMWPerCM2: number | null;
  readonly inclusionMoisturePct: number | null;
  readonly inclusionMaxC: number | null;
  /** Price of a gram of A + B of each product, by slug. */
  readonly pricePerG: ReadonlyMap<string, number>;
}
