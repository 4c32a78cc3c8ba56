import type { Cause } from '../cause';
import { recordedWord, strongest, type MaybeEvidence } from '../evidence';
import type { CaseFacts } from '../caseFacts';

/** How this inclusion fared in this product before, and in others. */
function pairsEvidence({ history, batch, product }: CaseFacts): MaybeEvidence {
  const names = new Set((batch.inclusions ?? []).map((i) => i.what?.toLowerCase()).filter(Boolean));
  const pairs = (history.pairs ?? []).filter((p) => names.size === 0 || names.has(p.inclusion.toLowerCase()));
  if (pairs.length === 0) return null;
  const here = pairs.filter((p) => p.productSlug === product.slug);
  const [bad, good] = [here.filter((p) => p.outcome === 'bad').length, here.filter((p) => p.outcome === 'good').length];
  const fineElsewhere = pairs.some((p) => p.productSlug !== product.slug && p.outcome === 'good');
  if (bad === 0 && good === 0) return null;
  return {
    field: 'inclusions[].what',
    measured: `${bad} bad, ${good} good`,
    limit: null,
    unit: '',
    points: Math.max(-9, Math.min(12, 6 * bad - 6 * good + (bad > 0 && fineElsewhere ? 3 : 0))),
    says: `In ${product.name} it went badly ${bad} time${bad === 1 ? '' : 's'} and well ${good}${bad > 0 && fineElsewhere ? '; in another product it did well' : ''}.`,
  };
}

export const inclusionReaction: Cause = {
  id: 'inclusion-reaction',
  title: 'Inclusion and resin do not get on',
  prior: {
    'inclusion-change': { unspecified: 0.3 },
    yellowing: { 'around-inclusion': 0.3 },
    tacky: { 'where-it-touched': 0.08 },
    haze: { 'cloudy-through': 0.03, unspecified: 0.04 },
    bubbles: { 'around-inclusion': 0.05 },
  },
  applies: ({ batch }) => batch.inclusions == null || batch.inclusions.length > 0,
  evidence: [
    pairsEvidence,
    (f) =>
      strongest(
        (f.batch.inclusions ?? []).map((x, i) =>
          recordedWord(`inclusions[${i}].treated`, x.treated, (treated) =>
            treated
              ? { points: 4, says: `${x.what ?? 'It'} had been treated, and a treatment may react.` }
              : { points: -2, says: `${x.what ?? 'It'} was untreated.` },
          ),
        ),
      ),
    (f) =>
      f.seen.kind !== 'inclusion-change'
        ? null
        : {
            field: 'checks[].afterH',
            measured: f.seen.afterH,
            limit: null,
            unit: 'h',
            points: f.seen.afterH <= 2 ? 4 : -1,
            says: f.seen.afterH <= 2 ? 'It changed at once, as a reaction does.' : 'It changed later.',
          },
  ],
  prevention: () => [
    'Try the inclusion in a thimble of this resin first, and look after a day and after a month.',
    'Log how each pair went: the next one is then known.',
  ],
};
