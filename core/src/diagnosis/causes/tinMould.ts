import type { Cause } from '../cause';
import { recordedWord } from '../evidence';

export const tinMould: Cause = {
  id: 'tin-mould',
  title: 'Fogged by tin-cured rubber',
  families: ['polyurethane'],
  prior: {
    haze: { 'frosted-skin': 0.25, 'cloudy-through': 0.3, unspecified: 0.35 },
    tacky: { 'where-it-touched': 0.06 },
  },
  applies: ({ product }) => product.clarity !== 'opaque',
  evidence: [
    (f) =>
      recordedWord('mould.rubber', f.batch.mould?.rubber, (rubber) =>
        rubber === 'tin-silicone'
          ? { points: 11, says: 'The mould is tin-cured rubber, which gives off alcohol.' }
          : { points: -14, says: `The mould is ${rubber.replaceAll('-', ' ')}, which gives off none.` },
      ),
  ],
  prevention: () => [
    'Cast clear urethane in platinum rubber.',
    'A tin mould has to be baked out and rested for days before it is used for clear.',
  ],
};
