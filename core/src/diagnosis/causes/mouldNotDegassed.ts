import type { Cause } from '../cause';
import { recordedWord } from '../evidence';
import { wasPressed } from './airShared';

export const mouldNotDegassed: Cause = {
  id: 'mould-not-degassed',
  title: "Bubbles in the mould's rubber printed",
  prior: { bubbles: { 'surface-pimples': 0.85, 'same-spot': 0.12, unspecified: 0.03 } },
  evidence: [
    (f) =>
      recordedWord('mould.degassed', f.batch.mould?.degassed, (degassed) =>
        degassed
          ? { points: -9, says: 'The mould was degassed when it was made.' }
          : { points: 6, says: 'The mould was not degassed when it was made.' },
      ),
    (f) =>
      recordedWord('pressure.gaugeKPa', wasPressed(f), (pressed) =>
        pressed
          ? { points: 3, says: 'It was pressed, and pressure dents the rubber over its own bubbles.' }
          : { points: -4, says: "It was not pressed; without pressure the rubber's bubbles seldom print." },
      ),
  ],
  prevention: () => [
    'Degas the rubber, or cure the mould at the pressure it will be used at.',
    'Until then use this mould without pressure.',
  ],
};
