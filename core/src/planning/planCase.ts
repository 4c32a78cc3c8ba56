import { ambientKPaAt } from '../air/ambient';
import { knownDewPointC } from '../air/dewPoint';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { PlanRequest, Route } from '../formats/plan';
import type { Product } from '../formats/product';
import { wordsIn, type Say } from '../units/wording';

/** A plan's wishes completed once: everything later reads from here. */
export interface PlanCase {
  readonly product: Product;
  readonly request: PlanRequest;
  readonly roomC: number;
  readonly resinC: number;
  readonly mouldC: number;
  readonly humidityPct: number | null;
  readonly dewC: number | null;
  readonly ambientKPa: number;
  readonly route: Route;
  readonly stirMin: number;
  /** Rest or vacuum. */
  readonly clearMin: number;
  readonly pourMin: number;
  readonly loadMin: number;
  readonly say: Say;
  readonly assumed: readonly { readonly field: string; readonly says: string }[];
}

/** What people do in between, where nobody timed it, min. */
const STIR_MIN = 2;
const VACUUM_MIN = 3;
const LOAD_MIN = 0.5;
/** A thin, careful pour, mL/min; and the least a pour takes, min. */
const POUR_ML_PER_MIN = 400;
const MIN_POUR_MIN = 0.5;

export const isPressed = (route: Route): boolean => route === 'pressure' || route === 'vacuum-then-pressure';
export const isVacuumed = (route: Route): boolean => route === 'vacuum' || route === 'vacuum-then-pressure';

/** The route that the card itself asks for. */
export function cardRoute(product: Product): Route {
  switch (product.degas?.method) {
    case 'rest':
      return 'warm-and-rest';
    case 'vacuum':
      return 'vacuum';
    case 'vacuum-or-pressure':
      return 'pressure';
    default:
      return product.pressure?.minKPa != null ? 'pressure' : 'none';
  }
}

/** Minutes of rest or vacuum that a route takes with this card. */
export function clearMinutes(product: Product, route: Route, asked: number | null | undefined): number {
  if (route === 'none' || route === 'pressure') return 0;
  if (asked != null) return asked;
  const rest = Math.max(product.mix?.restMin ?? 0, product.degas?.method === 'rest' ? (product.degas.minutes ?? 0) : 0);
  if (route === 'warm-and-rest') return rest;
  return (product.degas?.method === 'rest' ? null : product.degas?.minutes) ?? VACUUM_MIN;
}

type Assumed = { field: string; says: string }[];

/** Takes what was said, or what stands in for it, and writes down that it does. */
const taker =
  (assumed: Assumed) =>
  <T>(value: T | null | undefined, otherwise: T, field: string, says: string): T => {
    if (value != null) return value;
    assumed.push({ field, says });
    return otherwise;
  };
type Take = ReturnType<typeof taker>;

/** Room, mould and resin: the card's own temperature where nobody said. */
function conditionsOf({ product, conditions }: PlanRequest, take: Take, say: Say) {
  const { roomC, resinC, mouldC, humidityPct, pressureAltitudeM } = conditions ?? {};
  const sheetC = product.potLife?.atC ?? product.gel?.atC ?? SHEET_TEMPERATURE_C;
  const room = take(roomC, sheetC, 'conditions.roomC', `room taken as the card's ${say(sheetC, '°C')}`);
  const resin = take(resinC, room, 'conditions.resinC', `resin taken as warm as the room, ${say(room, '°C')}`);
  return {
    roomC: room,
    resinC: resin,
    mouldC: mouldC ?? room,
    humidityPct: humidityPct ?? null,
    dewC: knownDewPointC(room, humidityPct),
    ambientKPa: ambientKPaAt(pressureAltitudeM ?? 0),
  };
}

function stirOf({ product, handling }: PlanRequest, take: Take, say: Say): number {
  const cardMin = product.mix?.minMin ?? null;
  const stirMin = cardMin ?? STIR_MIN;
  const from = cardMin === null ? 'as' : 'from the card:';
  return take(handling?.stirMin, stirMin, 'handling.stirMin', `stir taken ${from} ${say(stirMin, 'min')}`);
}

function pourOf({ product, handling, want }: PlanRequest, take: Take, say: Say): number {
  const volumeML = want.volumeML ?? (want.mixedMassG ?? 0) / (product.mixedDensityGPerML ?? 1);
  const pourMin = Math.max(MIN_POUR_MIN, Math.round((volumeML / POUR_ML_PER_MIN) * 10) / 10);
  return take(handling?.pourMin, pourMin, 'handling.pourMin', `pour taken as ${say(pourMin, 'min')}`);
}

function clearOf({ product, handling }: PlanRequest, route: Route, assumed: Assumed, say: Say): number {
  const asked = handling?.restMin ?? null;
  const clearMin = clearMinutes(product, route, asked);
  const what = isVacuumed(route) ? 'vacuum' : 'rest';
  if (asked === null && clearMin > 0)
    assumed.push({ field: 'handling.restMin', says: `${what} taken as ${say(clearMin, 'min')}` });
  return clearMin;
}

/** Completes a request: the card's own conditions and common habits stand in for what was not said, and are told. */
export function planCase(request: PlanRequest, say: Say = wordsIn()): PlanCase {
  const { product, handling } = request;
  const assumed: Assumed = [];
  const take = taker(assumed);
  const conditions = conditionsOf(request, take, say);
  const byCard = cardRoute(product);
  const route = take(request.route, byCard, 'route', `route taken from the card: ${byCard.replaceAll('-', ' ')}`);
  const stirMin = stirOf(request, take, say);
  const clearMin = clearOf(request, route, assumed, say);
  const pourMin = pourOf(request, take, say);
  const loadWords = `loading the vessel taken as ${say(LOAD_MIN, 'min')}`;
  const loadMin = isPressed(route) ? take(handling?.loadMin, LOAD_MIN, 'handling.loadMin', loadWords) : 0;
  return { product, request, ...conditions, route, stirMin, clearMin, pourMin, loadMin, say, assumed };
}
