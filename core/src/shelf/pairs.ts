import type { InclusionCard } from '../formats/inclusion';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import { dryingState } from './drying';

export interface InclusionWarning {
  readonly code: 'went-badly' | 'never-met' | 'too-damp' | 'not-dry' | 'heat';
  readonly says: string;
}

/** What speaks against casting an inclusion into a product: how the pair went before, a treatment it never met, damp, heat. */
export function inclusionWarnings(inclusion: InclusionCard, product: Product, say: Say): InclusionWarning[] {
  const met = (inclusion.pairs ?? []).filter((p) => p.productSlug === product.slug);
  const badly = met.filter((p) => p.outcome === 'bad');
  const warnings: InclusionWarning[] = [];
  if (badly.length > 0) {
    const last = badly.at(-1)!;
    warnings.push({
      code: 'went-badly',
      says: `Went badly with ${product.name} before, ${badly.length} of ${met.length} looks${last.note ? `: ${last.note}` : ''}.`,
    });
  }
  if (inclusion.treated === true && met.length === 0)
    warnings.push({ code: 'never-met', says: `Treated, and it never met ${product.name}: try a small cup first.` });
  const most = product.inclusionMaxMoisturePct;
  if (most != null && inclusion.moisturePct != null && inclusion.moisturePct > most) {
    warnings.push({
      code: 'too-damp',
      says: `Moisture ${say(inclusion.moisturePct, '%')}; the card allows ${say(most, '%')}.`,
    });
  }
  const drying = dryingState(inclusion.weighings ?? []);
  if (drying.state === 'drying')
    warnings.push({
      code: 'not-dry',
      says: `Still drying: it lost ${say(drying.lossPct, '%')} in ${say(drying.hours, 'h')}.`,
    });
  const peak = product.exotherm?.peakC ?? product.exothermMaxC;
  if (inclusion.maxC != null && peak != null && peak > inclusion.maxC) {
    warnings.push({
      code: 'heat',
      says: `Harmed above ${say(inclusion.maxC, '°C')}; this product may reach ${say(peak, '°C')}.`,
    });
  }
  return warnings;
}
