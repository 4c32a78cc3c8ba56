import type { Chemistry } from './chemistry';
import { isSpent } from './reactionOver';
import { wholeRiseK } from './heatCapacity';
import { slabRecorder, type SlabRecorder } from './slabRecorder';
import { rosenbrockStep } from './slabStep';
import { slabSystem, type SlabState, type SlabSystem } from './slabSystem';
import type { SlabConditions, SlabCurve } from './slabTypes';

export type { SlabConditions, SlabCurve } from './slabTypes';

/** Tolerances of a step: conversion and kelvin. The estimate is of first order, so the truth is well inside. */
const ALPHA_TOLERANCE = 4e-4;
const TEMPERATURE_TOLERANCE_K = 0.12;
const MAX_STEPS = 30_000;
/** A run is followed a little beyond its end, so that the picture shows it level. */
const TAIL = 1.15;
/** Shares of the run at which its progress is told. */
const TOLD_EVERY = 0.02;

/** The step that follows one of this scaled error (1 is just accepted): of second order, so by its root. */
const nextStep = (h: number, scaled: number) => h * Math.min(4, Math.max(0.2, 0.9 / Math.sqrt(scaled)));

/** Whether nothing more will happen that anybody asked for. */
function isOver(
  chemistry: Chemistry,
  system: SlabSystem,
  c: SlabConditions,
  recorder: SlabRecorder,
  state: SlabState,
  minute: number,
): boolean {
  if (c.coolK === 0 || recorder.coolMin() === null || !recorder.allGelled()) return false;
  return minute > recorder.coolMin()! * TAIL && isSpent(system, chemistry.kinetics, state, c);
}

/** Tells how far the run is, now and then. */
function progressTeller({ onProgress, maxMinutes }: SlabConditions): (minute: number) => void {
  let told = 0;
  return (minute) => {
    const share = minute / maxMinutes;
    if (!onProgress || share - told < TOLD_EVERY) return;
    told = share;
    onProgress(share);
  };
}

/**
 * A slab that cures and conducts, `ρc ∂T/∂t = k ∂²T/∂x² + ρΔH ∂α/∂t − s(T − Troom)`, over mould below and air above, by
 * finite volumes and a linearly implicit second-order step with step control. Steps too long for the reaction are
 * refused, so it is safe through a runaway.
 */
export function integrateSlab(chemistry: Chemistry, c: SlabConditions): SlabCurve {
  const system = slabSystem(chemistry, c);
  const recorder = slabRecorder(c, adiabaticPeakC(chemistry, c));
  const tellProgress = progressTeller(c);
  let state = system.start();
  let [t, h, steps, lost, over] = [0, Math.min(0.05, c.maxMinutes / 100), 0, 0, false];
  recorder.keep(state, 0);
  for (; t < c.maxMinutes && steps < MAX_STEPS && !over; steps += 1) {
    h = Math.min(h, c.maxMinutes - t);
    const { next, alphaError, temperatureErrorK } = rosenbrockStep(system, state, h);
    const scaled = Math.max(alphaError / ALPHA_TOLERANCE, temperatureErrorK / TEMPERATURE_TOLERANCE_K, 1e-8);
    if (scaled <= 1) {
      t += h;
      recorder.look(next, state, t, h);
      lost += (h / 2) * (system.lossRate(state) + system.lossRate(next));
      state = next;
      tellProgress(t);
      over = isOver(chemistry, system, c, recorder, state, t);
    }
    h = nextStep(h, scaled);
  }
  recorder.keepLast(state, t);
  const ranItsTime = c.coolK === 0 && t >= c.maxMinutes;
  const unfinished = t < c.maxMinutes ? 'too-many-steps' : 'time-ran-out';
  return {
    status: over || ranItsTime ? 'complete' : unfinished,
    steps,
    energyError: system.energyError(state, lost),
    positionsMm: system.positionsMm,
    ...recorder.curve(system.positionsMm),
  };
}

/**
 * The temperature that a run cannot pass: everything still uncured turned into heat at once, °C. On a coarse mesh a
 * front that runs into a face passes it there, by the heat conducted ahead of it; what is told is never above it.
 */
export const adiabaticPeakC = (
  chemistry: Chemistry,
  c: Pick<SlabConditions, 'resinC' | 'roomC' | 'mouldC' | 'alpha'>,
): number => Math.max(c.resinC, c.roomC, c.mouldC) + (1 - c.alpha) * wholeRiseK(chemistry);
