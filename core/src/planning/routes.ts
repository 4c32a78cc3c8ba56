import { ROUTES, type PlanRequest, type PlanWarning, type Route, type TimelineStep } from '../formats/plan';
import type { Say } from '../units/wording';
import { cautionsFor } from './cautions';
import { airOf, type AirAnswer } from './planAir';
import { cardRoute, clearMinutes, isPressed, isVacuumed } from './planCase';
import { planWarnings } from './planWarnings';
import { timeBudget } from './timeBudget';

/** One way to deal with the air, as this batch would fare by it. */
export interface RouteAnswer {
  readonly route: Route;
  readonly air: AirAnswer;
  readonly timeline: readonly TimelineStep[];
  readonly usedMin: number;
  /** Rest or vacuum of this route, min. */
  readonly clearMin: number;
  readonly spareMin: number | null;
  /** What gear and card say to it; one with a stop is not to be taken. */
  readonly warnings: readonly PlanWarning[];
  readonly allowed: boolean;
  /** Whether the card asks for this one. */
  readonly byCard: boolean;
  readonly cautions: readonly string[];
}

/** Pot life kept back where a rest is as long as can be. */
const KEPT_BACK = 0.15;

/**
 * The rest of a route: what was typed for it, else the card's; a rest
 * that the card leaves open takes what time there is.
 */
function restFor(request: PlanRequest, route: Route, same: boolean, say?: Say): number | null {
  if (same && request.handling?.restMin != null) return request.handling.restMin;
  if (route !== 'warm-and-rest' || clearMinutes(request.product, route, null) > 0) return null;
  const bare = timeBudget({ ...request, route, handling: { ...request.handling, restMin: 0 } }, say);
  if (bare.spareMin === null || bare.curve.potLifeMin === null) return null;
  return Math.max(0, Math.floor((bare.spareMin - KEPT_BACK * bare.curve.potLifeMin) * 10) / 10);
}

/** Codes that speak of the route, not of the batch as a whole. */
const OF_ROUTE =
  /^(degas\.|no-vacuum|vacuum-|styrene|cup-no-headroom|pressure|vessel|over-rating|never-at|mould-not-degassed)/;

/**
 * All five routes for one request, side by side: what rises out, what
 * dissolves, what is left, and the minutes it takes.
 * @throws CoreError `ratio-not-stated`
 */
export function compareRoutes(request: PlanRequest, say?: Say): RouteAnswer[] {
  const asked = cardRoute(request.product);
  return ROUTES.map((route) => {
    // A rest that was typed for one route is no wish for the others.
    const restMin = restFor(request, route, route === (request.route ?? asked), say);
    const b = timeBudget({ ...request, route, handling: { ...request.handling, restMin } }, say);
    const warnings = planWarnings(b).filter((w) => OF_ROUTE.test(w.code));
    const stages = [...(isVacuumed(route) ? ['vacuum'] : []), ...(isPressed(route) ? ['pressure-vessel'] : [])];
    const cautions = [...cautionsFor(request.product, 'clear'), ...cautionsFor(request.product, 'press')]
      .filter((x) => stages.includes(x.code))
      .map((x) => x.says);
    return {
      route,
      warnings,
      cautions,
      timeline: b.timeline,
      air: airOf(b.case, b.amounts, b.curve, b.timeline, b.pressing?.gaugeKPa ?? null),
      usedMin: b.timeline.at(-1)?.toMin ?? 0,
      clearMin: b.case.clearMin,
      spareMin: b.spareMin,
      allowed: !warnings.some((w) => w.stop),
      byCard: route === asked,
    };
  });
}
