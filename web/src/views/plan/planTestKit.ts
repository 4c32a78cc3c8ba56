import { EMPTY_PLAN, type PlanForm } from '../../stores/planForm';
import type { ShelfForPlan } from './buildRequest';
import type { MouldOnShelf } from './planFill';

/** A plan form with only what a test says. */
export const form = (patch: Partial<PlanForm>): PlanForm => ({ ...EMPTY_PLAN, ...patch });
export const EMPTY_SHELF: ShelfForPlan = { moulds: [], additives: [], inclusions: [], gear: [] };
/** A mould of the demo studio by its code. */
export const mouldOf = (moulds: readonly MouldOnShelf[], code: string | null): MouldOnShelf =>
  moulds.find((m) => m.item.code === code) as MouldOnShelf;
