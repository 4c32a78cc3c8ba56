import { ROUTES, type PlanRequest, type PlanWarning, type Route, type TimelineStep } from '../formats/plan';
import type { Say } from '../units/wording';
import { cautionsFor } from './cautions';
import { airOf, type AirAnswer } from './planAir';
import { isPressed, isVacuumed, cardRoute } from './planCase';
import { planWarnings } from './planWarnings';
import { timeBudget } from './timeBudget';

/** One way to deal with the air, as this batch would fare by it. */
export interface RouteAnswer {
  readonly route: Route;
  readonly air: AirAnswer;
  readonly timeline: readonly TimelineStep[];
  readonly usedMin: number;
  readonly spareMin: number | null;
  /** What gear and card say to it; one with a stop is not to be taken. */
  readonly warnings: readonly PlanWarning[];
  readonly allowed: boolean;
  /** Whether the card asks for this one. */
  readonly byCard: boolean;
  readonly cautions: readonly string[];
}

/** Codes that speak of the route, not of the batch as a whole. */
const OF_ROUTE = /^(degas\.|no-vacuum|vacuum-|styrene|cup-no-headroom|pressure|vessel|over-rating|never-at|mould-not-degassed)/;

/**
 * All five routes for one request, side by side: what rises out, what dissolves, what is left, and the minutes it takes.
 * @throws CoreError `ratio-not-stated`
 */
export function compareRoutes(request: PlanRequest, say?: Say): RouteAnswer[] {
  const asked = cardRoute(request.product);
  return ROUTES.map((route) => {
    // A rest that was typed for one route is no wish for the others.
    const same = route === (request.route ?? asked);
    const b = timeBudget({ ...request, route, handling: { ...request.handling, restMin: same ? request.handling?.restMin : null } }, say);
    const warnings = planWarnings(b.case, b.amounts, b.timeline, b.pressing).filter((w) => OF_ROUTE.test(w.code));
    const stages = [...(isVacuumed(route) ? ['vacuum'] : []), ...(isPressed(route) ? ['pressure-vessel'] : [])];
    const cautions = [...cautionsFor(request.product, 'clear'), ...cautionsFor(request.product, 'press')].filter((x) => stages.includes(x.code)).map((x) => x.says);
    return {
      route, warnings, cautions, timeline: b.timeline, air: airOf(b.case, b.amounts, b.curve, b.timeline, b.pressing?.gaugeKPa ?? null),
      usedMin: b.timeline.at(-1)?.toMin ?? 0, spareMin: b.spareMin, allowed: !warnings.some((w) => w.stop), byCard: route === asked,
    };
  });
}
