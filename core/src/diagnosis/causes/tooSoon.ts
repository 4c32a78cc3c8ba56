import { equivalentMinutes, minutesAt } from '../../cure/equivalentAge';
import { SHEET_TEMPERATURE_C } from '../../cure/kineticsDefaults';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { underLow, type MaybeEvidence } from '../evidence';
import { hardnessTrend, underTheCurve } from '../hardnessTrend';
import { pointsFor } from '../weight';

export interface Milestone {
  readonly words: string;
  readonly minutes: number;
  readonly atC: number;
}

/** The time the card asks for before the symptom may be judged: tack-free for tacky, full cure for soft. */
export function milestoneOf({ product, seen }: CaseFacts): Milestone | null {
  const { tackFree, fullCure, demould } = product;
  if ((seen.kind === 'tacky' || seen.kind === 'mark') && tackFree?.minutes != null) {
    return { words: 'tack-free', minutes: tackFree.minutes, atC: tackFree.atC ?? SHEET_TEMPERATURE_C };
  }
  if (fullCure?.hours != null)
    return { words: 'full cure', minutes: fullCure.hours * 60, atC: fullCure.atC ?? SHEET_TEMPERATURE_C };
  return demould?.minutes == null
    ? null
    : { words: 'demould', minutes: demould.minutes, atC: demould.atC ?? SHEET_TEMPERATURE_C };
}

/** Ages under this are as good as none, min. */
const MIN_AGE_MIN = 1e-3;

/** When a milestone is reached, hours after the parts met, never counted colder than the card's coldest room. */
export function milestoneH({ product, cureC }: CaseFacts, milestone: Milestone): number {
  const countedC = Math.max(cureC ?? milestone.atC, product.room?.minC ?? -Infinity);
  return minutesAt(product, milestone.minutes, countedC, milestone.atC) / 60;
}

/** Age at the check, never counted colder than the card's coldest room, against the milestone. */
function ageEvidence(facts: CaseFacts): MaybeEvidence {
  const { product, seen, cureC, say } = facts;
  const milestone = milestoneOf(facts);
  if (!milestone) return null;
  const countedC = Math.max(cureC ?? milestone.atC, product.room?.minC ?? -Infinity);
  const age = equivalentMinutes(product, seen.afterH * 60, countedC, milestone.atC);
  const weight = seen.kind === 'tacky' ? { slope: 10, most: 14, least: 12 } : { slope: 4, most: 7, least: 10 };
  return {
    field: 'checks[].afterH',
    measured: seen.afterH,
    limit: milestone.minutes / 60,
    unit: 'h',
    // At the very moment the parts met nothing has aged; what it then says is as much as it ever says.
    points: pointsFor(Math.log(milestone.minutes / Math.max(age, MIN_AGE_MIN)), weight),
    says: `Checked after ${say(seen.afterH, 'h')}, worth ${say(age, 'min')} at ${say(milestone.atC, '°C')}; the card says ${milestone.words} after ${say(milestone.minutes, 'min')}.`,
  };
}

export const tooSoon: Cause = {
  id: 'too-soon',
  title: 'Judged or demoulded before its time',
  prior: {
    tacky: { 'tacky-all-over': 0.15, 'where-it-touched': 0.05, liquid: 0.04, unspecified: 0.15 },
    soft: { 'all-over': 0.2, 'thin-sections': 0.25, 'cold-spots': 0.08, 'deep-under-skin': 0.04, unspecified: 0.2 },
    mark: { fingerprint: 0.5, unspecified: 0.1 },
  },
  applies: ({ product }) => product.family !== 'uv-acrylate',
  evidence: [
    ageEvidence,
    (f) => (f.seen.kind === 'soft' ? underLow(f, 'cure.demouldedMin', { slope: 14, most: 9, least: 4 }) : null),
    (f) => (f.seen.kind === 'soft' ? underTheCurve(f, { under: -3, on: 3 }) : null),
    (f) => hardnessTrend(f, { rising: 4, flat: -7 }),
  ],
  prevention: ({ product, say }) => [
    product.demould?.minutes != null
      ? `Leave it in the mould for ${say(product.demould.minutes, 'min')} at ${say(product.demould.atC ?? SHEET_TEMPERATURE_C, '°C')}, longer when colder; thin edges come last.`
      : 'Leave it in the mould until the witness cup is hard and cool; thin edges come last.',
  ],
};
