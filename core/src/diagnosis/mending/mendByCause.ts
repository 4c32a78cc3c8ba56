import type { Mend } from '../../formats/diagnosis';
import type { CauseId } from '../../formats/vocabulary';
import { bondWindow } from '../../cure/bondWindow';
import type { CaseFacts } from '../caseFacts';
import { ratioSeverity } from '../causes/ratioOff';
import { milestoneOf, milestoneH } from '../causes/tooSoon';
import { missingDose } from '../causes/underExposed';
import { heatLeft } from './heatLeft';
import {
  DUST,
  GLOVES,
  MAKE_AGAIN,
  NEXT_DAY_H,
  THREE_DAYS_H,
  coatThings,
  freshCoat,
  lampWords,
  mend,
  roomOf,
  warmWords,
} from './mendParts';
import {
  airKeptOff,
  compoundDries,
  coveredOrGraded,
  cutOut,
  liftedAndCoated,
  openedAndDried,
  pimplesShaved,
  rubberAgain,
  scrapedAndCoated,
  skinTakenOff,
  spotsCoated,
  toppedUp,
  trimmed,
  voidsFilled,
  washedSandedCoated,
} from './mendByState';
import { LAMP } from '../../planning/cautions';

/** What is done where a cause leads; null leaves it to the state. */
type Row = (facts: CaseFacts) => Mend | null;

const isRubber = ({ product }: CaseFacts) => product.family === 'silicone';
const isCompound = ({ product }: CaseFacts) => product.family === 'mineral-acrylic';
const isUncured = ({ seen }: CaseFacts) => seen.kind === 'tacky' || seen.kind === 'soft';
const isLiquid = ({ seen }: CaseFacts) => seen.pattern === 'liquid';

const neverHardens = (why: string): Mend =>
  mend(
    null,
    ['scraper', 'alcohol and rags', 'gloves'],
    `${why} It will never harden: take all of it off, down to what is sound, or ${MAKE_AGAIN}. A coat over it fails. ${GLOVES}`,
  );

/** Only time: nothing is put on it and nothing taken off. */
function tooSoon(facts: CaseFacts): Mend | null {
  if (!isUncured(facts)) return null;
  if (isCompound(facts)) return compoundDries(facts);
  const milestone = milestoneOf(facts);
  if (!milestone) {
    return mend(NEXT_DAY_H, [], 'Leave it as it is: no coat, no scraping. Touch it again in a day.');
  }
  const untilH = milestoneH(facts, milestone);
  const leftH = Math.max(1, untilH - facts.seen.afterH);
  const { say } = facts;
  const soft = facts.seen.kind === 'soft';
  return mend(
    soft ? Math.min(leftH, NEXT_DAY_H) : leftH,
    soft ? ['hardness tester'] : [],
    `It only needs time: ${milestone.words} at ${say(roomOf(facts), '°C')} is ${say(untilH, 'h')} after its parts met. Leave it as it is: no coat, no scraping, whatever it feels like now.`,
    soft ? 'A second hardness reading in a day tells early whether it rises.' : `Touch it again in ${say(leftH, 'h')}.`,
  );
}

function coldCure(facts: CaseFacts): Mend | null {
  if (!isUncured(facts)) return null;
  if (isCompound(facts)) return compoundDries(facts);
  const heat = heatLeft(facts);
  const { say } = facts;
  const first = heat?.runsAway
    ? `Half reacted and ${say(facts.batch.pour?.depthMm ?? 0, 'mm')} thick it may run away when it is warmed: the model says ${say(heat.peakC, '°C')} at ${say(heat.warmC, '°C')}. Warm it by a few degrees a day, and read it as it goes.`
    : null;
  return mend(
    NEXT_DAY_H,
    ['hot box or warm room'],
    ...(first ? [first] : []),
    `Put it somewhere warm for a day, ${warmWords(facts)}; then look again. No coat before that.`,
  );
}

function ratioOff(facts: CaseFacts): Mend | null {
  if (facts.seen.kind === 'yellowing') return coveredOrGraded();
  if (!isUncured(facts)) return null;
  if (isRubber(facts)) return rubberAgain('Rubber out of ratio stays raw.');
  if (isCompound(facts)) return mend(null, [], `Out of ratio it stays weak: ${MAKE_AGAIN}.`);
  const how = ratioSeverity(facts);
  if (how === 'slight' && facts.seen.kind === 'soft') {
    return mend(
      null,
      [],
      `Slightly out of ratio it stays softer: use it where it bears nothing, else ${MAKE_AGAIN}. Waiting and warmth change nothing.`,
    );
  }
  return neverHardens(
    how === 'not-known' ? 'A wrong ratio never catches up.' : 'The parts were too far from their ratio.',
  );
}

function catalystLow(facts: CaseFacts): Mend | null {
  if (!isUncured(facts)) return null;
  const dose = facts.readings.get('mix.catalystPct')?.measured;
  if (dose === 0) return neverHardens('No catalyst went in.');
  return mend(
    NEXT_DAY_H,
    ['hot box or warm room'],
    `Warm it for a day first, ${warmWords(facts)}: a small dose only starts late. No coat before that.`,
    `No harder by then: take it off, or ${MAKE_AGAIN}. More catalyst on top does nothing.`,
  );
}

function catalystHigh(facts: CaseFacts): Mend | null {
  return facts.seen.kind === 'yellowing' ? coveredOrGraded() : null;
}

/** Streaks and spots of one part never harden: no waiting. */
function unmixed(facts: CaseFacts): Mend | null {
  if (!isUncured(facts)) return null;
  if (isRubber(facts)) return rubberAgain('Rubber that was not mixed through stays raw in streaks.');
  if (isCompound(facts)) return mend(null, [], `Lumps and wet places do not bind: ${MAKE_AGAIN}.`);
  if (facts.seen.kind === 'soft')
    return cutOut('What was not mixed through never hardens, and no waiting or warmth helps.');
  return isLiquid(facts) ? scrapedAndCoated(facts) : spotsCoated(facts);
}

/** A little of the same lots, made without a fault, as the family is made: what it is tried with, and how. */
function triedOf(facts: CaseFacts): { readonly things: readonly string[]; readonly how: string } {
  switch (facts.product.family) {
    case 'uv-acrylate':
      return {
        things: ['a few drops of the same lot', 'lamp'],
        how: `Cure a thin drop of the same lot first, on glass, with its whole dose. ${LAMP}`,
      };
    case 'polyester':
      return {
        things: ['20 g of the same lots', 'fine scale', 'wrap-around goggles'],
        how: 'Mix a small cup of the same lots first, with the dose of its card, and leave it warm for its demould time. Wrap-around goggles; no flame.',
      };
    default:
      return {
        things: ['20 g of the same lots', 'fine scale'],
        how: 'Mix a small cup of the same lots first, exactly in ratio, and leave it warm for its demould time.',
      };
  }
}

function badLot(facts: CaseFacts): Mend | null {
  if (!isUncured(facts) && facts.seen.kind !== 'haze' && facts.seen.kind !== 'bubbles') return null;
  const tried = triedOf(facts);
  const again = isRubber(facts) ? 'make the mould again' : MAKE_AGAIN;
  return mend(
    THREE_DAYS_H,
    tried.things,
    tried.how,
    isUncured(facts)
      ? `If that stays soft too, no time and no warmth will help: ${again} from a good lot. If it hardens, it was not the lot.`
      : `If that comes out the same, ${again} from a good lot; nothing takes it out of this one.`,
  );
}

function tooMuch(facts: CaseFacts): Mend | null {
  if (facts.seen.kind === 'colour-rub-off')
    return mend(
      NEXT_DAY_H,
      ['soft cloth', ...coatThings(facts)],
      'Wipe off what rubs off.',
      'Seal what holds with a thin clear coat.',
    );
  if (!isUncured(facts)) return null;
  if (isRubber(facts)) return rubberAgain('Rubber with too much in it stays weak.');
  if (isCompound(facts)) return mend(null, [], `Overloaded it stays weak: ${MAKE_AGAIN}.`);
  if (facts.seen.kind === 'soft' || isLiquid(facts))
    return mend(
      null,
      ['scraper', 'gloves'],
      `So much in it keeps it from hardening: take it off, or ${MAKE_AGAIN}. ${GLOVES}`,
    );
  return mend(
    NEXT_DAY_H,
    coatThings(facts),
    `A thin clear coat over the tacky skin, without colour: ${freshCoat(facts)}`,
  );
}

function inhibited(facts: CaseFacts): Mend | null {
  if (!isUncured(facts)) return null;
  if (isRubber(facts)) return rubberAgain('What it touched stopped it.');
  return isCompound(facts) ? null : skinTakenOff(facts);
}

/** Light, and nothing but light. */
function underExposed(facts: CaseFacts): Mend | null {
  if (!isUncured(facts)) return null;
  const missing = missingDose(facts);
  const dose = missing !== null && missing > 0 ? ` About ${lampWords(facts, missing)} are missing.` : '';
  const deep = facts.seen.pattern === 'deep-under-skin' || facts.seen.pattern === 'edges-leak';
  return mend(
    NEXT_DAY_H,
    ['lamp', 'UV goggles', 'gloves', 'blade'],
    `Give it more light${deep ? ', from the side where it is liquid' : ', from every side'}.${dose} ${LAMP}`,
    `Where light does not reach, take the top off until it does: thin the layer and light it again. ${GLOVES}`,
    `Still liquid where no light can come: cut it out, and fill it in thin layers, each lit by itself. ${DUST}`,
  );
}

function blush(facts: CaseFacts): Mend | null {
  return facts.seen.kind === 'tacky' || facts.seen.kind === 'haze' ? washedSandedCoated(facts) : null;
}

function notBonded(facts: CaseFacts): Mend | null {
  if (facts.seen.kind !== 'delamination' && facts.seen.kind !== 'bulge') return null;
  const window = bondWindow(facts.product, roomOf(facts));
  const inside =
    window?.untilMin == null
      ? ''
      : ` Then coat inside the bond window, up to ${facts.say(window.untilMin / 60, 'h')} at ${facts.say(roomOf(facts), '°C')}.`;
  return liftedAndCoated(facts, `Lift what is loose.${inside}`);
}

function noKey(facts: CaseFacts): Mend | null {
  if (facts.seen.kind !== 'delamination' && facts.seen.kind !== 'bulge') return null;
  const below = facts.batch.layerBelow?.family;
  if (below === 'silicone' || isRubber(facts))
    return mend(
      null,
      ['blade'],
      'Nothing holds on silicone: lift the layer off, and hold it by undercuts or leave it out.',
    );
  return mend(
    NEXT_DAY_H,
    ['blade', '60–100 grit paper', 'damp cloth', 'dust mask'],
    'Lift off what is loose: the same on the same lifts again.',
    `Sand to sound, wipe, and put a layer between that both hold to; or keep it off the edge, so that the layers around it meet. ${DUST}`,
  );
}

function wetBelow(facts: CaseFacts): Mend | null {
  if (facts.seen.kind === 'haze') return null;
  return openedAndDried(facts, 'the damp layer');
}

function wetInclusion(facts: CaseFacts): Mend | null {
  if (facts.seen.kind === 'yellowing' || facts.seen.kind === 'haze') return null;
  return openedAndDried(facts, 'what is cast in, where it can be reached; else make it again with it dry and sealed');
}

function scorched(facts: CaseFacts): Mend | null {
  if (isRubber(facts)) return null;
  const first = `Let it cool, then sand the ripple. ${DUST}`;
  return facts.seen.kind === 'yellowing'
    ? coveredOrGraded(first)
    : mend(NEXT_DAY_H, ['120–240 grit paper', 'dust mask', ...coatThings(facts)], first, freshCoat(facts));
}

const yellow: Row = (facts) => (facts.seen.kind === 'yellowing' ? coveredOrGraded() : null);
const voids: Row = (facts) => {
  if (facts.seen.kind !== 'bubbles') return null;
  return facts.seen.pattern === 'surface-pimples' ? pimplesShaved() : voidsFilled(facts);
};
const topUp =
  (first: string): Row =>
  (facts) =>
    facts.seen.kind === 'sink' ? toppedUp(facts, first) : null;

/**
 * What is done where a cause leads (domain's section 7, in its order). The family and the state decide within the row;
 * what a row does not speak of is left to the state.
 */
export const MENDS_BY_CAUSE: Readonly<Partial<Record<CauseId, Row>>> = {
  'too-soon': tooSoon,
  'cold-cure': coldCure,
  'thin-section': coldCure,
  'ratio-off': ratioOff,
  'catalyst-low': catalystLow,
  'catalyst-high': catalystHigh,
  'under-mixed': unmixed,
  'cup-scraped': unmixed,
  'old-or-damp-lot': badLot,
  'too-much-additive': tooMuch,
  'inhibited-by-contact': inhibited,
  'under-exposed': underExposed,
  'air-inhibition': (facts) => (facts.seen.kind === 'tacky' ? airKeptOff(facts) : null),
  'amine-blush': blush,
  'wet-layer-below': wetBelow,
  'wet-inclusion': wetInclusion,
  'bond-window-missed': notBonded,
  'layer-contaminated': notBonded,
  'poor-key': noKey,
  'light-yellowed': yellow,
  overheated: yellow,
  'aged-hardener': yellow,
  'flame-scorch': scorched,
  'surface-texture': (facts) =>
    facts.seen.kind === 'haze'
      ? mend(null, ['clear coat'], 'No fault: it is the skin of the master. A thin clear coat, if gloss is wanted.')
      : null,
  'mould-leaked': (facts) =>
    facts.seen.kind === 'mark' ? trimmed() : topUp('Find where it ran out, and stop that first.')(facts),
  'soaked-in': (facts) =>
    facts.seen.kind === 'bubbles'
      ? voids(facts)
      : topUp('Seal what drank it with a thin coat of the same resin, and let that set.')(facts),
  shrinkage: topUp('It drew down as resin does.'),
  'over-filled': (facts) => (facts.seen.kind === 'mark' ? trimmed() : null),
  'mould-not-degassed': (facts) => (facts.seen.kind === 'bubbles' ? pimplesShaved() : null),
  'air-under-inclusion': voids,
};
