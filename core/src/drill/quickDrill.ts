import { pressurisationMin } from '../air/compressor';
import { SEA_LEVEL_KPA } from '../air/ambient';
import { workingTime } from '../cure/workingTime';
import { askedCatalystPct } from '../mixing/askedCatalyst';
import { overpourFix } from '../mixing/overpourFix';
import { partsForTotal } from '../mixing/partsForTotal';
import { productFits } from '../planning/productFit';
import type { FitRequest } from '../planning/fitRequest';
import type { QuickAnswer, QuickTopic } from '../formats/drill';
import type { Product } from '../formats/product';
import { chanceApart, type Chance } from '../simulation/chance';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { wordsIn, type Say } from '../units/wording';
import { byText } from '../formats/byText';

/** A sum to be done within a minute, with its answer. */
export interface QuickQuestion {
  readonly topic: QuickTopic;
  readonly says: readonly string[];
  readonly asks: string;
  readonly unit: string | null;
  readonly choices: readonly { readonly id: string; readonly label: string }[];
  /** The right figure, and from and to what it is right; or the right choices. */
  readonly answer:
    { readonly figure: number; readonly from: number; readonly to: number } | { readonly choices: readonly string[] };
  readonly because: readonly string[];
}

type Maker = (chance: Chance, say: Say) => QuickQuestion;

const tenth = (v: number) => Math.round(v * 10) / 10;

/** An addition that is right to this share of the part, and never finer than a bench scale shows, g. */
const [PART_SHARE, LEAST_G] = [0.01, 0.5];
const BY_WEIGHT = ['house-clear-6', 'house-bone-3', 'house-coat-9', 'house-deep-40'] as const;

/** A part that was poured over, and what of the other brings it back. */
const overPour: Maker = (chance, say) => {
  const card = saltmarshCard(chance.pick(BY_WEIGHT));
  const { massAG, massBG } = partsForTotal(card, chance.between(60, 500));
  const over = chance.between(1.05, 1.25);
  const [a, b] = chance.flip(0.5) ? [tenth(massAG), tenth(massBG * over)] : [tenth(massAG * over), tenth(massBG)];
  const fix = overpourFix(card, a, b);
  const part = fix.part ?? 'A';
  const parts = partsForTotal(card, 100);
  const ratio = part === 'A' ? parts.massAG / parts.massBG : parts.massBG / parts.massAG;
  const [had, other] = part === 'A' ? [a, b] : [b, a];
  const within = Math.max(LEAST_G, (had + fix.addG) * PART_SHARE);
  const over100 = (100 * parts.massBG) / parts.massAG;
  return {
    topic: 'over-pour',
    says: [
      `${card.name}, by weight: B ${over100.toFixed(0)} for A 100.`,
      `In the cup: A ${say(a, 'g')}, B ${say(b, 'g')}.`,
    ],
    asks: 'How much of the part that is short brings it back into ratio?',
    unit: 'g',
    choices: [],
    answer: { figure: fix.addG, from: fix.addG - within, to: fix.addG + within },
    because: [
      `${part === 'A' ? 'B' : 'A'} stands at ${say(other, 'g')}: it needs ${say(other, 'g')} × ${ratio.toFixed(3)} = ${say(had + fix.addG, 'g')} of ${part}.`,
      `${say(had, 'g')} are in: add ${say(fix.addG, 'g')} of ${part}. Nothing is ever taken out of a cup.`,
    ],
  };
};

/** A dose that is right to this share of the resin, per cent of its mass. */
const DOSE_WITHIN_PCT = 0.1;
const TIDE = 'house-tide';

/** How much catalyst a room asks for. */
const catalyst: Maker = (chance, say) => {
  const card = saltmarshCard(TIDE);
  const { minPct, typicalPct, maxPct } = card.ratio.catalyst ?? {};
  const { minC, maxC } = card.room ?? {};
  if (minPct == null || typicalPct == null || maxPct == null || minC == null || maxC == null)
    throw new RangeError(`${TIDE} states no dose by its room.`);
  const roomC = Math.round(chance.between(minC, maxC));
  const resinG = Math.round(chance.between(80, 900) / 10) * 10;
  const pct = askedCatalystPct(card, roomC) ?? typicalPct;
  const massG = (resinG * pct) / 100;
  const within = (resinG * DOSE_WITHIN_PCT) / 100;
  const middleC = (minC + maxC) / 2;
  const [fromC, fromPct, toC, toPct] =
    roomC <= middleC ? [minC, maxPct, middleC, typicalPct] : [middleC, typicalPct, maxC, minPct];
  return {
    topic: 'catalyst',
    says: [
      `${card.name}: ${say(maxPct, '%')} of catalyst at ${say(minC, '°C')}, ${say(typicalPct, '%')} at ${say(middleC, '°C')}, ${say(minPct, '%')} at ${say(maxC, '°C')}, in a straight line between.`,
      `The room has ${say(roomC, '°C')}. In the cup: ${say(resinG, 'g')} of resin.`,
      'Catalyst blinds: goggles before the bottle is opened.',
    ],
    asks: 'How much catalyst goes in?',
    unit: 'g',
    choices: [],
    answer: { figure: massG, from: massG - within, to: massG + within },
    because: [
      `${say(roomC, '°C')} lies ${Math.round((100 * (roomC - fromC)) / (toC - fromC))} % of the way from ${say(fromC, '°C')} to ${say(toC, '°C')}: ${say(fromPct, '%')} to ${say(toPct, '%')} gives ${say(pct, '%')}.`,
      `${say(resinG, 'g')} × ${say(pct, '%')} = ${say(massG, 'g')}.`,
    ],
  };
};

/** What stands in the made-up studio, so that the depth alone decides. */
const [VESSEL_KPA, VACUUM_KPA, LAMP_MW_PER_CM2] = [420, 2, 20];
const depthRequest = (depthMm: number, roomC: number): FitRequest => ({
  depthMm,
  roomC,
  thinnestMm: null,
  volumeML: null,
  humidityPct: null,
  clarity: null,
  hollow: false,
  rubber: null,
  sun: false,
  waitH: null,
  leastShoreD: null,
  vesselRatedKPa: VESSEL_KPA,
  vacuumKPaAbs: VACUUM_KPA,
  lampMWPerCM2: LAMP_MW_PER_CM2,
  inclusionMoisturePct: null,
  inclusionMaxC: null,
  pricePerG: new Map(),
});

const castable = () => SALTMARSH_CARDS.filter((c) => c.family !== 'silicone' && c.depth?.maxMm != null);

function depthWords({ depth }: Product, say: Say): string {
  const { minMm, maxMm } = depth ?? {};
  return minMm == null ? `to ${say(maxMm ?? 0, 'mm')}` : `${say(minMm, 'mm')} to ${say(maxMm ?? 0, 'mm')}`;
}

/** Choices, and tries until they hold one that fits and some that do not. */
const [CHOICES, TRIES] = [4, 60];

/** Which of some products can be poured so deep at once. */
const whichProduct: Maker = (chance, say) => {
  for (let tries = 0; tries < TRIES; tries += 1) {
    const depthMm = Math.round(chance.pick([chance.between(2, 12), chance.between(12, 45), chance.between(40, 95)]));
    const roomC = Math.round(chance.between(19, 25));
    const fits = productFits(castable(), depthRequest(depthMm, roomC), say);
    const right = fits.filter((f) => f.verdict === 'fits');
    const wrong = fits.filter((f) => f.verdict !== 'fits');
    if (right.length === 0 || wrong.length < CHOICES - 1) continue;
    const one = chance.pick(right);
    const others = [...wrong]
      .map((f) => ({ f, at: chance.unit() }))
      .sort((a, b) => a.at - b.at)
      .slice(0, CHOICES - 1)
      .map(({ f }) => f);
    const shown = [one, ...others].sort((a, b) => byText(a.product.name, b.product.name));
    return {
      topic: 'which-product',
      says: [
        `A block ${say(depthMm, 'mm')} deep, in one pour, in a room of ${say(roomC, '°C')}.`,
        'Pressure pot, vacuum pump and lamp are there.',
      ],
      asks: 'Which product?',
      unit: null,
      choices: shown.map(({ product }) => ({ id: product.slug, label: product.name })),
      answer: { choices: [one.product.slug] },
      because: shown.map(
        ({ product, reasons }) =>
          `${product.name}, ${depthWords(product, say)} a pour: ${reasons[0]?.says ?? 'its limits are kept.'}`,
      ),
    };
  }
  throw new RangeError('No depth was found that tells the products apart.');
};

const PRESSED = ['house-clear-6', 'house-bone-3'] as const;
/** Half a minute too soon costs nothing; later than gel costs the cast. Figures are told to a tenth of a minute. */
const [TOO_SOON_MIN, READ_TO_MIN] = [0.5, 0.05];

/** The latest moment for the lid of the pressure pot. */
const pressBy: Maker = (chance, say) => {
  for (let tries = 0; tries < TRIES; tries += 1) {
    const card = saltmarshCard(chance.pick(PRESSED));
    const roomC = Math.round(chance.between(19, 26));
    const base = soundBatch(
      card.slug,
      { room: { temperatureC: roomC }, resin: { temperatureAC: roomC, temperatureBC: roomC } },
      Math.round(chance.between(60, 400)),
    );
    const gel = workingTime(card, base).gelMin;
    if (gel === null) continue;
    const gelMin = tenth(gel);
    const pot = {
      freeL: Math.round(chance.between(9, 30)),
      targetKPa: Math.round((card.pressure?.minKPa ?? 300) / 10) * 10,
      tankL: chance.pick([6, 10, 24]),
      tankKPa: 800,
      freeAirLPerMin: chance.pick([24, 38, 60]),
    };
    const fillMin = pressurisationMin(pot);
    const latestMin = gelMin - fillMin;
    if (fillMin < 0.3 || latestMin < 1) continue;
    const neededL = (pot.freeL * pot.targetKPa) / SEA_LEVEL_KPA;
    const tankGivesL = (pot.tankL * (pot.tankKPa - pot.targetKPa)) / SEA_LEVEL_KPA;
    return {
      topic: 'press-by',
      says: [
        `${card.name} at ${say(roomC, '°C')}: it gels ${say(gelMin, 'min')} after the parts met.`,
        `The loaded pot holds ${say(pot.freeL, 'L')} of air and is wanted at ${say(pot.targetKPa, 'kPa')}.`,
        `The compressor: a tank of ${say(pot.tankL, 'L')} at ${say(pot.tankKPa, 'kPa')}, and ${pot.freeAirLPerMin} L of free air a minute.`,
        'Never above what the pot is rated for.',
      ],
      asks: 'How long after the parts met must the lid be shut at the latest, for full pressure before gel?',
      unit: 'min',
      choices: [],
      answer: { figure: latestMin, from: latestMin - TOO_SOON_MIN, to: latestMin + READ_TO_MIN },
      because: [
        `The pot takes ${say(pot.freeL, 'L')} × ${say(pot.targetKPa, 'kPa')} over the room’s ${say(SEA_LEVEL_KPA, 'kPa')}: ${neededL.toFixed(0)} L of free air. The tank gives ${tankGivesL.toFixed(0)} L at once.`,
        `The pump makes up ${(neededL - tankGivesL).toFixed(0)} L in ${say(fillMin, 'min')}.`,
        `${say(gelMin, 'min')} less ${say(fillMin, 'min')} is ${say(latestMin, 'min')}. Sooner is safe; later gels with its bubbles.`,
      ],
    };
  }
  throw new RangeError('No pot was found that takes its time.');
};

const MAKERS: Readonly<Record<QuickTopic, Maker>> = {
  'over-pour': overPour,
  catalyst,
  'which-product': whichProduct,
  'press-by': pressBy,
};

/**
 * A sum to be done within a minute; the same seed gives the same one.
 * @param say wording of figures, in the units that people chose; answers are in stored units
 */
export const quickQuestion = (seed: number, topic: QuickTopic, say: Say = wordsIn()): QuickQuestion =>
  MAKERS[topic](chanceApart(seed, 0), say);

/** Whether an answer is right. */
export function isRightAnswer({ answer }: QuickQuestion, said: QuickAnswer): boolean {
  if ('choices' in answer) return 'choice' in said && answer.choices.includes(said.choice);
  return 'figure' in said && said.figure >= answer.from && said.figure <= answer.to;
}

const labelOf = (q: QuickQuestion, id: string) => q.choices.find((c) => c.id === id)?.label ?? 'nothing of these';

/** The right answer and one that was given, in words. */
export const rightWords = (q: QuickQuestion, say: Say): string =>
  'choices' in q.answer ? q.answer.choices.map((id) => labelOf(q, id)).join(', ') : say(q.answer.figure, q.unit ?? '');
export const saidWords = (q: QuickQuestion, said: QuickAnswer, say: Say): string =>
  'choice' in said ? labelOf(q, said.choice) : say(said.figure, q.unit ?? '');
