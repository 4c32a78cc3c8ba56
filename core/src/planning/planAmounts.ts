import { CoreError } from '../formats/errors';
import { mixedViscosityMPaS } from '../cure/viscosity';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import type { PlannedAdditive } from '../formats/plan';
import type { Product } from '../formats/product';
import { cupLossG } from '../mixing/coat';
import { partsForTotal } from '../mixing/partsForTotal';
import { plannedCatalystPct } from '../mixing/plannedCatalyst';
import { errorAgainst, weightParts, scaleErrorPct, type Parts } from '../mixing/ratio';
import { nextNiceG, roundToScale, type Rounded } from '../mixing/rounding';
import { smallestSafeBatchG } from '../mixing/safeBatch';
import type { PlanCase } from './planCase';

/** What to weigh, and what the scale makes of it. */
export interface PlanAmounts {
  readonly massAG: number;
  readonly massBG: number;
  readonly volumeAML: number | null;
  readonly volumeBML: number | null;
  readonly drops: number | null;
  readonly mixedMassG: number;
  readonly additives: readonly {
    readonly of: PlannedAdditive;
    readonly massG: number | null;
    readonly drops: number | null;
  }[];
  readonly additiveMassG: number;
  readonly lossG: number;
  readonly catalystPct: number | null;
  readonly scaleErrorPct: number | null;
  readonly roundingErrorPct: number | null;
  readonly smallestSafeG: number | null;
  readonly order: readonly string[];
}

const isOnePart = (c: PlanCase) => c.product.family === 'uv-acrylate' && weightParts(c.product) === null;

function partsOf(c: PlanCase): { parts: Parts; catalystPct: number | null } {
  if (isOnePart(c)) return { parts: { a: 1, b: 0 }, catalystPct: null };
  if (!c.product.ratio.catalyst) {
    const { massAG, massBG } = partsForTotal(c.product, 100);
    return { parts: weightParts(c.product) ?? { a: massAG, b: massBG }, catalystPct: null };
  }
  const own = c.request.want.catalystPct;
  if (own != null) return { parts: { a: 100, b: own }, catalystPct: own };
  const dose = plannedCatalystPct(c.product, c.roomC, c.request.mould?.depthMm ?? null);
  if (dose === null)
    throw new CoreError(
      'ratio-not-stated',
      'The card states no catalyst dose. Add the typical one.',
      'product.ratio.catalyst.typicalPct',
    );
  return { parts: { a: 100, b: dose.pct }, catalystPct: dose.pct };
}

/** Share of A + B that an additive is planned as, and grams that are fixed whatever the batch. */
function fixedG(a: PlannedAdditive): number | null {
  if (a.massG != null) return a.massG;
  return a.drops != null && a.dropsPerG ? a.drops / a.dropsPerG : null;
}
const shareOf = (a: PlannedAdditive) => (fixedG(a) === null ? (a.pct ?? 0) / 100 : 0);

/** A + B that fills what is wanted: additives take their own room, the cup keeps its share. */
function mixedMass(c: PlanCase): { mixedG: number; lossG: number } {
  const { volumeML, mixedMassG, lossPct, additives } = c.request.want;
  if (volumeML == null) {
    const wanted = mixedMassG ?? 0;
    const lossG = lossPct == null ? 0 : (wanted * lossPct) / 100;
    return { mixedG: wanted + lossG, lossG };
  }
  const density = c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML;
  const filledG = volumeML * density;
  const lossG =
    lossPct == null ? cupLossG(filledG, mixedViscosityMPaS(c.product, c.resinC)) : (filledG * lossPct) / 100;
  // An additive without a density of its own is taken as heavy as the mix.
  const fixed = (additives ?? []).reduce(
    (sum, a) => sum + ((fixedG(a) ?? 0) * density) / (a.densityGPerML ?? density),
    0,
  );
  const share = (additives ?? []).reduce((sum, a) => sum + (shareOf(a) * density) / (a.densityGPerML ?? density), 0);
  const mixedG = (filledG + lossG - fixed) / (1 + share);
  if (!(mixedG > 0)) {
    throw new CoreError(
      'additives-fill-it',
      `The additives alone take ${c.say(fixed / density, 'mL')}, more than the ${c.say(volumeML, 'mL')} that are wanted. Take less of them, or fill more.`,
      'want.additives',
    );
  }
  return { mixedG, lossG };
}

/** Without the last digits of binary arithmetic, which would put a dose a hair outside its own band. */
const tidyPct = (pct: number) => Number(pct.toPrecision(10));

/**
 * A dose within the card's band stays there when it is rounded: the step below
 * or above is taken where the nearest would leave it.
 */
function keptInBand(product: Product, parts: Parts, nearest: Rounded, stepG: number): Rounded {
  const { minPct, maxPct } = product.ratio.catalyst ?? {};
  const inBand = (pct: number) => pct >= (minPct ?? 0) - 1e-9 && pct <= (maxPct ?? 100) + 1e-9;
  const pctOf = (massBG: number) => tidyPct((100 * massBG) / nearest.massAG);
  if (!inBand((100 * parts.b) / parts.a) || inBand(pctOf(nearest.massBG))) return nearest;
  const other = [nearest.massBG - stepG, nearest.massBG + stepG]
    .map((massBG) => tidyPct(massBG))
    .find((massBG) => massBG > 0 && inBand(pctOf(massBG)));
  if (other === undefined) return nearest;
  return { ...nearest, massBG: other, errorPct: errorAgainst(parts, nearest.massAG, other) };
}

function rounded(c: PlanCase, parts: Parts, mixedG: number): { massAG: number; massBG: number; errorPct: number } {
  const stepG = c.request.gear?.scaleStepG ?? 0;
  const exactA = (mixedG * parts.a) / (parts.a + parts.b);
  const aim = {
    A: () => nextNiceG(exactA),
    B: () => (parts.b === 0 ? exactA : (nextNiceG(mixedG - exactA) * parts.a) / parts.b),
    total: () => (nextNiceG(mixedG) * parts.a) / (parts.a + parts.b),
  };
  const massAG = c.request.want.round ? aim[c.request.want.round]() : exactA;
  const nearest = roundToScale(parts, massAG, stepG);
  return c.product.ratio.catalyst && stepG > 0 ? keptInBand(c.product, parts, nearest, stepG) : nearest;
}

const perML = (massG: number, density: number | null | undefined) => (density == null ? null : massG / density);

type AdditiveAmount = PlanAmounts['additives'][number];

function additiveAmount(a: PlannedAdditive, mixedG: number): AdditiveAmount {
  const massG = fixedG(a) ?? (a.pct == null ? null : (mixedG * a.pct) / 100);
  const byMass = massG !== null && a.dropsPerG ? Math.round(massG * a.dropsPerG) : null;
  return { of: a, massG, drops: a.drops ?? byMass };
}

/** What the parts are called at the scale, in the order of A and B. */
function partNames({ ratio }: Product): readonly [string, string] {
  if (ratio.powder) return ['liquid', 'powder'];
  return ['A', ratio.catalyst ? 'catalyst' : 'B'];
}

/** The larger part first, so that the smaller corrects for it; a catalyst and a powder always second. */
function weighingOrder(product: Product, massAG: number, massBG: number): string[] {
  const [first, second] = partNames(product);
  if (massBG === 0) return [first];
  const swapped = second === 'B' && massBG > massAG;
  return swapped ? [second, first] : [first, second];
}

/** What the parts are by volume and by drops; null where a density or the drops are not known. */
function partVolumes(c: PlanCase, massAG: number, massBG: number) {
  const { densityAGPerML, densityBGPerML, mixedDensityGPerML, ratio } = c.product;
  const { densityGPerML, dropsPerML } = ratio.catalyst ?? {};
  const volumeBML = perML(massBG, densityGPerML ?? densityBGPerML);
  return {
    volumeAML: perML(massAG, densityAGPerML ?? (isOnePart(c) ? mixedDensityGPerML : null)),
    volumeBML,
    drops: dropsPerML != null && volumeBML !== null ? Math.round(volumeBML * dropsPerML) : null,
  };
}

/** What the scale makes of the ratio, and from which batch on it weighs it safely. */
function scaleFigures(c: PlanCase, massAG: number, massBG: number, roundingErrorPct: number) {
  const stepG = c.request.gear?.scaleStepG ?? null;
  if (massBG === 0) return { scaleErrorPct: null, roundingErrorPct: null, smallestSafeG: null };
  return {
    scaleErrorPct: stepG === null ? null : scaleErrorPct(massAG, massBG, stepG),
    roundingErrorPct,
    smallestSafeG: stepG === null ? null : smallestSafeBatchG(c.product, stepG),
  };
}

/**
 * Amounts of a plan in the order to weigh them: the larger part first, so that the smaller corrects for it; a catalyst
 * and a powder always second.
 * @throws CoreError `ratio-not-stated`
 */
export function planAmounts(c: PlanCase): PlanAmounts {
  const { parts, catalystPct } = partsOf(c);
  const { mixedG, lossG } = mixedMass(c);
  const { massAG, massBG, errorPct } = rounded(c, parts, mixedG);
  const mixedMassG = massAG + massBG;
  const additives = (c.request.want.additives ?? []).map((a) => additiveAmount(a, mixedMassG));
  return {
    massAG,
    massBG,
    ...partVolumes(c, massAG, massBG),
    mixedMassG,
    additives,
    additiveMassG: additives.reduce((sum, a) => sum + (a.massG ?? 0), 0),
    lossG,
    catalystPct: catalystPct === null ? null : tidyPct((100 * massBG) / massAG),
    ...scaleFigures(c, massAG, massBG, errorPct),
    order: [...weighingOrder(c.product, massAG, massBG), ...additives.map((a) => a.of.name ?? a.of.kind ?? 'additive')],
  };
}
