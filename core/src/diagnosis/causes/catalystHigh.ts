import type { Cause } from '../cause';
import { againstAsked, outsideBand } from './catalystEvidence';

export const catalystHigh: Cause = {
  id: 'catalyst-high',
  title: 'Too much catalyst for the room',
  families: ['polyester'],
  prior: {
    cracks: { unspecified: 0.4 },
    yellowing: { 'whole-part': 0.25, 'centre-of-thick-section': 0.25, unspecified: 0.2 },
    tacky: { 'tacky-all-over': 0.03 },
  },
  applies: ({ product }) => product.ratio.catalyst != null,
  evidence: [(f) => againstAsked(f, -1), (f) => outsideBand(f, 'high')],
  prevention: ({ product, say }) => [
    `Dose within the card's ${say(product.ratio.catalyst?.minPct ?? 0, '%')} to ${say(product.ratio.catalyst?.maxPct ?? 0, '%')}: towards the bottom when warm or thick. Wrap-around goggles: peroxide blinds.`,
  ],
};
