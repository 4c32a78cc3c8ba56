import type { Cause } from '../cause';
import { againstAsked, outsideBand } from './catalystEvidence';

export const catalystLow: Cause = {
  id: 'catalyst-low',
  title: 'Too little catalyst for the room',
  families: ['polyester'],
  prior: {
    tacky: { liquid: 0.35, 'tacky-all-over': 0.3, unspecified: 0.25 },
    soft: { 'all-over': 0.3, 'thin-sections': 0.25, 'cold-spots': 0.1, 'deep-under-skin': 0.1, unspecified: 0.3 },
  },
  applies: ({ product }) => product.ratio.catalyst != null,
  evidence: [(f) => againstAsked(f, 1), (f) => outsideBand(f, 'low')],
  prevention: ({ product, say }) => [
    `Dose within the card's ${say(product.ratio.catalyst?.minPct ?? 0, '%')} to ${say(product.ratio.catalyst?.maxPct ?? 0, '%')}: towards the top when cold or thin. Wrap-around goggles: peroxide blinds.`,
  ],
};
