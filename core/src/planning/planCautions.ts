import type { Plan } from '../formats/plan';
import { cautionsFor, type Act } from './cautions';
import { isPressed, isVacuumed, type PlanCase } from './planCase';
import type { Stage } from '../formats/vocabulary';

/** What a plan's steps call for, in their order; a step that the plan does not take calls for nothing. */
export function planCautions(c: PlanCase): Plan['cautions'] {
  const act: Act = {
    additives: c.request.want.additives,
    vacuumed: isVacuumed(c.route),
    pressed: isPressed(c.route),
  };
  const stages: Stage[] = [
    'weigh',
    'mix',
    'clear',
    'pour',
    ...(isPressed(c.route) ? (['press'] as const) : []),
    'watch',
  ];
  return stages.flatMap((step) => cautionsFor(c.product, step, act).map(({ says }) => ({ step, says })));
}
