import type { Cause } from '../cause';
import { recordedWord } from '../evidence';

const POINTS = { gloss: -10, satin: 4, matt: 9, textured: 10 } as const;

export const surfaceTexture: Cause = {
  id: 'surface-texture',
  title: 'Texture of the master, no fault',
  prior: { haze: { 'frosted-skin': 0.6, unspecified: 0.3 } },
  evidence: [
    (f) =>
      recordedWord('mould.finish', f.batch.mould?.finish, (finish) => ({
        points: POINTS[finish],
        says:
          finish === 'gloss'
            ? 'The mould is glossy, so its skin frosts nothing.'
            : `The mould is ${finish}: its skin frosts whatever is cast in it.`,
      })),
  ],
  prevention: () => [
    'Wet the surface: if it clears, it is only the skin. Polish it, or brush a thin clear coat over it.',
    'For glass-clear pieces polish the master before the mould is made.',
  ],
};
