import { requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { arrheniusFactor } from './arrhenius';
import { alphaAtMinute } from './cup';
import type { CupMix } from './cupMix';
import { deepestPour, poursFor, pourSchedule, type DeepestPour, type PourSchedule } from './deepPour';
import { hardAndCoolMin, warmthAtCardDemouldK } from './demould';
import { minutesAt } from './equivalentAge';
import { SHEET_DENSITY_G_PER_ML, SHEET_TEMPERATURE_C, familyKinetics } from './kineticsDefaults';
import type { PourWidth } from './pourWidth';
import { valueAlong } from '../numeric/alongCurve';
import { simulateCup, type CupResult } from './simulateCup';
import { simulateSlab, type SlabResult } from './simulateSlab';

/** A pour to be followed from the cup into the mould. Minutes of the answer count from when the parts met. */
export interface MouldRequest {
  readonly depthMm: number;
  readonly thinnestMm?: number | null | undefined;
  readonly massG: number;
  /** What stays in the cup and is watched, g. */
  readonly leftoverG: number;
  readonly resinC: number;
  readonly roomC: number;
  readonly mouldC?: number | null | undefined;
  readonly pourMin: number;
  readonly cupDiameterMm?: number | undefined;
  readonly inclusionMaxC?: number | null | undefined;
  readonly mix?: CupMix | undefined;
  /** Width of the pour seen from above, mm; from the mass where it is not given. */
  readonly widthMm?: number | null | undefined;
  readonly onProgress?: ((share: number) => void) | undefined;
}

type Slab = Extract<SlabResult, { peakC: number }>;

export type MouldAnswer =
  | { readonly status: 'no-kinetics' | 'no-pot-life' | 'did-not-converge' | 'set-before-pour' }
  | {
      readonly status: Slab['status'];
      /** One pour of the schedule: the whole depth where it goes in at once. */
      readonly slab: Slab;
      readonly pourDepthMm: number;
      /** The whole depth poured at once, where that would be too deep; its peak is the reason for the layers. */
      readonly atOncePeakC: number | null;
      readonly schedule: PourSchedule;
      readonly pourMin: number;
      readonly centreGelMin: number | null;
      readonly lastGelMin: number | null;
      /** When the thinnest section is as old as the card's demould, and all is cool. */
      readonly thinAgedMin: number | null;
      readonly coolMin: number | null;
      /** When it is as cool as the card's own cup is at the card's demould. */
      readonly coolEnoughMin: number | null;
      readonly demouldMin: number | null;
      readonly witnessGelMin: number | null;
      /** Minutes that the leftover in the cup gels before the last of the piece; below 0 it lags behind. */
      readonly headStartMin: number | null;
    };

/** Least that is followed: of what stays in the cup, g, and of a section, mm. */
const MIN_WITNESS_G = 0.5;
const MIN_SECTION_MM = 0.2;

/**
 * Minutes at which a node has aged as much as `cardMin` at the card's
 * temperature; beyond the run at the last temperature.
 */
function agedMin(product: Product, slab: Slab, node: number, cardMin: number, atC: number): number {
  const kinetics = familyKinetics(product.family);
  const rate = (t: number) => (kinetics ? arrheniusFactor(kinetics.activationKJPerMol, t, atC) : 1);
  let age = 0;
  for (let i = 1; i < slab.minutes.length; i += 1) {
    const [t0, t1] = [slab.minutes[i - 1]!, slab.minutes[i]!];
    const [r0, r1] = [rate(slab.temperatureC[i - 1]![node]!), rate(slab.temperatureC[i]![node]!)];
    const grown = ((r0 + r1) / 2) * (t1 - t0);
    if (age + grown >= cardMin) return t0 + ((cardMin - age) / grown) * (t1 - t0);
    age += grown;
  }
  return slab.minutes.at(-1)! + (cardMin - age) / rate(slab.temperatureC.at(-1)![node]!);
}

const coldestNode = (slab: Slab) => slab.positionsMm.findIndex((p) => p === slab.lastGelAtMm);

/** The pour's width seen from above: as measured, else that of one square piece of its mass. */
function widthOf(product: Product, w: MouldRequest): PourWidth {
  if (w.widthMm != null) return { mm: w.widthMm, from: 'measured' };
  const densityGPerML = product.mixedDensityGPerML ?? product.densityAGPerML ?? SHEET_DENSITY_G_PER_ML;
  return { mm: Math.sqrt(((w.massG / densityGPerML) * 1000) / w.depthMm), from: 'mass' };
}

/** From when on the whole pour is within so much of the room, min after the pour; null where the run ended before. */
function coolWithin(slab: Slab, roomC: number, withinK: number): number | null {
  let since: number | null = null;
  let was = Infinity;
  slab.minutes.forEach((minute, i) => {
    const away = Math.max(...slab.temperatureC[i]!) - roomC;
    if (away > withinK || minute < slab.peakMin) since = null;
    else if (since === null) {
      // Between two pictures the distance runs straight.
      const before = slab.minutes[i - 1] ?? minute;
      const share = Number.isFinite(was) && was > withinK ? (was - withinK) / (was - away) : 1;
      since = before + share * (minute - before);
    }
    was = away;
  });
  return since;
}

/** Conversion and temperature of the cup at the moment of the pour. */
function cupAtPour(
  cup: Extract<CupResult, { curve: unknown }>,
  w: MouldRequest,
): { alpha: number; resinC: number; gelMin: number | null } {
  const { minutes, temperatureC } = cup.curve;
  if (w.pourMin > minutes.at(-1)!) return { alpha: 1, resinC: w.roomC, gelMin: cup.gelMin };
  if (w.pourMin <= 0) return { alpha: 0, resinC: w.resinC, gelMin: cup.gelMin };
  return {
    alpha: alphaAtMinute(cup.curve, w.pourMin),
    resinC: valueAlong(minutes, temperatureC, w.pourMin),
    gelMin: cup.gelMin,
  };
}

/** Minutes at which something stands, none where any of it never does. */
const orNull = (minutes: number) => (Number.isFinite(minutes) ? minutes : null);
const hasPeak = (slab: SlabResult): slab is Slab => 'peakC' in slab;

/** When what stays in the cup gels, min after the parts met. */
function witnessGelMin(product: Product, { leftoverG, resinC, roomC, mix }: MouldRequest): number | null {
  const witness = simulateCup(product, { massG: Math.max(leftoverG, MIN_WITNESS_G), resinC, roomC, mix });
  return 'curve' in witness ? witness.gelMin : null;
}

/** The mould's pours as they are followed: one of the schedule, the whole at once, and the thinnest section. */
interface Followed {
  readonly slab: Slab;
  readonly whole: SlabResult | null;
  readonly thin: SlabResult;
}

/** When it may come out: the thinnest section as old as the card asks, and all of it cool. */
function readiness(product: Product, r: MouldRequest, { slab, thin }: Followed) {
  const since = (minute: number | null) => (minute === null ? null : r.pourMin + minute);
  const coolEnoughMin = since(coolWithin(slab, r.roomC, warmthAtCardDemouldK(product)));
  const { minutes: cardMin = null, atC } = product.demould ?? {};
  const cardC = atC ?? SHEET_TEMPERATURE_C;
  const thinAgedMin =
    cardMin === null || !hasPeak(thin) ? null : since(agedMin(product, thin, coldestNode(thin), cardMin, cardC));
  const byClockMin = cardMin === null ? null : minutesAt(product, cardMin, r.roomC, cardC);
  return {
    thinAgedMin,
    coolMin: since(slab.coolMin),
    coolEnoughMin,
    demouldMin: byClockMin === null ? null : hardAndCoolMin(thinAgedMin, coolEnoughMin, byClockMin),
  };
}

function answerOf(
  product: Product,
  r: MouldRequest,
  followed: Followed,
  deepest: DeepestPour,
  pourDepthMm: number,
): MouldAnswer {
  const { slab, whole, thin } = followed;
  const slowest = Math.max(slab.lastGelMin ?? Infinity, hasPeak(thin) ? (thin.lastGelMin ?? Infinity) : 0);
  const lastGelMin = orNull(r.pourMin + slowest);
  const witness = witnessGelMin(product, r);
  const readyMin = Math.max(slab.coolMin ?? 0, slab.lastGelMin ?? 0);
  return {
    status: slab.status,
    slab,
    pourDepthMm,
    pourMin: r.pourMin,
    atOncePeakC: whole && hasPeak(whole) ? whole.peakC : null,
    schedule: pourSchedule(product, r.depthMm, r.roomC, deepest, readyMin),
    centreGelMin: slab.centreGelMin === null ? null : r.pourMin + slab.centreGelMin,
    lastGelMin,
    ...readiness(product, r, followed),
    witnessGelMin: witness,
    headStartMin: witness === null || lastGelMin === null ? null : lastGelMin - witness,
  };
}

/**
 * What a pour does in the mould: the cup until the pour, then the slab. Too deep for one pour, it is split, and the
 * slab shown is one of the pours.
 * @throws CoreError `out-of-range`
 */
export function inTheMould(product: Product, r: MouldRequest): MouldAnswer {
  requireNumber(r.depthMm, 'depthMm', 1e-3, 10_000);
  requireNumber(r.pourMin, 'pourMin', 0, 1e5);
  const { massG, resinC, roomC, cupDiameterMm, mix } = r;
  const cup = simulateCup(product, { massG, resinC, roomC, cupDiameterMm, mix });
  if (!('curve' in cup)) return { status: cup.status };
  const poured = cupAtPour(cup, r);
  if (poured.gelMin !== null && r.pourMin >= poured.gelMin) return { status: 'set-before-pour' };
  const at = {
    resinC: poured.resinC,
    roomC,
    mouldC: r.mouldC ?? roomC,
    alpha: poured.alpha,
    mix,
    width: widthOf(product, r),
  };
  const deepest = deepestPour(product, { ...at, inclusionMaxC: r.inclusionMaxC });
  const pourDepthMm = r.depthMm / poursFor(r.depthMm, deepest.depthMm);
  const slab = simulateSlab(product, { ...at, depthMm: pourDepthMm, onProgress: r.onProgress });
  if (!hasPeak(slab)) return { status: slab.status };
  const thinMm = Math.min(r.thinnestMm ?? pourDepthMm, pourDepthMm);
  const followed: Followed = {
    slab,
    whole: pourDepthMm < r.depthMm ? simulateSlab(product, { ...at, depthMm: r.depthMm }) : null,
    thin: thinMm < pourDepthMm ? simulateSlab(product, { ...at, depthMm: Math.max(thinMm, MIN_SECTION_MM) }) : slab,
  };
  return answerOf(product, r, followed, deepest, pourDepthMm);
}
