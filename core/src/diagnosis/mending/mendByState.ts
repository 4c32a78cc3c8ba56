import type { Mend } from '../../formats/diagnosis';
import type { SymptomKind } from '../../formats/vocabulary';
import type { CaseFacts } from '../caseFacts';
import { hardnessDirection } from '../hardnessTrend';
import {
  DUST,
  GLOVES,
  MAKE_AGAIN,
  NEXT_DAY_H,
  SANDING_THINGS,
  THREE_DAYS_H,
  TOOLS,
  WIPE,
  coatThings,
  freshCoat,
  keyFor,
  mend,
  warmWords,
} from './mendParts';
import { ALCOHOL, LAMP } from '../../planning/cautions';

const isResin = ({ product }: CaseFacts) => product.family !== 'silicone' && product.family !== 'mineral-acrylic';

/** Liquid past its time: nothing of it may stay under a coat. */
export function scrapedAndCoated(facts: CaseFacts): Mend {
  return mend(
    NEXT_DAY_H,
    ['scraper', 'alcohol and rags', ...coatThings(facts)],
    `Scrape off all that is liquid, down to sound resin: what stays under a coat creeps out later. ${GLOVES}`,
    TOOLS,
    freshCoat(facts),
    'Check the underside after a day.',
  );
}

/** Spots in sound resin: the sound part is given a key, what is runny taken out, what is only tacky left. */
export function spotsCoated(facts: CaseFacts): Mend {
  return mend(
    NEXT_DAY_H,
    ['60–100 grit paper', 'damp cloth', 'scraper', 'dust mask', ...coatThings(facts)],
    `Sand the sound resin around the spots with coarse paper. ${DUST}`,
    WIPE,
    'Scrape out what is runny; leave what is only tacky.',
    freshCoat(facts),
    'If the edges lift, sand them flat (several sheets, they clog) and coat again.',
  );
}

export function washedSandedCoated(facts: CaseFacts): Mend {
  return mend(
    NEXT_DAY_H,
    ['warm water', 'cloth', '120–240 grit paper', 'dust mask', ...coatThings(facts)],
    'Wash the film off with warm water, and dry the piece. Solvent only smears it.',
    `Sand lightly until it is evenly dull. ${DUST}`,
    freshCoat(facts),
  );
}

export function airKeptOff(facts: CaseFacts): Mend {
  const light = facts.product.family === 'uv-acrylate';
  return mend(
    NEXT_DAY_H,
    ['film or wax solution', 'alcohol and rags', '120 grit paper', 'dust mask', ...(light ? ['lamp'] : [])],
    `Wipe the tacky side with alcohol. ${light ? LAMP : 'No flame near alcohol.'}`,
    light
      ? 'Lay clear film on it, or brush a waxed coat over, and light it again: what air kept from curing has only lacked that.'
      : 'Lay film on it, or brush a waxed coat over it, and give it time: what air kept from curing has only lacked that.',
    `Sand once it is hard. ${DUST}`,
  );
}

export function skinTakenOff(facts: CaseFacts): Mend {
  return mend(
    NEXT_DAY_H,
    ['scraper', ...SANDING_THINGS, ...coatThings(facts)],
    `Scrape off the uncured skin where it touched. ${GLOVES}`,
    `Sand to sound resin. ${DUST}`,
    freshCoat(facts),
    'Do not use that mould or contact with this product again.',
  );
}

/** Raw rubber is neither sanded nor coated. */
export function rubberAgain(why: string): Mend {
  return mend(
    null,
    ['rags', 'alcohol', 'gloves', 'fresh rubber'],
    `${why} Wipe the raw rubber off the master with alcohol; no flame near it.`,
    'Make the mould again, with the master sealed or with rubber of another kind; try a dab on a hidden side first.',
  );
}

/** A fault of a mould rubber that has cured: it holds only on its own kind, and paper tears it. */
export function rubberByState({ seen, product }: CaseFacts): Mend {
  const again = 'Else make the mould again.';
  switch (seen.kind) {
    case 'bubbles':
      return mend(
        NEXT_DAY_H,
        ['fresh rubber', 'alcohol and rags', 'wet spatula'],
        `Each hole in the face prints on every casting: wipe it with alcohol, fill it with a dab of fresh ${product.name}, and level that with a wet spatula. ${ALCOHOL}`,
        `Closed bubbles inside do no harm without pressure; under pressure they print as pimples. ${again}`,
      );
    case 'mark':
      return mend(null, ['sharp blade'], 'Trim it off with a sharp blade: paper only tears rubber.');
    case 'haze':
    case 'colour':
    case 'yellowing':
      return mend(null, [], 'On rubber this is looks alone: the mould may be used. Try a small casting in it first.');
    case 'sink':
      return mend(
        NEXT_DAY_H,
        ['fresh rubber', 'alcohol and rags'],
        'Look below first: where it ran out, stop the way out.',
        `Wipe the top with alcohol and pour on fresh ${product.name}: it holds on its own kind, clean. ${ALCOHOL}`,
      );
    default:
      return mend(
        null,
        ['fresh rubber'],
        `Rubber holds only on its own kind, clean: what is torn, loose or raised comes off. ${again}`,
      );
  }
}

/** Water-based compound only dries, at room warmth. */
export function compoundDries({ seen }: CaseFacts): Mend {
  if (seen.kind === 'colour-rub-off') {
    return mend(
      NEXT_DAY_H,
      ['soft cloth', 'scale', 'thin clear coat'],
      'Brush the dust off, and let it dry until two weighings a day apart differ by less than half a per cent of its own mass.',
      'Seal it then with a thin clear coat; sealed sooner, the water in it lifts the coat.',
    );
  }
  return mend(
    NEXT_DAY_H,
    ['scale', 'moving air'],
    'Let it dry at room warmth in moving air, never in a hot box: weigh it until it loses less than half a per cent of its own mass in a day.',
    `Dry by weighing and still soft through: ${MAKE_AGAIN}.`,
  );
}

function tacky(facts: CaseFacts): Mend {
  switch (facts.seen.pattern) {
    case 'liquid':
      return scrapedAndCoated(facts);
    case 'sticky-spots':
    case 'edges-leak':
      return spotsCoated(facts);
    case 'greasy-film':
      return washedSandedCoated(facts);
    case 'tacky-air-side-only':
      return airKeptOff(facts);
    case 'where-it-touched':
      return skinTakenOff(facts);
    default:
      return mend(NEXT_DAY_H, coatThings(facts), `${freshCoat(facts)} Straight on, without sanding.`);
  }
}

/** Soft and not rising: nothing comes of waiting. */
export function cutOut(why: string): Mend {
  return mend(
    null,
    ['saw or rotary tool', 'dust mask', 'fresh resin'],
    `${why} Cut out the soft part, or ${MAKE_AGAIN}. ${DUST}`,
  );
}

function soft(facts: CaseFacts): Mend {
  if (facts.product.family === 'uv-acrylate') {
    return cutOut('It cures only where light reaches: give it more light from every side first.');
  }
  if (hardnessDirection(facts) === 'flat') return cutOut('It is soft and not rising: waiting cannot save it.');
  return mend(
    NEXT_DAY_H,
    ['hardness tester', 'hot box'],
    `Wait, or keep it warm ${warmWords(facts)}.`,
    'Take a second hardness reading in a day: rising is only slow, flat means it must be cut out or made again.',
  );
}

/** What fills an open void in this base. */
export function voidsFilled(facts: CaseFacts): Mend {
  const { product } = facts;
  const lampAllowed = product.light?.stable === true && product.family !== 'uv-acrylate';
  const withLight = lampAllowed ? `, or a little light-cured resin. ${LAMP}` : '.';
  const notLight = product.light?.stable === false ? ' Not with a lamp: this base yellows under it.' : '';
  const lampToo = product.family === 'uv-acrylate' ? ` ${LAMP}` : '';
  return mend(
    NEXT_DAY_H,
    [
      ...coatThings(facts),
      ...(lampAllowed ? ['or light-cured resin and lamp'] : []),
      'blade',
      '240–1000 grit paper',
      'polish',
      'dust mask',
    ],
    `Open the voids that reach the surface and fill them with the same resin${withLight}${notLight}${lampToo}`,
    `Shave, sand and polish once hard. ${DUST}`,
    'Closed bubbles inside cannot be mended: grade it as a second, or cover it.',
  );
}

export function pimplesShaved(): Mend {
  return mend(
    null,
    ['blade', '240–600 grit paper', 'dust mask'],
    `Shave the pimples off and sand. ${DUST}`,
    'Degas the rubber next time, or make the mould again.',
  );
}

export const coveredOrGraded = (first?: string): Mend =>
  mend(
    null,
    ['cover coat', 'dust mask'],
    ...(first ? [first] : []),
    'Yellow cannot be taken out.',
    'Cover it with an opaque coat, grade it down, or scrap it.',
  );

export function toppedUp(facts: CaseFacts, first: string): Mend {
  return mend(
    NEXT_DAY_H,
    [...SANDING_THINGS, 'damp cloth', ...coatThings(facts)],
    first,
    keyFor(facts),
    `Top it up: ${lowerFirst(freshCoat(facts))}`,
  );
}

export function liftedAndCoated(facts: CaseFacts, first: string): Mend {
  return mend(
    NEXT_DAY_H,
    ['blade', ...SANDING_THINGS, 'damp cloth', ...coatThings(facts)],
    first,
    `Sand to sound with 60–100 grit. ${DUST}`,
    WIPE,
    `${freshCoat(facts)} Each coat on the next within the bond window.`,
  );
}

export function openedAndDried(facts: CaseFacts, what: string): Mend {
  return mend(
    THREE_DAYS_H,
    ['blade', 'scale', ...SANDING_THINGS, ...coatThings(facts)],
    `Open it to ${what}.`,
    `Let it dry at room warmth: weigh it until it loses less than half a per cent of its own mass in a day.`,
    `Sand, wipe, and make the layer again. ${DUST}`,
  );
}

export const trimmed = (): Mend =>
  mend(null, ['blade', '120 grit paper', 'dust mask'], 'Trim it while it is fresh.', `Sand the edge. ${DUST}`);

export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

const opened = (): Mend =>
  mend(
    NEXT_DAY_H,
    ['blade', 'same resin', 'dust mask'],
    `Open each crack to a V, wipe, and fill it with the same resin. ${DUST}`,
    `A crack through the piece: ${MAKE_AGAIN}, in thinner pours.`,
  );

function hazeCleared(facts: CaseFacts): Mend {
  if (facts.product.family === 'mineral-acrylic')
    return mend(
      null,
      ['thin clear coat'],
      'No fault: a dull skin is how this compound comes out of the mould. A clear coat if gloss is wanted, once it is dry by weighing.',
    );
  return mend(
    NEXT_DAY_H,
    ['warm water', '600–2000 grit paper', 'polish', 'dust mask'],
    'Wash and dry a test spot, then wet it: what clears when wet is only the skin.',
    `Only skin deep: sand and polish, or ${isResin(facts) ? 'top-coat' : 'seal'} it. ${DUST}`,
    'Haze all the way through cannot be mended: grade it down.',
  );
}

/** What is done for each look; the family's own ways come before it. */
const MENDS_BY_LOOK: Readonly<Record<SymptomKind, (facts: CaseFacts) => Mend>> = {
  tacky,
  soft,
  bubbles: (facts) => (facts.seen.pattern === 'surface-pimples' ? pimplesShaved() : voidsFilled(facts)),
  yellowing: () => coveredOrGraded(),
  sink: (facts) =>
    toppedUp(facts, 'Look below first: where it ran out, stop the way out; where it was drunk up, seal.'),
  bulge: (facts) => openedAndDried(facts, 'what lies under the bulge'),
  delamination: (facts) => liftedAndCoated(facts, 'Lift off what is loose.'),
  cracks: opened,
  haze: hazeCleared,
  'inclusion-change': () =>
    mend(
      THREE_DAYS_H,
      [],
      `What is cast in cannot be reached: grade the piece down, or ${MAKE_AGAIN} with a dry, sealed inclusion.`,
    ),
  'colour-rub-off': (facts) =>
    mend(
      NEXT_DAY_H,
      ['soft cloth', ...coatThings(facts)],
      'Brush and wipe the loose powder off.',
      'Seal what holds with a thin clear coat.',
    ),
  colour: () =>
    mend(
      null,
      ['cover coat'],
      'Colour inside cannot be changed: cover it with an opaque coat, grade it down, or make it again.',
    ),
  mark: trimmed,
};

const RAW: ReadonlySet<SymptomKind> = new Set(['tacky', 'soft']);
const DRIES: ReadonlySet<SymptomKind> = new Set(['tacky', 'soft', 'colour-rub-off']);

/** What is done by what is seen alone, where no cause decides. */
export function mendByState(facts: CaseFacts): Mend {
  const { seen, product } = facts;
  if (product.family === 'silicone' && RAW.has(seen.kind))
    return rubberAgain('Rubber that stays raw does not come by waiting.');
  if (product.family === 'mineral-acrylic' && DRIES.has(seen.kind)) return compoundDries(facts);
  return MENDS_BY_LOOK[seen.kind](facts);
}
