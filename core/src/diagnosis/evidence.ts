import type { Evidence } from '../formats/diagnosis';
import { figures, type RecordFacts } from './caseFacts';
import { pointsFor, type Weight } from './weight';

/** Evidence before rounding; null where the record cannot tell, which counts neither way. */
export type MaybeEvidence = Evidence | null;

/** A figure over its high limit: the margin is `(measured − high)/scale`, the scale the limit itself unless given. */
export function overHigh(facts: RecordFacts, field: string, weight: Weight, scale?: number): MaybeEvidence {
  const f = figures(facts, field);
  if (!f || f.high === null) return null;
  const margin = (f.measured - f.high) / (scale ?? Math.max(Math.abs(f.high), 1e-9));
  return { field, measured: f.measured, limit: f.high, unit: f.unit, points: pointsFor(margin, weight), says: f.says };
}

/** A figure under its low limit: the margin is `(low − measured)/scale`, the scale the limit itself unless given. */
export function underLow(facts: RecordFacts, field: string, weight: Weight, scale?: number): MaybeEvidence {
  const f = figures(facts, field);
  if (!f || f.low === null) return null;
  const margin = (f.low - f.measured) / (scale ?? Math.max(Math.abs(f.low), 1e-9));
  return { field, measured: f.measured, limit: f.low, unit: f.unit, points: pointsFor(margin, weight), says: f.says };
}

/** Width of the card's band for a field, or `otherwise` where only one side is stated. */
export function bandWidth(facts: RecordFacts, field: string, otherwise: number): number {
  const f = figures(facts, field);
  return f && f.low !== null && f.high !== null && f.high > f.low ? f.high - f.low : otherwise;
}

function answerWord(recorded: string | boolean): string {
  if (typeof recorded === 'string') return recorded;
  return recorded ? 'yes' : 'no';
}

/** What a recorded yes or no, or a word, speaks for; null where it was not recorded. */
export function recordedWord<T extends string | boolean>(
  field: string,
  recorded: T | null | undefined,
  meaning: (value: T) => { points: number; says: string } | null,
): MaybeEvidence {
  if (recorded == null) return null;
  const meant = meaning(recorded);
  return meant && { field, measured: answerWord(recorded), limit: null, unit: '', ...meant };
}

/** The one that says most for the cause, so that two measures of the same thing are not counted twice. */
export function strongest(pieces: readonly MaybeEvidence[]): MaybeEvidence {
  return pieces.reduce((best, e) => (e && (!best || e.points > best.points) ? e : best), null);
}
