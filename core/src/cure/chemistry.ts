import type { FamilyKinetics } from './kineticsDefaults';

/** Chemistry of one product, as the cup and the slab share it. */
export interface Chemistry {
  readonly kinetics: FamilyKinetics;
  /** Rate constant at `referenceC`, 1/min. */
  readonly kPerMin: number;
  readonly referenceC: number;
  readonly heatJPerG: number;
  /** Heat capacity of the mix, J/(g·K); the resin's where it is not given. */
  readonly heatCapacityJPerGK?: number | undefined;
}
