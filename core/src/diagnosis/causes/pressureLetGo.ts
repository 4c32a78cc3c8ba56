import type { Cause } from '../cause';
import { underLow } from '../evidence';
import { wasPressed } from './airShared';

export const pressureLetGo: Cause = {
  id: 'pressure-let-go',
  title: 'Pressure let go before it had set',
  prior: { bubbles: { 'micro-throughout': 0.1, 'top-foam': 0.05, 'large-voids': 0.04, unspecified: 0.07 } },
  applies: (f) => wasPressed(f) === true,
  evidence: [(f) => underLow(f, 'pressure.releasedMin', { slope: 20, most: 12, least: 10 })],
  prevention: ({ product, say }) => [
    product.pressure?.holdMin != null
      ? `Hold full pressure for ${say(product.pressure.holdMin, 'min')}; watch the gauge for a leak in the first minutes.`
      : 'Hold full pressure until the witness cup is hard; watch the gauge for a leak in the first minutes.',
  ],
};
