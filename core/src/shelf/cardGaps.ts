import { calibrate } from '../cure/calibration';
import { sideLoss } from '../cure/sideLoss';
import { familyKinetics } from '../cure/kineticsDefaults';
import type { Product } from '../formats/product';
import { volumeParts, weightParts } from '../mixing/ratio';

/** A figure the data sheet does not give, and which later checks stay silent for it. */
export interface CardGap {
  readonly field: string;
  readonly costs: string;
}

interface Rule {
  readonly field: string;
  readonly costs: string;
  readonly missing: (p: Product) => boolean;
}

const twoPart = (p: Product) => !p.ratio.catalyst && !p.ratio.powder && p.family !== 'uv-acrylate';

const RULES: readonly Rule[] = [
  {
    field: 'ratio.byWeight',
    costs: 'Nothing can be weighed: no target for B, no ratio error, no scale error.',
    missing: (p) => twoPart(p) && weightParts(p) === null,
  },
  {
    field: 'ratio.tolerancePct',
    costs: 'A ratio error is never called outside; it only weighs in a diagnosis.',
    missing: (p) => twoPart(p) && p.ratio.tolerancePct == null,
  },
  {
    field: 'ratio.catalyst.maxPct',
    costs: 'Too much or too little catalyst cannot be told.',
    missing: (p) => p.family === 'polyester' && (p.ratio.catalyst?.minPct == null || p.ratio.catalyst.maxPct == null),
  },
  {
    field: 'densityAGPerML',
    costs: 'Weights and volumes cannot be carried over, so the two ratios cannot be checked against each other.',
    missing: (p) => twoPart(p) && (p.densityAGPerML == null || p.densityBGPerML == null),
  },
  {
    field: 'potLife.minutes',
    costs: 'No pot life at your temperatures, no gel time, no late-pressure check.',
    missing: (p) => p.family !== 'uv-acrylate' && p.potLife?.minutes == null && p.gel?.minutes == null,
  },
  {
    field: 'potLife.massG',
    costs: 'Pot life means nothing without its mass: 100 g is assumed.',
    missing: (p) => familyKinetics(p.family) !== null && p.potLife?.minutes != null && p.potLife.massG == null,
  },
  {
    field: 'exotherm.peakC',
    costs: "The heat of reaction is the family's upper guess: big cups look shorter-lived and hotter than they may be.",
    missing: (p) => familyKinetics(p.family) !== null && p.exotherm?.peakC == null,
  },
  {
    field: 'viscosity.mixedMPaS',
    costs: 'Which bubbles can rise out is not known.',
    missing: (p) => p.viscosity?.mixedMPaS == null,
  },
  {
    field: 'room.minC',
    costs: 'A cold room is never flagged, and cold cannot be blamed.',
    missing: (p) => p.room?.minC == null,
  },
  { field: 'room.maxHumidityPct', costs: 'Damp air is never flagged.', missing: (p) => p.room?.maxHumidityPct == null },
  { field: 'resin.minC', costs: 'Cold, thick resin is never flagged.', missing: (p) => p.resin?.minC == null },
  { field: 'mix.minMin', costs: 'A short stir is never flagged.', missing: (p) => p.mix?.minMin == null },
  { field: 'depth.maxMm', costs: 'Too deep a pour is never flagged.', missing: (p) => p.depth?.maxMm == null },
  { field: 'exothermMaxC', costs: 'Overheating is never flagged.', missing: (p) => p.exothermMaxC == null },
  {
    field: 'demould.minutes',
    costs: 'Early demoulding is never flagged, and hardness has no curve.',
    missing: (p) => p.demould?.minutes == null,
  },
  {
    field: 'hardness.value',
    costs: 'A Shore reading has nothing to be held against.',
    missing: (p) => p.hardness?.value == null,
  },
  {
    field: 'additives.totalMaxPct',
    costs: 'Too much colour or filler is never flagged.',
    missing: (p) => p.additives?.totalMaxPct == null,
  },
  {
    field: 'light.doseMJPerCM2',
    costs: 'Too little light is never flagged.',
    missing: (p) => p.family === 'uv-acrylate' && p.light?.doseMJPerCM2 == null,
  },
  { field: 'light.stable', costs: 'Yellowing by light cannot be argued.', missing: (p) => p.light?.stable == null },
  {
    field: 'shelf.openedMonths',
    costs: 'A bottle that has been open too long is never flagged.',
    missing: (p) => p.shelf?.openedMonths == null,
  },
  { field: 'source', costs: 'Nobody can look up where a limit comes from.', missing: (p) => !p.source },
];

/** What a card leaves unsaid, each with what it costs, in the order of the work. */
export const cardGaps = (product: Product): CardGap[] =>
  RULES.filter((r) => r.missing(product)).map(({ field, costs }) => ({ field, costs }));

/** Figures on a card that contradict each other. */
export interface CardConflict {
  readonly field: string;
  readonly says: string;
}

/** Ratios by weight and by volume that disagree by more than this are flagged, %. */
export const RATIO_AGREES_PCT = 2;

/**
 * How far the stated volume ratio is off what the weights and densities give, per cent; null where that cannot be told.
 * @example ratioDisagreementPct(houseDeep40) // 0.0
 */
export function ratioDisagreementPct(product: Product): number | null {
  const { byWeight, byVolume } = product.ratio;
  if (!byWeight || !byVolume || product.densityAGPerML == null || product.densityBGPerML == null) return null;
  const fromWeights = volumeParts({ ...product, ratio: { ...product.ratio, byVolume: null } });
  return fromWeights && 100 * (byVolume.b / byVolume.a / (fromWeights.b / fromWeights.a) - 1);
}

/** Contradictions that make a card unusable, so that it is refused: its two ratios. The others are only told. */
export const ratioContradictions = (product: Product): CardConflict[] =>
  cardConflicts(product).filter((c) => c.field.startsWith('ratio.'));

/** Contradictions on a card: its two ratios, its times in the wrong order, a peak that no heat of reaction meets. */
export function cardConflicts(product: Product): CardConflict[] {
  const conflicts: CardConflict[] = [];
  const off = ratioDisagreementPct(product);
  if (off !== null && Math.abs(off) > RATIO_AGREES_PCT) {
    conflicts.push({
      field: 'ratio.byVolume.b',
      says: `By the densities the volume ratio is ${Math.abs(off).toFixed(1)} % ${off > 0 ? 'too high' : 'too low'} for the weight ratio. One of the four figures is wrong.`,
    });
  }
  const order: [string, string, number | null | undefined][] = [
    ['potLife.minutes', 'Pot life', product.potLife?.minutes],
    ['gel.minutes', 'Gel', product.gel?.minutes],
    ['tackFree.minutes', 'Tack-free', product.tackFree?.minutes],
    ['demould.minutes', 'Demould', product.demould?.minutes],
    ['fullCure.hours', 'Full cure', product.fullCure?.hours == null ? null : product.fullCure.hours * 60],
  ];
  const stated = order.filter(([, , m]) => m != null) as [string, string, number][];
  stated.slice(1).forEach(([field, name, minutes], i) => {
    const [, before, earlier] = stated[i]!;
    if (minutes < earlier) conflicts.push({ field, says: `${name} comes before ${before.toLowerCase()}. Check both.` });
  });
  if (calibrate(product).status === 'peak-not-met') {
    conflicts.push({
      field: 'exotherm.peakC',
      says: 'No heat of reaction meets this peak and this pot life together. Check mass and temperature of both.',
    });
  }
  return conflicts;
}

/**
 * Pot life, depth and exotherm limit that cannot all be true by the slab model; null where they can, or one is missing.
 * Takes a tenth of a second: not for every keystroke.
 */
export function depthConflict(product: Product): CardConflict | null {
  return sideLoss(product).from !== 'not-met'
    ? null
    : {
        field: 'exothermMaxC',
        says: 'By the model the deepest pour of this card gets hotter than its own exotherm limit. Check pot life, depth and limit against each other.',
      };
}
