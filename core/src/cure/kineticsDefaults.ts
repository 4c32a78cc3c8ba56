import type { Family } from '../formats/vocabulary';

/** Kinetic and thermal constants of a curing family. `dα/dt = k·(b + α^m)(1 − α)^n` (Kamal & Sourour 1973). */
export interface FamilyKinetics {
  /** Activation energy of cure, kJ/mol. */
  readonly activationKJPerMol: number;
  readonly m: number;
  readonly n: number;
  readonly b: number;
  /** Heat of reaction, J/g; an upper guess, replaced where the card states a peak exotherm. */
  readonly heatJPerG: number;
  /** Conversion at gelation. */
  readonly alphaGel: number;
  /** Activation energy of flow, kJ/mol. */
  readonly flowKJPerMol: number;
}

/** Starting values by family; families that do not cure by their own heat have none. */
const KINETICS: Partial<Record<Family, FamilyKinetics>> = {
  epoxy: { activationKJPerMol: 55, m: 1, n: 1.5, b: 0.02, heatJPerG: 380, alphaGel: 0.55, flowKJPerMol: 50 },
  polyurethane: { activationKJPerMol: 45, m: 0.5, n: 2, b: 0.2, heatJPerG: 220, alphaGel: 0.65, flowKJPerMol: 35 },
  polyester: { activationKJPerMol: 65, m: 1, n: 1.2, b: 0.01, heatJPerG: 330, alphaGel: 0.08, flowKJPerMol: 30 },
};

export const familyKinetics = (family: Family): FamilyKinetics | null => KINETICS[family] ?? null;

/** Heat capacity of liquid and cured resin, J/(g·K). */
export const HEAT_CAPACITY_J_PER_GK = 1.9;
/** Still air around a cup, convection and radiation together, W/(m²·K). */
export const CUP_CONVECTION_W_PER_M2K = 10;
/** Pot life as a share of the conversion at gel, where the card does not state a gel time. */
export const POT_LIFE_SHARE_OF_GEL = 0.6;
/** Room temperature at which data sheets are written when they do not say, °C. */
export const SHEET_TEMPERATURE_C = 23;
/** Mass at which pot life is usually measured, for a card that states none, g. */
export const SHEET_MASS_G = 100;
/** Density used only for the size of a cup when the card states none, g/mL. */
export const SHEET_DENSITY_G_PER_ML = 1.1;
