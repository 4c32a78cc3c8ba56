import { figures, type CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh, recordedWord } from '../evidence';

const sameProduct = ({ product, batch }: CaseFacts) => batch.layerBelow?.productSlug === product.slug;

export const bondWindowMissed: Cause = {
  id: 'bond-window-missed',
  title: 'Bond window missed',
  prior: { delamination: { unspecified: 0.6 }, 'colour-rub-off': { unspecified: 0.05 } },
  applies: ({ batch }) => batch.layerBelow != null,
  evidence: [
    (f) => (sameProduct(f) ? overHigh(f, 'layerBelow.hoursSince', { slope: 8, most: 9, least: 8 }) : null),
    (f) =>
      recordedWord('layerBelow.sanded', f.batch.layerBelow?.sanded, (sanded) =>
        sanded
          ? { points: -9, says: 'The layer below was sanded.' }
          : {
              points: (figures(f, 'layerBelow.hoursSince')?.high ?? null) === null ? 3 : 4,
              says: 'The layer below was not sanded.',
            },
      ),
  ],
  prevention: ({ product, say }) => [
    product.recoat?.untilMin != null
      ? `Pour the next layer within ${say(product.recoat.untilMin, 'min')} at the card's temperature, or sand.`
      : 'Pour the next layer while the last is still green, or sand.',
    'Past it: coarse paper, 60–100 grit, until evenly dull; wipe the dust off damp, and let it dry.',
  ],
};
