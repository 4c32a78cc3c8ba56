import type { Cause } from '../cause';
import { underLow } from '../evidence';
import { choseOther } from './airShared';

export const pressureLow: Cause = {
  id: 'pressure-low',
  title: 'Pressure too low',
  prior: { bubbles: { 'micro-throughout': 0.14, 'top-foam': 0.03, 'large-voids': 0.03, unspecified: 0.1 } },
  applies: (f) => f.product.pressure?.minKPa != null && !choseOther(f, 'pressure'),
  evidence: [(f) => underLow(f, 'pressure.gaugeKPa', { slope: 22, most: 12, least: 11 })],
  prevention: ({ product, say }) => [
    `Press at ${say(product.pressure?.minKPa ?? 0, 'kPa')} or more, never above what the vessel is rated for${product.pressure?.maxKPa != null ? ` or the card's ${say(product.pressure.maxKPa, 'kPa')}` : ''}.`,
  ],
  change: ({ product, say }) => {
    const { minKPa, maxKPa } = product.pressure ?? {};
    if (minKPa == null) return null;
    const pressureKPa = maxKPa == null ? minKPa : Math.round((minKPa + maxKPa) / 2);
    return { says: `Pressed at ${say(pressureKPa, 'kPa')}, within what the vessel is rated for`, set: { pressureKPa } };
  },
};
