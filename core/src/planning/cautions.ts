import type { Product } from '../formats/product';
import type { AdditiveKind, Family, Hazard } from '../formats/vocabulary';
import type { Stage } from '../formats/vocabulary';

/** A caution at the step it belongs to. It defers to the data sheet, local codes and licensed practice. */
export interface Caution {
  readonly code: string;
  readonly says: string;
}

/** What is known of the act itself; what is not known is not taken to be safe. */
export interface Act {
  readonly additives?: readonly { readonly kind?: AdditiveKind | null; readonly solvent?: boolean | null }[] | null;
  readonly vacuumed?: boolean | null;
  readonly pressed?: boolean | null;
}

interface Rule {
  readonly code: string;
  readonly stages: readonly Stage[];
  /** Families that bring it, card or no card. */
  readonly families?: readonly Family[];
  /** Hazards by which a card brings it to other families. */
  readonly hazards?: readonly Hazard[];
  /** What is done that brings it. */
  readonly act?: (act: Act) => boolean;
  readonly says: string;
}

const GRAINS: ReadonlySet<string> = new Set(['powder', 'filler', 'mica', 'glitter']);
const hasGrains = (act: Act) => (act.additives ?? []).some((a) => GRAINS.has(a.kind ?? ''));
const hasSolvent = (act: Act) => (act.additives ?? []).some((a) => a.solvent === true || a.kind === 'solvent-ink');
const notSaidNo = (said: boolean | null | undefined) => said !== false;

export const SANDING = 'Sand wet or with a dust mask; uncured dust is worse.';
export const LAMP = 'UV lamp: shield eyes and skin.';
export const NO_SOLVENT_ON_SKIN = 'Gloves; soap and water on skin, never solvent.';
export const ALCOHOL = 'No flame near alcohol, and its rags outside to dry.';

const LIQUID: readonly Stage[] = ['weigh', 'mix', 'clear', 'pour', 'press', 'watch'];
const HOT: readonly Family[] = ['epoxy', 'polyurethane', 'polyester'];

/**
 * Cautions by family, additive and act (domain's section 8); a card's
 * hazards add to them, their absence takes none away.
 */
const RULES: readonly Rule[] = [
  {
    code: 'isocyanate',
    stages: LIQUID,
    families: ['polyurethane'],
    hazards: ['isocyanate'],
    says: 'Isocyanate sensitises the lungs: ventilate, wear the respirator the data sheet names, gloves and eye protection; people with asthma stay away.',
  },
  {
    code: 'isocyanate-water',
    stages: ['weigh'],
    families: ['polyurethane'],
    hazards: ['isocyanate'],
    says: 'Isocyanate that has met water is never closed up again: the gas bursts the bottle.',
  },
  {
    code: 'skin',
    stages: ['weigh', 'mix', 'clear', 'pour'],
    families: ['epoxy', 'uv-acrylate'],
    hazards: ['epoxy-amine', 'acrylate'],
    says: `Sensitises skin. ${NO_SOLVENT_ON_SKIN}`,
  },
  {
    code: 'peroxide',
    stages: ['weigh', 'mix'],
    families: ['polyester'],
    hazards: ['peroxide'],
    says: 'Peroxide catalyst blinds: wrap-around goggles. In the eye: rinse 15 minutes and see a doctor. Never near metal promoters, never stored with them, never thinned with acetone. Rags and spills with it can ignite: wet them, outside.',
  },
  {
    code: 'styrene',
    stages: ['weigh', 'mix', 'clear', 'pour', 'watch'],
    families: ['polyester'],
    hazards: ['styrene'],
    says: 'Styrene: ventilate, no flame, also while clearing and brushing. Not under vacuum, where it boils.',
  },
  {
    code: 'solvent',
    stages: ['weigh', 'mix', 'clear', 'pour'],
    hazards: ['solvent'],
    act: hasSolvent,
    says: 'Solvent is flammable until it is dry: ventilate, no flame.',
  },
  {
    code: 'powder-dust',
    stages: ['weigh', 'mix'],
    families: ['mineral-acrylic'],
    hazards: ['dust'],
    act: hasGrains,
    says: 'Fine powder: dust mask while weighing and stirring it in; tip it in slowly.',
  },
  {
    code: 'vacuum',
    stages: ['clear'],
    act: (act) => notSaidNo(act.vacuumed),
    says: 'A vacuum chamber can implode: shield it, and look it over before each use.',
  },
  {
    code: 'flame',
    stages: ['clear', 'watch'],
    families: ['epoxy', 'polyurethane', 'uv-acrylate'],
    says: 'Torch and heat gun: silicone moulds scorch, inclusions too; pass quickly, never near alcohol or wet ink.',
  },
  {
    code: 'hot-cup',
    stages: ['mix', 'clear', 'pour', 'watch'],
    families: HOT,
    hazards: ['epoxy-amine', 'isocyanate', 'peroxide'],
    says: 'A hot cup runs away. Still liquid: spread it thin or put it outside on stone, never seal or stack it. Once it smokes or has set: do not carry it or lean over it, leave and ventilate. Leftovers go in the bin cured and cold.',
  },
  {
    code: 'pressure-vessel',
    stages: ['press'],
    act: (act) => notSaidNo(act.pressed),
    says: 'Only a rated vessel, within its rating, with a working relief valve, secured; never a home-made one. Bleed to zero before the lid is opened.',
  },
  { code: 'lamp', stages: ['watch'], families: ['uv-acrylate'], hazards: ['acrylate'], says: LAMP },
  { code: 'sanding', stages: ['check'], act: () => true, says: SANDING },
  {
    code: 'not-for-food',
    stages: ['check'],
    act: () => true,
    says: 'Cured is not food-safe or toy-safe unless the maker says so.',
  },
];

const bringsIt = (rule: Rule, product: Product, act: Act): boolean =>
  (rule.families?.includes(product.family) ?? false) ||
  (rule.hazards?.some((h) => product.hazards?.includes(h)) ?? false) ||
  (rule.act?.(act) ?? false);

/**
 * What can hurt someone at this step with this product: by its family, by what its card adds, by what is in the mix,
 * and by what is done.
 * @param act what is known of the batch; what is not known is not taken to be safe
 */
export function cautionsFor(product: Product, stage: Stage, act: Act = {}): Caution[] {
  return RULES.filter((rule) => rule.stages.includes(stage) && bringsIt(rule, product, act)).map(({ code, says }) => ({
    code,
    says,
  }));
}
