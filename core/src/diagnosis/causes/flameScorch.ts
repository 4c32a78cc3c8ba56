import type { Cause } from '../cause';
import { recordedWord } from '../evidence';

const POINTS = { none: -12, 'torch-brief': 1, 'heat-gun-brief': 1, 'torch-long': 10, 'heat-gun-long': 8 } as const;
const SAYS = {
  none: 'No flame and no hot air were used.',
  'torch-brief': 'A torch was passed over it briefly.',
  'heat-gun-brief': 'Warm air was passed over it briefly.',
  'torch-long': 'A torch was held on it for long.',
  'heat-gun-long': 'Hot air was held on it for long.',
} as const;

export const flameScorch: Cause = {
  id: 'flame-scorch',
  title: 'Scorched by flame or hot air',
  prior: {
    yellowing: { 'near-flame-or-heat': 0.85, 'surface-exposed-to-light': 0.1, 'whole-part': 0.02, unspecified: 0.08 },
    tacky: { 'sticky-spots': 0.05, unspecified: 0.01 },
    cracks: { unspecified: 0.03 },
    bubbles: { 'top-foam': 0.03 },
  },
  evidence: [
    (f) => recordedWord('pour.flame', f.batch.pour?.flame, (flame) => ({ points: POINTS[flame], says: SAYS[flame] })),
  ],
  prevention: () => [
    'Pass the flame quickly, a hand above, and never twice over the same place; warm air is gentler.',
    'No flame where there is styrene or solvent.',
  ],
};
