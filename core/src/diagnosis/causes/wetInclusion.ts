import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, strongest, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** Moisture that any inclusion may hold where the card states none, %; evidence, no limit. */
const USUAL_MOST_PCT = 10;
/** Percentage points over it that are plainly wet. */
const WET_SCALE_PCT = 4;

function moistureEvidence(facts: CaseFacts): MaybeEvidence {
  const worst = (facts.batch.inclusions ?? []).reduce<{ i: number; pct: number } | null>(
    (w, x, i) => (x.moisturePct != null && (!w || x.moisturePct > w.pct) ? { i, pct: x.moisturePct } : w),
    null,
  );
  if (!worst) return null;
  const field = `inclusions[${worst.i}].moisturePct`;
  const limit = facts.product.inclusionMaxMoisturePct ?? USUAL_MOST_PCT;
  return {
    field,
    measured: worst.pct,
    limit,
    unit: '%',
    points: pointsFor((worst.pct - limit) / WET_SCALE_PCT, { slope: 8, most: 11, least: 6 }),
    says: figures(facts, field)?.says ?? `It held ${facts.say(worst.pct, '%')} of water.`,
  };
}

const POROUS = new Set(['wood', 'plant', 'paper', 'fabric']);

export const wetInclusion: Cause = {
  id: 'wet-inclusion',
  title: 'Water or air from what is cast in',
  prior: {
    bubbles: { 'around-inclusion': 0.75, unspecified: 0.03 },
    yellowing: { 'around-inclusion': 0.25 },
    'inclusion-change': { unspecified: 0.35 },
    bulge: { unspecified: 0.1 },
    haze: { 'cloudy-through': 0.05, unspecified: 0.05 },
  },
  familyFactor: { polyurethane: 1.3 },
  applies: ({ batch }) => batch.inclusions == null || batch.inclusions.length > 0,
  evidence: [
    moistureEvidence,
    (f) =>
      strongest(
        (f.batch.inclusions ?? []).map((x, i) =>
          POROUS.has(x.kind ?? '')
            ? recordedWord(`inclusions[${i}].sealed`, x.sealed, (sealed) =>
                sealed
                  ? { points: -5, says: `${x.what ?? 'It'} was sealed.` }
                  : { points: 4, says: `${x.what ?? 'It'} was not sealed, and it is porous.` },
              )
            : null,
        ),
      ),
    (f) =>
      strongest(
        (f.batch.inclusions ?? []).map((x, i) =>
          recordedWord(`inclusions[${i}].kind`, x.kind, (kind) =>
            POROUS.has(kind) ? null : { points: -4, says: `${x.what ?? 'It'} holds no water.` },
          ),
        ),
      ),
  ],
  prevention: ({ product, say }) => [
    `Dry it until two weighings some hours apart agree${product.inclusionMaxMoisturePct != null ? `, ${say(product.inclusionMaxMoisturePct, '%')} or less` : ''}.`,
    'Seal what is porous with a thin coat of the same resin, and let that set before the pour.',
  ],
};
