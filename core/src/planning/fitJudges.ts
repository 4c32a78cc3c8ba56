import type { Product } from '../formats/product';
import type { Clarity } from '../formats/vocabulary';
import type { Say } from '../units/wording';
import type { FitRequest } from './fitRequest';

/** What speaks for a product, against it, or asks for care. */
export interface FitReason {
  readonly tells: 'for' | 'against' | 'care';
  readonly says: string;
}

/** Looks at one thing of a product and a wish; null where nothing is to be said of it. */
type Judge = (p: Product, w: FitRequest, say: Say) => FitReason | null;

export const against = (says: string): FitReason => ({ tells: 'against', says });
export const care = (says: string): FitReason => ({ tells: 'care', says });

const CLEARNESS: Record<Clarity, number> = { 'water-clear': 3, clear: 2, hazy: 1, opaque: 0 };
const spaced = (word: string) => word.replaceAll('-', ' ');

const notOnlyRubber: Judge = (p) =>
  p.use && !p.use.some((u) => u !== 'moulds') ? against('It is a mould rubber, not a casting product.') : null;

const isCoating = ({ use }: Product) => use?.every((u) => u === 'coating' || u === 'top-coat') === true;

const forTheUse: Judge = (p, { hollow, depthMm }, say) => {
  if (hollow) return p.use?.includes('hollow-casting') ? null : care('Its card does not name hollow casting.');
  const deepestMm = p.depth?.maxMm ?? null;
  if (depthMm === null || deepestMm === null || depthMm <= deepestMm || !isCoating(p)) return null;
  return against(`It is a coating: ${say(deepestMm, 'mm')} at most.`);
};

const thickEnough: Judge = (p, { thinnestMm }, say) => {
  if (thinnestMm === null || p.thinnestMm == null || thinnestMm >= p.thinnestMm) return null;
  return against(
    `The thinnest section is ${say(thinnestMm, 'mm')}; it needs ${say(p.thinnestMm, 'mm')} to cure through.`,
  );
};

const clearEnough: Judge = (p, { clarity }) => {
  if (clarity === null) return null;
  if (p.clarity == null) return care('Its card does not say how clear it is.');
  if (CLEARNESS[p.clarity] >= CLEARNESS[clarity]) return null;
  return against(`It is ${spaced(p.clarity)}; ${spaced(clarity)} is wanted.`);
};

const inThisRubber: Judge = (p, { rubber }) => {
  if (rubber === null) return null;
  if ((p.inhibitedBy as readonly string[] | null | undefined)?.includes(rubber))
    return against(`${spaced(rubber)} stops its cure.`);
  const fogs = rubber === 'tin-silicone' && p.family === 'polyurethane' && p.clarity !== 'opaque';
  return fogs ? care('Tin-cured rubber may fog it.') : null;
};

const underPressure: Judge = (p, { vesselRatedKPa }, say) => {
  const minKPa = p.pressure?.minKPa;
  if (minKPa == null) return null;
  const asks = `It asks for ${say(minKPa, 'kPa')}`;
  if (vesselRatedKPa === null) return against(`${asks}; there is no rated vessel.`);
  return vesselRatedKPa < minKPa ? against(`${asks}; the vessel is rated to ${say(vesselRatedKPa, 'kPa')}.`) : null;
};

const degassed: Judge = (p, { vacuumKPaAbs }) =>
  p.degas?.method === 'vacuum' && vacuumKPaAbs === null
    ? against('It has to be degassed; there is no vacuum pump.')
    : null;

const underLamp: Judge = (p, { lampMWPerCM2 }) =>
  p.family === 'uv-acrylate' && lampMWPerCM2 === null ? against('It cures only under a lamp; there is none.') : null;

const inThisRoom: Judge = (p, { roomC }, say) => {
  const { minC, maxC } = p.room ?? {};
  const room = `The room is ${say(roomC, '°C')}`;
  if (minC != null && roomC < minC) return against(`${room}; it needs ${say(minC, '°C')}.`);
  return maxC != null && roomC > maxC ? against(`${room}; its card ends at ${say(maxC, '°C')}.`) : null;
};

const inThisDamp: Judge = (p, { humidityPct }, say) => {
  const maxPct = p.room?.maxHumidityPct;
  if (humidityPct === null || maxPct == null || humidityPct <= maxPct) return null;
  return against(`Today's ${say(humidityPct, '%')} damp is over its ${say(maxPct, '%')}.`);
};

const dryInclusion: Judge = (p, { inclusionMoisturePct: water }, say) => {
  const maxPct = p.inclusionMaxMoisturePct;
  if (water === null || maxPct == null || water <= maxPct) return null;
  return against(`The inclusion holds ${say(water, '%')} of water; it takes ${say(maxPct, '%')}.`);
};

const inTheSun: Judge = (p, { sun }) => {
  if (!sun || p.light?.stable === true) return null;
  return p.light?.stable === false
    ? against('It yellows in the sun.')
    : care('Its card does not say whether it stands the sun.');
};

const hardEnough: Judge = (p, { leastShoreD }) => {
  if (leastShoreD === null) return null;
  const { value, scale } = p.hardness ?? {};
  if (value == null) return care('Its card states no hardness.');
  if (scale === 'D' && value >= leastShoreD) return null;
  return against(`It ends at Shore ${scale ?? ''} ${value}; D ${leastShoreD} is wanted.`);
};

/** Each looks at one thing, in the order of the work. */
const JUDGES: readonly Judge[] = [
  notOnlyRubber,
  forTheUse,
  thickEnough,
  clearEnough,
  inThisRubber,
  underPressure,
  degassed,
  underLamp,
  inThisRoom,
  inThisDamp,
  dryInclusion,
  inTheSun,
  hardEnough,
];

/** Everything that is to be said of a product for a wish, in the order of the work. */
export const fitReasons = (product: Product, request: FitRequest, say: Say): FitReason[] =>
  JUDGES.map((judge) => judge(product, request, say)).filter((reason) => reason !== null);
