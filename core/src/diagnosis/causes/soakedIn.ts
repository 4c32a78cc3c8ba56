import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { strongest, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

const POROUS: ReadonlySet<string> = new Set(['wood', 'plant', 'paper', 'fabric']);

interface Drinker {
  readonly kind?: string | null | undefined;
  readonly sealed?: boolean | null | undefined;
}

/** What a base or something cast in says of drinking resin: porous and open, sealed, or never porous. */
function drinks(field: string, what: string, of: Drinker): MaybeEvidence {
  const { kind, sealed } = of;
  if (kind != null && kind !== 'other' && !POROUS.has(kind))
    return {
      field: `${field}.kind`,
      measured: kind,
      limit: null,
      unit: '',
      points: -8,
      says: `${what} drinks nothing.`,
    };
  if (sealed == null) return null;
  const porous = kind != null && POROUS.has(kind);
  return sealed
    ? { field: `${field}.sealed`, measured: 'yes', limit: null, unit: '', points: -8, says: `${what} was sealed.` }
    : {
        field: `${field}.sealed`,
        measured: 'no',
        limit: null,
        unit: '',
        points: porous ? 8 : 4,
        says: porous ? `${what} is porous and was not sealed.` : `${what} was not sealed.`,
      };
}

/** A thin coat shows what is drunk; a deep pour hardly. */
const THIN_MM = 5;

function thinCoat({ batch, say }: CaseFacts): MaybeEvidence {
  const depthMm = batch.pour?.depthMm;
  if (!depthMm || batch.base == null) return null;
  return {
    field: 'pour.depthMm',
    measured: depthMm,
    limit: null,
    unit: 'mm',
    points: pointsFor(Math.log2(THIN_MM / depthMm), { slope: 1.5, most: 3, least: 3 }),
    says: `It was ${say(depthMm, 'mm')} deep; a thin coat shows what its base drinks.`,
  };
}

export const soakedIn: Cause = {
  id: 'soaked-in',
  title: 'Drunk up by what it lies on or holds',
  prior: {
    sink: { unspecified: 0.12 },
    bubbles: { 'around-inclusion': 0.15, 'large-voids': 0.02, unspecified: 0.02 },
    haze: { 'frosted-skin': 0.03 },
  },
  applies: ({ batch }) => batch.base != null || batch.inclusions == null || batch.inclusions.length > 0,
  evidence: [
    (f) =>
      strongest([
        ...(f.batch.base ? [drinks('base', 'The base', f.batch.base)] : []),
        ...(f.batch.inclusions ?? []).map((x, i) => drinks(`inclusions[${i}]`, x.what ?? 'What is cast in', x)),
      ]),
    thinCoat,
  ],
  prevention: () => [
    'Seal wood, plant, paper and fabric with a thin coat of the same resin, and let that set before the pour.',
  ],
};
