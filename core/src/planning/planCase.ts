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

/** Completes a request: the card's own conditions and common habits stand in for what was not said, and are told. */
export function planCase(request: PlanRequest, say: Say = wordsIn()): PlanCase {
  const { product, conditions, handling, want } = request;
  const assumed: { field: string; says: string }[] = [];
  const take = <T>(value: T | null | undefined, otherwise: T, field: string, says: string): T => {
    if (value != null) return value;
    assumed.push({ field, says });
    return otherwise;
  };
  const sheetC = product.potLife?.atC ?? product.gel?.atC ?? SHEET_TEMPERATURE_C;
  const roomC = take(conditions?.roomC, sheetC, 'conditions.roomC', `room taken as the card's ${say(sheetC, '°C')}`);
  const resinC = take(
    conditions?.resinC,
    roomC,
    'conditions.resinC',
    `resin taken as warm as the room, ${say(roomC, '°C')}`,
  );
  const route = take(
    request.route,
    cardRoute(product),
    'route',
    `route taken from the card: ${cardRoute(product).replaceAll('-', ' ')}`,
  );
  const stir = product.mix?.minMin ?? STIR_MIN;
  const volumeML = want.volumeML ?? (want.mixedMassG ?? 0) / (product.mixedDensityGPerML ?? 1);
  const pour = Math.max(MIN_POUR_MIN, Math.round((volumeML / POUR_ML_PER_MIN) * 10) / 10);
  const stirMin = take(
    handling?.stirMin,
    stir,
    'handling.stirMin',
    product.mix?.minMin == null ? `stir taken as ${say(stir, 'min')}` : `stir taken from the card: ${say(stir, 'min')}`,
  );
  const clearMin = clearMinutes(product, route, handling?.restMin);
  if (handling?.restMin == null && clearMin > 0)
    assumed.push({
      field: 'handling.restMin',
      says: `${isVacuumed(route) ? 'vacuum' : 'rest'} taken as ${say(clearMin, 'min')}`,
    });
  const pourMin = take(handling?.pourMin, pour, 'handling.pourMin', `pour taken as ${say(pour, 'min')}`);
  const loadMin = isPressed(route)
    ? take(handling?.loadMin, LOAD_MIN, 'handling.loadMin', `loading the vessel taken as ${say(LOAD_MIN, 'min')}`)
    : 0;
  return {
    product,
    request,
    roomC,
    resinC,
    route,
    stirMin,
    clearMin,
    pourMin,
    loadMin,
    say,
    assumed,
    mouldC: conditions?.mouldC ?? roomC,
    humidityPct: conditions?.humidityPct ?? null,
    dewC: knownDewPointC(roomC, conditions?.humidityPct),
    ambientKPa: ambientKPaAt(conditions?.pressureAltitudeM ?? 0),
  };
}
