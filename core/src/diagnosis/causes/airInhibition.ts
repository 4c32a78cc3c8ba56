import type { Cause } from '../cause';
import { recordedWord } from '../evidence';

export const airInhibition: Cause = {
  id: 'air-inhibition',
  title: 'Air kept the surface from curing',
  families: ['polyester', 'uv-acrylate'],
  prior: { tacky: { 'tacky-air-side-only': 0.85, 'tacky-all-over': 0.12, unspecified: 0.2 } },
  evidence: [
    (f) =>
      recordedWord('cure.film', f.batch.cure?.film, (film) =>
        film
          ? { points: -8, says: 'A film kept the air off.' }
          : { points: 3, says: 'Nothing kept the air off the surface.' },
      ),
    (f) =>
      recordedWord('waxed', f.product.waxed, (waxed) =>
        waxed
          ? { points: -6, says: 'The product holds wax, which rises and shuts the air out.' }
          : { points: 2, says: 'The product holds no wax.' },
      ),
  ],
  prevention: ({ product }) => [
    product.family === 'polyester'
      ? 'Lay film on the open side, or give the last coat wax solution.'
      : 'Cure under a clear film, or give the surface a second, stronger dose.',
    'A tacky air side over sound resin is no wrong dose: do not add catalyst for it.',
  ],
};
