import type { Chemistry } from './cup';
import { wholeRiseK } from './heatCapacity';
import { isSpent } from './reactionOver';
import { rosenbrockStep, slabSystem, type SlabState } from './slabSystem';

/** A layer of resin with air above and mould below, and how long to follow it. */
export interface SlabConditions {
  readonly depthMm: number;
  readonly densityGPerML: number;
  /** Resin at the start, all through, °C. */
  readonly resinC: number;
  /** Conversion at the start: what the cup spent before the pour. */
  readonly alpha: number;
  readonly roomC: number;
  readonly mouldC: number;
  /** Thickness of the mould below, mm; 0 leaves the face to the air. */
  readonly mouldMm: number;
  readonly topWPerM2K: number;
  readonly bottomWPerM2K: number;
  /** Heat lost through the sides of a real piece, W/(m³·K). */
  readonly sideWPerM3K: number;
  readonly nodes: number;
  readonly maxMinutes: number;
  readonly alphaGel: number;
  /** Stop once the reaction is over and everything is back within this of the room, K; 0 runs the whole time. */
  readonly coolK: number;
  readonly onProgress?: ((share: number) => void) | undefined;
}

/** Temperature and conversion through the thickness over time. */
export interface SlabCurve {
  readonly status: 'complete' | 'time-ran-out' | 'too-many-steps';
  readonly minutes: readonly number[];
  /** Depth of each node below the surface, mm. */
  readonly positionsMm: readonly number[];
  /** For each time, the temperature at each node, °C. */
  readonly temperatureC: readonly (readonly number[])[];
  /** For each time, the conversion at each node. */
  readonly alpha: readonly (readonly number[])[];
  readonly peakC: number;
  readonly peakMin: number;
  readonly peakAtMm: number;
  /** Minutes until half the depth has gelled, and until the last of it has; null where it did not. */
  readonly centreGelMin: number | null;
  readonly lastGelMin: number | null;
  /** Where it gels last, mm below the surface. */
  readonly lastGelAtMm: number;
  /** From when on everything is within `coolK` of the room, after the peak; null where it is not yet. */
  readonly coolMin: number | null;
  readonly steps: number;
  /** Heat made less heat kept and lost, as a share of what moved, the loss summed from the faces: a check that can fail. */
  readonly energyError: number;
}

/** Tolerances of a step: conversion and kelvin. The estimate is of first order, so the truth is well inside. */
const ALPHA_TOLERANCE = 4e-4;
const TEMPERATURE_TOLERANCE_K = 0.12;
const MAX_STEPS = 30_000;
/** A run is followed a little beyond its end, so that the picture shows it level. */
const TAIL = 1.15;
/** Pictures kept of a run, thinned as it grows. */
const MAX_KEPT = 400;

interface Watch {
  peakC: number;
  peakMin: number;
  peakAt: number;
  readonly gelMin: (number | null)[];
  coolMin: number | null;
  /** Furthest from the room after the step before, K. */
  awayK: number;
}

function look(
  watch: Watch,
  state: SlabState,
  before: SlabState,
  minute: number,
  h: number,
  c: SlabConditions,
  maxC: number,
): void {
  let warmest = 0;
  for (let i = 0; i < state.alpha.length; i += 1) {
    const t = Math.min(state.temperature[i]!, maxC);
    if (t > watch.peakC) {
      watch.peakC = t;
      watch.peakMin = minute;
      watch.peakAt = i;
    }
    warmest = Math.max(warmest, Math.abs(t - c.roomC));
    if (watch.gelMin[i] === null && state.alpha[i]! >= c.alphaGel) {
      const [a0, a1] = [before.alpha[i]!, state.alpha[i]!];
      watch.gelMin[i] = minute - h + h * (a1 > a0 ? (c.alphaGel - a0) / (a1 - a0) : 1);
    }
  }
  // Between two steps the distance from the room runs straight.
  const within = watch.awayK > warmest ? Math.max(0, (watch.awayK - c.coolK) / (watch.awayK - warmest)) : 1;
  if (warmest > c.coolK) watch.coolMin = null;
  else watch.coolMin ??= minute - h + h * Math.min(1, within);
  watch.awayK = warmest;
}

/**
 * A slab that cures and conducts, `ρc ∂T/∂t = k ∂²T/∂x² + ρΔH ∂α/∂t − s(T − Troom)`, over mould below and air above, by
 * finite volumes and a linearly implicit second-order step with step control. Steps too long for the reaction are
 * refused, so it is safe through a runaway.
 */
export function integrateSlab(chemistry: Chemistry, c: SlabConditions): SlabCurve {
  const system = slabSystem(chemistry, c);
  const maxC = adiabaticPeakC(chemistry, c);
  let state = system.start();
  let lost = 0;
  const watch: Watch = {
    peakC: c.resinC,
    peakMin: 0,
    peakAt: 0,
    gelMin: Array.from(state.alpha, () => (c.alpha >= c.alphaGel ? 0 : null)),
    coolMin: null,
    awayK: Math.abs(c.resinC - c.roomC),
  };
  const kept: { minute: number; temperature: number[]; alpha: number[] }[] = [];
  let every = 1;
  const keep = (minute: number) => {
    const temperature = Array.from(state.temperature.subarray(0, c.nodes), (v) => Math.min(v, maxC));
    kept.push({ minute, temperature, alpha: [...state.alpha] });
  };
  keep(0);
  let [t, h, steps, accepted, told] = [0, Math.min(0.05, c.maxMinutes / 100), 0, 0, 0];
  let status: SlabCurve['status'] = 'time-ran-out';
  while (t < c.maxMinutes) {
    if (steps >= MAX_STEPS) {
      status = 'too-many-steps';
      break;
    }
    steps += 1;
    h = Math.min(h, c.maxMinutes - t);
    const { next, alphaError, temperatureErrorK } = rosenbrockStep(system, state, h);
    const scaled = Math.max(alphaError / ALPHA_TOLERANCE, temperatureErrorK / TEMPERATURE_TOLERANCE_K, 1e-8);
    if (scaled <= 1) {
      t += h;
      look(watch, next, state, t, h, c, maxC);
      lost += (h / 2) * (system.lossRate(state) + system.lossRate(next));
      state = next;
      accepted += 1;
      if (accepted % every === 0) keep(t);
      if (kept.length >= MAX_KEPT) {
        kept.splice(0, kept.length, ...kept.filter((_, i) => i % 2 === 0));
        every *= 2;
      }
      const share = t / c.maxMinutes;
      if (c.onProgress && share - told >= 0.02) {
        told = share;
        c.onProgress(share);
      }
      const over = c.coolK > 0 && watch.coolMin !== null && watch.gelMin.every((m) => m !== null);
      if (over && t > watch.coolMin! * TAIL && isSpent(system, chemistry.kinetics, state, c)) {
        status = 'complete';
        break;
      }
    }
    h *= Math.min(4, Math.max(0.2, 0.9 / Math.sqrt(scaled)));
  }
  if (kept.at(-1)!.minute < t) keep(t);
  if (status === 'time-ran-out' && c.coolK === 0) status = 'complete';
  const gels = watch.gelMin;
  const last = gels.reduce<number>((best, m, i) => ((m ?? Infinity) > (gels[best] ?? Infinity) ? i : best), 0);
  return {
    status,
    steps,
    energyError: system.energyError(state, lost),
    minutes: kept.map((k) => k.minute),
    temperatureC: kept.map((k) => k.temperature),
    alpha: kept.map((k) => k.alpha),
    positionsMm: system.positionsMm,
    peakC: watch.peakC,
    peakMin: watch.peakMin,
    peakAtMm: system.positionsMm[watch.peakAt]!,
    centreGelMin: gels[Math.floor(c.nodes / 2)] ?? null,
    lastGelMin: gels[last] ?? null,
    lastGelAtMm: system.positionsMm[last]!,
    coolMin: watch.coolMin === null ? null : Math.max(watch.coolMin, watch.peakMin),
  };
}

/**
 * The temperature that a run cannot pass: everything still uncured turned into heat at once, °C. On a coarse mesh a front
 * that runs into a face passes it there, by the heat conducted ahead of it; what is told is never above it.
 */
export const adiabaticPeakC = (
  chemistry: Chemistry,
  c: Pick<SlabConditions, 'resinC' | 'roomC' | 'mouldC' | 'alpha'>,
): number => Math.max(c.resinC, c.roomC, c.mouldC) + (1 - c.alpha) * wholeRiseK(chemistry);
