import { RATIO_AGREES_PCT } from '../shelf/cardGaps';
import type { Candidate, SheetReading } from './reading';

/** Two roundings of one figure, in two units, differ by no more than this. */
const SAME_WITHIN = 0.03;
const SAME_WITHIN_K = 1.5;
const SAME_MASS_WITHIN = 0.1;

const apart = (a: number, b: number, within: number) => Math.abs(a - b) > within * Math.max(Math.abs(a), Math.abs(b));

const isTemperature = (c: Candidate) => c.unit === '°C';

/** Whether two statements say the same, ranges and roundings allowed for. */
export function sayTheSame(one: Candidate, other: Candidate): boolean {
  if (typeof one.value !== 'number' || typeof other.value !== 'number') return one.value === other.value;
  if (one.low <= other.high && other.low <= one.high) return true;
  const gap = Math.max(one.low - other.high, other.low - one.high);
  if (isTemperature(one)) return gap <= SAME_WITHIN_K;
  return gap <= SAME_WITHIN * Math.max(Math.abs(one.value), Math.abs(other.value));
}

function atTheSame(one: Candidate, other: Candidate): boolean {
  const sameC = one.atC === undefined || other.atC === undefined || Math.abs(one.atC - other.atC) <= SAME_WITHIN_K;
  const sameG =
    one.massG === undefined || other.massG === undefined || !apart(one.massG, other.massG, SAME_MASS_WITHIN);
  return sameC && sameG;
}

const doseOf = (c: Candidate) => c.given?.percent?.low;
const timeOf = (c: Candidate) => c.given?.time?.low;

/**
 * Whether two statements for one field cannot both be right: two figures of the same thing under the same conditions.
 * Two pot lives of two masses can.
 */
export function contradict(one: Candidate, other: Candidate): boolean {
  if (sayTheSame(one, other) || one.second !== other.second) return false;
  if (doseOf(one) !== doseOf(other) || timeOf(one) !== timeOf(other)) return false;
  const oneSays = [one.atC, one.massG].filter((v) => v !== undefined).length;
  const otherSays = [other.atC, other.massG].filter((v) => v !== undefined).length;
  // One says at what mass, the other does not: nobody can tell that they are of the same.
  if (oneSays !== otherSays) return false;
  return atTheSame(one, other);
}

const numberAt = (readings: readonly SheetReading[], path: string): number | null => {
  const value = readings.find((r) => r.path === path)?.value;
  return typeof value === 'number' ? value : null;
};

const RATIO_PATHS = [
  'ratio.byWeight.a',
  'ratio.byWeight.b',
  'ratio.byVolume.a',
  'ratio.byVolume.b',
  'densityAGPerML',
  'densityBGPerML',
];

/**
 * Marks the two ratios and the densities where they cannot be true together: `wA/wB = (vA·ρA)/(vB·ρB)`, within 2 %.
 */
export function againstDensities(readings: readonly SheetReading[]): SheetReading[] {
  const [wA, wB, vA, vB, a, b] = RATIO_PATHS.map((path) => numberAt(readings, path));
  if (!wA || !wB || !vA || !vB || !a || !b) return [...readings];
  const disagreePct = Math.abs(100 * ((wA / wB / (vA / vB)) * (b / a) - 1));
  if (disagreePct <= RATIO_AGREES_PCT) return [...readings];
  return readings.map((r) => (RATIO_PATHS.includes(r.path) ? { ...r, contradicts: true as const } : r));
}
