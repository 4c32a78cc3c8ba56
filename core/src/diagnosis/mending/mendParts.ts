import { bondWindow } from '../../cure/bondWindow';
import { SHEET_TEMPERATURE_C } from '../../cure/kineticsDefaults';
import { lampMin } from '../../cure/light';
import type { Mend } from '../../formats/diagnosis';
import { typicalDosePct } from '../../cure/catalystDose';
import { plannedCatalystPct } from '../../mixing/plannedCatalyst';
import { ALCOHOL, LAMP, NO_SOLVENT_ON_SKIN, SANDING } from '../../planning/cautions';
import type { CaseFacts } from '../caseFacts';

export const [NEXT_DAY_H, THREE_DAYS_H] = [24, 72];
export const DUST = SANDING;
export const GLOVES = NO_SOLVENT_ON_SKIN;
export const SANDING_THINGS = ['60–100 grit paper', 'dust mask'];

/** A mend: when it is looked at again, what is needed, and what is done. */
export const mend = (recheckAfterH: number | null, supplies: readonly string[], ...steps: string[]): Mend => ({
  steps,
  supplies: [...new Set(supplies)],
  recheckAfterH,
});

/** The room as the piece has it, °C; the sheet's where nobody recorded one. */
export const roomOf = (facts: CaseFacts): number => facts.cureC ?? SHEET_TEMPERATURE_C;

/** Warm within the card, in words. */
export function warmWords({ product, say }: CaseFacts): string {
  const { minC, maxC } = product.room ?? {};
  if (maxC == null) return 'no warmer than the card allows';
  return `at ${minC == null ? 'most' : `${say((minC + maxC) / 2, '°C')} to`} ${say(maxC, '°C')}, the card's warmest room`;
}

/** Minutes of lamp for a dose, or that the lamp is not known. */
export function lampWords(facts: CaseFacts, doseMJPerCM2: number): string {
  const lamp = facts.batch.cure?.lamp?.irradianceMWPerCM2;
  const dose = facts.say(doseMJPerCM2, 'mJ/cm²');
  return lamp != null && lamp > 0 ? `${dose}, ${facts.say(lampMin(doseMJPerCM2, lamp), 'min')} under this lamp` : dose;
}

/** A fresh coat of the same product, as its family is made. */
export function freshCoat(facts: CaseFacts): string {
  const { product, say } = facts;
  switch (product.family) {
    case 'uv-acrylate': {
      const dose = product.light?.doseMJPerCM2;
      return `Brush on a thin coat of ${product.name} and give it its whole dose${dose == null ? '' : `, ${lampWords(facts, dose)}`}. ${LAMP}`;
    }
    case 'polyester': {
      const pct = plannedCatalystPct(product, roomOf(facts), 1)?.pct ?? typicalDosePct(product);
      const dose = pct == null ? 'dosed by its card' : `with ${say(Math.round(pct * 100) / 100, '%')} of catalyst`;
      return `Brush on a fresh, measured coat of ${product.name} ${dose}, and keep the air off it with film or wax. Wrap-around goggles; no flame.`;
    }
    case 'mineral-acrylic':
      return `Skim it with a fresh mix of ${product.name}, in ratio, once what lies below is dry.`;
    case 'silicone':
      return `Make it again with ${product.name}.`;
    default:
      return `Brush on a fresh, measured coat of ${product.name}, in ratio and stirred by the clock. ${GLOVES}`;
  }
}

export const coatThings = ({ product }: CaseFacts): string[] => {
  if (product.family === 'uv-acrylate') return ['fresh resin', 'lamp', 'gloves', 'UV goggles'];
  return product.family === 'polyester'
    ? ['fresh resin and catalyst', 'film or wax', 'goggles', 'gloves']
    : ['fresh resin', 'gloves'];
};

/**
 * Whether this very batch still bonds by itself, until when, counted from when its parts met; nothing where the card
 * states no bond window.
 */
export function ownBondWindow(facts: CaseFacts): { open: boolean; says: string } | null {
  const { product, seen, say } = facts;
  const window = bondWindow(product, roomOf(facts));
  if (!window || window.untilMin === null) return null;
  const at = facts.cureC === null ? "the card's temperature" : say(facts.cureC, '°C');
  const until = say(window.untilMin / 60, 'h');
  const open = seen.afterH * 60 <= window.untilMin;
  return {
    open,
    says: open
      ? `This batch's own bond window at ${at} is open until ${until} after its parts met: within it a coat bonds by itself.`
      : `This batch's own bond window at ${at} closed ${until} after its parts met: sand with 60–100 grit and wipe before anything goes on. ${DUST}`,
  };
}

/** A key for what goes on: nothing inside the bond window, else sanding. */
export function keyFor(facts: CaseFacts): string {
  const window = ownBondWindow(facts);
  return window?.says ?? `Sand what is hard with 60–100 grit and wipe it, so that the next layer holds. ${DUST}`;
}

export const WIPE = 'Wipe the dust off with a damp cloth and let it dry.';
export const TOOLS = `Wipe the tools at once with alcohol. ${ALCOHOL}`;
export const MAKE_AGAIN = 'make it again';
