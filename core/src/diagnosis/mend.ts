import type { CauseShare, Mend } from '../formats/diagnosis';
import type { CaseFacts } from './caseFacts';
import { failedMends } from './mendChain';
import { hardnessDirection } from './hardnessTrend';

const NEXT_DAY_H = 24;
const THREE_DAYS_H = 72;
/** From this share on, a warm day is tried before a coat: it costs nothing and spoils nothing. */
const COLD_LIKELY_SHARE = 0.25;
const DUST = 'Sand wet or with a dust mask: uncured dust is worse than cured.';
const GLOVES = 'Gloves on; no solvent on skin.';

const mend = (recheckAfterH: number | null, supplies: string[], ...steps: string[]): Mend => ({
  steps,
  supplies,
  recheckAfterH,
});

const freshCoat = (facts: CaseFacts) =>
  `Brush on a fresh, measured coat of ${facts.product.name}, in ratio and stirred by the clock.`;

function tacky(facts: CaseFacts, coldLikely: boolean): Mend {
  const coat = freshCoat(facts);
  switch (facts.seen.pattern) {
    case 'liquid':
      return mend(
        NEXT_DAY_H,
        ['scraper', 'alcohol and rags', 'gloves', 'fresh resin'],
        `Scrape off all that is liquid, down to sound resin: what stays under a coat creeps out later. ${GLOVES}`,
        'Wipe the tools at once with alcohol, away from any flame.',
        coat,
        'Check the underside after a day.',
      );
    case 'sticky-spots':
    case 'edges-leak':
      return mend(
        NEXT_DAY_H,
        ['60–100 grit paper', 'damp cloth', 'scraper', 'dust mask', 'fresh resin'],
        `Sand the sound resin around the spots with coarse paper. ${DUST}`,
        'Wipe the dust off with a damp cloth and let it dry.',
        'Scrape out what is runny; leave what is only tacky.',
        coat,
        'If the edges lift, sand them flat (several sheets, they clog) and coat again.',
      );
    case 'greasy-film':
      return mend(
        NEXT_DAY_H,
        ['warm water', 'cloth', '120–240 grit paper', 'dust mask', 'fresh resin'],
        'Wash the film off with warm water, and dry the piece.',
        `Sand lightly until it is evenly dull. ${DUST}`,
        coat,
      );
    case 'tacky-air-side-only':
      return mend(
        NEXT_DAY_H,
        ['film or wax solution', '120 grit paper', 'dust mask'],
        'Cover the tacky side with film, or brush a waxed coat over it, so that air is kept off.',
        `Sand once it is hard. ${DUST}`,
      );
    case 'where-it-touched':
      return mend(
        NEXT_DAY_H,
        ['scraper', '60–100 grit paper', 'dust mask', 'fresh resin'],
        'Scrape off the uncured layer where it touched.',
        `Sand to sound resin. ${DUST}`,
        coat,
        'Do not use that mould or contact with this product again.',
      );
    default:
      return coldLikely
        ? mend(
            NEXT_DAY_H,
            ['hot box or warm room', 'fresh resin'],
            `Cold is likely: first put it somewhere warm for a day, within the card's ${facts.product.room?.maxC == null ? 'range' : facts.say(facts.product.room.maxC, '°C')}.`,
            `If it is still tacky then: ${coat}`,
          )
        : mend(NEXT_DAY_H, ['fresh resin', 'gloves'], `${coat} Straight on, without sanding. ${GLOVES}`);
  }
}

function soft(facts: CaseFacts): Mend {
  if (hardnessDirection(facts) === 'flat') {
    return mend(
      null,
      ['saw or rotary tool', 'dust mask', 'fresh resin'],
      'It is soft and not rising: waiting cannot save it.',
      `Cut out the soft part, or remake the piece. ${DUST}`,
    );
  }
  return mend(
    NEXT_DAY_H,
    ['hardness tester', 'hot box'],
    'Wait, or post-cure it warm within what the card allows.',
    'Take a second hardness reading in a day: rising is only slow, flat means it must be cut out or remade.',
  );
}

function bubbles({ product, seen }: CaseFacts): Mend {
  if (seen.pattern === 'surface-pimples') {
    return mend(
      null,
      ['blade', '240–600 grit paper', 'dust mask'],
      `Shave the pimples off and sand. ${DUST}`,
      'Degas the rubber next time, or make the mould again.',
    );
  }
  const lampAllowed = product.light?.stable === true;
  return mend(
    NEXT_DAY_H,
    [
      'fresh resin',
      ...(lampAllowed ? ['or light-cured resin and lamp'] : []),
      'blade',
      '240–1000 grit paper',
      'polish',
      'dust mask',
    ],
    `Open the voids that reach the surface and fill them with the same resin${lampAllowed ? ', or a little light-cured resin (shield eyes and skin from the lamp)' : ''}.` +
      (product.light?.stable === false ? ' Not with a lamp: this base yellows under it.' : ''),
    `Shave, sand and polish once hard. ${DUST}`,
    'Closed bubbles inside cannot be mended: grade it as a second, or cover it.',
  );
}

/** What is done otherwise once a mend of the same symptom has failed: nothing that failed stays under the next. */
function again(facts: CaseFacts, first: Mend): Mend {
  const failed = failedMends(facts.batch, facts.seen.kind);
  if (failed === 0) return first;
  const coated = facts.seen.kind === 'tacky' || facts.seen.kind === 'haze' || facts.seen.kind === 'delamination';
  const before = failed === 1 ? 'The mend before did not hold.' : `${failed} mends have not held.`;
  const strip = coated
    ? `${before} Take the last coat off again, down to resin that is sound to a thumbnail, and let it lie bare and warm for a day before the next.`
    : `${before} Go back to sound resin before doing it again.`;
  const caution = first.steps.some((s) => s.includes(DUST)) ? '' : ` ${DUST}`;
  const doubt =
    failed >= 2
      ? [
          'Weigh a new lot for this coat: what failed twice may be the bottles. Else grade it down or scrap it: a third mend costs more than the piece.',
        ]
      : [];
  return {
    ...first,
    steps: [strip + caution, ...doubt, ...first.steps],
    supplies: [...new Set([...first.supplies, '60–100 grit paper', 'dust mask'])],
  };
}

/** Steps, supplies and the time of the next look for one symptom, by its state and pattern, and by the mends that failed. */
export function mendFor(facts: CaseFacts, causes: readonly Pick<CauseShare, 'id' | 'share'>[]): Mend {
  return again(facts, firstMend(facts, causes));
}

function firstMend(facts: CaseFacts, causes: readonly Pick<CauseShare, 'id' | 'share'>[]): Mend {
  switch (facts.seen.kind) {
    case 'tacky':
      return tacky(
        facts,
        causes.some((c) => c.id === 'cold-cure' && c.share >= COLD_LIKELY_SHARE),
      );
    case 'soft':
      return soft(facts);
    case 'bubbles':
      return bubbles(facts);
    case 'yellowing':
      return mend(
        null,
        ['cover coat'],
        'Yellow cannot be taken out.',
        'Cover it with an opaque coat, grade it down, or scrap it.',
      );
    case 'sink':
      return mend(
        NEXT_DAY_H,
        ['fresh resin', '60–100 grit paper', 'dust mask'],
        'Top the dish up within the bond window; past it, sand first, or sand the top flat.',
        DUST,
      );
    case 'bulge':
    case 'delamination':
      return mend(
        THREE_DAYS_H,
        ['blade', 'scale', '60–100 grit paper', 'dust mask', 'fresh resin'],
        'Open it where it lifts.',
        'Let it dry: weigh it until two readings a few hours apart differ by less than half a per cent.',
        `Sand, wipe, and remake the layer. ${DUST}`,
      );
    case 'cracks':
      return mend(
        NEXT_DAY_H,
        ['blade', 'same resin', 'dust mask'],
        `Open each crack to a V, wipe, and fill with the same resin. ${DUST}`,
        'A crack through the piece: remake it in thinner pours.',
      );
    case 'haze':
      return mend(
        NEXT_DAY_H,
        ['warm water', '600–2000 grit paper', 'polish', 'dust mask'],
        'Wash and dry a test spot.',
        `If the haze is only skin deep, sand and polish, or top-coat. ${DUST}`,
        'Haze all the way through cannot be mended.',
      );
    case 'inclusion-change':
      return mend(
        THREE_DAYS_H,
        [],
        'A changed inclusion cannot be reached: grade the piece down, or remake it with a dry, sealed inclusion.',
      );
    case 'colour-rub-off':
      return mend(
        NEXT_DAY_H,
        ['soft cloth', 'fresh resin'],
        'Brush and wipe the loose powder off.',
        'Seal what holds with a thin clear coat.',
      );
  }
}
