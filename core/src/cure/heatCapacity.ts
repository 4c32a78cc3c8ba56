import type { Chemistry } from './chemistry';
import { HEAT_CAPACITY_J_PER_GK } from './kineticsDefaults';

/** Heat capacity of a mix, J/(g·K): the resin's own where nothing else is in it. */
export const heatCapacityOf = (chemistry: Pick<Chemistry, 'heatCapacityJPerGK'>): number =>
  chemistry.heatCapacityJPerGK ?? HEAT_CAPACITY_J_PER_GK;

/** Kelvin that a whole cure gives where none of its heat is lost. */
export const wholeRiseK = (chemistry: Pick<Chemistry, 'heatCapacityJPerGK' | 'heatJPerG'>): number =>
  chemistry.heatJPerG / heatCapacityOf(chemistry);
