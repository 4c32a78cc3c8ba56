import { bondWindow } from '../cure/bondWindow';
import { deepestPour, poursFor, type DeepestPour } from '../cure/deepPour';
import { minutesAt } from '../cure/equivalentAge';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { Product } from '../formats/product';
import { wordsIn, type Say } from '../units/wording';
import { against, care, fitReasons, type FitReason } from './fitJudges';
import type { FitRequest } from './fitRequest';
import { lightPlan } from './lightPlan';

export type { FitReason } from './fitJudges';
export type { FitRequest } from './fitRequest';

export type FitVerdict = 'fits' | 'layers' | 'does-not';

export interface ProductFit {
  readonly product: Product;
  readonly verdict: FitVerdict;
  readonly reasons: readonly FitReason[];
  readonly pours: number;
  readonly layerMm: number | null;
  /** Hours until it can be demoulded, all pours counted; null where the card does not say. */
  readonly readyH: number | null;
  readonly cost: number | null;
}

/** How a depth is poured: in how many pours, how deep each, how long between them, and why more than one. */
interface Pours {
  readonly pours: number;
  readonly layerMm: number | null;
  readonly waitMin: number;
  readonly why: 'light' | DeepestPour['by'] | null;
}

/** More pours than this are no way to make a piece. */
const MAX_POURS = 8;

const WHY_LAYERS: Readonly<Record<NonNullable<Pours['why']>, string>> = {
  card: 'deeper than its card allows at once',
  light: 'light reaches no deeper',
  peak: 'poured at once it overheats',
  'not-stated': 'poured at once it overheats',
  inclusion: 'poured at once it overheats',
};

function poursOf(p: Product, r: FitRequest): Pours {
  const atOnce: Pours = { pours: 1, layerMm: r.depthMm, waitMin: 0, why: null };
  if (r.depthMm === null || r.hollow) return atOnce;
  if (p.family === 'uv-acrylate') {
    const light = lightPlan(p, r.depthMm, r.lampMWPerCM2, null);
    return light ? { pours: light.layers, layerMm: light.layerMm, waitMin: light.lampMin ?? 0, why: 'light' } : atOnce;
  }
  const deepest = deepestPour(p, { resinC: r.roomC, roomC: r.roomC, inclusionMaxC: r.inclusionMaxC });
  const pours = poursFor(r.depthMm, deepest.depthMm);
  const waitMin = bondWindow(p, r.roomC)?.fromMin ?? 0;
  return { pours, layerMm: r.depthMm / pours, waitMin, why: pours > 1 ? deepest.by : null };
}

function layersReason({ pours, layerMm, why }: Pours, depthMm: number | null, say: Say): FitReason | null {
  if (pours > MAX_POURS) return against(`It would take ${pours} pours.`);
  if (pours === 1 || depthMm === null || layerMm === null) return null;
  const reason = WHY_LAYERS[why ?? 'peak'];
  return care(`${say(depthMm, 'mm')} go in ${pours} pours of ${say(layerMm, 'mm')}: ${reason}.`);
}

/** Hours until it can be demoulded, all pours counted; null where the card does not say. */
function readyHours(product: Product, { pours, waitMin }: Pours, roomC: number): number | null {
  const { demould } = product;
  if (demould?.minutes == null) return null;
  const lastMin = minutesAt(product, demould.minutes, roomC, demould.atC ?? SHEET_TEMPERATURE_C);
  return ((pours - 1) * waitMin + lastMin) / 60;
}

function costOf(product: Product, { pricePerG, volumeML }: FitRequest): number | null {
  const price = pricePerG.get(product.slug);
  const density = product.mixedDensityGPerML;
  return price == null || volumeML === null || density == null ? null : price * volumeML * density;
}

function goodReason(product: Product, pours: number, depthMm: number | null, say: Say): FitReason {
  const atOnce = pours === 1 && depthMm !== null && product.depth?.maxMm != null;
  return { tells: 'for', says: atOnce ? `${say(depthMm, 'mm')} in one pour.` : 'Its limits are kept.' };
}

function verdictOf(reasons: readonly FitReason[], pours: number): FitVerdict {
  if (reasons.some((r) => r.tells === 'against')) return 'does-not';
  return pours > 1 ? 'layers' : 'fits';
}

function fitOf(product: Product, r: FitRequest, say: Say): ProductFit {
  const reasons = fitReasons(product, r, say);
  const hopeless = reasons.some((reason) => reason.tells === 'against');
  const pours: Pours = hopeless ? { pours: 1, layerMm: r.depthMm, waitMin: 0, why: null } : poursOf(product, r);
  const layers = layersReason(pours, r.depthMm, say);
  if (layers) reasons.push(layers);
  const readyH = readyHours(product, pours, r.roomC);
  if (readyH !== null && r.waitH !== null && readyH > r.waitH) {
    const needs = `It needs ${say(readyH, 'h')} at ${say(r.roomC, '°C')}`;
    reasons.push(against(`${needs}; ${say(r.waitH, 'h')} are allowed.`));
  }
  const verdict = verdictOf(reasons, pours.pours);
  const told = (tells: FitReason['tells']) => reasons.filter((reason) => reason.tells === tells);
  const good = verdict === 'does-not' ? [] : [goodReason(product, pours.pours, r.depthMm, say)];
  return {
    product,
    verdict,
    reasons: [...told('against'), ...told('care'), ...good],
    pours: pours.pours,
    layerMm: pours.layerMm,
    readyH,
    cost: costOf(product, r),
  };
}

const ORDER: Record<FitVerdict, number> = { fits: 0, layers: 1, 'does-not': 2 };
const cares = (fit: ProductFit) => fit.reasons.filter((r) => r.tells === 'care').length;

/** Every product held against what is to be made: what fits first, soonest ready first. */
export function productFits(products: readonly Product[], request: FitRequest, say: Say = wordsIn()): ProductFit[] {
  return products
    .map((p) => fitOf(p, request, say))
    .sort(
      (a, b) =>
        ORDER[a.verdict] - ORDER[b.verdict] || cares(a) - cares(b) || (a.readyH ?? Infinity) - (b.readyH ?? Infinity),
    );
}
