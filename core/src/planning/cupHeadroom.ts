import { VACUUM_HEADROOM } from '../air/boyle';
import type { Plan } from '../formats/plan';
import { isVacuumed } from './planCase';

/** A full cup cannot be stirred: it holds so many times its liquid (studio practice). */
const STIR_HEADROOM = 1.15;

/** How many times the liquid a cup must hold: more where foam rises in it under vacuum. */
export const cupHeadroom = (route: Plan['route']): number => (isVacuumed(route) ? VACUUM_HEADROOM : STIR_HEADROOM);
