import type { Product } from '../formats/product';
import type { Hazard } from '../formats/vocabulary';
import type { Stage } from './stage';

/** A caution at the step it belongs to. It defers to the data sheet, local codes and licensed practice. */
export interface Caution {
  readonly code: string;
  readonly says: string;
}

interface Rule {
  readonly code: string;
  readonly stages: readonly Stage[];
  readonly hazards?: readonly Hazard[];
  readonly says: string;
}

const RULES: readonly Rule[] = [
  {
    code: 'isocyanate',
    stages: ['weigh', 'mix'],
    hazards: ['isocyanate'],
    says: 'Isocyanate sensitises the lungs: ventilate, wear the respirator the data sheet names; people with asthma stay away.',
  },
  {
    code: 'skin',
    stages: ['weigh', 'mix'],
    hazards: ['epoxy-amine', 'acrylate'],
    says: 'Sensitises skin: gloves on, and no solvent on skin.',
  },
  {
    code: 'peroxide',
    stages: ['weigh'],
    hazards: ['peroxide'],
    says: 'Peroxide catalyst blinds: wrap-around goggles. Never near metal promoters, never stored with them.',
  },
  {
    code: 'styrene',
    stages: ['weigh', 'mix', 'pour'],
    hazards: ['styrene'],
    says: 'Styrene: ventilate, no flame. Not under vacuum, where it boils.',
  },
  {
    code: 'solvent',
    stages: ['weigh', 'mix', 'clear'],
    hazards: ['solvent'],
    says: 'Solvent: ventilate, no flame while it is wet.',
  },
  {
    code: 'powder-dust',
    stages: ['weigh'],
    hazards: ['dust'],
    says: 'Fine powder: dust mask while weighing, tip it in slowly.',
  },
  {
    code: 'vacuum',
    stages: ['clear'],
    says: 'A vacuum chamber can implode: shield it, and look it over before each use.',
  },
  {
    code: 'hot-cup',
    stages: ['pour'],
    hazards: ['epoxy-amine', 'isocyanate', 'peroxide'],
    says: 'A hot cup runs away: do not seal or stack it; put it outside on stone, or spread it thin.',
  },
  {
    code: 'pressure-vessel',
    stages: ['press'],
    says: 'Only a rated vessel, within its rating, with a working relief valve, secured. Bleed to zero before the lid is opened.',
  },
  { code: 'lamp', stages: ['watch'], hazards: ['acrylate'], says: 'UV lamp: shield eyes and skin.' },
  {
    code: 'sanding',
    stages: ['check'],
    says: 'Sand wet or with a dust mask; uncured dust is worse. Cured is not food-safe or toy-safe unless the maker says so.',
  },
];

const usesVacuum = (product: Product) =>
  product.degas?.method === 'vacuum' || product.degas?.method === 'vacuum-or-pressure';
const mayBePressed = (product: Product) => product.pressure?.minKPa != null || product.pressure?.maxKPa != null;

/** What can hurt someone at this step with this product. */
export function cautionsFor(product: Product, stage: Stage): Caution[] {
  return RULES.filter((rule) => rule.stages.includes(stage))
    .filter((rule) => !rule.hazards || rule.hazards.some((h) => product.hazards?.includes(h)))
    .filter((rule) => rule.code !== 'vacuum' || usesVacuum(product))
    .filter((rule) => rule.code !== 'pressure-vessel' || mayBePressed(product))
    .map(({ code, says }) => ({ code, says }));
}
