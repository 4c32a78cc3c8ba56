import type { Cause } from '../cause';
import { recordedWord } from '../evidence';
import { pressedAwayEvidence } from './airShared';

const BY_VIGOUR = {
  whipped: { points: 9, says: 'It was whipped.' },
  brisk: { points: 3, says: 'It was stirred briskly.' },
  gentle: { points: -5, says: 'It was stirred gently.' },
} as const;

export const whippedAir: Cause = {
  id: 'whipped-air',
  title: 'Air stirred or shaken in',
  prior: { bubbles: { 'micro-throughout': 0.14, 'top-foam': 0.12, 'large-voids': 0.03, unspecified: 0.12 } },
  evidence: [
    (f) => recordedWord('mix.vigour', f.batch.mix?.vigour, (vigour) => BY_VIGOUR[vigour]),
    (f) =>
      recordedWord('mix.shaken', f.batch.mix?.shaken, (shaken) =>
        shaken
          ? { points: 8, says: 'It was shaken, which folds air in by the thousand.' }
          : { points: -2, says: 'It was not shaken.' },
      ),
    pressedAwayEvidence,
  ],
  prevention: () => [
    'Fold, do not whip: slow strokes, the stick kept under the surface.',
    'Never shake a bottle just before it is weighed; turn it over a day ahead instead.',
  ],
};
