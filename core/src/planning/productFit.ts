import type { Product } from '../formats/product';
import type { CLARITIES } from '../formats/vocabulary';
import type { Say } from '../units/wording';
import { wordsIn } from '../units/wording';
import { minutesAt } from '../cure/equivalentAge';
import { deepestPour } from '../cure/deepPour';
import { bondWindow } from '../cure/bondWindow';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import { lightPlan } from './lightPlan';

/** What is to be made, and with what: the question of which product. */
export interface FitRequest {
  readonly depthMm: number | null;
  readonly thinnestMm: number | null;
  readonly volumeML: number | null;
  readonly roomC: number;
  readonly humidityPct: number | null;
  readonly clarity: (typeof CLARITIES)[number] | null;
  readonly hollow: boolean;
  readonly rubber: string | null;
  /** It will stand in the sun. */
  readonly sun: boolean;
  /** Hours until it must be out of the mould; null where nobody waits. */
  readonly waitH: number | null;
  readonly leastShoreD: number | null;
  readonly vesselRatedKPa: number | null;
  readonly vacuumKPaAbs: number | null;
  readonly lampMWPerCM2: number | null;
  readonly inclusionMoisturePct: number | null;
  readonly inclusionMaxC: number | null;
  /** Price of a gram of A + B of each product, by slug. */
  readonly pricePerG: ReadonlyMap<string, number>;
}

export type FitVerdict = 'fits' | 'layers' | 'does-not';
export interface FitReason {
  readonly tells: 'for' | 'against' | 'care';
  readonly says: string;
}

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

type Judge = (p: Product, w: FitRequest, say: Say) => FitReason | null;
const against = (says: string): FitReason => ({ tells: 'against', says });
const care = (says: string): FitReason => ({ tells: 'care', says });
const CLEARNESS: Record<(typeof CLARITIES)[number], number> = { 'water-clear': 3, clear: 2, hazy: 1, opaque: 0 };

/** Each looks at one thing, in the order of the work. */
const JUDGES: readonly Judge[] = [
  (p) => (p.use && !p.use.some((u) => u !== 'moulds') ? against('It is a mould rubber, not a casting product.') : null),
  (p, w, say) =>
    w.hollow && !p.use?.includes('hollow-casting')
      ? care('Its card does not name hollow casting.')
      : !w.hollow &&
          w.depthMm !== null &&
          w.depthMm > (p.depth?.maxMm ?? Infinity) &&
          p.use?.every((u) => u === 'coating' || u === 'top-coat')
        ? against(`It is a coating: ${say(p.depth!.maxMm!, 'mm')} at most.`)
        : null,
  (p, w, say) =>
    w.thinnestMm !== null && p.thinnestMm != null && w.thinnestMm < p.thinnestMm
      ? against(
          `The thinnest section is ${say(w.thinnestMm, 'mm')}; it needs ${say(p.thinnestMm, 'mm')} to cure through.`,
        )
      : null,
  (p, w) =>
    w.clarity !== null && p.clarity != null && CLEARNESS[p.clarity] < CLEARNESS[w.clarity]
      ? against(`It is ${p.clarity.replace('-', ' ')}; ${w.clarity.replace('-', ' ')} is wanted.`)
      : w.clarity !== null && p.clarity == null
        ? care('Its card does not say how clear it is.')
        : null,
  (p, w) =>
    (p.inhibitedBy as readonly string[] | null | undefined)?.includes(w.rubber ?? '')
      ? against(`${(w.rubber ?? '').replaceAll('-', ' ')} stops its cure.`)
      : w.rubber === 'tin-silicone' && p.family === 'polyurethane' && p.clarity !== 'opaque'
        ? care('Tin-cured rubber may fog it.')
        : null,
  (p, w, say) =>
    p.pressure?.minKPa == null
      ? null
      : w.vesselRatedKPa === null
        ? against(`It asks for ${say(p.pressure.minKPa, 'kPa')}; there is no rated vessel.`)
        : w.vesselRatedKPa < p.pressure.minKPa
          ? against(
              `It asks for ${say(p.pressure.minKPa, 'kPa')}; the vessel is rated to ${say(w.vesselRatedKPa, 'kPa')}.`,
            )
          : null,
  (p, w) =>
    p.degas?.method === 'vacuum' && w.vacuumKPaAbs === null
      ? against('It has to be degassed; there is no vacuum pump.')
      : null,
  (p, w) =>
    p.family === 'uv-acrylate' && w.lampMWPerCM2 === null
      ? against('It cures only under a lamp; there is none.')
      : null,
  (p, w, say) =>
    p.room?.minC != null && w.roomC < p.room.minC
      ? against(`The room is ${say(w.roomC, '°C')}; it needs ${say(p.room.minC, '°C')}.`)
      : p.room?.maxC != null && w.roomC > p.room.maxC
        ? against(`The room is ${say(w.roomC, '°C')}; its card ends at ${say(p.room.maxC, '°C')}.`)
        : null,
  (p, w, say) =>
    w.humidityPct !== null && p.room?.maxHumidityPct != null && w.humidityPct > p.room.maxHumidityPct
      ? against(`Today's ${say(w.humidityPct, '%')} damp is over its ${say(p.room.maxHumidityPct, '%')}.`)
      : null,
  (p, w, say) =>
    w.inclusionMoisturePct !== null &&
    p.inclusionMaxMoisturePct != null &&
    w.inclusionMoisturePct > p.inclusionMaxMoisturePct
      ? against(
          `The inclusion holds ${say(w.inclusionMoisturePct, '%')} of water; it takes ${say(p.inclusionMaxMoisturePct, '%')}.`,
        )
      : null,
  (p, w) =>
    w.sun && p.light?.stable === false
      ? against('It yellows in the sun.')
      : w.sun && p.light?.stable == null
        ? care('Its card does not say whether it stands the sun.')
        : null,
  (p, w) =>
    w.leastShoreD !== null &&
    p.hardness?.value != null &&
    (p.hardness.scale !== 'D' || p.hardness.value < w.leastShoreD)
      ? against(`It ends at Shore ${p.hardness.scale ?? ''} ${p.hardness.value}; D ${w.leastShoreD} is wanted.`)
      : w.leastShoreD !== null && p.hardness?.value == null
        ? care('Its card states no hardness.')
        : null,
];

function poursOf(
  p: Product,
  w: FitRequest,
): { pours: number; layerMm: number | null; waitMin: number; why: string | null } {
  if (w.depthMm === null || w.hollow) return { pours: 1, layerMm: w.depthMm, waitMin: 0, why: null };
  if (p.family === 'uv-acrylate') {
    const light = lightPlan(p, w.depthMm, w.lampMWPerCM2, null);
    return light
      ? { pours: light.layers, layerMm: light.layerMm, waitMin: light.lampMin ?? 0, why: 'light' }
      : { pours: 1, layerMm: w.depthMm, waitMin: 0, why: null };
  }
  const deepest = deepestPour(p, { resinC: w.roomC, roomC: w.roomC, inclusionMaxC: w.inclusionMaxC });
  const pours = Math.max(1, Math.ceil(w.depthMm / deepest.depthMm - 1e-6));
  return {
    pours,
    layerMm: w.depthMm / pours,
    waitMin: bondWindow(p, w.roomC)?.fromMin ?? 0,
    why: pours > 1 ? deepest.by : null,
  };
}

/** More pours than this are no way to make a piece. */
const MAX_POURS = 8;

function fitOf(product: Product, w: FitRequest, say: Say): ProductFit {
  const reasons = JUDGES.map((judge) => judge(product, w, say)).filter((r): r is FitReason => r !== null);
  const hopeless = reasons.some((r) => r.tells === 'against');
  const { pours, layerMm, waitMin, why } = hopeless
    ? { pours: 1, layerMm: w.depthMm, waitMin: 0, why: null }
    : poursOf(product, w);
  if (pours > MAX_POURS) reasons.push(against(`It would take ${pours} pours.`));
  else if (pours > 1)
    reasons.push(
      care(
        `${say(w.depthMm!, 'mm')} go in ${pours} pours of ${say(layerMm!, 'mm')}: ${why === 'card' ? 'deeper than its card allows at once' : why === 'light' ? 'light reaches no deeper' : 'poured at once it overheats'}.`,
      ),
    );
  const demould = product.demould?.minutes;
  const readyH =
    demould == null
      ? null
      : ((pours - 1) * waitMin + minutesAt(product, demould, w.roomC, product.demould?.atC ?? SHEET_TEMPERATURE_C)) /
        60;
  if (readyH !== null && w.waitH !== null && readyH > w.waitH)
    reasons.push(against(`It needs ${say(readyH, 'h')} at ${say(w.roomC, '°C')}; ${say(w.waitH, 'h')} are allowed.`));
  const price = w.pricePerG.get(product.slug);
  const cost =
    price == null || w.volumeML === null || product.mixedDensityGPerML == null
      ? null
      : price * w.volumeML * product.mixedDensityGPerML;
  const verdict: FitVerdict = reasons.some((r) => r.tells === 'against') ? 'does-not' : pours > 1 ? 'layers' : 'fits';
  const good: FitReason[] =
    verdict === 'does-not'
      ? []
      : [
          {
            tells: 'for',
            says:
              pours === 1 && w.depthMm !== null && product.depth?.maxMm != null
                ? `${say(w.depthMm, 'mm')} in one pour.`
                : 'Its limits are kept.',
          },
        ];
  return {
    product,
    verdict,
    reasons: [...reasons.filter((r) => r.tells === 'against'), ...reasons.filter((r) => r.tells === 'care'), ...good],
    pours,
    layerMm,
    readyH,
    cost,
  };
}

const ORDER: Record<FitVerdict, number> = { fits: 0, layers: 1, 'does-not': 2 };

/** Every product held against what is to be made: what fits first, soonest ready first. */
export function productFits(products: readonly Product[], wish: FitRequest, say: Say = wordsIn()): ProductFit[] {
  return products
    .map((p) => fitOf(p, wish, say))
    .sort(
      (a, b) =>
        ORDER[a.verdict] - ORDER[b.verdict] ||
        a.reasons.filter((r) => r.tells === 'care').length - b.reasons.filter((r) => r.tells === 'care').length ||
        (a.readyH ?? Infinity) - (b.readyH ?? Infinity),
    );
}
