import type { MouldAnswer } from '../cure/inTheMould';
import { poursFor } from '../cure/deepPour';
import { cupHeatLimit, mouldHeatLimit, type HeatLimit } from '../cure/heatLimits';
import type { MixCurve } from '../cure/mixCurve';
import type { PlanWarning } from '../formats/plan';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import type { PlanAmounts } from './planAmounts';
import type { PlanCase } from './planCase';

type Answered = Extract<MouldAnswer, { slab: unknown }>;

/** Half a kelvin over a limit is the model's grain, not a fault. */
const GRAIN_K = 0.5;

/** A limit on heat, as a sentence says whose it is. */
function limitWords(limit: HeatLimit, say: Say): string {
  const at = say(limit.atC, '°C');
  if (limit.from === 'card') return `the card's ${at}`;
  return limit.from === 'stated-peak'
    ? `${at}, 40 K over the peak that the card states`
    : `${at}, from where a mix smokes; the card states no limit`;
}

/** A cup left standing that would run away. */
export function cupHeat(c: PlanCase, curve: MixCurve): PlanWarning[] {
  const limit = cupHeatLimit(c.product);
  if (curve.peakC === null || curve.peakC <= limit.atC + GRAIN_K) return [];
  return [
    {
      code: 'cup-too-hot',
      says: `Left standing in its cup it would reach ${c.say(curve.peakC, '°C')}; over ${limitWords(limit, c.say)}. Mix less at once, or pour it out flat at once.`,
      measured: curve.peakC,
      limit: limit.atC,
      unit: '°C',
      stop: true,
    },
  ];
}

/** A heat of reaction that is a guess is said where the verdict is read. */
export function guessedHeat(product: Product, curve: MixCurve): PlanWarning[] {
  if (curve.from !== 'model' || curve.heatFrom !== 'family') return [];
  return [
    {
      code: 'heat-guessed',
      says: `How hot it gets is a guess: ${product.name}'s card states no peak, so the most that its family makes is taken.`,
      measured: null,
      limit: null,
      unit: '',
      stop: false,
    },
  ];
}

/** A pour that is too hot in its mould, or for what is cast in. */
export function mouldHeat(c: PlanCase, { slab }: Answered): PlanWarning[] {
  const { say, product, request } = c;
  const found: PlanWarning[] = [];
  const limit = mouldHeatLimit(product);
  if (slab.peakC > limit.atC + GRAIN_K) {
    found.push({
      code: 'over-exotherm',
      says: `The model's peak of ${say(slab.peakC, '°C')} is over ${limitWords(limit, say)}, however thin it is poured: start cooler.`,
      measured: slab.peakC,
      limit: limit.atC,
      unit: '°C',
      stop: true,
    });
  }
  const bears = request.mould?.inclusionMaxC;
  if (bears != null && slab.peakC > bears + GRAIN_K) {
    found.push({
      code: 'inclusion-too-hot',
      says: `What is cast in bears ${say(bears, '°C')}; the model's peak is ${say(slab.peakC, '°C')}.`,
      measured: slab.peakC,
      limit: bears,
      unit: '°C',
      stop: true,
    });
  }
  return found;
}

/** How a depth has to be poured: in how many, why, and what may be mixed at once. */
export interface DepthInPours {
  readonly count: number;
  readonly deepestMm: number;
  readonly why: string;
  readonly sand: boolean;
  /** Whether the card's own depth asks for it; else the model's heat does. */
  readonly byCard: boolean;
}

/** By the card alone, told at once; the slab may find that heat asks for more. */
export function poursByCard(c: PlanCase): DepthInPours {
  const depthMm = c.request.mould?.depthMm;
  const most = c.product.depth?.maxMm;
  if (depthMm == null || most == null || most <= 0)
    return { count: 1, deepestMm: Infinity, why: '', sand: false, byCard: false };
  return {
    count: poursFor(depthMm, most),
    deepestMm: most,
    why: `the card's deepest pour is ${c.say(most, 'mm')}`,
    sand: false,
    byCard: true,
  };
}

/** Whether the depth is more than the card allows at once, whatever heat says. */
const isOverCardDepth = ({ request, product }: PlanCase): boolean =>
  request.mould?.depthMm != null &&
  product.depth?.maxMm != null &&
  request.mould.depthMm > product.depth.maxMm * (1 + 1e-6);

/** Why a depth that the card allows may be too hot all the same. */
const SIDES: Partial<Record<Answered['slab']['sideLoss']['from'], string>> = {
  wider: ', as wide as it is: little of its heat leaves at its sides',
  'worst-case': ', at the worst: write its width, if it is narrow its sides take heat',
};

/** By the slab: the card's depth, or the depth that heat allows. */
export function poursBySlab(c: PlanCase, { schedule, atOncePeakC, slab }: Answered): DepthInPours {
  const { deepest } = schedule;
  const heat = `poured at once it would reach ${c.say(atOncePeakC ?? slab.peakC, '°C')}`;
  const card = c.product.depth?.maxMm;
  const why =
    deepest.by === 'card'
      ? `the card's deepest pour is ${c.say(deepest.depthMm, 'mm')}`
      : `${isOverCardDepth(c) && card != null ? `the card's deepest pour is ${c.say(card, 'mm')}, and ` : ''}${heat}${SIDES[slab.sideLoss.from] ?? ''}`;
  return {
    count: schedule.pours.length,
    deepestMm: deepest.depthMm,
    why,
    sand: schedule.sand,
    byCard: deepest.by === 'card' || isOverCardDepth(c),
  };
}

/**
 * A depth that takes several pours is mixed for one of them: what is mixed for all sets in its cup before the second.
 */
export function severalPours(c: PlanCase, amounts: PlanAmounts, pours: DepthInPours): PlanWarning[] {
  if (pours.count <= 1) return [];
  const total = amounts.mixedMassG + amounts.additiveMassG;
  const sand = pours.sand ? ' Sand between: it is not cool before the bond window closes.' : '';
  return [
    {
      code: 'too-deep-at-once',
      says: `It takes ${pours.count} pours, about ${c.say(total / pours.count, 'g')} each: ${pours.why}. Mix for one pour; ${c.say(total, 'g')} in one cup would set before the second.${sand}`,
      measured: c.request.mould?.depthMm ?? null,
      limit: pours.deepestMm,
      unit: 'mm',
      // The card's own depth binds; heat by the model alone is a reason to look again.
      stop: pours.byCard,
    },
  ];
}
