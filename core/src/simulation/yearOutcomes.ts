import type { Batch } from '../formats/batch';
import type { CauseId } from '../formats/vocabulary';
import type { Chance } from './chance';

/** Of the year's faults somebody found out so many for certain, and how. */
const KNOWN_RATE = 0.4;
const HOWS = ['next-batch', 'test', 'seen', 'judged'] as const;
const OFTEN = { 'next-batch': 0.45, test: 0.25, seen: 0.2, judged: 0.1 } as const;
/** Found out so many days after it was seen, at the most. */
const DAYS_AFTER = 6;
const [DAY_MS, HOUR_MS] = [86_400_000, 3_600_000];

/** A batch with what its fault turned out to be, where somebody found that out before today. */
export function foundOut(batch: Batch, cause: CauseId | null, nowMs: number, chance: Chance): Batch {
  const look = (batch.checks ?? []).find((c) => (c.symptoms ?? []).length > 0);
  const symptom = look?.symptoms?.[0]?.kind;
  const known = chance.flip(KNOWN_RATE);
  const how = chance.weighted(HOWS, (h) => OFTEN[h]);
  const days = chance.between(1, DAYS_AFTER);
  if (!look || !symptom || cause === null || !known) return batch;
  const atMs = Date.parse(batch.startedAt ?? '') + look.afterH * HOUR_MS + days * DAY_MS;
  if (!(atMs < nowMs)) return batch;
  const at = new Date(atMs).toISOString().replace(/\.\d{3}Z$/, '+00:00');
  return { ...batch, outcome: [{ symptom, cause, how, at, by: batch.by ?? null }] };
}
