import type { InclusionCard } from '../formats/inclusion';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import { dryingState } from './drying';

export interface InclusionWarning {
  readonly code: 'went-badly' | 'never-met' | 'too-damp' | 'not-dry' | 'heat';
  readonly says: string;
}

type Rule = (inclusion: InclusionCard, product: Product, say: Say) => InclusionWarning | null;

const pairsWith = ({ pairs }: InclusionCard, { slug }: Product) => (pairs ?? []).filter((p) => p.productSlug === slug);

const wentBadly: Rule = (inclusion, product) => {
  const met = pairsWith(inclusion, product);
  const badly = met.filter((p) => p.outcome === 'bad');
  const last = badly.at(-1);
  if (!last) return null;
  const note = last.note ? `: ${last.note}` : '';
  const looks = `${badly.length} of ${met.length} looks`;
  return { code: 'went-badly', says: `Went badly with ${product.name} before, ${looks}${note}.` };
};

const neverMet: Rule = (inclusion, product) =>
  inclusion.treated === true && pairsWith(inclusion, product).length === 0
    ? { code: 'never-met', says: `Treated, and it never met ${product.name}: try a small cup first.` }
    : null;

const tooDamp: Rule = ({ moisturePct }, { inclusionMaxMoisturePct: maxPct }, say) =>
  maxPct != null && moisturePct != null && moisturePct > maxPct
    ? { code: 'too-damp', says: `Moisture ${say(moisturePct, '%')}; the card allows ${say(maxPct, '%')}.` }
    : null;

const notDry: Rule = ({ weighings }, _product, say) => {
  const drying = dryingState(weighings ?? []);
  if (drying.state !== 'drying') return null;
  return { code: 'not-dry', says: `Still drying: it lost ${say(drying.lossPct, '%')} in ${say(drying.hours, 'h')}.` };
};

const tooHot: Rule = ({ maxC }, product, say) => {
  const peakC = product.exotherm?.peakC ?? product.exothermMaxC;
  if (maxC == null || peakC == null || peakC <= maxC) return null;
  return { code: 'heat', says: `Harmed above ${say(maxC, '°C')}; this product may reach ${say(peakC, '°C')}.` };
};

const RULES: readonly Rule[] = [wentBadly, neverMet, tooDamp, notDry, tooHot];

/**
 * What speaks against casting an inclusion into a product: how the pair
 * went before, a treatment it never met, damp, heat.
 */
export const inclusionWarnings = (inclusion: InclusionCard, product: Product, say: Say): InclusionWarning[] =>
  RULES.map((rule) => rule(inclusion, product, say)).filter((warning) => warning !== null);
