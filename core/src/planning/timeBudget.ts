import type { MixCurve } from '../cure/mixCurve';
import type { PlanRequest, TimelineStep } from '../formats/plan';
import type { Say } from '../units/wording';
import { planAmounts, type PlanAmounts } from './planAmounts';
import { isPressed, planCase, type PlanCase } from './planCase';
import { plannedPressure, type PlannedPressure } from './planPressing';
import { planCurve, spareOf, timelineOf } from './planTime';

/** A plan's time against its pot life; everything quick is worked out from it. */
export interface TimeBudget {
  readonly case: PlanCase;
  readonly amounts: PlanAmounts;
  readonly curve: MixCurve;
  readonly pressing: PlannedPressure | null;
  readonly timeline: readonly TimelineStep[];
  readonly spareMin: number | null;
}

/**
 * Amounts, cup and timeline of a request, without the mould.
 * @throws CoreError `ratio-not-stated`
 */
export function timeBudget(request: PlanRequest, say?: Say): TimeBudget {
  const c = planCase(request, say);
  const amounts = planAmounts(c);
  const curve = planCurve(c, amounts);
  const pressing = isPressed(c.route) ? plannedPressure(c) : null;
  const timeline = timelineOf(c, pressing);
  return { case: c, amounts, curve, pressing, timeline, spareMin: spareOf(curve, timeline) };
}
