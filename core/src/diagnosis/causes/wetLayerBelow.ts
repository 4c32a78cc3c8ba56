import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** Change between two weighings that is dry, % (studio practice). */
const DRY_PCT = 0.5;
/** Water-based layers are dry after about this long, h; some take days more. */
const USUAL_DRY_H = 48;

function dryEvidence(facts: CaseFacts): MaybeEvidence {
  const loss = facts.batch.layerBelow?.massLossPct;
  if (loss != null) {
    return {
      field: 'layerBelow.massLossPct',
      measured: loss,
      limit: DRY_PCT,
      unit: '%',
      points: pointsFor((loss - DRY_PCT) / DRY_PCT, { slope: 7, most: 12, least: 9 }),
      says:
        figures(facts, 'layerBelow.massLossPct')?.says ??
        `It still lost ${facts.say(loss, '%')} between two weighings; ${facts.say(DRY_PCT, '%')} is dry.`,
    };
  }
  const hours = facts.batch.layerBelow?.hoursSince;
  return hours == null
    ? null
    : {
        field: 'layerBelow.hoursSince',
        measured: hours,
        limit: null,
        unit: 'h',
        points: pointsFor((USUAL_DRY_H - hours) / USUAL_DRY_H, { slope: 7, most: 7, least: 3 }),
        says: `It was covered ${facts.say(hours, 'h')} after the water-based layer was poured.`,
      };
}

export const wetLayerBelow: Cause = {
  id: 'wet-layer-below',
  title: 'Damp from the layer below',
  prior: {
    bulge: { unspecified: 0.7 },
    delamination: { unspecified: 0.3 },
    bubbles: { 'around-inclusion': 0.03, 'large-voids': 0.05, 'micro-throughout': 0.03, unspecified: 0.04 },
    haze: { 'cloudy-through': 0.1, 'white-bloom': 0.12, unspecified: 0.12 },
    'inclusion-change': { unspecified: 0.08 },
  },
  applies: ({ batch }) =>
    batch.layerBelow?.family === 'mineral-acrylic' ||
    (batch.layerBelow != null && batch.layerBelow.family == null && batch.layerBelow.productSlug != null),
  evidence: [
    dryEvidence,
    (f) =>
      f.seen.kind === 'bulge' || f.seen.kind === 'delamination'
        ? {
            field: 'checks[].afterH',
            measured: f.seen.afterH,
            limit: null,
            unit: 'h',
            points: f.seen.afterH >= 48 ? 3 : -1,
            says: f.seen.afterH >= 48 ? 'It came days later, as trapped water does.' : 'It was there within two days.',
          }
        : null,
  ],
  prevention: () => [
    'Weigh the layer until two readings a few hours apart differ by under half a per cent, not by the clock.',
    'Warm, moving air dries it; sealing it early only shuts the water in.',
  ],
};
