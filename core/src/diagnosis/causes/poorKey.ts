import type { Family } from '../../formats/vocabulary';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';

/** Pairs that do not stick: this family on that one below. */
const NO_KEY: readonly { on: readonly Family[]; below: readonly Family[]; says: string }[] = [
  {
    on: ['mineral-acrylic'],
    below: ['epoxy', 'polyester'],
    says: 'Water-based compound does not stick to cured resin.',
  },
  {
    on: ['epoxy', 'polyurethane', 'polyester', 'uv-acrylate', 'mineral-acrylic'],
    below: ['silicone'],
    says: 'Nothing sticks to silicone.',
  },
  {
    on: ['uv-acrylate'],
    below: ['epoxy', 'polyurethane', 'polyester'],
    says: 'A light-cured film holds badly on resin that is greasy or not through.',
  },
];

const pairOf = ({ product, batch }: CaseFacts) =>
  NO_KEY.find(
    (p) =>
      p.on.includes(product.family) && batch.layerBelow?.family != null && p.below.includes(batch.layerBelow.family),
  ) ?? null;

function pairEvidence(facts: CaseFacts): MaybeEvidence {
  const below = facts.batch.layerBelow?.family;
  if (below == null) return null;
  const pair = pairOf(facts);
  const light = facts.product.family === 'uv-acrylate' && below !== 'silicone';
  return pair
    ? { field: 'layerBelow.family', measured: below, limit: null, unit: '', points: light ? 4 : 11, says: pair.says }
    : {
        field: 'layerBelow.family',
        measured: below,
        limit: null,
        unit: '',
        points: -9,
        says: `${facts.product.family.replaceAll('-', ' ')} on ${below.replaceAll('-', ' ')} holds well when it is clean.`,
      };
}

export const poorKey: Cause = {
  id: 'poor-key',
  title: 'It does not stick to what lies below',
  prior: { delamination: { unspecified: 0.45 }, bulge: { unspecified: 0.05 } },
  applies: ({ batch }) => batch.layerBelow != null,
  evidence: [
    pairEvidence,
    (f) =>
      recordedWord('layerBelow.sanded', f.batch.layerBelow?.sanded, (sanded) =>
        sanded ? { points: -2, says: 'It was sanded first.' } : { points: 1, says: 'It was not sanded first.' },
      ),
  ],
  prevention: () => [
    'Keep such a layer off the edge, so that the layers around it meet and hold it.',
    'Give it a key: dust, mesh, undercuts, or a layer between that both hold to.',
  ],
};
