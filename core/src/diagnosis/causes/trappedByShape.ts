import type { Cause } from '../cause';
import { recordedWord } from '../evidence';

export const trappedByShape: Cause = {
  id: 'trapped-by-shape',
  title: 'Air caught by the shape or a fast pour',
  prior: {
    bubbles: {
      'large-voids': 0.6,
      'corners-and-undersides': 0.8,
      'same-spot': 0.15,
      'around-inclusion': 0.12,
      unspecified: 0.12,
    },
  },
  evidence: [
    (f) =>
      recordedWord('pour.tilted', f.batch.pour?.tilted, (tilted) =>
        tilted
          ? { points: -5, says: 'The mould was tilted as it filled.' }
          : { points: 5, says: 'The mould was not tilted, so corners could hold their air.' },
      ),
    (f) =>
      recordedWord('pour.fast', f.batch.pour?.fast, (fast) =>
        fast
          ? { points: 6, says: 'It was poured fast, which folds air under.' }
          : { points: -3, says: 'It was poured slowly.' },
      ),
    (f) =>
      recordedWord('pour.releaseMist', f.batch.pour?.releaseMist, (mist) =>
        mist
          ? { points: -0.5, says: 'A mist of release helps resin into corners.' }
          : { points: 0.5, says: 'No release mist helped it into corners.' },
      ),
  ],
  prevention: () => [
    'Pour a thin stream into the lowest point, tilting so that corners fill from below; brush undercuts first.',
    'Cut a vent where the air is caught, or turn the piece in its mould.',
  ],
};
