import { solveTridiagonal } from '../numeric/tridiagonal';
import { GAS_CONSTANT, ZERO_C_IN_K } from './arrhenius';
import type { Chemistry } from './cup';
import { heatCapacityOf, wholeRiseK } from './heatCapacity';
import type { SlabConditions } from './slab';

/** Conductivity of liquid and cured resin, W/(m·K). */
export const CONDUCTIVITY_W_PER_MK = 0.2;
/** Mould rubber: conductivity W/(m·K), density g/mL, heat capacity J/(g·K); filled silicone, handbook values. */
export const MOULD_RUBBER = { conductivity: 0.25, densityGPerML: 1.1, heatCapacity: 1.4 } as const;
const MOULD_NODES = 12;
/** A thinner mould holds no heat worth following, mm, and its cells would be too stiff to. */
const MIN_MOULD_MM = 0.5;

/** Temperatures of all nodes, resin first from the top, then mould; conversions of the resin nodes. */
export interface SlabState {
  readonly temperature: Float64Array;
  readonly alpha: Float64Array;
}

export interface SlabSystem {
  readonly nodes: number;
  readonly all: number;
  readonly positionsMm: readonly number[];
  readonly start: () => SlabState;
  /** Slopes by minute: conversion and kelvin. */
  readonly slopes: (state: SlabState) => SlabState;
  /** Conduction between and out of the nodes, 1/min. */
  readonly below: Float64Array;
  readonly above: Float64Array;
  readonly boundaryLossPerMin: Float64Array;
  /** How fast each node's surplus over the room is lost, J/(m²·K·min). */
  readonly boundaryConductance: Float64Array;
  readonly derivatives: (state: SlabState) => { byAlpha: Float64Array; byTemperature: Float64Array };
  /** Kelvin that a whole cure gives. */
  readonly riseK: number;
  /** Heat that leaves at a state, J/(m²·min). */
  readonly lossRate: (state: SlabState) => number;
  /** The longest that heat stays in the slab, min: through its depth and out of its faces, with the mould's heat. */
  readonly slowestMin: number;
  /** Rate of cure at a conversion and temperature, 1/min. */
  readonly ratePerMin: (alpha: number, temperatureC: number) => number;
  /** Heat made less heat kept and lost, as a share of what moved. @param lost J/m² since the start */
  readonly energyError: (state: SlabState, lost: number) => number;
}

const SECONDS = 60;
/** Below this conversion the slope of α^m is taken as here: for m < 1 it has no end at nought. */
const MIN_ALPHA = 1e-5;

/** All the heat held over all that the faces take, and half a depth of conduction beside it: an upper bound, min. */
function slowestMin(
  heatCapacity: (i: number) => number,
  boundaryConductance: Float64Array,
  c: SlabConditions,
  all: number,
): number {
  let [held, leaks] = [0, 0];
  for (let i = 0; i < all; i += 1) {
    held += heatCapacity(i);
    leaks += boundaryConductance[i]!;
  }
  const through = (held * (c.depthMm / 2000)) / (SECONDS * CONDUCTIVITY_W_PER_MK);
  return (leaks > 0 ? held / leaks : Infinity) + through;
}

/** The finite volumes of a slab: what each heatCapacity, what passes between them, and what cures in them. */
export function slabSystem(chemistry: Chemistry, c: SlabConditions): SlabSystem {
  const mouldNodes = c.mouldMm >= MIN_MOULD_MM ? MOULD_NODES : 0;
  const all = c.nodes + mouldNodes;
  const [dx, dm] = [c.depthMm / 1000 / c.nodes, mouldNodes > 0 ? c.mouldMm / 1000 / mouldNodes : 0];
  const width = (i: number) => (i < c.nodes ? dx : dm);
  const conductivity = (i: number) => (i < c.nodes ? CONDUCTIVITY_W_PER_MK : MOULD_RUBBER.conductivity);
  const heatCapacity = (i: number) =>
    i < c.nodes
      ? c.densityGPerML * 1e6 * heatCapacityOf(chemistry) * dx
      : MOULD_RUBBER.densityGPerML * 1e6 * MOULD_RUBBER.heatCapacity * dm;
  const half = (i: number) => width(i) / 2 / conductivity(i);
  const conductance = (i: number, j: number) => SECONDS / (half(i) + half(j));
  const toAir = (i: number, h: number) => (h > 0 ? SECONDS / (half(i) + 1 / h) : 0);

  const boundaryConductance = new Float64Array(all);
  for (let i = 0; i < c.nodes; i += 1) boundaryConductance[i] = SECONDS * c.sideWPerM3K * dx;
  boundaryConductance[0] = boundaryConductance[0]! + toAir(0, c.topWPerM2K);
  boundaryConductance[all - 1] = boundaryConductance[all - 1]! + toAir(all - 1, c.bottomWPerM2K);
  const [above, below, boundaryLossPerMin] = [new Float64Array(all), new Float64Array(all), new Float64Array(all)];
  for (let i = 0; i < all; i += 1) {
    above[i] = i > 0 ? conductance(i - 1, i) / heatCapacity(i) : 0;
    below[i] = i < all - 1 ? conductance(i, i + 1) / heatCapacity(i) : 0;
    boundaryLossPerMin[i] = boundaryConductance[i]! / heatCapacity(i);
  }

  const riseK = wholeRiseK(chemistry);
  const { b, m, n, activationKJPerMol } = chemistry.kinetics;
  const exponent = (activationKJPerMol * 1000) / GAS_CONSTANT;
  const atReference = 1 / (chemistry.referenceC + ZERO_C_IN_K);
  const rateConstant = (temperatureC: number) =>
    chemistry.kPerMin * Math.exp(exponent * (atReference - 1 / (temperatureC + ZERO_C_IN_K)));

  const start = (): SlabState => ({
    temperature: Float64Array.from({ length: all }, (_, i) => (i < c.nodes ? c.resinC : c.mouldC)),
    alpha: new Float64Array(c.nodes).fill(c.alpha),
  });
  return {
    nodes: c.nodes,
    all,
    above,
    below,
    boundaryLossPerMin,
    boundaryConductance,
    riseK,
    start,
    positionsMm: Array.from({ length: c.nodes }, (_, i) => (i + 0.5) * dx * 1000),
    slopes: ({ temperature, alpha }) => {
      const [da, dT] = [new Float64Array(c.nodes), new Float64Array(all)];
      for (let i = 0; i < all; i += 1) {
        const T = temperature[i]!;
        let slope = -boundaryLossPerMin[i]! * (T - c.roomC);
        if (i > 0) slope += above[i]! * (temperature[i - 1]! - T);
        if (i < all - 1) slope += below[i]! * (temperature[i + 1]! - T);
        if (i < c.nodes) {
          const a = Math.max(0, alpha[i]!);
          da[i] = rateConstant(T) * (b + a ** m) * Math.max(0, 1 - a) ** n;
          slope += riseK * da[i]!;
        }
        dT[i] = slope;
      }
      return { alpha: da, temperature: dT };
    },
    derivatives: ({ temperature, alpha }) => {
      const [byAlpha, byTemperature] = [new Float64Array(c.nodes), new Float64Array(c.nodes)];
      for (let i = 0; i < c.nodes; i += 1) {
        const a = Math.min(1, Math.max(MIN_ALPHA, alpha[i]!));
        const left = 1 - a;
        const k = rateConstant(temperature[i]!);
        byAlpha[i] = k * (m * a ** (m - 1) * left ** n - n * (b + a ** m) * left ** (n - 1));
        byTemperature[i] = (k * (b + a ** m) * left ** n * exponent) / (temperature[i]! + ZERO_C_IN_K) ** 2;
      }
      return { byAlpha, byTemperature };
    },
    lossRate: ({ temperature }) => temperature.reduce((sum, T, i) => sum + boundaryConductance[i]! * (T - c.roomC), 0),
    slowestMin: slowestMin(heatCapacity, boundaryConductance, c, all),
    ratePerMin: (alpha, temperatureC) => {
      const a = Math.max(0, alpha);
      return rateConstant(temperatureC) * (b + a ** m) * Math.max(0, 1 - a) ** n;
    },
    energyError: (state, lost) => {
      const first = start();
      let [kept, moved, made] = [0, 0, 0];
      for (let i = 0; i < all; i += 1) {
        const d = heatCapacity(i) * (state.temperature[i]! - first.temperature[i]!);
        kept += d;
        moved += Math.abs(d);
      }
      for (let i = 0; i < c.nodes; i += 1) made += heatCapacity(i) * riseK * (state.alpha[i]! - first.alpha[i]!);
      const scale = Math.max(made, moved, Math.abs(lost));
      return scale === 0 ? 0 : Math.abs(made - kept - lost) / scale;
    },
  };
}

/** γ of the L-stable two-stage Rosenbrock method ROS2 (Verwer, Spee, Blom & Hundsdorfer 1999). */
const GAMMA = 1 - Math.SQRT1_2;

/**
 * One ROS2 step of length `h`, min. Conversion couples to its own node's temperature alone, so it is eliminated and one
 * tridiagonal system a stage is left. The error is against the embedded first-order step.
 */
export function rosenbrockStep(
  s: SlabSystem,
  state: SlabState,
  h: number,
): { next: SlabState; alphaError: number; temperatureErrorK: number } {
  const g = GAMMA * h;
  const { byAlpha, byTemperature } = s.derivatives(state);
  const [lower, diagonal, upper, work] = [
    new Float64Array(s.all),
    new Float64Array(s.all),
    new Float64Array(s.all),
    new Float64Array(s.all),
  ];

  /** Solves (I − γhJ) k = right for both unknowns; `right` is overwritten with k. */
  const stage = (right: SlabState): void => {
    for (let i = 0; i < s.all; i += 1) {
      lower[i] = -g * s.above[i]!;
      upper[i] = -g * s.below[i]!;
      diagonal[i] = 1 + g * (s.above[i]! + s.below[i]! + s.boundaryLossPerMin[i]!);
      if (i < s.nodes) {
        const own = 1 - g * byAlpha[i]!;
        diagonal[i] = diagonal[i]! - g * s.riseK * byTemperature[i]! * (1 + (g * byAlpha[i]!) / own);
        right.temperature[i] = right.temperature[i]! + (g * s.riseK * byAlpha[i]! * right.alpha[i]!) / own;
      }
    }
    solveTridiagonal(lower, diagonal, upper, right.temperature, work);
    for (let i = 0; i < s.nodes; i += 1)
      right.alpha[i] = (right.alpha[i]! + g * byTemperature[i]! * right.temperature[i]!) / (1 - g * byAlpha[i]!);
  };

  const k1 = s.slopes(state);
  stage(k1);
  const middle: SlabState = {
    temperature: state.temperature.map((v, i) => v + h * k1.temperature[i]!),
    alpha: state.alpha.map((v, i) => v + h * k1.alpha[i]!),
  };
  const k2 = s.slopes(middle);
  for (let i = 0; i < s.all; i += 1) k2.temperature[i] = k2.temperature[i]! - 2 * k1.temperature[i]!;
  for (let i = 0; i < s.nodes; i += 1) k2.alpha[i] = k2.alpha[i]! - 2 * k1.alpha[i]!;
  stage(k2);
  const [temperature, alpha] = [new Float64Array(s.all), new Float64Array(s.nodes)];
  let [alphaError, temperatureErrorK] = [0, 0];
  for (let i = 0; i < s.all; i += 1) {
    temperature[i] = state.temperature[i]! + h * (1.5 * k1.temperature[i]! + 0.5 * k2.temperature[i]!);
    temperatureErrorK = Math.max(temperatureErrorK, Math.abs((h / 2) * (k1.temperature[i]! + k2.temperature[i]!)));
  }
  for (let i = 0; i < s.nodes; i += 1) {
    alpha[i] = state.alpha[i]! + h * (1.5 * k1.alpha[i]! + 0.5 * k2.alpha[i]!);
    alphaError = Math.max(alphaError, Math.abs((h / 2) * (k1.alpha[i]! + k2.alpha[i]!)));
  }
  return {
    next: { temperature, alpha },
    alphaError,
    temperatureErrorK,
  };
}
