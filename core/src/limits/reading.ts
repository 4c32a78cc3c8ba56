import type { LimitReading } from '../formats/diagnosis';
import type { LimitState } from '../formats/vocabulary';
import type { Say } from '../units/wording';
import { bandState } from './bandState';
import { fieldLabel } from './fieldLabels';

/** What a reading is made from: one measured value, its limits, and whose limits they are. */
export interface ReadingParts {
  readonly field: string;
  readonly measured: number | null | undefined;
  readonly low?: number | null | undefined;
  readonly high?: number | null | undefined;
  readonly unit: string;
  /** Whose limit: "the card" unless a model or studio practice says so. */
  readonly whose?: string | undefined;
  /** Something more that the person should know, a sentence. */
  readonly note?: string | null | undefined;
  /** Overrides the band's state, for calendar dates. */
  readonly state?: LimitState | undefined;
  /** Replaces the built sentence where a band in words would read badly. */
  readonly says?: string | undefined;
}

/** Two limits in words: `19 °C to 27 °C`, `19 °C or more`, `60 % or less`. */
export function bandWords(low: number | null, high: number | null, unit: string, say: Say): string {
  if (low !== null && high !== null) return `${say(low, unit)} to ${say(high, unit)}`;
  if (low !== null) return `${say(low, unit)} or more`;
  return high === null ? '' : `${say(high, unit)} or less`;
}

const STATE_WORDS: Record<LimitState, string> = {
  inside: 'inside',
  near: 'inside, near the edge',
  below: 'below',
  above: 'above',
  'not-recorded': '',
  'not-stated': '',
};

function sentence(
  r: LimitReading & { measured: number | null; low: number | null; high: number | null },
  whose: string,
  say: Say,
  explained: boolean,
): string {
  const label = fieldLabel(r.field);
  // Where a note says why no limit holds, the card may well state one.
  if (r.state === 'not-stated' && explained)
    return r.measured === null ? `${label}: not recorded.` : `${label} was ${say(r.measured, r.unit)}.`;
  if (r.state === 'not-stated') {
    return r.measured === null
      ? `${label}: not recorded, and ${whose} states no limit.`
      : `${label} was ${say(r.measured, r.unit)}; ${whose} states no limit.`;
  }
  const band = bandWords(r.low, r.high, r.unit, say);
  if (r.state === 'not-recorded') return `${label} was not recorded; ${whose} says ${band}.`;
  return `${label} ${say(r.measured!, r.unit)} is ${STATE_WORDS[r.state]}; ${whose} says ${band}.`;
}

/** Builds one limit reading with its state and its sentence. */
export function makeReading(parts: ReadingParts, say: Say): LimitReading {
  const { field, unit, whose = 'the card', note } = parts;
  const [measured, low, high] = [parts.measured ?? null, parts.low ?? null, parts.high ?? null];
  const state = parts.state ?? bandState(measured, low, high);
  const says = parts.says ?? sentence({ field, measured, low, high, unit, state, says: '' }, whose, say, note != null);
  return { field, measured, low, high, unit, state, says: note ? `${says} ${note}` : says };
}
