import { GAS_CONSTANT, ZERO_C_IN_K } from './arrhenius';
import type { Chemistry } from './chemistry';
import { heatCapacityOf, wholeRiseK } from './heatCapacity';
import type { SlabConditions } from './slabTypes';

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

/** The finite volumes of a slab: resin from the top, then mould. */
interface Volumes {
  readonly all: number;
  readonly positionsMm: readonly number[];
  /** Heat that a node holds, J/(m²·K). */
  readonly heatCapacity: Float64Array;
  /** What leaves a node for the room, J/(m²·K·min). */
  readonly boundaryConductance: Float64Array;
  /** Conduction to the node above and below, and out to the room, 1/min. */
  readonly above: Float64Array;
  readonly below: Float64Array;
  readonly boundaryLossPerMin: Float64Array;
}

function volumesOf(chemistry: Chemistry, c: SlabConditions): Volumes {
  const mouldNodes = c.mouldMm >= MIN_MOULD_MM ? MOULD_NODES : 0;
  const all = c.nodes + mouldNodes;
  const [dx, dm] = [c.depthMm / 1000 / c.nodes, mouldNodes > 0 ? c.mouldMm / 1000 / mouldNodes : 0];
  const isResin = (i: number) => i < c.nodes;
  const ofResin = c.densityGPerML * 1e6 * heatCapacityOf(chemistry) * dx;
  const ofMould = MOULD_RUBBER.densityGPerML * 1e6 * MOULD_RUBBER.heatCapacity * dm;
  const heatCapacity = Float64Array.from({ length: all }, (_, i) => (isResin(i) ? ofResin : ofMould));
  const halfResistance = (i: number) =>
    isResin(i) ? dx / 2 / CONDUCTIVITY_W_PER_MK : dm / 2 / MOULD_RUBBER.conductivity;
  const conductance = (i: number, j: number) => SECONDS / (halfResistance(i) + halfResistance(j));
  const toAir = (i: number, h: number) => (h > 0 ? SECONDS / (halfResistance(i) + 1 / h) : 0);

  const boundaryConductance = Float64Array.from({ length: all }, (_, i) =>
    isResin(i) ? SECONDS * c.sideWPerM3K * dx : 0,
  );
  boundaryConductance[0]! += toAir(0, c.topWPerM2K);
  boundaryConductance[all - 1]! += toAir(all - 1, c.bottomWPerM2K);
  const perMin = (ofNode: (i: number) => number) =>
    Float64Array.from({ length: all }, (_, i) => ofNode(i) / heatCapacity[i]!);
  return {
    all,
    positionsMm: Array.from({ length: c.nodes }, (_, i) => (i + 0.5) * dx * 1000),
    heatCapacity,
    boundaryConductance,
    above: perMin((i) => (i > 0 ? conductance(i - 1, i) : 0)),
    below: perMin((i) => (i < all - 1 ? conductance(i, i + 1) : 0)),
    boundaryLossPerMin: perMin((i) => boundaryConductance[i]!),
  };
}

/** All the heat held over all that the faces take, and half a depth of conduction beside it: an upper bound, min. */
function slowestMin({ heatCapacity, boundaryConductance }: Volumes, c: SlabConditions): number {
  const held = heatCapacity.reduce((sum, v) => sum + v, 0);
  const leaks = boundaryConductance.reduce((sum, v) => sum + v, 0);
  const through = (held * (c.depthMm / 2000)) / (SECONDS * CONDUCTIVITY_W_PER_MK);
  return (leaks > 0 ? held / leaks : Infinity) + through;
}

/** How fast the resin cures, and how that changes with conversion and temperature. */
function rateOf({ kinetics, kPerMin, referenceC }: Chemistry) {
  const { b, m, n, activationKJPerMol } = kinetics;
  const exponent = (activationKJPerMol * 1000) / GAS_CONSTANT;
  const atReference = 1 / (referenceC + ZERO_C_IN_K);
  const constantAt = (temperatureC: number) =>
    kPerMin * Math.exp(exponent * (atReference - 1 / (temperatureC + ZERO_C_IN_K)));
  return {
    perMin: (alpha: number, temperatureC: number): number => {
      const a = Math.max(0, alpha);
      return constantAt(temperatureC) * (b + a ** m) * Math.max(0, 1 - a) ** n;
    },
    slopes: (alpha: number, temperatureC: number): { byAlpha: number; byTemperature: number } => {
      const a = Math.min(1, Math.max(MIN_ALPHA, alpha));
      const left = 1 - a;
      const k = constantAt(temperatureC);
      return {
        byAlpha: k * (m * a ** (m - 1) * left ** n - n * (b + a ** m) * left ** (n - 1)),
        byTemperature: (k * (b + a ** m) * left ** n * exponent) / (temperatureC + ZERO_C_IN_K) ** 2,
      };
    },
  };
}

/** Heat made less heat kept and lost, as a share of what moved. */
function energyErrorOf(volumes: Volumes, riseK: number, first: SlabState, state: SlabState, lost: number): number {
  let [kept, moved, made] = [0, 0, 0];
  volumes.heatCapacity.forEach((held, i) => {
    const d = held * (state.temperature[i]! - first.temperature[i]!);
    kept += d;
    moved += Math.abs(d);
  });
  state.alpha.forEach((alpha, i) => {
    made += volumes.heatCapacity[i]! * riseK * (alpha - first.alpha[i]!);
  });
  const scale = Math.max(made, moved, Math.abs(lost));
  return scale === 0 ? 0 : Math.abs(made - kept - lost) / scale;
}

/** The system of a slab: what each volume holds, what passes between them, and what cures in them. */
export function slabSystem(chemistry: Chemistry, c: SlabConditions): SlabSystem {
  const volumes = volumesOf(chemistry, c);
  const { all, above, below, boundaryLossPerMin, boundaryConductance } = volumes;
  const riseK = wholeRiseK(chemistry);
  const rate = rateOf(chemistry);
  const start = (): SlabState => ({
    temperature: Float64Array.from({ length: all }, (_, i) => (i < c.nodes ? c.resinC : c.mouldC)),
    alpha: new Float64Array(c.nodes).fill(c.alpha),
  });
  const slopes = ({ temperature, alpha }: SlabState): SlabState => {
    const [da, dT] = [new Float64Array(c.nodes), new Float64Array(all)];
    for (let i = 0; i < all; i += 1) {
      const T = temperature[i]!;
      let slope = -boundaryLossPerMin[i]! * (T - c.roomC);
      if (i > 0) slope += above[i]! * (temperature[i - 1]! - T);
      if (i < all - 1) slope += below[i]! * (temperature[i + 1]! - T);
      if (i < c.nodes) {
        da[i] = rate.perMin(alpha[i]!, T);
        slope += riseK * da[i]!;
      }
      dT[i] = slope;
    }
    return { alpha: da, temperature: dT };
  };
  const derivatives = ({ temperature, alpha }: SlabState) => {
    const [byAlpha, byTemperature] = [new Float64Array(c.nodes), new Float64Array(c.nodes)];
    for (let i = 0; i < c.nodes; i += 1) {
      const at = rate.slopes(alpha[i]!, temperature[i]!);
      byAlpha[i] = at.byAlpha;
      byTemperature[i] = at.byTemperature;
    }
    return { byAlpha, byTemperature };
  };
  return {
    nodes: c.nodes,
    all,
    above,
    below,
    boundaryLossPerMin,
    boundaryConductance,
    riseK,
    start,
    positionsMm: volumes.positionsMm,
    slopes,
    derivatives,
    lossRate: ({ temperature }) => temperature.reduce((sum, T, i) => sum + boundaryConductance[i]! * (T - c.roomC), 0),
    slowestMin: slowestMin(volumes, c),
    ratePerMin: rate.perMin,
    energyError: (state, lost) => energyErrorOf(volumes, riseK, start(), state, lost),
  };
}
