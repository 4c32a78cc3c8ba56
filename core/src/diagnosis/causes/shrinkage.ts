import type { Cause } from '../cause';
import { pointsFor } from '../weight';

/** Depth from which a dish is plain to see, mm, in a resin that shrinks as most do. */
const TELLING_DEPTH_MM = 20;

export const shrinkage: Cause = {
  id: 'shrinkage',
  title: 'Ordinary shrinkage',
  families: ['epoxy', 'polyurethane', 'polyester', 'uv-acrylate'],
  prior: { sink: { unspecified: 0.85 }, cracks: { unspecified: 0.02 }, delamination: { unspecified: 0.04 } },
  familyFactor: { polyester: 1.4 },
  evidence: [
    ({ batch, say }) =>
      batch.pour?.depthMm == null
        ? null
        : {
            field: 'pour.depthMm',
            measured: batch.pour.depthMm,
            limit: null,
            unit: 'mm',
            points: pointsFor((batch.pour.depthMm - TELLING_DEPTH_MM) / TELLING_DEPTH_MM, {
              slope: 4,
              most: 4,
              least: 3,
            }),
            says: `It was ${say(batch.pour.depthMm, 'mm')} deep; a deep pour draws down more.`,
          },
  ],
  prevention: ({ product }) => [
    `Fill a little over, or top up within the bond window${product.family === 'polyester' ? '; polyester shrinks most of all' : ''}.`,
    'Pour in layers: each shrinks by itself, and the last is thin.',
  ],
};
